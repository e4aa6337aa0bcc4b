/**
 * Reads the table of a scheduling order as it is pasted: rows of a spreadsheet, or the order's own
 * text. What is found is proposed for the table; nobody has said that it is right.
 */
import { findDates, type DateInText, type DateOrder } from '../dates/in-text.ts';
import { MONTHS, type PlainDate } from '../dates/plain.ts';
import { findTime } from '../dates/time-in-text.ts';
import { takeWeekday } from '../dates/weekday-in-text.ts';
import type { Occasion } from './occasion.ts';

export type ScheduleLine = {
	what: 'deadline' | Occasion;
	title: string;
	/** null where days are counted from something instead. */
	date: PlainDate | null;
	/** The day as the order writes it, where it names another weekday than the day has; or empty. */
	doubtful: string;
	/** Whether something is filed with the court; everything else is served or done. */
	act: 'file' | 'serve';
	/** HH:MM, or empty. */
	time: string;
	place: string;
	/** The paragraph that says so, or empty. */
	authority: string;
	/** "-14d", or empty; and from what, in the order's words. */
	count: string;
	from: string;
};

export type ReadSchedule = {
	lines: ScheduleLine[];
	/** The day the order says it was made. */
	dated: PlainDate | null;
	/** Lines that speak of a day and could not be read: a day that is none, or of nothing. */
	unread: string[];
};

/**
 * What a pasted text proposes.
 * @param order which comes first where a date is written in figures
 */
export function readSchedule(text: string, order: DateOrder = 'month'): ReadSchedule {
	const rows = text
		.split(/\r?\n/)
		.slice(0, MOST_ROWS)
		.map((row) => row.slice(0, LONGEST_ROW));
	const isTable = rows.filter((row) => row.includes('\t')).length > rows.length / 2;
	const read = isTable ? readTable(rows, order) : readText(rows, order);
	return { ...read, dated: findDated(rows, order) };
}

const MOST_ROWS = 2_000;
const LONGEST_ROW = 1_000;

/** It looks as if a day were meant. */
const MONTH = MONTHS.map((name) => `${name.slice(0, 3)}[a-z]*`).join('|');
const LOOKS_DATED = new RegExp(
	[
		`\\b(?:${MONTH})\\.? \\d`,
		String.raw`\d{1,2}/\d{1,2}/\d`,
		String.raw`\d{4}-\d\d`,
		String.raw`\d (?:court |business )?days? (?:before|after)`
	].join('|'),
	'i'
);

const DATED = /^\s*(?:dated|so ordered|it is so ordered|entered|filed)\b/i;

function findDated(rows: readonly string[], order: DateOrder): PlainDate | null {
	const [first] = rows.filter((row) => DATED.test(row)).flatMap((row) => findDates(row, order));
	return first?.date ?? null;
}

/** A time of day as HH:MM, and the text without it. */
function takeTime(text: string): { time: string; rest: string } {
	const found = findTime(text);
	return found
		? { time: found.time, rest: text.replace(found.written, ' ') }
		: { time: '', rest: text };
}

const COUNT =
	/\b(\d{1,3})(?:st|nd|rd|th)? (calendar |court |business |working )?(days?|weeks?|months?) (before|after|prior to|following|of|from) (.+?)(?=[.;]|$)/i;

/** "14 days before trial" as a count and what it counts from. */
function takeCount(text: string): { count: string; from: string; rest: string } {
	const found = COUNT.exec(text);
	if (!found) return { count: '', from: '', rest: text };
	const [written, number, sort = '', unit = '', way = '', from = ''] = found;
	const sign = /before|prior/i.test(way) ? '-' : '+';
	const letter = /court|business|working/i.test(sort) ? 'cd' : unit[0]!.toLowerCase();
	return {
		count: `${sign}${number}${letter}`,
		from: from.trim().replace(/^(?:the|such|said) /i, ''),
		rest: text.replace(written, ' ')
	};
}

const PLACE = /\b(?:in|before|at) ((?:court)?room [\w-]+|department [\w-]+|dept\. ?[\w-]+)/i;

function takePlace(text: string): { place: string; rest: string } {
	const found = PLACE.exec(text);
	if (!found) return { place: '', rest: text };
	return { place: found[1]!.replace(/^./, upper), rest: text.replace(found[0], ' ') };
}

const upper = (letter: string) => letter.toUpperCase();

