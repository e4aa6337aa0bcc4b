/** What is done with a date once it is there: docketed, checked, returned, moved by order, met, vacated. */
import { z } from 'zod';
import { date as plain, daysBetween, sayDate, type PlainDate } from '#core/dates/plain.ts';
import { calendarOf } from '#core/docket/book.ts';
import { count, CountError, parseAmount } from '#core/docket/count.ts';
import { propose, type Proposal } from '#core/docket/propose.ts';
import type { Step } from '#core/docket/trace.ts';
import { command, Conflict, NotFound, Refused, staffOf, type Ctx, type World } from '../command.ts';
import { day, id, maybeDay, maybeId, maybeText, maybeTime, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { queueMail } from '../trust/scope.ts';
import { bookFor } from './books.ts';
import { whereFields } from './events.ts';
import {
	closuresOf,
	countedBy,
	documentOn,
	given,
	putOn,
	tasksWith,
	tell,
	theDeadline,
	warningsOf,
	type DeadlineRow,
	type EventRow,
	type TaskMove
} from './shared.ts';

/** Dockets one proposal, or several of one matter at once: one message to each person. */
export const docketDeadline = command({
	name: 'docket deadline',
	action: 'docket.enter',
	input: z.object({ deadlineId: maybeId, deadlineIds: z.array(z.string()).max(500).default([]) }),
	run(ctx, i, scribe) {
		const ids = [...new Set(i.deadlineId ? [i.deadlineId, ...i.deadlineIds] : i.deadlineIds)];
		if (ids.length === 0) throw new Refused('Choose a date.');
		const found = ids.map((x) => theDeadline(ctx, x));
		const m = found[0]!.m;
		if (found.some((f) => f.m.id !== m.id))
			throw new Refused('These dates belong to different matters.');
		if (m.status === 'closed')
			throw new Refused('The matter is closed: its dates are off the calendars. Reopen it first.');
		for (const { d } of found) {
			if (d.state !== 'proposed')
				throw new Refused(
					ids.length === 1 ? 'This date is docketed already.' : `“${d.title}” is docketed already.`
				);
			ctx.db
				.prepare(
					"UPDATE deadline SET state = 'docketed', docketed_by = ?, docketed_at = ?, version = version + 1 WHERE id = ?"
				)
				.run(staffOf(ctx).id, ctx.clock.now(), d.id);
		}
		scribe.matter(m.id);
		scribe.note({ deadlines: found.map((f) => ({ id: f.d.id, date: f.d.date })) });
		const list = found.map((f) => `${f.d.title} ${sayDate(plain(f.d.date))}`);
		scribe.log(m.id, 'date', `Docketed: ${list.join('; ')}.`);
		tell(
			ctx,
			m,
			`${m.number} ${m.title}: ${list.length === 1 ? 'a date was' : `${list.length} dates were`} docketed`,
			found.map((f) => `${sayDate(plain(f.d.date))}  ${f.d.title} (${f.d.authority})`).join('\n')
		);
		return { docketed: found.length };
	}
});

/** The same count once more, from the event's stored inputs and the book as it is now; undefined where no rule sets the date any more. */
export function recompute(
	w: World,
	d: Pick<DeadlineRow, 'event_id' | 'rule'>
): Proposal | undefined {
	const e = w.db.prepare<[string], EventRow>('SELECT * FROM event WHERE id = ?').get(d.event_id)!;
	if (!e.book) return undefined;
	const book = bookFor(w, e.matter_id, e.book);
	return propose(book, {
		event: e.event_key,
		date: plain(e.date),
		time: e.time ?? undefined,
		service: e.service ?? undefined,
		answers: given(e.answers),
		closures: closuresOf(w, book)
	}).deadlines.find((p) => p.rule === d.rule);
}

/** The second check: another person confirms the event's date, the rule and the result, which is computed afresh. */
export const checkDeadline = command({
	name: 'check deadline',
	action: 'docket.check',
	input: z.object({ deadlineId: id('a date') }),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		const me = staffOf(ctx);
		if (d.state !== 'docketed') throw new Refused('Only a docketed date is checked.');
		if (d.checked_by) throw new Refused('This date was checked already.');
		if (d.docketed_by === me.id)
			throw new Refused('You docketed this date: the second check is for someone else.');
		if (d.returned_by)
			throw new Refused(
				`It was returned: “${d.returned_reason}”. It is checked once that is answered.`
			);
		const fresh = recompute(ctx, d);
		const stands = d.computed ?? d.date;
		if (!fresh && d.book)
			throw new Refused('No rule sets this date any more. Correct the event, or vacate the date.');
		if (fresh && fresh.date !== stands)
			throw new Refused(
				`A fresh count gives ${sayDate(fresh.date)}, not ${sayDate(plain(stands))}. Change the event's date to itself to count anew, then check.`
			);
		ctx.db
			.prepare(
				'UPDATE deadline SET checked_by = ?, checked_at = ?, version = version + 1 WHERE id = ?'
			)
			.run(me.id, ctx.clock.now(), d.id);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, date: d.date });
		scribe.log(m.id, 'date', `Second check: ${d.title} ${sayDate(plain(d.date))} confirmed.`);
	}
});

