/** Statements of cost as PDF, in workers. */
import { task } from '../app/task.ts';
import type { Statement } from './statement-pdf.ts';

export const statementTask = task({
	name: 'make statement',
	lane: 'files',
	seconds: 60,
	tooMuch: 'This statement takes too long to be made.',
	run: async (statement: Statement): Promise<Uint8Array> =>
		(await import('./statement-pdf.ts')).makeStatementPdf(statement)
});
