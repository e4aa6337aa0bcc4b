/** Checking of rulebooks, in workers. */
import { task } from '../app/task.ts';
import type { BookDraft, CheckedBook } from './check.ts';

export const checkBookTask = task({
	name: 'check book',
	lane: 'files',
	seconds: 20,
	tooMuch: 'This book takes too long to read. Look for values that name one another many times.',
	run: async (draft: BookDraft): Promise<CheckedBook> =>
		(await import('./check.ts')).checkBook(draft)
});