/** The second person does not agree: the date goes back to the one who docketed it, with the reason, and stays unchecked. */
export const returnDeadline = command({
	name: 'return deadline',
	action: 'docket.check',
	input: z.object({ deadlineId: id('a date'), reason: text('What is wrong', 500) }),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		const me = staffOf(ctx);
		if (d.state !== 'docketed') throw new Refused('Only a docketed date is returned.');
		if (d.docketed_by === me.id) throw new Refused('You docketed this date yourself: change it.');
		ctx.db
			.prepare(
				'UPDATE deadline SET returned_by = ?, returned_at = ?, returned_reason = ?, checked_by = NULL, checked_at = NULL, version = version + 1 WHERE id = ?'
			)
			.run(me.id, ctx.clock.now(), i.reason, d.id);
		const who = ctx.db
			.prepare<[string], { name: string; email: string }>(
				'SELECT name, email FROM staff WHERE id = ?'
			)
			.get(d.docketed_by!)!;
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, reason: i.reason });
		scribe.log(
			m.id,
			'date',
			`Second check of ${d.title} ${sayDate(plain(d.date))} not agreed, back to ${who.name}: ${i.reason}`
		);
		queueMail(ctx, newId('mal'), {
			matterId: m.id,
			to: `${who.name} <${who.email}>`,
			subject: `${m.number}: the second check does not agree`,
			text: `${d.title}, ${sayDate(plain(d.date))}\n${me.name}: ${i.reason}\n\n${ctx.origin}/matters/${m.number}/docket?count=${d.id}\n`
		});
	}
});

/** Answers a returned date that stands as it is; it waits for a second check again. A date that is moved needs no answer. */
export const answerReturn = command({
	name: 'answer returned deadline',
	action: 'docket.change',
	input: z.object({ deadlineId: id('a date'), words: text('The answer', 500) }),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (!d.returned_by) throw new Refused('This date was not returned.');
		if (d.returned_by === staffOf(ctx).id)
			throw new Refused('You returned it: the answer is for someone else.');
		ctx.db
			.prepare(
				"UPDATE deadline SET returned_by = NULL, returned_at = NULL, returned_reason = '', version = version + 1 WHERE id = ?"
			)
			.run(d.id);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, words: i.words });
		scribe.log(m.id, 'date', `Answer to the check of ${d.title}: ${i.words}`);
	}
});

