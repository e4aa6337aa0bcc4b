import { json } from '@sveltejs/kit';
import { parseDate } from '#core/dates/plain.ts';
import { NotFound, Refused } from '#server/command.ts';
import { proposals } from '#server/docket/commands.ts';
import { countView, courtDaysTo } from '#server/docket/queries.ts';
import { findMatter } from '#server/trust/scope.ts';
import { missing, only, theWorld } from '#server/web.ts';

/** What an event would set: proposals with their counts. Nothing is saved. */
export async function POST(event) {
	const me = only(event, 'docket.enter');
	const w = theWorld();
	const body = (await event.request.json().catch(() => ({}))) as Record<string, unknown>;
	const m = findMatter(w.db, me, { id: String(body.matterId ?? '') });
	if (!m) return missing('matter');
	const date = parseDate(body.date);
	if (!date)
		return json(
			{
				errors: {
					date: body.date
						? `${String(body.date)} is not a date that exists.`
						: 'The date is missing.'
				}
			},
			{ status: 400 }
		);
	try {
		const { book, deadlines, left } = proposals(w, m, {
			eventKey: String(body.eventKey ?? ''),
			date,
			time: typeof body.time === 'string' && body.time ? body.time : null,
			service: String(body.service ?? ''),
			answers: (body.answers ?? {}) as Record<string, string>,
			sure: body.sure === true
		});
		return json({
			deadlines: deadlines.map(({ trace, ...d }) => ({
				...d,
				count: countView(w, book.id, trace, d.date),
				courtDays: courtDaysTo(w, book.id, d.date),
				past: d.date < w.clock.today()
			})),
			left
		});
	} catch (e) {
		if (e instanceof Refused) return json({ errors: { [e.field]: e.message } }, { status: 400 });
		if (e instanceof NotFound) return missing('matter');
		throw e;
	}
}
