/** What mail about the docket says. */
import type { PlainDate } from '#core/dates/plain.ts';
import { describeLeft } from '#core/docket/standing.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize, plural } from '#core/format/words.ts';
import type { Message } from '#server/mail/queue.ts';
import { formatTitle, type ReportRow } from './report-columns.ts';
import { groupingOf, groupRows } from './report-groups.ts';
import { describeMissedBefore } from './report-words.ts';
import type { Report } from './report.ts';

type Matter = { number: string; title: string };
type Dated = { title: string; date: PlainDate; authority: string };
type Occasion = { title: string; date: PlainDate; time: string | null };

const docketPath = (matter: Matter) => `/matters/${matter.number}/docket`;
const deadlinePath = (matter: Matter, id: string) => `${docketPath(matter)}?deadline=${id}`;
const about = (matter: Matter, what: string) => `${matter.number} ${matter.title}: ${what}`;
const atTime = (time: string | null) => (time ? ` at ${time}` : '');
const line = ({ title, date, authority }: Dated) =>
	`${formatDate(date)}  ${capitalize(title)} (${authority})`;
const wereDocketed = (count: number) =>
	count === 1 ? 'a date was docketed' : `${count} dates were docketed`;

/** Proposals were docketed. */
export const datesDocketed = (matter: Matter, dates: readonly Dated[]): Message => ({
	subject: about(matter, wereDocketed(dates.length)),
	text: dates.map(line).join('\n'),
	path: docketPath(matter)
});

/** An event was entered, and dates with it. */
export const eventEntered = (
	matter: Matter,
	event: { text: string; date: PlainDate },
	dates: readonly Dated[]
): Message => ({
	subject: about(matter, wereDocketed(dates.length)),
	text: [
		`${event.text} on ${formatDate(event.date)}.`,
		dates.map(line).join('\n'),
		`A second person must check ${dates.length === 1 ? 'it' : 'them'}.`
	].join('\n\n'),
	path: docketPath(matter)
});

/** Dates were given to somebody, to see to or to stand in for. */
export const datesAssigned = (
	matter: Matter,
	dates: readonly Dated[],
	responsible: boolean
): Message => ({
	subject: about(
		matter,
		`${plural(dates.length, 'date')} ${responsible ? 'are yours now' : 'to stand in for'}`.replace(
			/^1 date are/,
			'a date is'
		)
	),
	text: dates.map(line).join('\n'),
	path: docketPath(matter)
});

export type WaitingProposal = { id: string; enteredAt: string } & Dated;
/** Proposals have waited longer than the department allows. */
export const proposalsWait = (matter: Matter, dates: readonly WaitingProposal[]): Message => ({
	subject: about(
		matter,
		dates.length === 1 ? 'a proposal waits' : `${dates.length} proposals wait`
	),
	text: [
		dates.map(line).join('\n'),
		'Nobody has decided on them: docket them, or set them aside with a reason.'
	].join('\n\n'),
	path: docketPath(matter)
});

/** A date was entered by hand. */
export const dateAdded = (matter: Matter, date: Dated): Message => ({
	subject: about(matter, wereDocketed(1)),
	text: `${line(date)}\n\nA second person must check it.`,
	path: docketPath(matter)
});

/** A date was met after its day. */
export const metLate = (matter: Matter, date: Dated & { late_reason: string }): Message => ({
	subject: about(matter, `met late, ${date.title}`),
	text: [
		`${line(date)}\nwas met after that day: ${date.late_reason}`,
		'It stays among the missed. Your word on it is asked: open it on the docket.'
	].join('\n\n'),
	path: docketPath(matter)
});

/** A hearing was entered by hand. */
export const hearingAdded = (matter: Matter, hearing: Occasion & { place: string }): Message => ({
	subject: about(matter, `${hearing.title} on ${formatDate(hearing.date)}`),
	text: [
		capitalize(hearing.title),
		`${formatDate(hearing.date)}${atTime(hearing.time)}`,
		hearing.place
	].join('\n'),
	path: docketPath(matter)
});

/** Hearings and meetings were brought in from a calendar file. */
export const calendarBroughtIn = (matter: Matter, events: readonly Occasion[]): Message => ({
	subject: about(
		matter,
		events.length === 1 ? 'an event entered' : `${events.length} events entered`
	),
	text: events
		.map((event) => `${formatDate(event.date)}${atTime(event.time)}  ${event.title}`)
		.join('\n'),
	path: docketPath(matter)
});

/** An event moved, or changes were applied, and dates with it. `words` are the logbook's. */
export const datesMoved = (matter: Matter, words: string): Message => ({
	subject: about(matter, 'dates moved'),
	text: words,
	path: docketPath(matter)
});