/** "3.", "(b)", "II.", "¶ 4": the paragraph a line begins with. */
const PARAGRAPH = /^\s*(?:¶ ?(\d+[a-z]?)|(\d{1,2}|[ivx]{1,4}|[a-z])[.)]|\(([a-z\d]{1,3})\))\s+/i;

/** Words by which an order leads to a date or away from it: no part of a title. */
const LEAD =
	/[\s,:;.…_–—-]*\b(?:shall|must|will|is|are|to)? ?(?:be|have been)? ?(?:completed|served|filed|made|exchanged|held|heard|set|due|scheduled|commence|begin)?(?: and (?:served|filed|heard))?[\s,]*(?:no later than|not later than|on or before|by|before|for|on|at|until|:|due)?[\s,:;.…_–—-]*$/i;

function titleOf(text: string): string {
	return text
		.replace(/\(\s*\)/g, ' ')
		.replace(/\s+/g, ' ')
		.replace(LEAD, '')
		.replace(/^(?:the parties (?:shall|must) |all |any |the |and |an? )/i, '')
		.replace(/^[\s,:;.…_–—-]+|[\s,:;.…_–—-]+$/g, '')
		.slice(0, 200)
		.replace(/^./, upper);
}

/** What it is by its name; papers about a trial are no trial. */
function sortOf(title: string): ScheduleLine['what'] {
	if (/^(?:\d+-day |jury |bench |court )?trial(?: date| begins| starts| commences)?$/i.test(title))
		return 'trial';
	if (/\bconference$/i.test(title) && !/statement|report|parties/i.test(title)) return 'conference';
	if (/\bhearing\b/i.test(title) && !/brief|notice|papers|last day|deadline/i.test(title))
		return 'hearing';
	if (/^deposition of\b/i.test(title)) return 'deposition';
	return 'deadline';
}

const actOf = (words: string): ScheduleLine['act'] =>
	/\bfil(?:e|ed|ing)\b|\b(?:motions?|briefs?|oppositions?|repl(?:y|ies)|statements?|pleadings?|objections?)\b/i.test(
		words
	)
		? 'file'
		: 'serve';

/** What a second verb of a sentence adds to its title: "motions filed by ... and heard on ...". */
const AGAIN_WORDS: Readonly<Record<string, string>> = {
	heard: 'hearing',
	served: 'service',
	filed: 'filing',
	exchanged: 'exchange'
};
const AGAIN = /^[\s,;]*and (?:(?:shall|must|will|to) )?(?:be )?(heard|served|filed|exchanged)\b/i;

/** The words before a further date, with the title of the thing that the sentence speaks of. */
function sameThing(before: string, first: string): string {
	const verb = AGAIN.exec(before)?.[1]?.toLowerCase();
	if (!verb || titleOf(before.replace(AGAIN, ' ')) !== '') return before;
	return `${titleOf(first)}, ${AGAIN_WORDS[verb]} `;
}

/** A line of the order's text around one date, or around a count. */
function lineFrom(
	words: { before: string; after: string },
	{ date, doubtful = '' }: { date: PlainDate | null; doubtful?: string },
	authority: string
): ScheduleLine | undefined {
	const timed = takeTime(words.after);
	const placed = takePlace(timed.rest);
	const counted = date ? { count: '', from: '', rest: words.before } : takeCount(words.before);
	const title = titleOf(counted.rest) || titleOf(placed.rest);
	if (title.length < 3 || (!date && !counted.count)) return undefined;
	return {
		what: sortOf(title),
		title,
		date,
		doubtful,
		act: actOf(words.before),
		time: timed.time,
		place: placed.place,
		authority,
		count: counted.count,
		from: counted.from
	};
}

type Read = Pick<ReadSchedule, 'lines' | 'unread'>;

function readText(rows: readonly string[], order: DateOrder): Read {
	const lines: ScheduleLine[] = [];
	const unread: string[] = [];
	let paragraph = '';
	let heading = '';
	for (const row of rows) {
		if (DATED.test(row)) continue;
		const numbered = PARAGRAPH.exec(row);
		if (numbered) paragraph = `¶ ${numbered[1] ?? numbered[2] ?? numbered[3]}`;
		const text = numbered ? row.slice(numbered[0].length) : row;
		const found = readRow(text, heading, paragraph, order);
		lines.push(...found);
		if (found.length === 0 && LOOKS_DATED.test(text)) unread.push(text.trim());
		// A title may stand on a line of its own, above its day.
		heading = found.length ? '' : text.trim();
	}
	return { lines, unread };
}

