/** Events: what happened or will, the dates they set, and what would follow if they moved. */
import { z } from 'zod';
import {
	date as plain,
	daysBetween,
	parseDate,
	sayDate,
	shortDate,
	type PlainDate
} from '#core/dates/plain.ts';
import type { BookEvent, Rulebook } from '#core/docket/book.ts';
import { serviceKinds } from '#core/docket/method.ts';
import { CountError } from '#core/docket/count.ts';
import { propose, type Left, type Proposal } from '#core/docket/propose.ts';
import { command, Refused, staffOf, type World } from '../command.ts';
import { day, flag, id, maybeId, maybeText, maybeTime, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { theMatter, type MatterRow } from '../trust/scope.ts';
import { bookFor, booksOf } from './books.ts';
import {
	capital,
	closuresOf,
	documentOn,
	given,
	insertDeadline,
	proposeAgain,
	putOn,
	tasksWith,
	tell,
	theEvent,
	warningsOf,
	type DeadlineRow,
	type EventRow,
	type TaskMove
} from './shared.ts';

/** "book|event" names an event of one of the matter's books; the event alone, of its court's. */
function bookAndEvent(w: World, m: MatterRow, key: string): { book: Rulebook; key: string } {
	const books = booksOf(w, m);
	if (books.length === 0)
		throw new Refused('This matter has no rulebook. Choose one on its overview first.', 'eventKey');
	const [bookId, event] = key.includes('|') ? (key.split('|') as [string, string]) : [null, key];
	const book =
		bookId === null
			? (books.find((b) => b.id === m.rulebook) ?? books[0]!)
			: books.find((b) => b.id === bookId);
	if (!book)
		throw new Refused('This matter does not stand under that rulebook. Add it first.', 'eventKey');
	return { book, key: event };
}

const httpLink = (what: string) =>
	maybeText(what, 500).refine(
		(s) => s === '' || /^https?:\/\/[^\s]+$/i.test(s),
		`${what} starts with https://`
	);
export const whereFields = { place: maybeText('The place', 200), link: httpLink('The link') };
const eventFields = {
	matterId: id('a matter'),
	eventKey: z.string({ error: 'Choose what happened.' }).min(1, 'Choose what happened.').max(200),
	date: day('The date'),
	time: maybeTime,
	service: maybeText('The service', 40),
	answers: z.record(z.string(), z.string().max(100)).default({})
};

/** What an event would set, without saving anything: for the drawer, and inside the command. */
export function proposals(
	w: World,
	m: MatterRow,
	i: {
		eventKey: string;
		date: PlainDate;
		time: string | null;
		service: string;
		answers: Record<string, string>;
		sure?: boolean | undefined;
	}
): { book: Rulebook; key: string; deadlines: Proposal[]; left: Left[] } {
	const { book, key } = bookAndEvent(w, m, i.eventKey);
	const event = book.events.get(key);
	if (!event) throw new Refused('Choose what happened.', 'eventKey');
	const today = w.clock.today();
	if (!event.ahead && i.date > today)
		throw new Refused(
			`${sayDate(i.date)} has not come yet: this event is entered once it has happened.`,
			'date'
		);
	// Cases begin before the department hears of them, but a year's distance is more often a slip of the pen.
	if (!i.sure && daysBetween(plain(m.opened_on), i.date) < -366)
		throw new Refused(
			`${sayDate(i.date)} is more than a year before the matter was opened. Is the year right?`,
			'date'
		);
	const answers = answersTo(event, i.answers);
	return {
		book,
		key,
		...asked(
			() =>
				propose(book, {
					event: key,
					date: i.date,
					time: i.time ?? undefined,
					service: event.served && i.service ? i.service : undefined,
					answers,
					closures: closuresOf(w, book)
				}),
			'date'
		)
	};
}
/** The answers to an event's own questions, the empty ones left out. */
function answersTo(event: BookEvent, all: Record<string, string>): Record<string, string> {
	const answers = Object.fromEntries(
		Object.entries(all).filter(([k, v]) => v !== '' && event.questions.some((q) => q.id === k))
	);
	for (const q of event.questions)
		if (q.kind === 'date' && answers[q.id] !== undefined && !parseDate(answers[q.id]!))
			throw new Refused(`${answers[q.id]} is not a date that exists.`, `answer-${q.id}`);
	return answers;
}
/** A count that cannot be made, beside the field at fault. */
function asked<T>(go: () => T, otherwise: string): T {
	try {
		return go();
	} catch (e) {
		if (e instanceof CountError)
			throw new Refused(
				e.message,
				e.about === 'service'
					? 'service'
					: e.about
						? `answer-${e.about}`
						: /a time/.test(e.message)
							? 'time'
							: otherwise
			);
		throw e;
	}
}

/** Enters an event, keeps all its proposals and dockets the chosen ones. */
export const enterEvent = command({
	name: 'enter event',
	action: 'docket.enter',
	input: z.object({
		...eventFields,
		name: maybeText('The name', 120),
		sure: flag,
		sourceId: maybeId,
		...whereFields,
		docket: z.array(z.string()).default([])
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (m.status === 'closed')
			throw new Refused('The matter is closed: its dates are off the calendars. Reopen it first.');
		const { book, key, deadlines, left } = proposals(ctx, m, i);
		const event = book.events.get(key)!;
		if (i.docket.some((r) => !deadlines.some((d) => d.rule === r)))
			throw new Refused(
				'The proposals have changed since they were shown. Look at them again.',
				''
			);
		const source = documentOn(ctx, m, i.sourceId, 'sourceId');
		const eventId = newId('evt');
		ctx.db
			.prepare(
				`INSERT INTO event (id, matter_id, event_key, text, name, book, book_version, date, time, service, answers, ahead, entered_by, entered_at, source_id, place, link) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`
			)
			.run(
				eventId,
				m.id,
				key,
				capital(event.text),
				i.name,
				book.id,
				book.version,
				i.date,
				i.time,
				event.served && i.service ? i.service : null,
				JSON.stringify(
					Object.fromEntries(
						Object.entries(i.answers).filter(([k]) => event.questions.some((q) => q.id === k))
					)
				),
				event.ahead,
				staffOf(ctx).id,
				ctx.clock.now(),
				source?.id ?? null,
				i.place,
				i.link
			);
		const docketed: Proposal[] = [];
		for (const p of deadlines) {
			const chosen = i.docket.includes(p.rule);
			insertDeadline(ctx, m, eventId, book, p, chosen);
			if (chosen) docketed.push(p);
		}
		scribe.matter(m.id);
		scribe.note({
			event: eventId,
			book: book.id,
			key,
			date: i.date,
			service: i.service,
			source: source?.id ?? null,
			docketed: docketed.map((d) => ({ rule: d.rule, date: d.date })),
			left: left.map((l) => l.rule)
		});
		scribe.log(
			m.id,
			'date',
			`${capital(event.text)}${i.name ? ` (${i.name})` : ''} on ${sayDate(i.date)}${source ? `, from “${source.name}”` : ''}.${docketed.length ? ` Docketed: ${docketed.map((d) => `${d.title} ${sayDate(d.date)}`).join('; ')}.` : ''}`
		);
		if (docketed.length)
			tell(
				ctx,
				m,
				`${m.number} ${m.title}: ${docketed.length === 1 ? 'a date was' : `${docketed.length} dates were`} docketed`,
				`${capital(event.text)} on ${sayDate(i.date)}.\n\n${docketed.map((d) => `${sayDate(d.date)}  ${capital(d.title)} (${d.authority})`).join('\n')}\n\nA second person must check ${docketed.length === 1 ? 'it' : 'them'}.`
			);
		return { eventId, docketed: docketed.length };
	}
});

/** The event under which a matter keeps what is entered by hand. */
const BY_HAND = 'by-hand';
/** A date without a rule: from an order, an agreement, a letter. It is docketed at once, counted by nothing, and checked like any other. */
export const addDate = command({
	name: 'add date by hand',
	action: 'docket.enter',
	input: z.object({
		matterId: id('a matter'),
		what: z.enum(['deadline', 'hearing']).default('deadline'),
		title: text('The title', 200),
		date: day('The date'),
		time: maybeTime,
		authority: maybeText('The authority', 200),
		...whereFields,
		long: maybeText('The description', 4000),
		sourceId: maybeId
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (m.status === 'closed')
			throw new Refused('The matter is closed: its dates are off the calendars. Reopen it first.');
		const me = staffOf(ctx);
		const source = documentOn(ctx, m, i.sourceId, 'sourceId');
		const event = (text: string, date: string, time: string | null, ahead: string | null) => {
			const eventId = newId('evt');
			ctx.db
				.prepare(
					"INSERT INTO event (id, matter_id, event_key, text, name, book, book_version, date, time, ahead, entered_by, entered_at, source_id, place, link) VALUES (?, ?, ?, ?, '', '', '', ?, ?, ?, ?, ?, ?, ?, ?)"
				)
				.run(
					eventId,
					m.id,
					BY_HAND,
					text,
					date,
					time,
					ahead,
					me.id,
					ctx.clock.now(),
					source?.id ?? null,
					i.place,
					i.link
				);
			return eventId;
		};
		scribe.matter(m.id);
		const from = i.authority || (source ? `“${source.name}”` : 'entered by hand');
		if (i.what === 'hearing') {
			const eventId = event(capital(i.title), i.date, i.time, 'hearing');
			scribe.note({ event: eventId, date: i.date, hand: true });
			scribe.log(
				m.id,
				'date',
				`${capital(i.title)} on ${sayDate(i.date)}${i.time ? ` at ${i.time}` : ''}: ${from}.`
			);
			tell(
				ctx,
				m,
				`${m.number} ${m.title}: ${i.title} on ${sayDate(i.date)}`,
				`${capital(i.title)}\n${sayDate(i.date)}${i.time ? ` at ${i.time}` : ''}\n${i.place}`
			);
			return { eventId, deadlineId: null };
		}
		const eventId =
			ctx.db
				.prepare<[string], { id: string }>(
					"SELECT id FROM event WHERE matter_id = ? AND event_key = 'by-hand' AND ahead IS NULL"
				)
				.get(m.id)?.id ?? event('Dates by hand', ctx.clock.today(), null, null);
		const n = ctx.db
			.prepare<[string], { n: number }>('SELECT count(*) AS n FROM deadline WHERE event_id = ?')
			.get(eventId)!.n;
		const deadlineId = insertDeadline(
			ctx,
			m,
			eventId,
			{ id: '', version: '' },
			{
				rule: `hand-${n + 1}`,
				title: i.title,
				authority: from,
				act: 'serve',
				suggested: false,
				date: i.date,
				time: i.time,
				trace: [{ step: 'note', text: `Entered by hand: ${from}. No rule counts it.` }]
			},
			true
		);
		ctx.db
			.prepare('UPDATE deadline SET place = ?, link = ?, long = ? WHERE id = ?')
			.run(i.place, i.link, i.long, deadlineId);
		scribe.note({ deadline: deadlineId, date: i.date, hand: true });
		scribe.log(m.id, 'date', `Docketed by hand: ${i.title} ${sayDate(i.date)} (${from}).`);
		tell(
			ctx,
			m,
			`${m.number} ${m.title}: a date was docketed`,
			`${sayDate(i.date)}  ${i.title} (${from})\n\nA second person must check it.`
		);
		return { eventId, deadlineId };
	}
});

/** Brings in the chosen events of a calendar file, as hearings and meetings of the matter: all of them or none. */
export const bringCalendar = command({
	name: 'bring in calendar',
	action: 'docket.enter',
	input: z.object({
		matterId: id('a matter'),
		from: maybeText('The file', 200),
		items: z
			.array(
				z.object({
					title: text('The title', 200),
					date: day('The date'),
					time: maybeTime,
					place: maybeText('The place', 200)
				})
			)
			.min(1, 'Choose at least one event.')
			.max(200, 'At most 200 events at once.')
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (m.status === 'closed')
			throw new Refused('The matter is closed: its dates are off the calendars. Reopen it first.');
		for (const e of i.items) {
			ctx.db
				.prepare(
					"INSERT INTO event (id, matter_id, event_key, text, name, book, book_version, date, time, ahead, entered_by, entered_at, place) VALUES (?, ?, ?, ?, '', '', '', ?, ?, 'hearing', ?, ?, ?)"
				)
				.run(
					newId('evt'),
					m.id,
					BY_HAND,
					capital(e.title),
					e.date,
					e.time,
					staffOf(ctx).id,
					ctx.clock.now(),
					e.place
				);
		}
		scribe.matter(m.id);
		scribe.note({ file: i.from, events: i.items.map((e) => ({ title: e.title, date: e.date })) });
		scribe.log(
			m.id,
			'date',
			`Brought in from ${i.from || 'a calendar file'}: ${i.items.map((e) => `${e.title} ${sayDate(e.date)}`).join('; ')}.`
		);
		tell(
			ctx,
			m,
			`${m.number} ${m.title}: ${i.items.length === 1 ? 'an event' : `${i.items.length} events`} entered`,
			i.items
				.map((e) => `${sayDate(e.date)}${e.time ? ` at ${e.time}` : ''}  ${e.title}`)
				.join('\n')
		);
		return { brought: i.items.length };
	}
});

export type Move = {
	deadlineId: string;
	title: string;
	state: string;
	from: PlainDate;
	to: PlainDate;
	days: number;
	warnings: string[];
	tasks: TaskMove[];
	/** Moved by order or agreement: only the computed date beside it changes. */
	held: boolean;
};

/** What else of an event is corrected with its date; what is undefined stays. */
export type EventChange = {
	time?: string | null | undefined;
	service?: string | null | undefined;
	answers?: Record<string, string> | null | undefined;
};
/** An event as it would be: a way of service and answers only where its book asks for them. */
function changed(e: EventRow, c: EventChange, book: Rulebook | null) {
	const event = book?.events.get(e.event_key);
	return {
		time: c.time || e.time,
		service: c.service == null || !event?.served ? e.service : c.service || null,
		answers: c.answers && event ? answersTo(event, c.answers) : given(e.answers)
	};
}

/** The rules that set a date from an event as it stands. */
function rulesOf(
	book: Rulebook,
	e: EventRow,
	closures: ReturnType<typeof closuresOf>
): Set<string> {
	try {
		return new Set(
			propose(book, {
				event: e.event_key,
				date: plain(e.date),
				time: e.time ?? undefined,
				service: e.service ?? undefined,
				answers: Object.fromEntries(filled(given(e.answers))),
				closures
			}).deadlines.map((d) => d.rule)
		);
	} catch (x) {
		// An event whose answers no longer fit its book sets nothing as it stands.
		if (x instanceof CountError) return new Set();
		throw x;
	}
}
const filled = (answers: Record<string, string>) =>
	Object.entries(answers)
		.filter(([, v]) => v !== '')
		.sort(([a], [b]) => (a < b ? -1 : 1));

/** What every dependent date and task would become if the event moved or was corrected; nothing is saved. `born` are dates that only the corrected event sets, one that was taken off among them. */
export function movesOf(
	w: World,
	eventId: string,
	to: PlainDate,
	change: EventChange = {}
): {
	moves: Move[];
	gone: string[];
	born: Proposal[];
	warnings: string[];
	fresh: Map<string, Proposal>;
} {
	const e = w.db.prepare<[string], EventRow>('SELECT * FROM event WHERE id = ?').get(eventId)!;
	const m = { id: e.matter_id };
	if (!e.book)
		return {
			moves: [],
			gone: [],
			born: [],
			warnings: warningsOf(w, m, {
				date: to,
				book: plainBook(w),
				hearing: e.ahead !== null,
				eventId
			}),
			fresh: new Map()
		};
	const book = bookFor(w, e.matter_id, e.book);
	const now = changed(e, change, book);
	const { deadlines } = asked(
		() =>
			propose(book, {
				event: e.event_key,
				date: to,
				time: now.time ?? undefined,
				service: now.service ?? undefined,
				answers: Object.fromEntries(filled(now.answers)),
				closures: closuresOf(w, book)
			}),
		'to'
	);
	const fresh = new Map(deadlines.map((d) => [d.rule, d]));
	const had = rulesOf(book, e, closuresOf(w, book));
	const stands = new Map(
		w.db
			.prepare<[string], { rule: string; state: string }>(
				"SELECT rule, state FROM deadline WHERE event_id = ? ORDER BY state <> 'vacated'"
			)
			.all(eventId)
			.map((d) => [d.rule, d.state])
	);
	const moves: Move[] = [];
	const gone: string[] = [];
	for (const d of w.db
		.prepare<[string], DeadlineRow>(
			"SELECT * FROM deadline WHERE event_id = ? AND state IN ('proposed','docketed','met') ORDER BY date, id"
		)
		.all(eventId)) {
		const p = fresh.get(d.rule);
		if (!p) {
			if (d.state !== 'met') gone.push(d.title);
			continue;
		}
		const held = d.computed !== null;
		const from = plain(held ? d.computed! : d.date);
		const met = d.state === 'met';
		const warnings = met
			? ['met already: it stays as it was']
			: held
				? [
						`moved by ${d.moved_how}: it stays on ${sayDate(plain(d.date))}, only its computed date changes`
					]
				: warningsOf(w, m, { date: p.date, book });
		const moved = !met && !held;
		if (moved && d.internal !== null && d.internal > p.date)
			warnings.push('its internal date falls away');
		moves.push({
			deadlineId: d.id,
			title: d.title,
			state: d.state,
			from,
			to: met ? from : p.date,
			days: met ? 0 : daysBetween(from, p.date),
			warnings,
			tasks: moved ? tasksWith(w, d, p.date) : [],
			held
		});
	}
	return {
		moves,
		gone,
		born: deadlines.filter(
			(d) => !stands.has(d.rule) || (stands.get(d.rule) === 'vacated' && !had.has(d.rule))
		),
		warnings:
			e.ahead === 'hearing' || e.ahead === 'trial'
				? warningsOf(w, m, { date: to, book, hearing: true, eventId })
				: [],
		fresh
	};
}
const plainBook = (w: World) => bookFor(w, '', 'us-federal');

/** Changes an event's date, and with it how it was served and its answers: every dependent date and its tasks move, or only the chosen ones; everyone is told once. */
export const moveEvent = command({
	name: 'move event',
	action: 'docket.change',
	input: z.object({
		eventId: id('an event'),
		to: day('The new date'),
		time: maybeTime,
		service: z.string().max(40).nullish(),
		answers: z.record(z.string(), z.string().max(100)).nullish(),
		reason: text('The reason', 500),
		sourceId: maybeId,
		version: z.coerce.number().int(),
		only: z.array(z.string()).nullish()
	}),
	run(ctx, i, scribe) {
		const { e, m } = theEvent(ctx, i.eventId);
		if (e.version !== i.version)
			throw new Refused(
				'Someone else changed this event meanwhile. Look again before you move it.'
			);
		if (!e.ahead && i.to > ctx.clock.today())
			throw new Refused(
				`${sayDate(i.to)} has not come yet: this event is entered once it has happened.`,
				'to'
			);
		if (e.event_key === BY_HAND && !e.ahead)
			throw new Refused('Dates by hand hang on no event: move each by order or agreement.', 'to');
		const source = documentOn(ctx, m, i.sourceId, 'sourceId');
		const { moves, fresh, born } = movesOf(ctx, e.id, i.to, i);
		const book = e.book ? bookFor(ctx, m.id, e.book) : null;
		const now = changed(e, i, book);
		const chosen = moves.filter(
			(v) => v.state !== 'met' && (!i.only || i.only.includes(v.deadlineId))
		);
		ctx.db
			.prepare(
				'UPDATE event SET date = ?, time = ?, service = ?, answers = ?, source_id = coalesce(?, source_id), version = version + 1 WHERE id = ?'
			)
			.run(i.to, now.time, now.service, JSON.stringify(now.answers), source?.id ?? null, e.id);
		const said: string[] = [];
		for (const v of chosen) {
			const d = ctx.db
				.prepare<[string], DeadlineRow>('SELECT * FROM deadline WHERE id = ?')
				.get(v.deadlineId)!;
			const p = fresh.get(d.rule)!;
			if (v.held) {
				ctx.db
					.prepare(
						'UPDATE deadline SET computed = ?, trace = ?, version = version + 1 WHERE id = ?'
					)
					.run(p.date, JSON.stringify(p.trace), d.id);
				continue;
			}
			const more = putOn(ctx, d, { date: p.date, time: p.time, trace: p.trace });
			if (v.state === 'docketed' && v.days !== 0)
				said.push(`${v.title} from ${shortDate(v.from)} to ${shortDate(v.to)}`);
			said.push(...more);
		}
		// What no rule sets any more stays, but nobody has checked that it should.
		for (const d of ctx.db
			.prepare<[string], DeadlineRow>(
				"SELECT * FROM deadline WHERE event_id = ? AND state = 'docketed' AND computed IS NULL"
			)
			.all(e.id)) {
			if (!book || fresh.has(d.rule)) continue;
			ctx.db
				.prepare(
					'UPDATE deadline SET checked_by = NULL, checked_at = NULL, version = version + 1 WHERE id = ?'
				)
				.run(d.id);
			said.push(`no rule sets ${d.title} any more`);
		}
		for (const p of book ? born : []) {
			const off = ctx.db
				.prepare<[string, string], { id: string }>(
					"SELECT id FROM deadline WHERE event_id = ? AND rule = ? AND state = 'vacated'"
				)
				.get(e.id, p.rule);
			if (off)
				proposeAgain(ctx, off.id, {
					date: p.date,
					time: p.time,
					trace: p.trace,
					authority: p.authority,
					version: book!.version
				});
			else insertDeadline(ctx, m, e.id, book!, p, false);
			said.push(`${p.title} ${shortDate(p.date)} proposed`);
		}
		const kind =
			now.service && book
				? serviceKinds(book.method).find((k) => k.id === now.service)?.say
				: undefined;
		const corrected = [
			now.service !== e.service ? (kind ? `served ${kind}` : 'not served') : '',
			now.time !== e.time ? `at ${now.time}` : '',
			JSON.stringify(filled(now.answers)) !== JSON.stringify(filled(given(e.answers)))
				? 'its answers'
				: ''
		]
			.filter(Boolean)
			.join(' and ');
		const moved =
			i.to === e.date
				? `${e.text} on ${sayDate(i.to)} corrected${corrected ? ` (${corrected})` : ''}`
				: `${e.text} moved from ${sayDate(plain(e.date))} to ${sayDate(i.to)}${corrected ? ` and corrected (${corrected})` : ''}`;
		const words =
			`${moved}: ${i.reason}${source ? ` (${source.name})` : ''}.${said.length ? ` Moved: ${said.join('; ')}.` : ''}`.replace(
				'..',
				'.'
			);
		scribe.matter(m.id);
		scribe.note({
			event: e.id,
			from: e.date,
			to: i.to,
			service: [e.service, now.service],
			answers: [given(e.answers), now.answers],
			reason: i.reason,
			source: source?.id ?? null,
			moved: chosen.map((v) => ({
				deadline: v.deadlineId,
				from: v.from,
				to: v.to,
				tasks: v.tasks.map((t) => ({ task: t.taskId, from: t.from, to: t.to }))
			}))
		});
		scribe.log(m.id, 'date', words, source ? `/documents/${source.id}` : undefined);
		const told = tell(ctx, m, `${m.number} ${m.title}: dates moved`, words);
		return { moved: chosen.length, told };
	}
});
