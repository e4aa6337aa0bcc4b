/** Work on names and cards, in workers. */
import { task } from '../app/task.ts';
import type { NearName, NearQuery } from './near.ts';
import type { ReadCard } from './vcard-read.ts';

export const nearNamesTask = task({
	name: 'find near names',
	lane: 'answers',
	seconds: 5,
	tooMuch: 'Comparing this name takes too long. Write a shorter one.',
	run: async (query: NearQuery, { db }): Promise<NearName[]> =>
		(await import('./near.ts')).findNearNames(db, query)
});

/** @throws Refused where the file is no vCard file, naming the card at fault */
export const readVcardsTask = task({
	name: 'read vCards',
	lane: 'files',
	seconds: 30,
	tooMuch: 'This vCard file takes too long to read. Divide it.',
	run: async ({ text }: { text: string }): Promise<ReadCard[]> =>
		(await import('./vcard-read.ts')).parseVcards(text)
});
