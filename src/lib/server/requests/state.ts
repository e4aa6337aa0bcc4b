/** In which states of a request somebody works on it, or it waits. */
import type { RequestRow } from './rows.ts';

export const isOpen = ({ state }: Pick<RequestRow, 'state'>): boolean =>
	state === 'sent' || state === 'taken' || state === 'asked';
