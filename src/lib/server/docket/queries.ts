import {
	addDays,
	date as plain,
	fromDay,
	sayDate,
	toDay,
	type PlainDate
} from '#core/dates/plain.ts';
import { calendarOf } from '#core/docket/book.ts';
import { strip, type Cell, type Fold } from '#core/docket/strip.ts';
import { sentences, type Step } from '#core/docket/trace.ts';
import { serviceKinds } from '#core/docket/method.ts';
import type { Staff, World } from '../command.ts';
import { factOf, visible } from '../trust/scope.ts';
import { statement } from '../db/statement.ts';
import { bookFor, bookIn, shelf, stale } from './books.ts';
import { recompute } from './deadlines.ts';
import { closuresOf, given, type DeadlineRow } from './shared.ts';

export type DeadlineState = 'proposed' | 'docketed' | 'met' | 'vacated' | 'missed';
export type DeadlineView = {
	id: string;
	matterId: string;
	matterNumber: string;
	matterTitle: string;
	eventId: string;
	event: string;
	eventDate: PlainDate;
	title: string;
	authority: string;
	suggested: boolean;
	state: DeadlineState;
	checked: boolean;
	date: PlainDate;
	time: string | null;
	docketedBy: string | null;
	docketedById: string | null;
	checkedBy: string | null;
	closedOn: string | null;
	reason: string;
	court: string;
	bookShort: string;
	stale: string | null;
	/** The rule's own date, where an order or an agreement moved it. */
	computed: PlainDate | null;
	movedHow: string | null;
	movedReason: string;
	internal: PlainDate | null;
	place: string;
	link: string;
	short: string;
	long: string;
	handTime: string | null;
	returnedBy: string | null;
	returnedReason: string;
	responsible: string;
	unit: string;
	kind: string;
	version: number;
};

const SELECT = `SELECT d.id, m.id AS matterId, m.number AS matterNumber, m.title AS matterTitle, d.event_id AS eventId, e.text || CASE WHEN e.name <> '' THEN ' (' || e.name || ')' ELSE '' END AS event, e.date AS eventDate, d.title, d.authority, d.suggested, d.state, d.date,
 coalesce(d.hand_time, d.time) AS time, d.book, a.initials AS docketedBy, d.docketed_by AS docketedById, c.initials AS checkedBy, d.closed_on AS closedOn, d.reason, ${factOf('m', 'court')} AS court,
 d.computed, d.moved_how AS movedHow, d.moved_reason AS movedReason, d.internal, d.place, d.link, d.short, d.long, d.hand_time AS handTime, r.initials AS returnedBy, d.returned_reason AS returnedReason, q.initials AS responsible, u.name AS unit, m.kind, d.version
 FROM deadline d JOIN matter m ON m.id = d.matter_id JOIN event e ON e.id = d.event_id JOIN staff q ON q.id = m.responsible_id JOIN business_unit u ON u.id = m.unit_id
 LEFT JOIN staff a ON a.id = d.docketed_by LEFT JOIN staff c ON c.id = d.checked_by LEFT JOIN staff r ON r.id = d.returned_by`;
type Row = Omit<DeadlineView, 'suggested' | 'state' | 'checked' | 'bookShort' | 'stale'> & {
	suggested: number;
	state: string;
	book: string;
};

/** Missed by itself: docketed, and its day has passed. */
export const stateOn = (state: string, date: string, today: string): DeadlineState =>
	state === 'docketed' && date < today ? 'missed' : (state as DeadlineState);

const view =
	(w: World, today: string) =>
	(r: Row): DeadlineView => {
		const { book, ...rest } = r;
		const b = book ? bookIn(w, book) : null;
		return {
			...rest,
			suggested: r.suggested === 1,
			state: stateOn(r.state, r.date, today),
			checked: r.checkedBy !== null,
			bookShort: b?.short ?? 'by hand',
			stale: b ? stale(b, today) : null
		};
	};

