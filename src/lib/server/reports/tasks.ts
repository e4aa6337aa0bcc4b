/**
 * Figures are counted in a worker: they need every matter and every missed date. They are kept
 * until something is written.
 */
import { keep } from '../app/kept.ts';
import { reading } from '../app/reading.ts';

export const readFigures = reading('figures', async () => {
	const { makeFigures } = await import('./figures.ts');
	return keep('figures', (reader, me, _: null) => makeFigures(reader, me));
});
