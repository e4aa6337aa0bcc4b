/** Drawing, certifying and sealing, in workers. */
import { task } from '../app/task.ts';
import type { SealOrder } from './seal.ts';

/** @throws Refused where the drawing cannot be read */
export const pictureTask = task({
	name: 'check picture',
	lane: 'files',
	seconds: 5,
	tooMuch: 'The drawing takes too long to read. Draw it again.',
	run: async ({ picture, field }: { picture: string; field: string }): Promise<void> =>
		(await import('./picture.ts')).checkPicture(picture, field)
});

/** @throws Refused where the document could not be stamped and sealed */
export const signableTask = task({
	name: 'check document for signing',
	lane: 'files',
	seconds: 30,
	tooMuch: 'This document takes too long to be read. Send a smaller one.',
	run: async (order: { pdf: Uint8Array; pages: number[] }): Promise<void> =>
		(await import('./signable.ts')).checkSignable(order)
});

export const sealTask = task({
	name: 'seal document',
	lane: 'files',
	seconds: 120,
	tooMuch: 'This document takes too long to be sealed.',
	run: async (order: SealOrder): Promise<{ base: Uint8Array; sealed: Uint8Array }> =>
		(await import('./seal.ts')).makeSealed(order)
});