export type DocketFilter = {
	from?: string | undefined;
	to?: string | undefined;
	show?: 'open' | 'unchecked' | 'missed' | 'all' | 'proposed' | undefined;
	who?: string | undefined;
	unit?: string | undefined;
	kind?: string | undefined;
	court?: string | undefined;
	matter?: string | undefined;
	order?: 'day' | 'matter' | undefined;
	page?: number | undefined;
	per?: number | undefined;
};
export const DOCKET_PAGE = 80;

/** What a filter asks of the matter, of the state, and of the day (written for `{day}`). */
function conditions(
	w: World,
	me: Staff,
	f: DocketFilter
): { matter: string; state: string; days: string; p: Record<string, unknown> } {
	// A closed matter's dates are off every calendar; its own sheet still shows them.
	const matter = [visible('m'), "m.status <> 'closed'"];
	const days = ['1'];
	const p: Record<string, unknown> = { me: me.id, today: w.clock.today() };
	const state = {
		open: "d.state = 'docketed'",
		unchecked: "d.state = 'docketed' AND d.checked_by IS NULL",
		missed: "d.state = 'docketed' AND d.date < @today",
		proposed: "d.state = 'proposed'",
		all: '1'
	}[f.show ?? 'open'];
	if (f.from) {
		days.push('{day} >= @from');
		p.from = f.from;
	}
	if (f.to) {
		days.push('{day} <= @to');
		p.to = f.to;
	}
	const who = f.who === 'mine' ? me.id : f.who;
	if (who && who !== 'all') {
		matter.push(
			'(m.responsible_id = @who OR EXISTS (SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @who))'
		);
		p.who = who;
	}
	if (f.unit) {
		matter.push('m.unit_id = @unit');
		p.unit = f.unit;
	}
	if (f.kind) {
		matter.push('m.kind = @kind');
		p.kind = f.kind;
	}
	if (f.court) {
		matter.push(`${factOf('m', 'court')} = @court`);
		p.court = f.court;
	}
	if (f.matter) {
		matter.push('m.number = @matter');
		p.matter = f.matter.toUpperCase();
	}
	return { matter: matter.join(' AND '), state, days: days.join(' AND '), p };
}

/** The department's docket: every date in matters the viewer may see. */
export function docket(
	w: World,
	me: Staff,
	f: DocketFilter
): { rows: DeadlineView[]; total: number } {
	const { matter, state, days, p } = conditions(w, me, f);
	const where = `${state} AND ${days.replaceAll('{day}', 'd.date')} AND ${matter}`;
	const per = f.per ?? DOCKET_PAGE;
	return {
		total: statement<{ n: number }>(
			w.db,
			`SELECT count(*) AS n FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE ${where}`
		).get(p)!.n,
		rows: statement<Row>(
			w.db,
			`${SELECT} WHERE ${where} ORDER BY ${f.order === 'matter' ? 'm.number, d.date, d.id' : 'd.date, d.id'} LIMIT @limit OFFSET @offset`
		)
			.all({ ...p, limit: per, offset: per * ((f.page ?? 1) - 1) })
			.map(view(w, w.clock.today()))
	};
}

/** What the docket can be filtered by: what occurs in matters the viewer may see. */
export function docketChoices(
	w: World,
	me: Staff
): {
	people: { id: string; name: string }[];
	units: { id: string; name: string }[];
	kinds: { id: string; name: string }[];
	courts: string[];
} {
	const all = <T>(sql: string) => w.db.prepare<unknown[], T>(sql).all({ me: me.id });
	return {
		people: all(
			"SELECT id, name FROM staff WHERE active = 1 AND role <> 'business-partner' ORDER BY name"
		),
		units: all('SELECT id, name FROM business_unit ORDER BY name'),
		kinds: all('SELECT id, name FROM kind ORDER BY position'),
		courts: all<{ court: string }>(
			`SELECT DISTINCT f.value AS court FROM matter_fact f JOIN matter m ON m.id = f.matter_id WHERE f.fact = 'court' AND f.row = 0 AND f.value <> '' AND m.status <> 'closed' AND ${visible('m')} ORDER BY 1`
		).map((r) => r.court)
	};
}

