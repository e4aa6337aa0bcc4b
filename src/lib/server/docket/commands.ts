import { z } from 'zod';
import type { Closure } from '#core/dates/calendar.ts';
import { date as plain, daysBetween, sayDate, shortDate, type PlainDate } from '#core/dates/plain.ts';
import type { Rulebook } from '#core/docket/book.ts';
import { calendarOf } from '#core/docket/book.ts';
import { count, CountError, parseAmount } from '#core/docket/count.ts';
import { propose, type Left, type Proposal } from '#core/docket/propose.ts';
import { command, NotFound, Refused, staffOf, type Ctx, type Scribe, type World } from '../command.ts';
import { day, flag, id, maybeText, maybeTime, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { onMatter, queueMail, theMatter, type MatterRow } from '../trust/scope.ts';
import { rulebook } from './books.ts';

/** The department's closures for a book and the books under it. */
export function closuresOf(w: World, book: Rulebook): Closure[] {
	return w.db.prepare<[string], { date: string; kind: 'holiday' | 'office'; name: string }>('SELECT date, kind, name FROM closure WHERE book IN (SELECT value FROM json_each(?))').all(JSON.stringify(book.layers)).map((c) => ({ ...c, date: plain(c.date) }));
}

function bookOf(m: MatterRow): Rulebook {
	if (!m.rulebook) throw new Refused('This matter has no rulebook. Choose one on its overview first.', 'eventKey');
	return rulebook(m.rulebook);
}

const answers = z.record(z.string(), z.string().max(100)).default({});
const eventFields = { matterId: id('a matter'), eventKey: id('what happened'), date: day('The date'), time: maybeTime, service: maybeText('The service', 40), answers };

/** What an event would set, without saving anything: for the drawer, and inside the command. */
export function proposals(w: World, m: MatterRow, i: { eventKey: string; date: PlainDate; time: string | null; service: string; answers: Record<string, string>; sure?: boolean | undefined }): { deadlines: Proposal[]; left: Left[] } {
	const book = bookOf(m);
	const event = book.events.get(i.eventKey);
	if (!event) throw new Refused('Choose what happened.', 'eventKey');
	const today = w.clock.today();
	if (!event.ahead && i.date > today) throw new Refused(`${sayDate(i.date)} has not come yet: this event is entered once it has happened.`, 'date');
	// Cases begin before the department hears of them, but a year's distance is more often a slip of the pen.
	if (!i.sure && daysBetween(plain(m.opened_on), i.date) < -366) throw new Refused(`${sayDate(i.date)} is more than a year before the matter was opened. Is the year right?`, 'date');
	const given = Object.fromEntries(Object.entries(i.answers).filter(([, v]) => v !== ''));
	for (const q of event.questions) if (q.kind === 'date' && given[q.id] !== undefined && !/^\d{4}-\d\d-\d\d$/.test(given[q.id]!)) throw new Refused(`${given[q.id]} is not a date that exists.`, `answer-${q.id}`);
	try {
		return propose(book, { event: i.eventKey, date: i.date, time: i.time ?? undefined, service: event.served && i.service ? i.service : undefined, answers: given, closures: closuresOf(w, book) });
	} catch (e) {
		if (e instanceof CountError) throw new Refused(e.message, /date/.test(e.message) ? (Object.keys(given).length ? 'answers' : 'date') : 'eventKey');
		throw e;
	}
}

const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

function insertDeadline(ctx: Ctx, m: MatterRow, eventId: string, book: Rulebook, p: Proposal, docket: boolean): string {
	const deadlineId = newId('due');
	const me = staffOf(ctx);
	ctx.db.prepare(
		`INSERT INTO deadline (id, matter_id, event_id, rule, title, authority, act, suggested, state, date, time, trace, book, book_version, docketed_by, docketed_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`
	).run(deadlineId, m.id, eventId, p.rule, capital(p.title), p.authority, p.act, p.suggested ? 1 : 0, docket ? 'docketed' : 'proposed', p.date, p.time, JSON.stringify(p.trace), book.id, book.version, docket ? me.id : null, docket ? ctx.clock.now() : null);
	return deadlineId;
}

/** Enters an event, keeps all its proposals and dockets the chosen ones. */
export const enterEvent = command({
	name: 'enter event',
	action: 'docket.enter',
	input: z.object({ ...eventFields, name: maybeText('The name', 120), sure: flag, docket: z.array(z.string()).default([]) }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (m.status === 'closed') throw new Refused('The matter is closed: its dates are off the calendars. Reopen it first.');
		const book = bookOf(m);
		const { deadlines, left } = proposals(ctx, m, i);
		const event = book.events.get(i.eventKey)!;
		const unknown = i.docket.find((r) => !deadlines.some((d) => d.rule === r));
		if (unknown) throw new Refused('The proposals have changed since they were shown. Look at them again.', '');
		const eventId = newId('evt');
		ctx.db.prepare(
			'INSERT INTO event (id, matter_id, event_key, text, name, book, book_version, date, time, service, answers, ahead, entered_by, entered_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)'
		).run(eventId, m.id, i.eventKey, capital(event.text), i.name, book.id, book.version, i.date, i.time, event.served && i.service ? i.service : null, JSON.stringify(i.answers), event.ahead, staffOf(ctx).id, ctx.clock.now());
		const docketed: Proposal[] = [];
		for (const p of deadlines) {
			const chosen = i.docket.includes(p.rule);
			insertDeadline(ctx, m, eventId, book, p, chosen);
			if (chosen) docketed.push(p);
		}
		scribe.matter(m.id);
		scribe.note({ event: eventId, key: i.eventKey, date: i.date, service: i.service, docketed: docketed.map((d) => ({ rule: d.rule, date: d.date })), left: left.map((l) => l.rule) });
		scribe.log(m.id, 'date', `${capital(event.text)}${i.name ? ` (${i.name})` : ''} on ${sayDate(i.date)}.${docketed.length ? ` Docketed: ${docketed.map((d) => `${d.title} ${sayDate(d.date)}`).join('; ')}.` : ''}`);
		if (docketed.length) tell(ctx, m, `${m.number} ${m.title}: ${docketed.length === 1 ? 'a date was' : `${docketed.length} dates were`} docketed`, `${capital(event.text)} on ${sayDate(i.date)}.\n\n${docketed.map((d) => `${sayDate(d.date)}  ${capital(d.title)} (${d.authority})`).join('\n')}\n\nA second person must check ${docketed.length === 1 ? 'it' : 'them'}.`);
		return { eventId, docketed: docketed.length };
	}
});

/** One message to each person on the matter, but not to the one who did it. */
function tell(ctx: Ctx, m: MatterRow, subject: string, body: string): number {
	const me = staffOf(ctx);
	const others = onMatter(ctx.db, m.id).filter((s) => s.id !== me.id);
	for (const s of others) queueMail(ctx, newId('mal'), { matterId: m.id, to: `${s.name} <${s.email}>`, subject, text: `${body}\n\n${ctx.origin}/matters/${m.number}/docket\n` });
	return others.length;
}

type DeadlineRow = { id: string; matter_id: string; event_id: string; rule: string; title: string; state: string; date: string; docketed_by: string | null; checked_by: string | null; version: number };
function theDeadline(ctx: Ctx, deadlineId: string): { d: DeadlineRow; m: MatterRow } {
	const d = ctx.db.prepare<[string], DeadlineRow>('SELECT * FROM deadline WHERE id = ?').get(deadlineId);
	if (!d) throw new NotFound('date');
	try {
		return { d, m: theMatter(ctx, d.matter_id) };
	} catch (e) {
		throw e instanceof NotFound ? new NotFound('date') : e;
	}
}

/** Dockets a proposal. */
export const docketDeadline = command({
	name: 'docket deadline',
	action: 'docket.enter',
	input: z.object({ deadlineId: id('a date') }),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (d.state !== 'proposed') throw new Refused('This date is docketed already.');
		ctx.db.prepare("UPDATE deadline SET state = 'docketed', docketed_by = ?, docketed_at = ?, version = version + 1 WHERE id = ?").run(staffOf(ctx).id, ctx.clock.now(), d.id);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, date: d.date });
		scribe.log(m.id, 'date', `Docketed: ${d.title} ${sayDate(plain(d.date))}.`);
		tell(ctx, m, `${m.number} ${m.title}: a date was docketed`, `${sayDate(plain(d.date))}  ${d.title}`);
	}
});

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
		if (d.docketed_by === me.id) throw new Refused('You docketed this date: the second check is for someone else.');
		const fresh = recompute(ctx, d);
		if (fresh && fresh.date !== d.date) throw new Refused(`A fresh count gives ${sayDate(fresh.date)}, not ${sayDate(plain(d.date))}. Change the event's date to itself to count anew, then check.`);
		ctx.db.prepare('UPDATE deadline SET checked_by = ?, checked_at = ?, version = version + 1 WHERE id = ?').run(me.id, ctx.clock.now(), d.id);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, date: d.date });
		scribe.log(m.id, 'date', `Second check: ${d.title} ${sayDate(plain(d.date))} confirmed.`);
	}
});

