/** Judges rows of time that was worked and written down elsewhere. */
import { parseHours } from '#core/format/hours.ts';
import { plainDate } from '#core/dates/plain.ts';
import { parseTypedDate } from '#core/dates/typed.ts';
import type { Db } from '#server/db/open.ts';
import { all, exists, scalar } from '#server/db/sql.ts';
import { findNumbered } from './find-matter.ts';
import { findMember, readYes } from './judge-matters.ts';
import type { Values } from './mapping.ts';
import { faultOf, isFault, isKnown, isNew, type Asker, type Fault, type Judge } from './verdict.ts';

const DAY_MINUTES = 24 * 60;

type Code = { code: string; name: string; matterWork: 0 | 1 };
export type TimeRow = {
	staffId: string;
	matterId: string | null;
	day: string;
	minutes: number;
	activity: string | null;
	narrative: string;
	isReleased: boolean;
};

const listCodes = (db: Db): Code[] =>
	all(db, 'SELECT code, name, matter_work AS matterWork FROM activity_code');

const findCode = (codes: readonly Code[], typed: string): Code | undefined =>
	codes.find(
		({ code, name }) =>
			code.toLowerCase() === typed.toLowerCase() || name.toLowerCase() === typed.toLowerCase()
	);

/** What the words of a row mean; a fault where they mean nothing. */
function readWords(db: Db, { me, today }: Asker, values: Values) {
	const { day = '', person = '', matter = '', hours = '', activity = '', released = '' } = values;
	return {
		read: parseTypedDate(day, today),
		time: parseHours(hours),
		staffId: findMember(db, person),
		matterId: matter ? findNumbered(db, me, matter)?.id : null,
		code: activity ? findCode(listCodes(db), activity) : undefined,
		isReleased: readYes(released)
	};
}
type Words = ReturnType<typeof readWords>;

const listWhenFaults = ({ read, time }: Words, { day, hours }: Values, today: string): Fault[] => [
	...faultOf('day', day && 'error' in read && read.error),
	...faultOf('day', 'date' in read && read.date > today && 'That day has not come yet.'),
	...faultOf('hours', hours && 'error' in time && time.error)
];

const listWhatFaults = (
	{ staffId, matterId, code, isReleased }: Words,
	{ person, matter, activity }: Values
): Fault[] => [
	...faultOf('person', person && !staffId && `There is no colleague “${person}”.`),
	...faultOf('matter', matterId === undefined && `There is no matter ${matter} that you see.`),
	...faultOf('activity', activity && !code && `There is no activity “${activity}”.`),
	...faultOf(
		'matter',
		matterId === null &&
			code?.matterWork !== 0 &&
			'Name a matter, or an activity of the department.'
	),
	...faultOf('released', isReleased === null && 'Released: write yes or no.')
];

/** What a row says, or all that is wrong with it. */
export function readTimeRow(db: Db, asker: Asker, values: Values): TimeRow | Fault[] {
	const words = readWords(db, asker, values);
	const { read, time, staffId, matterId = null, code } = words;
	const faults = [...listWhenFaults(words, values, asker.today), ...listWhatFaults(words, values)];
	if (faults.length || !('date' in read) || !('minutes' in time) || !staffId) return faults;
	return {
		staffId,
		matterId,
		day: read.date,
		minutes: time.minutes,
		activity: code?.code ?? null,
		narrative: values.narrative ?? '',
		isReleased: words.isReleased === true
	};
}

export function judgeTime(db: Db, asker: Asker): Judge {
	/** Minutes of each person's days, those of the rows before among them. */
	const days = new Map<string, number>();
	return (values) => {
		const row = readTimeRow(db, asker, values);
		if (Array.isArray(row)) return isFault(row);
		if (isThere(db, row)) return isKnown('This time is there already.');
		const key = `${row.staffId} ${row.day}`;
		const minutes = (days.get(key) ?? minutesOf(db, row)) + row.minutes;
		if (minutes > DAY_MINUTES)
			return isFault(faultOf('hours', 'With this the day would have more than 24 hours.'));
		days.set(key, minutes);
		return isNew(row.isReleased ? 'new entry, released' : 'new entry, a draft');
	};
}

const minutesOf = (db: Db, { staffId, day }: TimeRow): number =>
	scalar(
		db,
		'SELECT coalesce(sum(minutes), 0) FROM time_entry WHERE staff_id = @staffId AND day = @day',
		{ staffId, day: plainDate(day) }
	);

const isThere = (db: Db, { staffId, matterId, day, minutes, narrative }: TimeRow): boolean =>
	exists(
		db,
		`SELECT 1
		FROM time_entry
		WHERE staff_id = @staffId
			AND day = @day
			AND matter_id IS @matterId
			AND minutes = @minutes
			AND narrative = @narrative`,
		{ staffId, matterId, day, minutes, narrative }
	);
