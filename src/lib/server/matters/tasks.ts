/** The list of matters is read in a worker: what it derives of each needs their dates and time. */
import { reading } from '../app/reading.ts';
import type { MatterFilter } from './filter.ts';

export const readMatters = reading('matters', async () => {
	const { listMatters } = await import('./list.ts');
	return (reader, me, filter: MatterFilter) => listMatters(reader, me, filter);
});
