/** Judges rows of dates and hearings that were kept elsewhere. */
import { parseTime, type PlainDate } from '#core/dates/plain.ts';
import { OCCASIONS, type Occasion, type Sort } from '#core/docket/occasion.ts';
import { formatDate } from '#core/format/dates.ts';
import { isOnTeam } from '#server/access/team.ts';
import type { Db } from '#server/db/open.ts';
import { exists } from '#server/db/sql.ts';
import { findNumbered, listMatterFaults } from './find-matter.ts';
import { findMember } from './judge-matters.ts';
import type { Values } from './mapping.ts';
import { readDay, readPastDay } from './read-day.ts';
import { faultOf, isFault, isKnown, isNew, type Asker, type Fault, type Judge } from './verdict.ts';

const SORTS = ['deadline', ...OCCASIONS] as const;
/** How a date stands, and how a hearing stands; the first of each is open. */
const DATE_STATES = ['open', 'met', 'vacated'] as const;
const HEARING_STATES = ['open', 'held', 'taken off'] as const;
type DateState = (typeof DATE_STATES)[number] | (typeof HEARING_STATES)[number];

export type DateImport = {
	matterId: string;
	title: string;
	date: PlainDate;
	time: string | null;
	sort: Sort;
	authority: string;
	place: string;
	assigneeId: string | null;
	state: DateState;
	/** The day it was met. */
	on: PlainDate | null;
	/** Why it was vacated, taken off or late, or what came of it. */
	reason: string;
	long: string;
};

const readSort = (typed: string): Sort | undefined =>
	typed === '' ? 'deadline' : SORTS.find((sort) => sort === typed.toLowerCase());

function readState(typed: string, isHearing: boolean): DateState | undefined {
	const states: readonly DateState[] = isHearing ? HEARING_STATES : DATE_STATES;
	return typed === '' ? 'open' : states.find((state) => state === typed.toLowerCase());
}

/** What the words of a row mean; undefined where they mean nothing. */
function readWords(db: Db, { me, today }: Asker, values: Values) {
	const { matter = '', date = '', sort: typedSort = '', state = '', on = '', person = '' } = values;
	const sort = readSort(typedSort);
	return {
		matter: findNumbered(db, me, matter),
		date: readDay('date', date, today),
		sort,
		state: readState(state, sort !== undefined && sort !== 'deadline'),
		on: readPastDay('on', on, today),
		assigneeId: person ? findMember(db, person) : null
	};
}
type Words = ReturnType<typeof readWords>;

const listWhatFaults = ({ sort, assigneeId, ...words }: Words, values: Values): Fault[] => {
	const { time, sort: typed, person } = values;
	return [
		...words.date.faults,
		...words.on.faults,
		...faultOf('sort', !sort && `“${typed}” is none of: ${SORTS.join(', ')}.`),
		...faultOf(
			'time',
			time && parseTime(time) === undefined && `${time} is not a time: write 14:30.`
		),
		...faultOf('person', assigneeId === undefined && `There is no colleague “${person}”.`)
	];
};

/** How it stands must be whole: what was met has its day, what is off has its reason. */
function listStateFaults(words: Words, values: Values, today: PlainDate): Fault[] {
	const { sort, state, matter, date } = words;
	const { state: typed, on = '', reason = '' } = values;
	if (!sort) return [];
	const states = sort === 'deadline' ? DATE_STATES : HEARING_STATES;
	if (!state) return faultOf('state', `“${typed}” is none of: ${states.join(', ')}.`);
	if (state === 'met') return listMetFaults(words, values);
	const notMet = faultOf('on', on !== '' && 'Met on is given, and it was not met.');
	const isClosed = state === 'open' && matter?.status === 'closed';
	return [
		...notMet,
		...faultOf('state', isClosed && 'Its matter is closed.'),
		...faultOf('state', state === 'held' && aheadFault(date.day, today)),
		...faultOf('reason', state !== 'open' && !reason && REASON[state])
	];
}
const aheadFault = (day: PlainDate | null, today: PlainDate): string | false =>
	day !== null && day > today && `${formatDate(day)} has not come yet.`;
const REASON: Readonly<Record<Exclude<DateState, 'open' | 'met'>, string>> = {
	vacated: 'Say why it was vacated.',
	'taken off': 'Say why it was taken off.',
	held: 'Say what came of it.'
};

function listMetFaults({ on, date }: Words, values: Values): Fault[] {
	if (on.day === null) return faultOf('on', !values.on && 'Met on is missing.');
	const isLate = date.day !== null && on.day > date.day;
	return faultOf(
		'reason',
		isLate &&
			!values.reason &&
			`It was due on ${formatDate(date.day ?? on.day)}: say why it was met later.`
	);
}

/** A date of a restricted matter is given to nobody who may not know of it. */
function listOutsideFaults(db: Db, { matter, assigneeId }: Words, { person }: Values): Fault[] {
	if (!matter?.restricted || !assigneeId || isOnTeam(db, matter.id, assigneeId)) return [];
	return faultOf('person', `${person} is not on this restricted matter.`);
}

/** What a row says, or all that is wrong with it. */
export function readDateRow(db: Db, asker: Asker, values: Values): DateImport | Fault[] {
	const words = readWords(db, asker, values);
	const faults = [
		...listMatterFaults(db, asker.me, words.matter, values.matter ?? ''),
		...listWhatFaults(words, values),
		...listOutsideFaults(db, words, values),
		...listStateFaults(words, values, asker.today)
	];
	const { matter, date, sort, state, on, assigneeId } = words;
	if (faults.length || !matter || !sort || !state || !date.day) return faults;
	const { title = '', time = '', authority = '', place = '', reason = '', long = '' } = values;
	return {
		...{ title, authority, place, reason, long, sort, state },
		matterId: matter.id,
		date: date.day,
		time: time === '' ? null : time,
		assigneeId: assigneeId ?? null,
		on: on.day
	};
}

export const isHearing = (row: DateImport): row is DateImport & { sort: Occasion } =>
	row.sort !== 'deadline';

export function judgeDates(db: Db, asker: Asker): Judge {
	const seen = new Set<string>();
	return (values) => {
		const row = readDateRow(db, asker, values);
		if (Array.isArray(row)) return isFault(row);
		if (isThere(db, row)) return isKnown('This date is there already.');
		const key = [row.matterId, row.date, row.title.toLowerCase()].join(' ');
		if (seen.has(key)) return isFault(faultOf('title', 'Another row has this date.'));
		seen.add(key);
		return isNew(fateOf(row, asker.today));
	};
}

function fateOf(row: DateImport, today: PlainDate): string {
	const what = row.sort === 'deadline' ? 'date' : row.sort;
	if (row.state !== 'open') return `new ${what}, ${row.state}`;
	if (row.date >= today) return `new ${what}, waits for its second check`;
	return isHearing(row)
		? `new ${what}; its day is past: say what came of it`
		: `new ${what}; its day is past: it stands as missed`;
}

const isThere = (db: Db, { matterId, title, date }: DateImport): boolean =>
	exists(
		db,
		`SELECT 1
		FROM deadline
		WHERE matter_id = @matterId AND date = @date AND lower(title) = lower(@title)`,
		{ matterId, title, date }
	);
