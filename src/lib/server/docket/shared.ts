/** What the commands of the docket share: rows, closures, the message to everyone on the matter, and the due days that hang on a date. */
import type { Closure } from '#core/dates/calendar.ts';
import { date as plain, daysBetween, shortDate, type PlainDate } from '#core/dates/plain.ts';
import { calendarOf, type Rulebook } from '#core/docket/book.ts';
import { count, parseAmount } from '#core/docket/count.ts';
import type { Proposal } from '#core/docket/propose.ts';
import { NotFound, Refused, staffOf, type Ctx, type World } from '../command.ts';
import { statement } from '../db/statement.ts';
import { newId } from '../ids.ts';
import { onMatter, queueMail, theMatter, type MatterRow } from '../trust/scope.ts';
import { bookFor, bookIn } from './books.ts';

export type EventRow = {
	id: string;
	matter_id: string;
	event_key: string;
	text: string;
	name: string;
	book: string;
	book_version: string;
	date: string;
	time: string | null;
	service: string | null;
	answers: string;
	ahead: string | null;
	source_id: string | null;
	place: string;
	link: string;
	version: number;
};
export type DeadlineRow = {
	id: string;
	matter_id: string;
	event_id: string;
	rule: string;
	title: string;
	authority: string;
	state: 'proposed' | 'docketed' | 'met' | 'vacated';
	date: string;
	time: string | null;
	book: string;
	suggested: number;
	docketed_by: string | null;
	checked_by: string | null;
	computed: string | null;
	moved_how: string | null;
	internal: string | null;
	hand_time: string | null;
	place: string;
	link: string;
	short: string;
	long: string;
	returned_by: string | null;
	returned_reason: string;
	version: number;
};

/** The department's closures for a book: its own layers, and the books that some of its rules are counted by. */
export function closuresOf(w: Pick<World, 'db'>, book: Rulebook): Closure[] {
	const ids = [...book.layers, ...[...book.others.values()].flatMap((o) => o.layers)];
	return statement<{ book: string; date: string; kind: 'holiday' | 'office'; name: string }>(
		w.db,
		'SELECT book, date, kind, name FROM closure WHERE book IN (SELECT value FROM json_each(@ids))'
	)
		.all({ ids: JSON.stringify(ids) })
		.map((c) => ({ ...c, date: plain(c.date) }));
}
/** The calendar by which the department counts a colleague's days where no court is concerned. */
export const plainDays = (w: Pick<World, 'db'>): Rulebook => bookIn(w, 'us-federal');
/** How a date is counted: by its matter's book with its orders; a date by hand, by the department's own days. */
export const countedBy = (
	w: Pick<World, 'db'>,
	d: { matter_id: string; book: string }
): Rulebook => (d.book ? bookFor(w, d.matter_id, d.book) : plainDays(w));

export const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);
export const given = (json: string): Record<string, string> =>
	json === '{}'
		? {}
		: Object.fromEntries(
				Object.entries(JSON.parse(json) as Record<string, string>).filter(([, v]) => v !== '')
			);

export function theDeadline(ctx: Ctx, deadlineId: string): { d: DeadlineRow; m: MatterRow } {
	const d = ctx.db
		.prepare<[string], DeadlineRow>('SELECT * FROM deadline WHERE id = ?')
		.get(deadlineId);
	if (!d) throw new NotFound('date');
	return { d, m: asMatterOf(ctx, d.matter_id, 'date') };
}
export function theEvent(ctx: Ctx, eventId: string): { e: EventRow; m: MatterRow } {
	const e = ctx.db.prepare<[string], EventRow>('SELECT * FROM event WHERE id = ?').get(eventId);
	if (!e) throw new NotFound('event');
	return { e, m: asMatterOf(ctx, e.matter_id, 'event') };
}
function asMatterOf(ctx: Ctx, matterId: string, what: string): MatterRow {
	try {
		return theMatter(ctx, matterId);
	} catch (err) {
		throw err instanceof NotFound ? new NotFound(what) : err;
	}
}
/** A document of the matter, or nothing; refused where it is another matter's. */
export function documentOn(
	ctx: Ctx,
	m: MatterRow,
	documentId: string | null,
	field: string
): { id: string; name: string; number: string } | null {
	if (documentId === null) return null;
	const d = ctx.db
		.prepare<[string, string], { id: string; name: string; number: string }>(
			'SELECT id, name, number FROM document WHERE id = ? AND matter_id = ?'
		)
		.get(documentId, m.id);
	if (!d) throw new Refused('Choose a document of this matter.', field);
	return d;
}

