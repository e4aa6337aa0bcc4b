/** The Day sheet, and what waits in the docket's rooms, are counted in a worker. */
import { reading } from '../app/reading.ts';

export const readDaySheet = reading(
	'day sheet',
	async () => (await import('./page.ts')).showDaySheet
);

export const readWaiting = reading(
	'waiting',
	async () => (await import('./waiting.ts')).countWaiting
);
