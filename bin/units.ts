/** `npm run units`: business units and their cost centers from CSV on standard input: unit,code,name. Run again, it adds what is new. */
import { readFileSync } from 'node:fs';
import { newId } from '#server/ids.ts';
import { appendAudit } from '#server/trust/audit.ts';
import { openWorld, readSettings } from '#server/world.ts';

const end = (words: string): never => {
	console.error(words);
	process.exit(1);
};
if (!process.env.KITE_DATA) end('KITE_DATA is missing.');
const rows = readFileSync(0, 'utf8')
	.split(/\r?\n/)
	.map((l) => l.trim())
	.filter((l) => l !== '' && !/^unit,/i.test(l))
	.map((l, i) => {
		const [unit, code, name] = l.split(',').map((c) => c.trim());
		if (!unit || (code && !name)) end(`Line ${i + 1}: write unit, or unit,code,name: ${l}`);
		return { unit: unit!, code: code ?? '', name: name ?? '' };
	});
if (rows.length === 0) end('Nothing to add: lines of unit,code,name on standard input.');
const w = openWorld(readSettings(process.env));
let added = 0;
w.db.transaction(() => {
	for (const r of rows) {
		const n = w.db.prepare<[], { n: number }>('SELECT count(*) AS n FROM business_unit').get()!.n;
		const unit = w.db
			.prepare<[string], { id: string }>('SELECT id FROM business_unit WHERE name = ?')
			.get(r.unit) ?? { id: newId('unt') };
		added += w.db
			.prepare('INSERT OR IGNORE INTO business_unit (id, name, hue, position) VALUES (?, ?, ?, ?)')
			.run(unit.id, r.unit, n % 6, n).changes;
		if (r.code)
			added += w.db
				.prepare('INSERT OR IGNORE INTO cost_center (id, unit_id, code, name) VALUES (?, ?, ?, ?)')
				.run(newId('cc'), unit.id, r.code, r.name).changes;
	}
	appendAudit(w.db, {
		at: w.clock.now(),
		actor: 'setup',
		action: 'add business units',
		matterId: null,
		detail: { rows: rows.length, added }
	});
})();
w.db.close();
console.log(`Added ${added}.`);