export function insertDeadline(
	ctx: Ctx,
	m: MatterRow,
	eventId: string,
	book: { id: string; version: string },
	p: Pick<Proposal, 'rule' | 'title' | 'authority' | 'act' | 'suggested' | 'date' | 'time'> & {
		trace: unknown;
	},
	docket: boolean
): string {
	const deadlineId = newId('due');
	const me = staffOf(ctx);
	statement(
		ctx.db,
		`INSERT INTO deadline (id, matter_id, event_id, rule, title, authority, act, suggested, state, date, time, trace, book, book_version, docketed_by, docketed_at)
		 VALUES (@id, @matter, @event, @rule, @title, @authority, @act, @suggested, @state, @date, @time, @trace, @book, @version, @by, @at)`
	).run({
		id: deadlineId,
		matter: m.id,
		event: eventId,
		rule: p.rule,
		title: capital(p.title),
		authority: p.authority,
		act: p.act,
		suggested: p.suggested ? 1 : 0,
		state: docket ? 'docketed' : 'proposed',
		date: p.date,
		time: p.time,
		trace: typeof p.trace === 'string' ? p.trace : JSON.stringify(p.trace),
		book: book.id,
		version: book.version,
		by: docket ? me.id : null,
		at: docket ? ctx.clock.now() : null
	});
	return deadlineId;
}

/** Brings a date that was taken off back as a proposal: nothing of its earlier life but its id, its words and its links stays. */
export function proposeAgain(
	w: Pick<World, 'db'>,
	deadlineId: string,
	p: { date: string; time: string | null; trace: unknown; authority: string; version: string }
): void {
	statement(
		w.db,
		`UPDATE deadline SET state = 'proposed', date = @date, time = @time, trace = @trace, book_version = @version, authority = @authority, reason = '', docketed_by = NULL, docketed_at = NULL, checked_by = NULL, checked_at = NULL, returned_by = NULL, returned_at = NULL, returned_reason = '', closed_by = NULL, closed_at = NULL, closed_on = NULL, computed = NULL, moved_how = NULL, internal = NULL, version = deadline.version + 1 WHERE id = @id`
	).run({
		id: deadlineId,
		date: p.date,
		time: p.time,
		trace: typeof p.trace === 'string' ? p.trace : JSON.stringify(p.trace),
		authority: p.authority,
		version: p.version
	});
}

/** One message to each person on the matter, but not to the one who did it. */
export function tell(ctx: Ctx, m: MatterRow, subject: string, body: string): number {
	const me = staffOf(ctx);
	const others = onMatter(ctx.db, m.id).filter((s) => s.id !== me.id);
	for (const s of others)
		queueMail(ctx, newId('mal'), {
			matterId: m.id,
			to: `${s.name} <${s.email}>`,
			subject,
			text: `${body}\n\n${ctx.origin}/matters/${m.number}/docket\n`
		});
	return others.length;
}

/** The due day of a task that hangs on a deadline: so many days or court days before it. */
export function hangingDue(
	book: Rulebook,
	cal: ReturnType<typeof calendarOf>,
	deadline: PlainDate,
	days: number,
	unit: 'd' | 'cd'
): PlainDate {
	// Clear days are a rule about legal periods; a colleague's "two days before" is plain.
	return count({ ...book.method, clearDays: false, short: undefined }, cal, {
		from: deadline,
		amount: parseAmount(`-${days}${unit}`),
		act: 'serve'
	}).date;
}

