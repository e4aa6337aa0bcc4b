/** Reading of a court's list, in a worker. */
import type { DateOrder } from '#core/dates/in-text.ts';
import { task } from '../app/task.ts';
import type { CourtList } from './read.ts';

/** @throws Refused where no entry is in it */
export const courtListTask = task({
	name: 'read court list',
	lane: 'files',
	seconds: 10,
	tooMuch: 'This list takes too long to read. Give it in parts.',
	run: async (list: { data: Uint8Array; zone: string; order: DateOrder }): Promise<CourtList> =>
		(await import('./read.ts')).parseCourtList(list)
});
