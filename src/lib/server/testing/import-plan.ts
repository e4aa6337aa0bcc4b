/** Rows as a file would have them, looked through as an import looks through them. */
import { judgeTable, type Decisions, type Plan } from '#server/imports/judge.ts';
import type { What } from '#server/imports/fields.ts';
import { guessMapping, listFields } from '#server/imports/mapping.ts';
import { parseTable } from '#server/imports/table.ts';
import type { GivenFile } from '#server/imports/verdict.ts';
import type { TestHouse } from './house.ts';

/** @param lines of a CSV file, the first of them its head */
export async function planImport(
	house: TestHouse,
	what: What,
	lines: readonly string[],
	more: { decisions?: Decisions; files?: Record<string, GivenFile>; login?: string } = {}
): Promise<Plan> {
	const table = await parseTable(Buffer.from(lines.join('\n')));
	return judgeTable(house.db, {
		me: house.staff(more.login ?? 'haddad').id,
		today: house.clock.today(),
		files: more.files,
		what,
		table,
		mapping: guessMapping(listFields(house.db, what), table.head, null),
		decisions: more.decisions ?? {},
		progress: new SharedArrayBuffer(4)
	});
}

/** What becomes of each row, in words. */
export const fatesOf = ({ rows }: Plan): string[] => rows.map(({ fate, why }) => `${fate}: ${why}`);
