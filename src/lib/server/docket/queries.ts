import { addDays, date as plain, toDay, type PlainDate } from '#core/dates/plain.ts';
import { calendarOf } from '#core/docket/book.ts';
import { strip, type Cell, type Fold } from '#core/docket/strip.ts';
import { sentences, type Step } from '#core/docket/trace.ts';
import { serviceKinds } from '#core/docket/method.ts';
import type { Staff, World } from '../command.ts';
import { factOf, visible } from '../trust/scope.ts';
import { rulebook } from './books.ts';
import { closuresOf } from './commands.ts';

export type DeadlineState = 'proposed' | 'docketed' | 'met' | 'vacated' | 'missed';
export type DeadlineView = {
	id: string; matterNumber: string; matterTitle: string; eventId: string; title: string; authority: string; suggested: boolean; state: DeadlineState; checked: boolean;
	date: PlainDate; time: string | null; docketedBy: string | null; docketedById: string | null; checkedBy: string | null; closedOn: string | null; reason: string; court: string; bookShort: string;
};

const SELECT = `SELECT d.id, m.number AS matterNumber, m.title AS matterTitle, d.event_id AS eventId, d.title, d.authority, d.suggested, d.state, d.date, d.time, d.book,
 a.initials AS docketedBy, d.docketed_by AS docketedById, c.initials AS checkedBy, d.closed_on AS closedOn, d.reason, ${factOf('m', 'court')} AS court
 FROM deadline d JOIN matter m ON m.id = d.matter_id LEFT JOIN staff a ON a.id = d.docketed_by LEFT JOIN staff c ON c.id = d.checked_by`;
type Row = Omit<DeadlineView, 'suggested' | 'state' | 'checked' | 'bookShort'> & { suggested: number; state: string; book: string };

/** Missed by itself: docketed, and its day has passed. */
export const stateOn = (state: string, date: string, today: string): DeadlineState => (state === 'docketed' && date < today ? 'missed' : (state as DeadlineState));

const view = (today: string) => (r: Row): DeadlineView => {
	const { book, ...rest } = r;
	return { ...rest, suggested: r.suggested === 1, state: stateOn(r.state, r.date, today), checked: r.checkedBy !== null, bookShort: rulebook(book).short };
};

export type DocketFilter = { from?: string | undefined; to?: string | undefined; show?: 'open' | 'unchecked' | 'missed' | 'all' | 'proposed' | undefined; who?: 'mine' | 'all' | undefined; page?: number | undefined };
export const DOCKET_PAGE = 80;

/** The department's docket: every date in matters the viewer may see. */
export function docket(w: World, me: Staff, f: DocketFilter): { rows: DeadlineView[]; total: number } {
	const today = w.clock.today();
	// A closed matter's dates are off every calendar; its own sheet still shows them.
	const cond = [visible('m'), "m.status <> 'closed'"];
	const p: Record<string, unknown> = { me: me.id, today, limit: DOCKET_PAGE, offset: DOCKET_PAGE * ((f.page ?? 1) - 1) };
	const show = f.show ?? 'open';
	if (show === 'open') cond.push("d.state = 'docketed'");
	if (show === 'unchecked') cond.push("d.state = 'docketed' AND d.checked_by IS NULL");
	if (show === 'missed') cond.push("d.state = 'docketed' AND d.date < @today");
	if (show === 'proposed') cond.push("d.state = 'proposed'");
	if (f.from) { cond.push('d.date >= @from'); p.from = f.from; }
	if (f.to) { cond.push('d.date <= @to'); p.to = f.to; }
	if (f.who === 'mine') cond.push(`(m.responsible_id = @me OR EXISTS (SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @me))`);
	const where = cond.join(' AND ');
	return {
		total: w.db.prepare<unknown[], { n: number }>(`SELECT count(*) AS n FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE ${where}`).get(p)!.n,
		rows: w.db.prepare<unknown[], Row>(`${SELECT} WHERE ${where} ORDER BY d.date, d.id LIMIT @limit OFFSET @offset`).all(p).map(view(today))
	};
}

export type EventView = {
	id: string; key: string; text: string; name: string; date: PlainDate; time: string | null; service: string | null; serviceSay: string | null; serviceAdd: string | null; version: number; ahead: string | null; enteredBy: string; deadlines: DeadlineView[];
};

/** A matter's docket by event, in the order of the events. */
export function matterDocket(w: World, me: Staff, matterId: string): EventView[] {
	const today = w.clock.today();
	const events = w.db.prepare<[string], { id: string; key: string; text: string; name: string; date: PlainDate; time: string | null; service: string | null; version: number; ahead: string | null; book: string; enteredBy: string }>(
		'SELECT e.id, e.event_key AS key, e.text, e.name, e.date, e.time, e.service, e.version, e.ahead, e.book, s.initials AS enteredBy FROM event e JOIN staff s ON s.id = e.entered_by WHERE e.matter_id = ? ORDER BY e.date, e.id'
	).all(matterId);
	const rows = w.db.prepare<unknown[], Row>(`${SELECT} WHERE d.matter_id = @id AND ${visible('m')} ORDER BY d.date, d.id`).all({ id: matterId, me: me.id }).map(view(today));
	return events.map(({ book, ...e }) => {
		const kind = e.service ? serviceKinds(rulebook(book).method).find((k) => k.id === e.service) : undefined;
		return { ...e, serviceSay: kind?.say ?? null, serviceAdd: kind?.add ?? null, deadlines: rows.filter((d) => d.eventId === e.id) };
	});
}