/** The days of a span on which a court does not sit, with why: for the hatching of a month or a timeline. */
export function closedDays(
	w: World,
	bookId: string | null,
	from: PlainDate,
	to: PlainDate
): Record<string, string> {
	const book = bookIn(w, bookId ?? 'us-federal');
	const cal = calendarOf(book, closuresOf(w, book));
	const out: Record<string, string> = {};
	for (let d = toDay(from); d <= Math.min(toDay(to), toDay(from) + 3700); d++) {
		const reason = cal.closed(d, 1);
		if (reason) out[fromDay(d)] = reason.name;
	}
	return out;
}

export type HearingView = {
	id: string;
	date: PlainDate;
	title: string;
	matterNumber: string;
	matterTitle: string;
	time: string | null;
};
/** A span of days with its dates and hearings, for a month or a timeline. */
export function docketDays(
	w: World,
	me: Staff,
	f: DocketFilter & { from: string; to: string }
): { rows: DeadlineView[]; hearings: HearingView[] } {
	const { matter, state, days, p } = conditions(w, me, f);
	return {
		rows: statement<Row>(
			w.db,
			`${SELECT} WHERE ${state} AND ${days.replaceAll('{day}', 'd.date')} AND ${matter} ORDER BY d.date, d.id LIMIT ${DAYS_MOST}`
		)
			.all(p)
			.map(view(w, w.clock.today())),
		hearings: statement<HearingView>(
			w.db,
			`SELECT e.id, e.date, e.text || CASE WHEN e.name <> '' THEN ' (' || e.name || ')' ELSE '' END AS title, e.time, m.number AS matterNumber, m.title AS matterTitle FROM event e JOIN matter m ON m.id = e.matter_id WHERE e.ahead IN ('hearing','trial') AND ${days.replaceAll('{day}', 'e.date')} AND ${matter} ORDER BY e.date, e.id LIMIT 500`
		).all(p)
	};
}

export type EventView = {
	id: string;
	book: string;
	bookShort: string;
	answers: { ask: string; answer: string }[];
	given: Record<string, string>;
	source: { id: string; name: string } | null;
	place: string;
	link: string;
	key: string;
	text: string;
	name: string;
	date: PlainDate;
	time: string | null;
	service: string | null;
	serviceSay: string | null;
	serviceAdd: string | null;
	version: number;
	ahead: string | null;
	enteredBy: string;
	deadlines: DeadlineView[];
};

