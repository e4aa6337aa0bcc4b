/** Figures are counted in a worker: they need every matter and every missed date. */
import { reading } from '../app/reading.ts';

export const readFigures = reading(
	'figures',
	async () => (await import('./figures.ts')).makeFigures
);
