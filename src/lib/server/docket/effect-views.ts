/** What would change, as it is shown before anything is saved: only of matters that one may see. */
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { maybeOne } from '#server/db/sql.ts';
import type { Effect } from './effects.ts';

type Has = Pick<Application, 'db'>;

export type EffectView = {
	matterNumber: string;
	matterTitle: string;
	title: string;
	state: Effect['state'];
	/** It stays after all: what waited for it falls away. */
	settles: boolean;
	was: PlainDate | null;
	becomes: PlainDate | null;
	days: number | null;
	event: string;
};

/** The effects on matters the viewer may see, by matter and day. */
export function formatEffects(app: Has, me: Staff, effects: readonly Effect[]): EffectView[] {
	type Seen = { text: string; number: string; title: string };
	const known = new Map<string, Seen | undefined>();
	const find = (eventId: string) => {
		if (!known.has(eventId))
			known.set(
				eventId,
				maybeOne<Seen>(
					app.db,
					`SELECT e.text, m.number, m.title
					FROM event e
					JOIN matter m ON m.id = e.matter_id
					WHERE e.id = @eventId AND ${visible('m')}`,
					{ eventId, me: me.id }
				)
			);
		return known.get(eventId);
	};
	const views = effects.flatMap(({ eventId, title, state, was, fresh, settles }): EffectView[] => {
		const event = find(eventId);
		if (!event) return [];
		const becomes = settles ? was : (fresh?.date ?? null);
		return [
			{
				matterNumber: event.number,
				matterTitle: event.title,
				event: event.text,
				title,
				state,
				settles,
				was,
				becomes,
				days: was && becomes ? daysBetween(was, becomes) : null
			}
		];
	});
	const day = (view: EffectView) => view.becomes ?? view.was ?? '';
	return views.sort(
		(one, other) =>
			one.matterNumber.localeCompare(other.matterNumber) || day(one).localeCompare(day(other))
	);
}

/** So many are shown before a change; the rest are counted. */
const SHOWN_EFFECTS = 300;

/** What a change would do, as its preview shows it. */
export function showEffects(
	app: Has,
	me: Staff,
	effects: readonly Effect[]
): { effects: EffectView[]; total: number } {
	const views = formatEffects(app, me, effects);
	return { effects: views.slice(0, SHOWN_EFFECTS), total: views.length };
}