/** A matter's docket by event, in the order of the events. */
export function matterDocket(w: World, me: Staff, matterId: string): EventView[] {
	const today = w.clock.today();
	const events = w.db
		.prepare<
			[string],
			Omit<
				EventView,
				'deadlines' | 'serviceSay' | 'serviceAdd' | 'answers' | 'given' | 'source' | 'bookShort'
			> & { answers: string; sourceId: string | null; sourceName: string | null }
		>(
			`SELECT e.id, e.event_key AS key, e.text, e.name, e.date, e.time, e.service, e.version, e.ahead, e.book, e.answers, e.place, e.link, s.initials AS enteredBy, x.id AS sourceId, x.name AS sourceName
		 FROM event e JOIN staff s ON s.id = e.entered_by LEFT JOIN document x ON x.id = e.source_id WHERE e.matter_id = ? ORDER BY e.date, e.id`
		)
		.all(matterId);
	const rows = w.db
		.prepare<unknown[], Row>(
			`${SELECT} WHERE d.matter_id = @id AND ${visible('m')} ORDER BY d.date, d.id`
		)
		.all({ id: matterId, me: me.id })
		.map(view(w, today));
	const byEvent = Map.groupBy
		? Map.groupBy(rows, (d) => d.eventId)
		: new Map<string, DeadlineView[]>();
	if (!Map.groupBy)
		for (const d of rows) byEvent.set(d.eventId, [...(byEvent.get(d.eventId) ?? []), d]);
	return events.map(({ sourceId, sourceName, answers, ...e }) => {
		const book = e.book ? bookFor(w, matterId, e.book) : null;
		const kind =
			e.service && book ? serviceKinds(book.method).find((k) => k.id === e.service) : undefined;
		const asks = book?.events.get(e.key)?.questions ?? [];
		const said = Object.entries(given(answers)).flatMap(([q, a]) => {
			const x = asks.find((y) => y.id === q);
			return x
				? [
						{
							ask: x.ask,
							answer:
								x.options?.find((o) => o.id === a)?.say ??
								(x.kind === 'date' ? sayDate(plain(a)) : a)
						}
					]
				: [];
		});
		return {
			...e,
			bookShort: book?.short ?? 'by hand',
			answers: said,
			given: given(answers),
			source: sourceId ? { id: sourceId, name: sourceName! } : null,
			serviceSay: kind?.say ?? null,
			serviceAdd: kind?.add ?? null,
			deadlines: byEvent.get(e.id) ?? []
		};
	});
}
/** The documents beside a matter's dates: proofs, orders that moved them, what is linked. */
export function dateDocuments(
	w: World,
	matterId: string
): Record<string, { id: string; name: string; role: string }[]> {
	const out: Record<string, { id: string; name: string; role: string }[]> = {};
	for (const r of w.db
		.prepare<unknown[], { deadlineId: string; id: string; name: string; role: string }>(
			`SELECT x.deadline_id AS deadlineId, o.id, o.name, x.role FROM date_document x JOIN document o ON o.id = x.document_id WHERE o.matter_id = @id
		 UNION ALL SELECT d.id, o.id, o.name, 'order' FROM deadline d JOIN document o ON o.id = d.moved_document WHERE d.matter_id = @id ORDER BY 3`
		)
		.all({ id: matterId }))
		(out[r.deadlineId] ??= []).push({ id: r.id, name: r.name, role: r.role });
	return out;
}

export type CountView = {
	sentences: string[];
	strip: (Cell | Fold)[];
	reviewed: string;
	bookTitle: string;
	stale: string | null;
};
/** The count behind a date: the strip and the sentences from one trace. */
export function countView(
	w: World,
	bookId: string,
	trace: readonly Step[],
	date: PlainDate
): CountView {
	if (!bookId)
		return {
			sentences: sentences(trace),
			strip: [],
			reviewed: '',
			bookTitle: 'Entered by hand',
			stale: null
		};
	const book = bookIn(w, bookId);
	return {
		sentences: sentences(trace),
		strip: strip(trace, date, calendarOf(book, closuresOf(w, book))),
		reviewed: book.reviewed,
		bookTitle: book.title,
		stale: stale(book, w.clock.today())
	};
}
/** The counts of a matter's dates, by deadline; of a moved date, the count of the day the rule sets. */
export function matterCounts(w: World, matterId: string): Record<string, CountView> {
	return Object.fromEntries(
		w.db
			.prepare<[string], { id: string; book: string; trace: string; date: string }>(
				'SELECT id, book, trace, coalesce(computed, date) AS date FROM deadline WHERE matter_id = ?'
			)
			.all(matterId)
			.map((d) => [d.id, countView(w, d.book, JSON.parse(d.trace) as Step[], plain(d.date))])
	);
}