/** What a date would become by an order or an agreement; nothing is saved. */
export function movedDate(
	w: World,
	d: DeadlineRow,
	i: { by: string; to: PlainDate | null; back: boolean }
): { to: PlainDate; trace: Step[]; warnings: string[]; tasks: TaskMove[]; days: number } {
	const book = countedBy(w, d);
	const cal = calendarOf(book, closuresOf(w, book));
	let to: PlainDate;
	let trace: Step[] = [];
	if (i.back) {
		if (d.computed === null) throw new Refused('No order or agreement moved this date.');
		to = plain(d.computed);
	} else if (i.to !== null) to = i.to;
	else {
		try {
			const c = count({ ...book.method, clearDays: false, short: undefined }, cal, {
				from: plain(d.date),
				amount: parseAmount(i.by),
				act: 'file'
			});
			to = c.date;
			trace = c.trace;
		} catch (e) {
			if (e instanceof CountError)
				throw new Refused(
					i.by.trim() === '' ? 'Give the days (+14d, -3cd) or the new date.' : e.message,
					'by'
				);
			throw e;
		}
	}
	return {
		to,
		trace,
		days: daysBetween(plain(d.date), to),
		warnings: warningsOf(w, { id: d.matter_id }, { date: to, book }),
		tasks: tasksWith(w, d, to)
	};
}

/** Moves a date by order or agreement; the computed date is kept beside it, and `back` returns to it. A second person checks it again. */
export const moveDeadline = command({
	name: 'move deadline',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a date'),
		how: z.enum(['order', 'agreement', 'back'], {
			error: 'Say whether it is an order or an agreement.'
		}),
		by: maybeText('The days', 12),
		to: maybeDay('The new date'),
		reason: text('The reason', 500),
		documentId: maybeId,
		version: z.coerce.number().int()
	}),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (d.state !== 'docketed') throw new Refused('Only a docketed date is moved.');
		if (d.version !== i.version)
			throw new Refused('Someone else changed this date meanwhile. Look again before you move it.');
		const order = documentOn(ctx, m, i.documentId, 'documentId');
		const back = i.how === 'back';
		const { to } = movedDate(ctx, d, { by: i.by, to: i.to, back });
		if (to === d.date) throw new Refused('That is the date it has.', i.to ? 'to' : 'by');
		const more = putOn(ctx, d, { date: to, time: d.time, trace: null });
		if (back)
			ctx.db
				.prepare(
					"UPDATE deadline SET computed = NULL, moved_how = NULL, moved_reason = '', moved_document = NULL, moved_by = NULL, moved_at = NULL WHERE id = ?"
				)
				.run(d.id);
		else
			ctx.db
				.prepare(
					'UPDATE deadline SET computed = coalesce(computed, ?), moved_how = ?, moved_reason = ?, moved_document = ?, moved_by = ?, moved_at = ? WHERE id = ?'
				)
				.run(d.date, i.how, i.reason, order?.id ?? null, staffOf(ctx).id, ctx.clock.now(), d.id);
		const words =
			`${d.title} moved from ${sayDate(plain(d.date))} to ${sayDate(to)} ${back ? 'back to the day the rule sets' : `by ${i.how}`}: ${i.reason}${order ? ` (${order.name})` : ''}.${more.length ? ` Also: ${more.join('; ')}.` : ''}`.replace(
				'..',
				'.'
			);
		scribe.matter(m.id);
		scribe.note({
			deadline: d.id,
			from: d.date,
			to,
			how: i.how,
			reason: i.reason,
			document: order?.id ?? null
		});
		scribe.log(m.id, 'date', words, order ? `/documents/${order.id}` : undefined);
		const told = tell(ctx, m, `${m.number} ${m.title}: a date moved`, words);
		return { to, told };
	}
});