type EventRow = { id: string; matter_id: string; event_key: string; text: string; name: string; book: string; date: string; time: string | null; service: string | null; answers: string; ahead: string | null; version: number };
function recompute(ctx: World, d: { event_id: string; rule: string }, onDate?: PlainDate): Proposal | undefined {
	const e = ctx.db.prepare<[string], EventRow>('SELECT * FROM event WHERE id = ?').get(d.event_id)!;
	const book = rulebook(e.book);
	return propose(book, { event: e.event_key, date: onDate ?? plain(e.date), time: e.time ?? undefined, service: e.service ?? undefined, answers: clean(e.answers), closures: closuresOf(ctx, book) }).deadlines.find((p) => p.rule === d.rule);
}
const clean = (json: string): Record<string, string> => Object.fromEntries(Object.entries(JSON.parse(json) as Record<string, string>).filter(([, v]) => v !== ''));

export const meetDeadline = command({
	name: 'meet deadline',
	action: 'docket.change',
	input: z.object({ deadlineId: id('a date'), on: day('The day it was met'), proof: maybeText('The proof', 300) }),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (d.state !== 'docketed') throw new Refused('Only a docketed date can be met.');
		if (i.on > ctx.clock.today()) throw new Refused('That day has not come yet.', 'on');
		ctx.db.prepare("UPDATE deadline SET state = 'met', closed_by = ?, closed_at = ?, closed_on = ?, reason = ?, version = version + 1 WHERE id = ?").run(staffOf(ctx).id, ctx.clock.now(), i.on, i.proof, d.id);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, on: i.on });
		scribe.log(m.id, 'date', `Met: ${d.title} on ${sayDate(i.on)}${i.on > d.date ? `, after it was due on ${sayDate(plain(d.date))}` : ''}.${i.proof ? ` ${i.proof}` : ''}`);
	}
});