/** A date at the beginning of a line names what follows it; elsewhere, what stands before it. */
function readRow(
	text: string,
	heading: string,
	paragraph: string,
	order: DateOrder
): ScheduleLine[] {
	const dates = findDates(text, order);
	if (dates.length === 0) {
		const counted = lineFrom({ before: text, after: '' }, { date: null }, paragraph);
		return counted ? [counted] : [];
	}
	const leads = titleOf(text.slice(0, dates[0]!.at)) === '' && heading === '';
	return dates.flatMap((date, index) => {
		const end = (one: DateInText) => one.at + one.written.length;
		const from = index === 0 ? 0 : end(dates[index - 1]!);
		const until = dates[index + 1]?.at ?? text.length;
		const around = takeWeekday(text.slice(from, until), { ...date, at: date.at - from });
		const { after } = around;
		const own = leads ? after : around.before || heading;
		const before = index === 0 ? own : sameThing(own, text.slice(0, dates[0]!.at));
		const words = titleOf(before) ? before : heading;
		const doubtful = around.truly ? `${around.weekday} ${date.written}` : '';
		return (
			lineFrom({ before: takeTime(words).rest, after }, { date: date.date, doubtful }, paragraph) ??
			[]
		);
	});
}

/** What a column of a pasted table holds, by its head. */
const HEADS: readonly [keyof ScheduleLine, RegExp][] = [
	['date', /\b(?:date|day|deadline date|when)\b/i],
	['time', /\btime\b/i],
	['place', /\b(?:place|room|location|where)\b/i],
	['authority', /\b(?:authority|paragraph|para|section|¶|rule)\b/i],
	['title', /\b(?:event|title|what|deadline|description|item)\b/i]
];

function readTable(rows: readonly string[], order: DateOrder): Read {
	const cells = rows.map((row) => row.split('\t').map((cell) => cell.trim()));
	const [first = []] = cells;
	const named = headsOf(first);
	const hasHead = named.size > 1 && first.every((cell) => findDates(cell, order).length === 0);
	const read: Read = { lines: [], unread: [] };
	for (const row of hasHead ? cells.slice(1) : cells) {
		const line = readCells(row, hasHead ? named : new Map(), order);
		if (line) read.lines.push(line);
		else if (row.some((cell) => cell !== '')) read.unread.push(row.filter(Boolean).join(' '));
	}
	return read;
}

function headsOf(row: readonly string[]): Map<keyof ScheduleLine, number> {
	const heads = new Map<keyof ScheduleLine, number>();
	row.forEach((cell, column) => {
		const head = HEADS.find(([field, named]) => !heads.has(field) && named.test(cell));
		if (head) heads.set(head[0], column);
	});
	return heads;
}

function readCells(
	row: readonly string[],
	heads: ReadonlyMap<keyof ScheduleLine, number>,
	order: DateOrder
): ScheduleLine | undefined {
	const named = (field: keyof ScheduleLine) => row[heads.get(field) ?? -1] ?? '';
	const findCell = (fits: (cell: string) => boolean, among = row) => among.find(fits) ?? '';
	const isDated = (cell: string) => findDates(cell, order).length > 0 || COUNT.test(cell);
	const dateCell = named('date') || findCell(isDated);
	const timeCell = named('time') || findCell((cell) => findTime(cell) !== undefined);
	const others = row.filter((cell) => ![dateCell, timeCell, ''].includes(cell));
	const title = titleOf(named('title') || findCell(() => true, others));
	const rest = others.filter((cell) => titleOf(cell) !== title);
	const authority = named('authority') || findCell((cell) => /¶|\bpara|\brule\b/i.test(cell), rest);
	const [day] = findDates(dateCell, order);
	const date = day?.date ?? null;
	const { truly, weekday } = day ? takeWeekday(dateCell, day) : { truly: undefined, weekday: '' };
	const { count, from } = date ? { count: '', from: '' } : takeCount(dateCell);
	if (title.length < 3 || (!date && !count)) return undefined;
	return {
		what: sortOf(title),
		title,
		date,
		doubtful: truly ? `${weekday} ${day?.written}` : '',
		act: actOf(row.join(' ')),
		time: takeTime(timeCell).time,
		place: named('place') || findCell((cell) => cell !== authority, rest),
		authority,
		count,
		from
	};
}