export type CheckItem = DeadlineView & {
	eventTime: string | null;
	service: string | null;
	answers: { ask: string; answer: string }[];
	source: { id: string; name: string } | null;
	enteredBy: string;
	count: CountView;
	fresh: { date: PlainDate; same: boolean; count: CountView } | null;
	byHand: boolean;
};
/** One date as the second person sees it: the event, its source, the count that was docketed, and the same count made anew. */
export function checkItem(w: World, me: Staff, deadlineId: string): CheckItem | undefined {
	const r = w.db
		.prepare<unknown[], Row>(`${SELECT} WHERE d.id = @id AND ${visible('m')}`)
		.get({ id: deadlineId, me: me.id });
	if (!r) return undefined;
	const d = view(w, w.clock.today())(r);
	const e = matterDocket(w, me, r.matterId).find((x) => x.id === r.eventId)!;
	const raw = w.db
		.prepare<[string], { trace: string; rule: string; event_id: string }>(
			'SELECT trace, rule, event_id FROM deadline WHERE id = ?'
		)
		.get(deadlineId)!;
	const anew = recompute(w, raw);
	const stands = d.computed ?? d.date;
	return {
		...d,
		eventTime: e.time,
		service: e.serviceSay,
		answers: e.answers,
		source: e.source,
		enteredBy: e.enteredBy,
		count: countView(w, r.book, JSON.parse(raw.trace) as Step[], stands),
		fresh: anew
			? {
					date: anew.date,
					same: anew.date === stands,
					count: countView(w, r.book, anew.trace, anew.date)
				}
			: null,
		byHand: r.book === ''
	};
}

export type HorizonDay = {
	date: PlainDate;
	closed: string | null;
	marks: {
		kind: 'deadline' | 'hearing' | 'task' | 'signing';
		state?: DeadlineState;
		checked?: boolean;
		title: string;
		href: string;
	}[];
};

/** Fifteen working days ahead with everything that falls on them; days on which the department does not work are there too. */
export function horizon(w: World, me: Staff, who: 'mine' | 'all' = 'all'): HorizonDay[] {
	const today = w.clock.today();
	const cal = bookIn(w, 'us-federal').calendar;
	const days: HorizonDay[] = [];
	for (let d = today, working = 0; working < 15; d = addDays(d, 1)) {
		const closed = cal.closed(dayNumber(d), 1)?.name ?? null;
		if (!closed) working++;
		days.push({ date: d, closed, marks: [] });
	}
	const at = new Map(days.map((d) => [d.date as string, d]));
	const p = { me: me.id, from: today, to: days.at(-1)!.date };
	const mine =
		who === 'mine'
			? ` AND (m.responsible_id = @me OR EXISTS (SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @me))`
			: '';
	for (const d of w.db
		.prepare<unknown[], Row>(
			`${SELECT} WHERE d.state IN ('docketed','proposed') AND d.date BETWEEN @from AND @to AND m.status <> 'closed' AND ${visible('m')}${mine} ORDER BY d.state, d.date, d.id`
		)
		.all(p)
		.map(view(w, today)))
		at.get(d.date)?.marks.push({
			kind: 'deadline',
			state: d.state,
			checked: d.checked,
			title: `${d.title}, ${d.matterTitle}`,
			href: `/matters/${d.matterNumber}/docket?count=${d.id}`
		});
	for (const e of w.db
		.prepare<unknown[], { date: string; text: string; number: string; title: string }>(
			`SELECT e.date, e.text, m.number, m.title FROM event e JOIN matter m ON m.id = e.matter_id WHERE e.ahead IN ('hearing','trial') AND e.date BETWEEN @from AND @to AND m.status <> 'closed' AND ${visible('m')}${mine}`
		)
		.all(p))
		at.get(e.date)?.marks.push({
			kind: 'hearing',
			title: `${e.text}, ${e.title}`,
			href: `/matters/${e.number}/docket`
		});
	for (const t of w.db
		.prepare<unknown[], { due: string; subject: string; number: string }>(
			`SELECT t.due, t.subject, m.number FROM task t JOIN matter m ON m.id = t.matter_id WHERE t.state = 'open' AND t.assignee_id = @me AND t.due BETWEEN @from AND @to AND ${visible('m')}`
		)
		.all(p))
		at.get(t.due)?.marks.push({
			kind: 'task',
			title: t.subject,
			href: `/matters/${t.number}/tasks`
		});
	for (const s of w.db
		.prepare<unknown[], { wanted_by: string; title: string; number: string }>(
			`SELECT r.wanted_by, r.title, m.number FROM signing_round r JOIN matter m ON m.id = r.matter_id WHERE r.wanted_by BETWEEN @from AND @to AND r.withdrawn_at IS NULL AND r.finished_version IS NULL AND ${visible('m')}${mine}`
		)
		.all(p))
		at.get(s.wanted_by)?.marks.push({
			kind: 'signing',
			title: `Signing wanted: ${s.title}`,
			href: `/matters/${s.number}/documents`
		});
	return days;
}

