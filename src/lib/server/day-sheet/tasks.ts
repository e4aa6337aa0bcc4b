/** The Day sheet is read in a worker: whoever is on most matters has thousands of dates. */
import { reading } from '../app/reading.ts';

export const readDaySheet = reading(
	'day sheet',
	async () => (await import('./page.ts')).showDaySheet
);
