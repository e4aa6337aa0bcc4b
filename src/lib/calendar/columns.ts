/** What stands in each column of hours: a day, or one person's part of a day. */
import { placeBlocks, type Placed } from '#core/calendar/lanes.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { AwayItem, DueItem } from '#server/calendar-sheet/due.ts';
import type { CalendarItem } from '#server/calendar-sheet/items.ts';
import { isWeekend, partOn, touches } from './words.ts';

export type Person = { id: string; name: string };
type Closed = Record<string, { name: string; everywhere: boolean }>;
/** A slip, or a hearing whose time is set. */
export type Block = { from: number; to: number } & (
	{ item: CalendarItem; hearing: null } | { item: null; hearing: DueItem }
);
export type Column = {
	key: string;
	day: PlainDate;
	/** Whose it is, where each has their own. */
	person: Person | null;
	blocks: Placed<Block>[];
	/** Appointments of whole days. */
	whole: CalendarItem[];
	due: DueItem[];
	away: AwayItem[];
	/** Nobody works that day, and nothing stands on it. */
	isNarrow: boolean;
};
export type ColumnData = {
	days: readonly PlainDate[];
	/** A column each, where one day of several people is looked at. */
	people: readonly Person[];
	items: readonly CalendarItem[];
	due: readonly DueItem[];
	away: readonly AwayItem[];
	closed: Closed;
};

/** Of a hearing only its beginning is known. */
const HEARING_MINUTES = 60;
/** Fewer days have room for all of them. */
const FEW_DAYS = 3;

export function listColumns(data: ColumnData): Column[] {
	const [first] = data.days;
	if (first && data.people.length)
		return data.people.map((person) => makeColumn(data, first, person));
	return data.days.map((day) => makeColumn(data, day, null));
}

function makeColumn(data: ColumnData, day: PlainDate, person: Person | null): Column {
	const isOf = (staff: readonly string[]) => person === null || staff.includes(person.id);
	const items = data.items.filter((item) => touches(item, day) && isOf(item.staff));
	const due = data.due.filter((one) => one.day === day && isOf(one.staff));
	const hearings = due.flatMap((hearing): Block[] =>
		hearing.from === null
			? []
			: [{ from: hearing.from, to: hearing.from + HEARING_MINUTES, item: null, hearing }]
	);
	const slips = items.flatMap((item): Block[] => {
		const part = partOn(item, day);
		return part ? [{ ...part, item, hearing: null }] : [];
	});
	return {
		key: person?.id ?? day,
		...{ day, person },
		blocks: placeBlocks([...hearings, ...slips]),
		whole: items.filter(({ from }) => from === null),
		due: due.filter(({ from }) => from === null),
		away: data.away.filter(({ staffId, from, to }) => from <= day && to >= day && isOf([staffId])),
		isNarrow:
			person === null &&
			data.days.length > FEW_DAYS &&
			data.closed[day]?.everywhere === true &&
			isWeekend(day) &&
			items.length + due.length === 0
	};
}

/** The hours that are shown: as chosen, and as many more as something needs. */
export function hoursShown(
	columns: readonly Column[],
	chosen: { first: number; last: number }
): { first: number; last: number } {
	const blocks = columns.flatMap((column) => column.blocks.map(({ item }) => item));
	return {
		first: Math.min(chosen.first, ...blocks.map(({ from }) => Math.floor(from / 60))),
		last: Math.max(chosen.last, ...blocks.map(({ to }) => Math.min(24, Math.ceil(to / 60))))
	};
}
