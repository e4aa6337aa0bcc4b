/** Reading and judging of files to import, in workers. */
import { task } from '../app/task.ts';
import type { JudgeQuery, Plan } from './judge.ts';
import type { Table } from './table.ts';

/** @throws Refused where the file is no table */
export const tableTask = task({
	name: 'read table',
	lane: 'files',
	seconds: 30,
	tooMuch: 'This file takes too long to read. Divide it, or save it as CSV.',
	run: async ({ data }: { data: Uint8Array }): Promise<Table> =>
		(await import('./table.ts')).parseTable(data)
});

export const judgeTask = task({
	name: 'judge import',
	lane: 'files',
	seconds: 300,
	tooMuch: 'These rows take too long to look through. Divide the file.',
	run: async (query: JudgeQuery, { db }): Promise<Plan> =>
		(await import('./judge.ts')).judgeTable(db, query)
});