/** The department's own earlier date, time, place, link and descriptions of a date. */
export const editDeadline = command({
	name: 'edit deadline',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a date'),
		internal: maybeDay('The internal date'),
		time: maybeTime,
		...whereFields,
		short: maybeText('The short description', 120),
		long: maybeText('The long description', 4000),
		linked: z.array(z.string()).max(50).default([]),
		exhibits: z.array(z.string()).max(200).default([]),
		version: z.coerce.number().int()
	}),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (d.version !== i.version)
			throw new Conflict(
				'Someone else',
				d.version,
				[
					['short', 'Short description', d.short, i.short],
					['long', 'Long description', d.long, i.long],
					['place', 'Place', d.place, i.place],
					['link', 'Link', d.link, i.link],
					['internal', 'Internal date', d.internal ?? '', i.internal ?? ''],
					['time', 'Time', d.hand_time ?? '', i.time ?? '']
				]
					.filter(([, , a, b]) => a !== b)
					.map(([field, name, theirs, yours]) => ({
						field: field!,
						name: name!,
						theirs: theirs!,
						yours: yours!
					}))
			);
		if (i.internal && i.internal > d.date)
			throw new Refused(
				`The internal date lies after the date itself, ${sayDate(plain(d.date))}.`,
				'internal'
			);
		for (const x of i.linked) documentOn(ctx, m, x, 'linked');
		for (const x of i.exhibits)
			if (!ctx.db.prepare('SELECT 1 FROM exhibit WHERE id = ? AND matter_id = ?').get(x, m.id))
				throw new Refused('Choose an exhibit of this matter.', 'exhibits');
		ctx.db
			.prepare(
				'UPDATE deadline SET internal = ?, hand_time = ?, place = ?, link = ?, short = ?, long = ?, version = version + 1 WHERE id = ?'
			)
			.run(i.internal, i.time, i.place, i.link, i.short, i.long, d.id);
		ctx.db.prepare("DELETE FROM date_document WHERE deadline_id = ? AND role = 'linked'").run(d.id);
		for (const x of new Set(i.linked))
			ctx.db
				.prepare(
					"INSERT INTO date_document (deadline_id, document_id, role) VALUES (?, ?, 'linked')"
				)
				.run(d.id, x);
		ctx.db.prepare('DELETE FROM date_exhibit WHERE deadline_id = ?').run(d.id);
		for (const x of new Set(i.exhibits))
			ctx.db
				.prepare('INSERT INTO date_exhibit (deadline_id, exhibit_id) VALUES (?, ?)')
				.run(d.id, x);
		const changes = (
			[
				['internal date', d.internal, i.internal],
				['time', d.hand_time, i.time],
				['place', d.place, i.place],
				['link', d.link, i.link],
				['short description', d.short, i.short],
				['long description', d.long, i.long]
			] as const
		).filter(([, a, b]) => (a ?? '') !== (b ?? ''));
		scribe.matter(m.id);
		scribe.note({
			deadline: d.id,
			changes: changes.map(([what, from, to]) => ({ what, from, to })),
			linked: i.linked,
			exhibits: i.exhibits
		});
		if (changes.length)
			scribe.log(
				m.id,
				'date',
				`${d.title}: ${changes.map(([what, a, b]) => `${what} ${a ? (b ? `from “${a}” to “${b}”` : `“${a}” taken away`) : `“${b}”`}`).join('; ')}.`
			);
		return { changed: changes.length };
	}
});

export const meetDeadline = command({
	name: 'meet deadline',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a date'),
		on: day('The day it was met'),
		proof: maybeText('The proof', 300),
		documentId: maybeId
	}),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (d.state !== 'docketed') throw new Refused('Only a docketed date can be met.');
		if (i.on > ctx.clock.today()) throw new Refused('That day has not come yet.', 'on');
		const proof = documentOn(ctx, m, i.documentId, 'documentId');
		ctx.db
			.prepare(
				"UPDATE deadline SET state = 'met', closed_by = ?, closed_at = ?, closed_on = ?, reason = ?, version = version + 1 WHERE id = ?"
			)
			.run(staffOf(ctx).id, ctx.clock.now(), i.on, i.proof, d.id);
		if (proof)
			ctx.db
				.prepare(
					"INSERT OR IGNORE INTO date_document (deadline_id, document_id, role) VALUES (?, ?, 'proof')"
				)
				.run(d.id, proof.id);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, on: i.on, proof: proof?.id ?? null });
		scribe.log(
			m.id,
			'date',
			`Met: ${d.title} on ${sayDate(i.on)}${i.on > d.date ? `, after it was due on ${sayDate(plain(d.date))}` : ''}.${i.proof ? ` ${i.proof}` : ''}${proof ? ` Proof: ${proof.name}.` : ''}`,
			proof ? `/documents/${proof.id}` : undefined
		);
	}
});

