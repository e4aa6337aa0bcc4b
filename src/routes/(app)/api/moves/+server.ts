import { json } from '@sveltejs/kit';
import { parseDate, sayDate } from '#core/dates/plain.ts';
import { Refused } from '#server/command.ts';
import { movesOf } from '#server/docket/commands.ts';
import { movedDate } from '#server/docket/deadlines.ts';
import { deadlineFor, eventFor } from '#server/docket/queries.ts';
import { missing, only, theWorld } from '#server/web.ts';

/** What would move with an event, or where a date would go by an order. Nothing is saved. */
export function GET(event) {
	const me = only(event, 'docket.change');
	const w = theWorld();
	const p = event.url.searchParams;
	const typed = p.get('to') ?? '';
	const to = parseDate(typed);
	if (p.has('deadline')) {
		const d = deadlineFor(w, me, p.get('deadline') ?? '');
		if (!d) return missing('date');
		if (typed && !to)
			return json({ error: `${typed} is not a date that exists.` }, { status: 400 });
		try {
			const { trace: _, ...moved } = movedDate(w, d, {
				by: p.get('by') ?? '',
				to: to ?? null,
				back: p.get('how') === 'back'
			});
			return json(moved);
		} catch (e) {
			if (e instanceof Refused) return json({ error: e.message }, { status: 400 });
			throw e;
		}
	}
	const e = eventFor(w, me, p.get('event') ?? '');
	if (!e) return missing('event');
	if (!to)
		return json(
			{ error: typed ? `${typed} is not a date that exists.` : 'The new date is missing.' },
			{ status: 400 }
		);
	if (!e.ahead && to > w.clock.today())
		return json(
			{ error: `${sayDate(to)} has not come yet: this event is entered once it has happened.` },
			{ status: 400 }
		);
	const answers = [...p]
		.filter(([k]) => k.startsWith('answer-'))
		.map(([k, v]): [string, string] => [k.slice(7), v]);
	try {
		const { moves, gone, born, warnings } = movesOf(w, e.id, to, {
			time: p.get('time'),
			service: p.get('service'),
			answers: p.has('answers') ? Object.fromEntries(answers) : null
		});
		return json({
			moves,
			gone,
			born: born.map((b) => ({ title: b.title, date: b.date })),
			warnings
		});
	} catch (err) {
		if (err instanceof Refused) return json({ error: err.message }, { status: 400 });
		throw err;
	}
}
