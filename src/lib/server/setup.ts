/** What every house has before the first matter: templates that ship and activity codes. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { World } from './command.ts';
import { newId } from './ids.ts';
import { addKinds } from './matters/kinds.ts';

const ABOUT: Record<string, string> = {
	'Letter on the matter':
		'To anyone outside: the case, our dates, the people. Asks for the recipient and what the letter is for.',
	'Notice to preserve documents':
		'To a colleague in a business unit: keep everything that concerns the matter.'
};
const CODES: [string, string, number][] = [
	['CALL', 'Calls and meetings, outside', 1],
	['MEET', 'Meetings, inside', 1],
	['DRAFT', 'Drafting', 1],
	['REVIEW', 'Review', 1],
	['RESEARCH', 'Research', 1],
	['DISC', 'Discovery', 1],
	['HEAR', 'Hearings and trial', 1],
	['NEGO', 'Negotiation', 1],
	['ADVICE', 'Advice', 1],
	['TRAIN', 'Training', 0],
	['MANAGE', 'Running the department', 0],
	['LEAVE', 'Leave', 0]
];

/** Safe to call at every start: only what is not there is added. */
export function setUp(w: World): void {
	const folder = join(process.env.KITE_HOME ?? process.cwd(), 'templates');
	w.db.transaction(() => {
		addKinds(w);
		if (!w.db.prepare('SELECT 1 FROM activity_code').get())
			CODES.forEach(([code, name, work], i) =>
				w.db
					.prepare(
						'INSERT INTO activity_code (code, name, matter_work, position) VALUES (?, ?, ?, ?)'
					)
					.run(code, name, work, i)
			);
		if (existsSync(folder) && !w.db.prepare('SELECT 1 FROM template').get())
			for (const f of readdirSync(folder)
				.filter((n) => n.endsWith('.docx'))
				.sort()) {
				const name = f.replace(/\.docx$/, '');
				w.db
					.prepare('INSERT INTO template (id, name, description, sha256) VALUES (?, ?, ?, ?)')
					.run(newId('tpl'), name, ABOUT[name] ?? '', w.files.put(readFileSync(join(folder, f))));
			}
	})();
}
