/** The table of a scheduling order as its form sends it; faults stand beside row and field. */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { OCCASIONS, type Occasion } from '#core/docket/occasion.ts';
import { Refused } from '#server/app/errors.ts';
import {
	day,
	flag,
	id,
	maybeDay,
	maybeId,
	maybeText,
	maybeTime,
	text
} from '#server/app/fields.ts';

const rowFields = z.object({
	/** The date it stands for already, where an amended table is sent. */
	deadlineId: maybeText('The date', 60),
	/** A date, a hearing of some sort, an event of a book, or days counted from one. */
	what: z.enum(['deadline', ...OCCASIONS, 'event', 'count']).default('deadline'),
	/** "book|event": which event it is, or which the days are counted from. */
	eventKey: maybeText('The event', 200),
	title: maybeText('The title', 200),
	date: maybeDay('The date'),
	time: maybeTime,
	place: maybeText('The place', 200),
	act: z.enum(['file', 'serve']).default('file'),
	authority: maybeText('The paragraph', 100),
	count: maybeText('The count', 20),
	/** The order says nothing of it any more. */
	gone: flag
});
export type ScheduleRow = z.output<typeof rowFields>;

export const scheduleInput = z.object({
	matterId: id('a matter'),
	/** The table that is amended; nothing where it is a new one. */
	scheduleId: maybeId,
	title: text('The order', 200),
	dated: day('The date of the order'),
	documentId: maybeId,
	rows: z.array(rowFields).max(100, 'At most 100 rows at once.').default([]),
	/** Rows of rules that the order displaces: "book|event|rule". */
	off: z.array(z.string().max(300)).max(200).default([])
});
export type ScheduleInput = z.output<typeof scheduleInput>;

export type FixedRow = ScheduleRow & { date: PlainDate };
export type SortedRows = {
	/** Dates that are due, and hearings by hand; each with its place in the table. */
	fixed: { row: FixedRow; at: number }[];
	hearings: { row: FixedRow & { what: Occasion }; at: number }[];
	events: { row: FixedRow; at: number }[];
	counts: { row: ScheduleRow; at: number }[];
};

const isEmpty = (row: ScheduleRow): boolean =>
	!row.title && !row.date && !row.count && !row.eventKey && !row.deadlineId;

const isHearing = (row: FixedRow): row is FixedRow & { what: Occasion } =>
	OCCASIONS.some((sort) => sort === row.what);

/** The rows by what they are; empty ones are left out. @throws Refused beside what is missing */
export function sortRows(rows: readonly ScheduleRow[]): SortedRows {
	const sorted: SortedRows = { fixed: [], hearings: [], events: [], counts: [] };
	rows.forEach((row, at) => {
		if (isEmpty(row)) return;
		const field = (name: string) => `rows.${at}.${name}`;
		const isCounted = row.what === 'count';
		if ((isCounted || row.what === 'event') && !row.eventKey)
			throw new Refused('Choose the event.', field('eventKey'));
		if (row.what !== 'event' && row.title.length < 3)
			throw new Refused('Name the date.', field('title'));
		if (isCounted) {
			if (!row.count) throw new Refused('Give the days, like -14d or +10cd.', field('count'));
			sorted.counts.push({ row, at });
			return;
		}
		if (!row.date) throw new Refused('The date is missing.', field('date'));
		const fixed: FixedRow = { ...row, date: row.date };
		if (row.what === 'event') sorted.events.push({ row: fixed, at });
		else if (isHearing(fixed)) sorted.hearings.push({ row: fixed, at });
		else sorted.fixed.push({ row: fixed, at });
	});
	const count = Object.values(sorted).reduce((sum, list) => sum + list.length, 0);
	if (count === 0) throw new Refused('A table has at least one row.', 'rows');
	return sorted;
}