const dayNumber = (d: PlainDate) => toDay(d);

/** Court days from today to a date, for "in 3 court days". */
export function courtDaysTo(w: World, bookId: string | null, to: PlainDate): number {
	const cal = bookIn(w, bookId ?? 'us-federal').calendar;
	let n = 0;
	for (let d = toDay(w.clock.today()) + 1; d <= toDay(to) && n < 400; d++)
		if (!cal.closed(d, 1)) n++;
	return n;
}

/** An event of a matter the viewer may see; undefined where it is not there for them. */
export const eventFor = (w: World, me: Staff, id: string) =>
	w.db
		.prepare<unknown[], { id: string; ahead: string | null }>(
			`SELECT e.id, e.ahead FROM event e JOIN matter m ON m.id = e.matter_id WHERE e.id = @id AND ${visible('m')}`
		)
		.get({ id, me: me.id });
/** A date of a matter the viewer may see; undefined where it is not there for them. */
export const deadlineFor = (w: World, me: Staff, id: string) =>
	w.db
		.prepare<unknown[], DeadlineRow>(
			`SELECT d.* FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.id = @id AND ${visible('m')}`
		)
		.get({ id, me: me.id });

/** One's own days away that are not over. */
export const daysAway = (
	w: World,
	me: Staff
): { id: string; from: string; to: string; note: string }[] =>
	w.db
		.prepare<[string, string], { id: string; from: string; to: string; note: string }>(
			'SELECT id, from_day AS "from", to_day AS "to", note FROM leave WHERE staff_id = ? AND to_day >= ? ORDER BY from_day'
		)
		.all(me.id, w.clock.today());

/** The closures the department entered, the latest first, with the name of their court. */
export const closureList = (
	w: World
): { id: string; book: string; date: string; kind: string; name: string; court: string }[] =>
	w.db
		.prepare<[], { id: string; book: string; date: string; kind: string; name: string }>(
			'SELECT id, book, date, kind, name FROM closure ORDER BY date DESC, id'
		)
		.all()
		.map((c) => ({ ...c, court: shelf(w).files.has(c.book) ? bookIn(w, c.book).title : c.book }));

/** The exhibits of a matter, and which of its dates they are linked to. */
export function dateExhibits(
	w: World,
	matterId: string
): { id: string; number: string; title: string; dates: string[] }[] {
	const links = w.db
		.prepare<[string], { deadlineId: string; id: string }>(
			'SELECT x.deadline_id AS deadlineId, x.exhibit_id AS id FROM date_exhibit x JOIN exhibit e ON e.id = x.exhibit_id WHERE e.matter_id = ?'
		)
		.all(matterId);
	return w.db
		.prepare<[string], { id: string; number: string; title: string }>(
			'SELECT id, number, title FROM exhibit WHERE matter_id = ? ORDER BY position'
		)
		.all(matterId)
		.map((e) => ({ ...e, dates: links.filter((l) => l.id === e.id).map((l) => l.deadlineId) }));
}
/** More dates than this are not drawn at once; the screen says so. */
export const DAYS_MOST = 3000;
