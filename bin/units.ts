/**
 * `npm run units`: business units and their cost centers from CSV on standard input:
 * unit,code,name. Run again, it adds what is new.
 */
import { readFileSync } from 'node:fs';
import { appendAudit } from '#server/access/audit.ts';
import type { Application } from '#server/app/application.ts';
import { newId } from '#server/app/ids.ts';
import { insertOrIgnore, maybeOne, scalar } from '#server/db/sql.ts';
import { openApplication } from '#server/open.ts';
import { readSettings } from '#server/settings.ts';
import type { BusinessUnitRow, CostCenterRow } from '#server/units/rows.ts';
import { end } from './end.ts';

type Line = { unit: string; code: string; name: string };
const HUES = 6;

function readLine(line: string, index: number): Line {
	const [unit = '', code = '', name = ''] = line.split(',').map((part) => part.trim());
	if (!unit || (code && !name)) end(`Line ${index + 1}: write unit, or unit,code,name: ${line}`);
	return { unit, code, name };
}

/** How many rows were added for a line. */
function addLine({ db }: Application, { unit, code, name }: Line): number {
	const position = scalar(db, 'SELECT count(*) FROM business_unit');
	const found = maybeOne<Pick<BusinessUnitRow, 'id'>>(
		db,
		'SELECT id FROM business_unit WHERE name = @unit',
		{ unit }
	);
	const id = found?.id ?? newId('unt');
	let added = 0;
	if (
		!found &&
		insertOrIgnore<BusinessUnitRow>(db, 'business_unit', {
			id,
			name: unit,
			hue: position % HUES,
			position
		})
	)
		added++;
	if (
		code &&
		insertOrIgnore<CostCenterRow>(db, 'cost_center', {
			id: newId('cc'),
			unit_id: id,
			code,
			name
		})
	)
		added++;
	return added;
}

if (!process.env.KITE_DATA) end('KITE_DATA is missing.');
const lines = readFileSync(0, 'utf8')
	.split(/\r?\n/)
	.map((line) => line.trim())
	.filter((line) => line !== '' && !/^unit,/i.test(line))
	.map(readLine);
if (lines.length === 0) end('Nothing to add: lines of unit,code,name on standard input.');
const app = openApplication(readSettings(process.env));
const added = app.db.transaction(() => {
	const count = lines.reduce((sum, line) => sum + addLine(app, line), 0);
	appendAudit(app.db, {
		at: app.clock.now(),
		actor: 'setup',
		action: 'add business units',
		matterId: null,
		detail: { rows: lines.length, added: count }
	});
	return count;
})();
app.db.close();
console.log(`Added ${added}.`);
