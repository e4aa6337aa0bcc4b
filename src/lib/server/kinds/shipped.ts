/** The kinds that ship, loaded once into a new house. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'yaml';
import { kindSchema } from '#core/kinds/kind.ts';
import type { Application } from '#server/app/application.ts';
import { assetFolder } from '#server/app/assets.ts';
import { exists, insert } from '#server/db/sql.ts';
import type { KindRow } from './rows.ts';

/** The order in which they are offered. */
const ORDER = [
	'litigation',
	'employment',
	'regulatory',
	'agreement',
	'real-estate',
	'trademark',
	'corporate',
	'data-incident',
	'claims'
];

/** Adds the kinds that ship where there are none yet. */
export function addShippedKinds({ db }: Pick<Application, 'db'>): void {
	if (exists(db, 'SELECT 1 FROM kind')) return;
	const folder = assetFolder('kinds');
	const files = readdirSync(folder).filter((file) => file.endsWith('.yaml'));
	for (const file of files.sort()) {
		const kind = kindSchema.parse(parse(readFileSync(join(folder, file), 'utf8')));
		insert<KindRow>(db, 'kind', {
			id: kind.id,
			name: kind.name,
			position: ORDER.indexOf(kind.id),
			body: JSON.stringify(kind)
		});
	}
}
