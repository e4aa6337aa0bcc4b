/** Reading and writing of calendar files, in workers. */
import { task } from '../app/task.ts';
import type { ReadCalendar } from './read.ts';
import type { CalendarHead, CalendarItem } from './write.ts';

export const readCalendarTask = task({
	name: 'read calendar',
	lane: 'files',
	seconds: 5,
	tooMuch: 'This calendar file takes too long to read. Nothing was brought in.',
	run: async (file: { data: Uint8Array; zone: string }): Promise<ReadCalendar> =>
		(await import('./read.ts')).parseCalendar(file)
});

export const writeCalendarTask = task({
	name: 'write calendar',
	lane: 'answers',
	seconds: 20,
	tooMuch: 'This calendar has too many dates.',
	run: async ({ items, head }: { items: CalendarItem[]; head: CalendarHead }): Promise<string> =>
		(await import('./write.ts')).makeCalendar(items, head)
});