export type TaskMove = {
	taskId: string;
	subject: string;
	assignee: string;
	from: PlainDate | null;
	to: PlainDate;
	days: number;
};
/** What the open tasks that hang on a date would become with it. */
export function tasksWith(
	w: World,
	d: { id: string; matter_id: string; book: string },
	to: PlainDate
): TaskMove[] {
	const rows = statement<{
		id: string;
		subject: string;
		initials: string;
		due: string | null;
		offset_days: number;
		offset_unit: 'd' | 'cd';
	}>(
		w.db,
		"SELECT t.id, t.subject, s.initials, t.due, t.offset_days, t.offset_unit FROM task t JOIN staff s ON s.id = t.assignee_id WHERE t.deadline_id = @id AND t.state = 'open'"
	).all({ id: d.id });
	if (rows.length === 0) return [];
	const book = countedBy(w, d);
	const cal = calendarOf(book, closuresOf(w, book));
	return rows.map((t) => {
		const due = hangingDue(book, cal, to, t.offset_days, t.offset_unit);
		return {
			taskId: t.id,
			subject: t.subject,
			assignee: t.initials,
			from: t.due as PlainDate | null,
			to: due,
			days: t.due ? daysBetween(plain(t.due), due) : 0
		};
	});
}

/** Puts a date on another day, with its tasks; a second person must check it again. Says what else followed. */
export function putOn(
	ctx: Ctx,
	d: DeadlineRow,
	to: { date: PlainDate; time: string | null; trace: unknown | null; version?: string }
): string[] {
	const said: string[] = [];
	const tasks = tasksWith(ctx, d, to.date);
	const internal = d.internal !== null && d.internal > to.date ? null : d.internal;
	if (internal !== d.internal)
		said.push(`the internal date of “${d.title}” fell away, it was after the new one`);
	statement(
		ctx.db,
		`UPDATE deadline SET date = @date, time = @time, trace = coalesce(@trace, trace), book_version = coalesce(@book, book_version), internal = @internal, version = version + 1,
		 checked_by = CASE WHEN date = @date THEN checked_by END, checked_at = CASE WHEN date = @date THEN checked_at END, returned_by = NULL, returned_at = NULL, returned_reason = '' WHERE id = @id`
	).run({
		id: d.id,
		date: to.date,
		time: to.time,
		trace:
			to.trace === null ? null : typeof to.trace === 'string' ? to.trace : JSON.stringify(to.trace),
		book: to.version ?? null,
		internal
	});
	for (const t of tasks) {
		ctx.db
			.prepare('UPDATE task SET due = ?, version = version + 1 WHERE id = ?')
			.run(t.to, t.taskId);
		if (t.days !== 0) said.push(`task “${t.subject}” to ${shortDate(t.to)}`);
	}
	return said;
}

/** What there is to say against a date: past, near, a closed day, a hearing on the same day, someone away. */
export function warningsOf(
	w: World,
	m: { id: string },
	d: { date: PlainDate; book: Rulebook; hearing?: boolean; eventId?: string }
): string[] {
	const today = w.clock.today();
	const out: string[] = [];
	if (d.date < today) out.push('lies in the past');
	else if (daysBetween(today, d.date) < 7) out.push('less than seven days off');
	const closed = calendarOf(d.book, closuresOf(w, d.book)).closed(
		Math.round(Date.parse(`${d.date}T00:00:00Z`) / 86_400_000),
		1
	);
	if (closed)
		out.push(
			closed.kind === 'office'
				? `falls on a closure: ${closed.name}`
				: `falls on a day the court does not sit: ${closed.name}`
		);
	for (const s of statement<{ name: string }>(
		w.db,
		`SELECT DISTINCT s.name FROM leave l JOIN staff s ON s.id = l.staff_id WHERE @date BETWEEN l.from_day AND l.to_day AND (s.id = (SELECT responsible_id FROM matter WHERE id = @id) OR s.id IN (SELECT staff_id FROM matter_member WHERE matter_id = @id)) ORDER BY s.name`
	).all({ date: d.date, id: m.id }))
		out.push(`${s.name} is away`);
	if (d.hearing)
		for (const e of statement<{ text: string; title: string }>(
			w.db,
			`SELECT e.text, x.title FROM event e JOIN matter x ON x.id = e.matter_id JOIN matter me ON me.id = @id
			 WHERE e.ahead IN ('hearing','trial') AND e.date = @date AND e.id <> @event AND x.status <> 'closed' AND (x.id = me.id OR x.responsible_id = me.responsible_id) AND (x.restricted = 0 OR x.id = me.id)`
		).all({ date: d.date, id: m.id, event: d.eventId ?? '' }))
			out.push(`another hearing that day: ${e.text}, ${e.title}`);
	return out;
}