export const vacateDeadline = command({
	name: 'vacate deadline',
	action: 'docket.change',
	input: z.object({ deadlineId: id('a date'), reason: text('The reason', 500) }),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (d.state !== 'docketed') throw new Refused('Only a docketed date can be vacated.');
		vacate(ctx, d, i.reason);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, reason: i.reason });
		scribe.log(m.id, 'date', `Vacated: ${d.title} ${sayDate(plain(d.date))}. ${i.reason}`);
		tell(
			ctx,
			m,
			`${m.number} ${m.title}: a date was vacated`,
			`${d.title}, ${sayDate(plain(d.date))}\n${i.reason}`
		);
	}
});
/** Takes a date off; a proposal counts as docketed by the one who takes it off, since the record asks for someone. */
export function vacate(ctx: Ctx, d: Pick<DeadlineRow, 'id'>, reason: string): void {
	const me = staffOf(ctx);
	ctx.db
		.prepare(
			"UPDATE deadline SET state = 'vacated', docketed_by = coalesce(docketed_by, ?), docketed_at = coalesce(docketed_at, ?), closed_by = ?, closed_at = ?, closed_on = ?, reason = ?, version = version + 1 WHERE id = ?"
		)
		.run(me.id, ctx.clock.now(), me.id, ctx.clock.now(), ctx.clock.today(), reason, d.id);
}

/** Days on which someone is away: one's own; the docket clerk and an administrator enter anyone's. */
export const setLeave = command({
	name: 'set leave',
	action: 'time.own',
	input: z.object({
		staffId: id('a colleague'),
		from: day('The first day'),
		to: day('The last day'),
		note: maybeText('The note', 100)
	}),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		if (i.staffId !== me.id && me.role !== 'docket-clerk' && me.role !== 'administrator')
			throw new Refused(
				'You enter your own days away. The docket clerk enters those of others.',
				'staffId'
			);
		if (i.to < i.from) throw new Refused('The last day is before the first.', 'to');
		if (!ctx.db.prepare('SELECT 1 FROM staff WHERE id = ? AND active = 1').get(i.staffId))
			throw new Refused('Choose a colleague.', 'staffId');
		ctx.db
			.prepare('INSERT INTO leave (id, staff_id, from_day, to_day, note) VALUES (?, ?, ?, ?, ?)')
			.run(newId('lea'), i.staffId, i.from, i.to, i.note);
		scribe.note({ staff: i.staffId, from: i.from, to: i.to });
	}
});
export const dropLeave = command({
	name: 'drop leave',
	action: 'time.own',
	input: z.object({ leaveId: id('an entry') }),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		const l = ctx.db
			.prepare<[string], { staff_id: string; from_day: string; to_day: string }>(
				'SELECT staff_id, from_day, to_day FROM leave WHERE id = ?'
			)
			.get(i.leaveId);
		if (!l || (l.staff_id !== me.id && me.role !== 'docket-clerk' && me.role !== 'administrator'))
			throw new NotFound('entry');
		ctx.db.prepare('DELETE FROM leave WHERE id = ?').run(i.leaveId);
		scribe.note({ staff: l.staff_id, from: l.from_day, to: l.to_day });
	}
});
