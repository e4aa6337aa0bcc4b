/**
 * What every house has before the first matter: kinds and templates that ship, and activity codes.
 */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { auditServer } from '#server/access/audit.ts';
import type { Application } from '#server/app/application.ts';
import { assetFolder } from '#server/app/assets.ts';
import { newId } from '#server/app/ids.ts';
import { markNewHouse } from '#server/docket/new-readings.ts';
import { exists, insert } from '#server/db/sql.ts';
import { addShippedKinds } from '#server/kinds/shipped.ts';
import type { TemplateRow } from '#server/templates/rows.ts';
import type { ActivityCodeRow } from '#server/time/rows.ts';

const DESCRIPTIONS: Readonly<Record<string, string>> = {
	'Letter on the matter':
		'To anyone outside: the case, our dates, the people. Asks for the recipient and what the letter is for.',
	'Notice to preserve documents':
		'To a colleague in a business unit: keep everything that concerns the matter.'
};

/** Work that belongs to a matter, and work that does not. */
const MATTER_ACTIVITIES = {
	CALL: 'Calls and meetings, outside',
	MEET: 'Meetings, inside',
	DRAFT: 'Drafting',
	REVIEW: 'Review',
	RESEARCH: 'Research',
	DISC: 'Discovery',
	HEAR: 'Hearings and trial',
	NEGO: 'Negotiation',
	ADVICE: 'Advice'
};
const OTHER_ACTIVITIES = { TRAIN: 'Training', MANAGE: 'Running the department', LEAVE: 'Leave' };

/** Safe to call at every start: only what is not there is added. */
export function setUp(app: Application): void {
	app.db.transaction(() => {
		addShippedKinds(app);
		markNewHouse(app);
		if (!exists(app.db, 'SELECT 1 FROM activity_code')) addActivities(app);
		if (!exists(app.db, 'SELECT 1 FROM template')) addTemplates(app);
	})();
	auditServer(app, 'set the house up');
}

function addActivities({ db }: Application): void {
	const activities = [
		...Object.entries(MATTER_ACTIVITIES).map(([code, name]) => ({ code, name, work: 1 as const })),
		...Object.entries(OTHER_ACTIVITIES).map(([code, name]) => ({ code, name, work: 0 as const }))
	];
	for (const [position, { code, name, work }] of activities.entries())
		insert<ActivityCodeRow>(db, 'activity_code', { code, name, matter_work: work, position });
}

function addTemplates({ db, files }: Application): void {
	const folder = assetFolder('templates');
	if (!existsSync(folder)) return;
	const names = readdirSync(folder).filter((file) => file.endsWith('.docx'));
	for (const file of names.sort()) {
		const name = file.replace(/\.docx$/, '');
		insert<TemplateRow>(db, 'template', {
			id: newId('tpl'),
			name,
			description: DESCRIPTIONS[name] ?? '',
			sha256: files.put(readFileSync(join(folder, file)))
		});
	}
}