/** One date was moved by order or agreement. */
export const dateMoved = (matter: Matter, words: string): Message => ({
	subject: about(matter, 'a date moved'),
	text: words,
	path: docketPath(matter)
});

export const dateVacated = (
	matter: Matter,
	deadline: { title: string; date: PlainDate },
	reason: string
): Message => ({
	subject: about(matter, 'a date was vacated'),
	text: `${deadline.title}, ${formatDate(deadline.date)}\n${reason}`,
	path: docketPath(matter)
});

/** The second check does not agree: to the one who docketed the date. */
export const dateReturned = (
	matter: Matter,
	deadline: { id: string; title: string; date: PlainDate },
	by: string,
	reason: string
): Message => ({
	subject: `${matter.number}: the second check does not agree`,
	text: `${deadline.title}, ${formatDate(deadline.date)}\n${by}: ${reason}`,
	path: deadlinePath(matter, deadline.id)
});

/**
 * Changes of a book, a closure or an order wait for a decision: one mail for all matters of a
 * person.
 */
export const changesWait = (
	why: string,
	matters: readonly (Matter & { dates: string; link: string })[]
): Message => ({
	// What a book says of its changes may be long: it stands in the text.
	subject: `Dates would change: ${why.split(': ')[0]}`,
	text: [
		`${why}.`,
		'Nothing has moved by itself.',
		matters
			.slice(0, 200)
			.map((matter) => `${about(matter, matter.dates)}\n  ${matter.link}`)
			.join('\n')
	].join('\n\n')
});

/** To somebody outside: a date, or that it no longer holds. */
export function invitation(
	date: { title: string; date: PlainDate; time: string | null; place: string },
	{ off, words, from }: { off: boolean; words: string; from: string }
): Message {
	const when = `${formatDate(date.date)}${atTime(date.time)}`;
	const what = off
		? 'This date no longer holds.'
		: [date.title, when, date.place].filter(Boolean).join('\n');
	return {
		subject: `${off ? 'Cancelled: ' : ''}${date.title}, ${when}`,
		text: `${what}\n\n${words}\n\n${from}`
	};
}

/** A docket report, with a link to every date. */
export function docketReport(
	report: Report,
	{ about: what, words, origin }: { about: string; words: string; origin: string }
): Message {
	const { said } = groupingOf(report);
	const line = (row: ReportRow) => {
		const before = [!said.includes('date') && formatDate(row.date), row.time].filter(Boolean);
		const matter = said.includes('matter') ? '' : `, ${row.matterNumber} ${row.matterTitle}`;
		const unchecked = row.checked || row.state === 'met' ? '' : ' (not checked)';
		const open = row.left ? ` (${describeLeft(row.left.gives)})` : unchecked;
		const title = formatTitle(row, report.long);
		const link = origin + deadlinePath({ number: row.matterNumber, title: '' }, row.id);
		return `  ${[...before, title].join('  ')}${matter}${open}\n    ${link}`;
	};
	const groups = groupRows(report).map(({ name, rows }) => [name, ...rows.map(line)].join('\n'));
	return {
		subject: `Docket report: ${what}`,
		text: [
			...(words ? [words] : []),
			`${what}: ${report.rows.length}`,
			...(report.missedBefore.length ? [describeMissedBefore(report.missedBefore)] : []),
			groups.join('\n\n') || 'No date fits.'
		].join('\n\n')
	};
}

/** To people outside: what the sender says, and that the dates are attached. */
export const docketReportOutside = (
	count: number,
	{ words, from }: { words: string; from: { name: string; email: string } }
): Message => ({
	subject: `Docket report from ${from.name}`,
	text: [
		words,
		`${plural(count, 'date')} attached as a PDF. Answer to ${from.name} <${from.email}>.`
	].join('\n\n')
});

type ScheduleHead = { title: string; dated: PlainDate };
/** A scheduling order was entered: its dates, and what it changed of the rules. */
export const scheduleEntered = (
	matter: Matter,
	order: ScheduleHead,
	lines: readonly string[]
): Message => ({
	subject: about(matter, `${order.title} was docketed`),
	text: [
		`${order.title}, ${formatDate(order.dated)}.`,
		lines.join('\n'),
		'A second person must check them.'
	].join('\n\n'),
	path: docketPath(matter)
});

/** A scheduling order was amended: what is otherwise now. */
export const scheduleAmended = (
	matter: Matter,
	order: ScheduleHead,
	lines: readonly string[]
): Message => ({
	subject: about(matter, `dates moved, ${order.title}`),
	text: [
		`${order.title}, ${formatDate(order.dated)}.`,
		lines.join('\n'),
		'A second person must check what changed.'
	].join('\n\n'),
	path: docketPath(matter)
});
