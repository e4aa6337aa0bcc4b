/**
 * Reads a court's own list of entries and compares it with ours: what agrees, what differs, what is
 * missing here or there.
 */
import { findDates, type DateOrder } from '../dates/in-text.ts';
import { findTime } from '../dates/time-in-text.ts';
import { daysBetween, type PlainDate } from '../dates/plain.ts';
import { takeWeekday } from '../dates/weekday-in-text.ts';
import { foldName } from '../people/names.ts';

/** One entry of the court's list. */
export type CourtEntry = {
	title: string;
	date: PlainDate;
	/** HH:MM, or null where none is given. */
	time: string | null;
	/** The court's number of the case, or empty. */
	caseNumber: string;
};

/** One of ours that it is compared with. */
export type OurEntry = {
	id: string;
	title: string;
	date: PlainDate;
	time: string | null;
	/** A hearing, or a date the court set: what stands on its own list too. */
	isCourts: boolean;
};

export type Comparison<Ours extends OurEntry = OurEntry> = {
	agrees: { theirs: CourtEntry; ours: Ours }[];
	/** The same thing on another day, or at another time. */
	differs: { theirs: CourtEntry; ours: Ours }[];
	missingHere: CourtEntry[];
	/** Of what the court itself sets. */
	missingThere: Ours[];
};

/** Numbers of cases as courts write them: "4:26-cv-01422", "CGC-26-601234", "CV-2026-01234". */
const CASE_NUMBER =
	/\b(?:\d{1,2}:\d{2}-[a-z]{2,4}-\d{3,6}(?:-[a-z]{2,4})*|[a-z]{1,6}-?\d{2,4}-\d{4,7})\b/i;

/**
 * The entries of a list as cells of a row each: the cell with a day, one with a time, one with a
 * number of a case; the longest that is left says what it is.
 * @returns rows without a day or without words as they stood, and those whose weekday is another
 */
export function readCourtRows(
	rows: readonly (readonly string[])[],
	order: DateOrder = 'month'
): { entries: CourtEntry[]; unread: string[] } {
	const entries: CourtEntry[] = [];
	const unread: string[] = [];
	rows.forEach((row, at) => {
		const cells = row.map((cell) => cell.trim()).filter(Boolean);
		if (cells.length === 0) return;
		const entry = readEntry(cells, order);
		if (typeof entry !== 'string') entries.push(entry);
		else if (entry) unread.push(`${cells.join(' ')} (${entry})`);
		// The first row is the head of the table where it has no day.
		else if (at > 0 || cells.length === 1) unread.push(cells.join(' '));
	});
	return { entries, unread };
}

const tidy = (part: string): string =>
	part.replace(/\s+/g, ' ').replace(/^[\s,:;.–—-]+|[\s,:;.–—-]+$/g, '');

function readEntry(cells: readonly string[], order: DateOrder): CourtEntry | string {
	const text = cells.join(' \u2016 ');
	const [day] = findDates(text, order);
	if (!day) return '';
	const { before, after, truly } = takeWeekday(text, day);
	// A weekday that is not the day's says that day and month were read the wrong way round.
	if (truly) return `${day.written} is a ${truly}`;
	const around = `${before} ${after}`;
	const caseNumber = CASE_NUMBER.exec(around)?.[0] ?? '';
	const rest = around.replace(caseNumber, ' ');
	const { time = null, written = '' } = findTime(rest) ?? {};
	const [title = ''] = rest
		.replace(written, ' ')
		.split('\u2016')
		.map(tidy)
		.sort((one, other) => other.length - one.length);
	return title.length < 3 ? '' : { title, date: day.date, time, caseNumber };
}

/** An entry whose number of the case stood among its words, as `written`. */
export const withoutNumber = (entry: CourtEntry, written: string): CourtEntry => ({
	...entry,
	caseNumber: written,
	title: tidy(entry.title.replace(written, ' ')) || entry.title
});

/** Words that say nothing about which entry it is. */
const COMMON = new Set(
	'a and as at before by due for from hearing held in is of on or re set the to with'.split(' ')
);
/** Words for one thing. */
const SAME: Readonly<Record<string, string>> = {
	cmc: 'conference',
	msj: 'judgment',
	deadline: '',
	date: '',
	last: '',
	day: '',
	jury: 'trial',
	bench: 'trial',
	close: 'cutoff',
	closes: 'cutoff',
	completion: 'cutoff',
	answer: 'response'
};

const wordsOf = (title: string): Set<string> =>
	new Set(
		foldName(title)
			.split(' ')
			.map((word) => SAME[word] ?? word.replace(/(?:ies|s)$/, ''))
			.filter((word) => word.length > 1 && !COMMON.has(word))
	);

/** How alike two titles are, from 0 to 1: the words they share of all the words of the shorter. */
export function likeness(one: string, other: string): number {
	const [first, second] = [wordsOf(one), wordsOf(other)];
	const smaller = Math.min(first.size, second.size);
	// "Hearing" alone shares no word with anything, and is like any other entry of its day.
	if (smaller === 0) return 0;
	return [...first].filter((word) => second.has(word)).length / smaller;
}

/** More than half of the words: two conferences are not one, nor papers for one the conference. */
const ALIKE_FROM = 0.6;
/** Two entries of so different days are not the same thing moved, however alike their names. */
const FARTHEST_DAYS = 400;

type Pair<Ours> = { theirs: CourtEntry; ours: Ours; score: number };

/** How well an entry of ours fits one of theirs; 0 where it is another thing. */
function scoreOf(theirs: CourtEntry, ours: OurEntry): number {
	const alike = likeness(theirs.title, ours.title);
	const apart = Math.abs(daysBetween(theirs.date, ours.date));
	const isSameTime = theirs.time !== null && theirs.time === ours.time;
	if (apart === 0) return alike >= ALIKE_FROM ? 3 + alike : isSameTime ? 2 : 0;
	if (alike < ALIKE_FROM || apart > FARTHEST_DAYS) return 0;
	return 1 + alike - apart / (FARTHEST_DAYS * 2);
}

/** Compares the entries of one case: the best pairs first, each entry once. */
export function compareEntries<Ours extends OurEntry>(
	theirs: readonly CourtEntry[],
	ours: readonly Ours[]
): Comparison<Ours> {
	const pairs: Pair<Ours>[] = theirs
		.flatMap((entry) =>
			ours.map((mine) => ({ theirs: entry, ours: mine, score: scoreOf(entry, mine) }))
		)
		.filter(({ score }) => score > 0)
		.sort((one, other) => other.score - one.score);
	const taken = new Set<CourtEntry | Ours>();
	const comparison: Comparison<Ours> = {
		agrees: [],
		differs: [],
		missingHere: [],
		missingThere: []
	};
	for (const { theirs: entry, ours: mine } of pairs) {
		if (taken.has(entry) || taken.has(mine)) continue;
		taken.add(entry).add(mine);
		const isSameTime = entry.time === null || mine.time === null || entry.time === mine.time;
		const isSame = entry.date === mine.date && isSameTime;
		comparison[isSame ? 'agrees' : 'differs'].push({ theirs: entry, ours: mine });
	}
	comparison.missingHere = theirs.filter((entry) => !taken.has(entry));
	comparison.missingThere = ours.filter((mine) => mine.isCourts && !taken.has(mine));
	return comparison;
}
