/**
 * That something changed, told to open pages as it happens: not what, which each page asks for with
 * its own reader's rights. One look a moment, however many listen.
 */
import { randomBytes } from 'node:crypto';
import type { Reader } from '#server/app/application.ts';
import { sha256 } from '#server/app/ids.ts';
import { scalar } from '#server/db/sql.ts';

/** Two browsers see each other's changes well within two seconds. */
const EVERY_MS = 400;

type Listener = (mark: string) => void;
const listeners = new Set<Listener>();
let timer: ReturnType<typeof setInterval> | undefined;
let known = 0;

/** How many entries there are is nobody's business: a mark says only that there are others. */
const SECRET = randomBytes(16).toString('hex');
const findLast = ({ db }: Pick<Reader, 'db'>): number =>
	scalar(db, 'SELECT coalesce(max(seq), 0) FROM audit');
const markOf = (last: number): string => sha256(`${SECRET} ${last}`).slice(0, 16);

/** Another with every change. */
export const findMark = (app: Pick<Reader, 'db'>): string => markOf(findLast(app));

/** Calls on every change until what it gives back is called. */
export function listenToChanges(app: Pick<Reader, 'db'>, listener: Listener): () => void {
	listeners.add(listener);
	if (!timer) {
		known = findLast(app);
		timer = setInterval(() => look(app), EVERY_MS);
		timer.unref();
	}
	return () => {
		listeners.delete(listener);
		if (listeners.size > 0) return;
		clearInterval(timer);
		timer = undefined;
	};
}

function look(app: Pick<Reader, 'db'>): void {
	const last = findLast(app);
	if (last === known) return;
	known = last;
	for (const listener of listeners) listener(markOf(last));
}