export const vacateDeadline = command({
	name: 'vacate deadline',
	action: 'docket.change',
	input: z.object({ deadlineId: id('a date'), reason: text('The reason', 500) }),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (d.state !== 'docketed') throw new Refused('Only a docketed date can be vacated.');
		ctx.db.prepare("UPDATE deadline SET state = 'vacated', closed_by = ?, closed_at = ?, closed_on = ?, reason = ?, version = version + 1 WHERE id = ?").run(staffOf(ctx).id, ctx.clock.now(), ctx.clock.today(), i.reason, d.id);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, reason: i.reason });
		scribe.log(m.id, 'date', `Vacated: ${d.title} ${sayDate(plain(d.date))}. ${i.reason}`);
		tell(ctx, m, `${m.number} ${m.title}: a date was vacated`, `${d.title}, ${sayDate(plain(d.date))}\n${i.reason}`);
	}
});

export type Move = {
	deadlineId: string; title: string; state: string; from: PlainDate; to: PlainDate; days: number; warnings: string[];
	tasks: { taskId: string; subject: string; assignee: string; from: PlainDate | null; to: PlainDate; days: number }[];
};

/** What every dependent date and task would become if the event moved; nothing is saved. */
export function movesOf(w: World, eventId: string, to: PlainDate): { moves: Move[]; fresh: Map<string, Proposal> } {
	const e = w.db.prepare<[string], EventRow>('SELECT * FROM event WHERE id = ?').get(eventId)!;
	const book = rulebook(e.book);
	const cal = calendarOf(book, closuresOf(w, book));
	const today = w.clock.today();
	const { deadlines } = propose(book, { event: e.event_key, date: to, time: e.time ?? undefined, service: e.service ?? undefined, answers: clean(e.answers), closures: closuresOf(w, book) });
	const fresh = new Map(deadlines.map((d) => [d.rule, d]));
	const moves: Move[] = [];
	for (const d of w.db.prepare<[string], DeadlineRow>("SELECT * FROM deadline WHERE event_id = ? AND state IN ('proposed','docketed','met') ORDER BY date, id").all(eventId)) {
		const p = fresh.get(d.rule);
		if (!p) continue;
		const from = plain(d.date);
		const warnings: string[] = [];
		if (d.state === 'met') warnings.push('met already: it stays as it was');
		else if (p.date < today) warnings.push('lies in the past');
		else if (daysBetween(today, p.date) < 7) warnings.push('less than seven days off');
		const tasks = d.state === 'met' ? [] : w.db.prepare<[string], { id: string; subject: string; initials: string; due: string | null; offset_days: number; offset_unit: 'd' | 'cd' }>(
			"SELECT t.id, t.subject, s.initials, t.due, t.offset_days, t.offset_unit FROM task t JOIN staff s ON s.id = t.assignee_id WHERE t.deadline_id = ? AND t.state = 'open'"
		).all(d.id).map((t) => {
			const due = hangingDue(book, cal, p.date, t.offset_days, t.offset_unit);
			return { taskId: t.id, subject: t.subject, assignee: t.initials, from: t.due as PlainDate | null, to: due, days: t.due ? daysBetween(plain(t.due), due) : 0 };
		});
		moves.push({ deadlineId: d.id, title: d.title, state: d.state, from, to: d.state === 'met' ? from : p.date, days: d.state === 'met' ? 0 : daysBetween(from, p.date), warnings, tasks });
	}
	return { moves, fresh };
}