export type CountView = { sentences: string[]; strip: (Cell | Fold)[]; reviewed: string; bookTitle: string };
/** The count behind a date: the strip and the sentences from one trace. */
export function countView(w: World, bookId: string, trace: readonly Step[], date: PlainDate): CountView {
	const book = rulebook(bookId);
	return { sentences: sentences(trace), strip: strip(trace, date, calendarOf(book, closuresOf(w, book))), reviewed: book.reviewed, bookTitle: book.title };
}
/** The counts of a matter's dates, by deadline. */
export function matterCounts(w: World, matterId: string): Record<string, CountView> {
	return Object.fromEntries(
		w.db.prepare<[string], { id: string; book: string; trace: string; date: string }>('SELECT id, book, trace, date FROM deadline WHERE matter_id = ?').all(matterId).map((d) => [d.id, countView(w, d.book, JSON.parse(d.trace) as Step[], plain(d.date))])
	);
}

export type HorizonDay = { date: PlainDate; closed: string | null; marks: { kind: 'deadline' | 'hearing' | 'task' | 'signing'; state?: DeadlineState; checked?: boolean; title: string; href: string }[] };

/** Fifteen working days ahead with everything that falls on them; days on which the department does not work are there too. */
export function horizon(w: World, me: Staff, who: 'mine' | 'all' = 'all'): HorizonDay[] {
	const today = w.clock.today();
	const cal = rulebook('us-federal').calendar;
	const days: HorizonDay[] = [];
	for (let d = today, working = 0; working < 15; d = addDays(d, 1)) {
		const closed = cal.closed(dayNumber(d), 1)?.name ?? null;
		if (!closed) working++;
		days.push({ date: d, closed, marks: [] });
	}
	const at = new Map(days.map((d) => [d.date as string, d]));
	const p = { me: me.id, from: today, to: days.at(-1)!.date };
	const mine = who === 'mine' ? ` AND (m.responsible_id = @me OR EXISTS (SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @me))` : '';
	for (const d of w.db.prepare<unknown[], Row>(`${SELECT} WHERE d.state IN ('docketed','proposed') AND d.date BETWEEN @from AND @to AND m.status <> 'closed' AND ${visible('m')}${mine} ORDER BY d.state, d.date, d.id`).all(p).map(view(today)))
		at.get(d.date)?.marks.push({ kind: 'deadline', state: d.state, checked: d.checked, title: `${d.title}, ${d.matterTitle}`, href: `/matters/${d.matterNumber}/docket?count=${d.id}` });
	for (const e of w.db.prepare<unknown[], { date: string; text: string; number: string; title: string }>(`SELECT e.date, e.text, m.number, m.title FROM event e JOIN matter m ON m.id = e.matter_id WHERE e.ahead IN ('hearing','trial') AND e.date BETWEEN @from AND @to AND m.status <> 'closed' AND ${visible('m')}${mine}`).all(p))
		at.get(e.date)?.marks.push({ kind: 'hearing', title: `${e.text}, ${e.title}`, href: `/matters/${e.number}/docket` });
	for (const t of w.db.prepare<unknown[], { due: string; subject: string; number: string }>(`SELECT t.due, t.subject, m.number FROM task t JOIN matter m ON m.id = t.matter_id WHERE t.state = 'open' AND t.assignee_id = @me AND t.due BETWEEN @from AND @to AND ${visible('m')}`).all(p))
		at.get(t.due)?.marks.push({ kind: 'task', title: t.subject, href: `/matters/${t.number}/tasks` });
	for (const s of w.db.prepare<unknown[], { wanted_by: string; title: string; number: string }>(`SELECT r.wanted_by, r.title, m.number FROM signing_round r JOIN matter m ON m.id = r.matter_id WHERE r.wanted_by BETWEEN @from AND @to AND r.withdrawn_at IS NULL AND r.finished_version IS NULL AND ${visible('m')}${mine}`).all(p))
		at.get(s.wanted_by)?.marks.push({ kind: 'signing', title: `Signing wanted: ${s.title}`, href: `/matters/${s.number}/documents` });
	return days;
}

const dayNumber = (d: PlainDate) => toDay(d);

/** Court days from today to a date, for "in 3 court days". */
export function courtDaysTo(w: World, bookId: string | null, to: PlainDate): number {
	const cal = rulebook(bookId ?? 'us-federal').calendar;
	let n = 0;
	for (let d = toDay(w.clock.today()) + 1; d <= toDay(to) && n < 400; d++) if (!cal.closed(d, 1)) n++;
	return n;
}

/** An event of a matter the viewer may see; undefined where it is not there for them. */
export const eventFor = (w: World, me: Staff, id: string) =>
	w.db.prepare<unknown[], { id: string; ahead: string | null }>(`SELECT e.id, e.ahead FROM event e JOIN matter m ON m.id = e.matter_id WHERE e.id = @id AND ${visible('m')}`).get({ id, me: me.id });
