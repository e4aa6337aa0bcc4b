/** Closes a matter of the demo on the day it ended, with all that was still open in it. */
import { closeMatter } from '#server/matters/status.ts';
import { listStillOpen } from '#server/matters/still-open.ts';
import type { Made, Scene } from './scene.ts';

export function closeMade(scene: Scene, made: Made, end: { reason: string; ending: string }): void {
	const { as, done, app } = scene;
	if (made.until === null) throw new Error(`${made.title} has not ended`);
	scene.at(made.until);
	const open = listStillOpen(app, made.id);
	done(
		closeMatter(as(made.lawyer), {
			...{ matterId: made.id, ...end },
			deadlines: Object.fromEntries(open.deadlines.map(({ id }) => [id, 'vacate'])),
			tasks: Object.fromEntries(open.tasks.map(({ id }) => [id, 'done'])),
			rounds: Object.fromEntries(open.rounds.map(({ id }) => [id, 'withdraw']))
		})
	);
}