/** The due day of a task that hangs on a deadline: so many days or court days before it. */
export function hangingDue(book: Rulebook, cal: ReturnType<typeof calendarOf>, deadline: PlainDate, days: number, unit: 'd' | 'cd'): PlainDate {
	// Clear days are a rule about legal periods; a colleague's "two days before" is plain.
	return count({ ...book.method, clearDays: false, short: undefined }, cal, { from: deadline, amount: parseAmount(`-${days}${unit}`), act: 'serve' }).date;
}

/** Changes an event's date: every dependent date and its tasks move, or only the chosen ones; everyone is told once. */
export const moveEvent = command({
	name: 'move event',
	action: 'docket.change',
	input: z.object({ eventId: id('an event'), to: day('The new date'), reason: text('The reason', 500), version: z.coerce.number().int(), only: z.array(z.string()).nullish() }),
	run(ctx, i, scribe) {
		const e = ctx.db.prepare<[string], EventRow>('SELECT * FROM event WHERE id = ?').get(i.eventId);
		if (!e) throw new NotFound('event');
		let m: MatterRow;
		try {
			m = theMatter(ctx, e.matter_id);
		} catch (err) {
			throw err instanceof NotFound ? new NotFound('event') : err;
		}
		if (e.version !== i.version) throw new Refused('Someone else changed this event meanwhile. Look again before you move it.');
		if (!e.ahead && i.to > ctx.clock.today()) throw new Refused(`${sayDate(i.to)} has not come yet: this event is entered once it has happened.`, 'to');
		const { moves, fresh } = movesOf(ctx, e.id, i.to);
		const chosen = moves.filter((v) => v.state !== 'met' && (!i.only || i.only.includes(v.deadlineId)));
		ctx.db.prepare('UPDATE event SET date = ?, version = version + 1 WHERE id = ?').run(i.to, e.id);
		const said: string[] = [];
		for (const v of chosen) {
			const d = ctx.db.prepare<[string], DeadlineRow>('SELECT * FROM deadline WHERE id = ?').get(v.deadlineId)!;
			const p = fresh.get(d.rule)!;
			// A date that moves must be checked again by a second person.
			ctx.db.prepare('UPDATE deadline SET date = ?, time = ?, trace = ?, checked_by = CASE WHEN date = ? THEN checked_by END, checked_at = CASE WHEN date = ? THEN checked_at END, version = version + 1 WHERE id = ?')
				.run(p.date, p.time, JSON.stringify(p.trace), p.date, p.date, d.id);
			for (const t of v.tasks) ctx.db.prepare('UPDATE task SET due = ?, version = version + 1 WHERE id = ?').run(t.to, t.taskId);
			if (v.state === 'docketed' && v.days !== 0) said.push(`${v.title} from ${shortDate(v.from)} to ${shortDate(v.to)}`);
			for (const t of v.tasks) if (t.days !== 0) said.push(`task “${t.subject}” to ${shortDate(t.to)}`);
		}
		const text = `${e.text} moved from ${sayDate(plain(e.date))} to ${sayDate(i.to)}: ${i.reason}.${said.length ? ` Moved: ${said.join('; ')}.` : ''}`.replace('..', '.');
		scribe.matter(m.id);
		scribe.note({ event: e.id, from: e.date, to: i.to, reason: i.reason, moved: chosen.map((v) => ({ deadline: v.deadlineId, from: v.from, to: v.to, tasks: v.tasks.map((t) => ({ task: t.taskId, from: t.from, to: t.to })) })) });
		scribe.log(m.id, 'date', text);
		const told = tell(ctx, m, `${m.number} ${m.title}: dates moved`, text);
		return { moved: chosen.length, told };
	}
});

/** Adds a closure for a court; dates already docketed are proposed for change by its page. */
export const addClosure = command({
	name: 'add closure',
	action: 'docket.closure',
	input: z.object({ book: id('a court'), date: day('The day'), kind: z.enum(['holiday', 'office']), name: text('The reason', 120) }),
	run(ctx, i, scribe: Scribe) {
		rulebook(i.book);
		if (ctx.db.prepare('INSERT OR IGNORE INTO closure (id, book, date, kind, name) VALUES (?, ?, ?, ?, ?)').run(newId('clo'), i.book, i.date, i.kind, i.name).changes === 0) throw new Refused('There is a closure on this day already.', 'date');
		scribe.note(i);
	}
});
