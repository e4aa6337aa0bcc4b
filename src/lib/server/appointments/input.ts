/** What a form says of an appointment, and the appointment that it makes. */
import { z } from 'zod';
import { findFirst, type Recurrence } from '#core/calendar/recurrence.ts';
import { formatRule, parseRule } from '#core/calendar/rrule.ts';
import { readTypedTime } from '#core/dates/time-in-text.ts';
import { parseTime, toDay, type PlainDate } from '#core/dates/plain.ts';
import { isOnTeam, mayOnlyRead } from '#server/access/team.ts';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import {
	day,
	flag,
	id,
	maybeDay,
	maybeId,
	maybeLink,
	maybeText,
	text
} from '#server/app/fields.ts';
import { exists } from '#server/db/sql.ts';
import { requirePerson } from '#server/people/card.ts';
import { findColleague } from '#server/staff/queries.ts';
import type { Patch } from './scope.ts';
import { SCOPES } from './scope.ts';
import type { Guest } from './state.ts';

const MOST_PEOPLE = 100;
const MOST_GUESTS = 50;
const MOST_DAYS = 60;
const NOTES_LIMIT = 5000;
const DAY_MINUTES = 1440;

const ids = (what: string) => z.array(id(what)).max(MOST_PEOPLE, `At most ${MOST_PEOPLE}.`);

const guest = z.object({
	personId: maybeId,
	name: maybeText('The name', 200),
	email: maybeText('The address', 200)
});

/** A time of day as it is typed, or nothing. */
const typedTime = z
	.string()
	.max(20)
	.nullish()
	.transform((value, ctx): string | null => {
		if (!value?.trim()) return null;
		const time = readTypedTime(value);
		if (time !== undefined) return time;
		ctx.addIssue({ code: 'custom', message: `${value} is not a time: write 14:30.` });
		return z.NEVER;
	});

/** When it is: days, and the clock where it is not all day. */
export const whenFields = {
	day: day('The day'),
	/** The day it ends, where that is another. */
	lastDay: maybeDay('The last day'),
	from: typedTime,
	to: typedTime
};

export const appointmentFields = {
	...whenFields,
	subject: text('What it is about', 300),
	matterId: maybeId,
	sortId: maybeId,
	priority: z.enum(['high', 'normal', 'low']).nullish(),
	/** As RFC 5545 writes it; empty: it does not come again. */
	rule: maybeText('The recurrence', 300),
	place: maybeText('The place', 300),
	link: maybeLink('The link'),
	whereabouts: z
		.union([z.literal(''), z.enum(['office', 'court', 'home', 'travelling'])])
		.nullish()
		.transform((value) => value ?? ''),
	labels: maybeText('The labels', 200),
	notes: maybeText('The notes', NOTES_LIMIT),
	private: flag,
	staff: ids('a colleague').default([]),
	resources: ids('a resource').default([]),
	guests: z.array(guest).max(MOST_GUESTS, `At most ${MOST_GUESTS} people from outside.`).default([])
};
export type AppointmentInput = z.output<z.ZodObject<typeof appointmentFields>>;
export type WhenInput = z.output<z.ZodObject<typeof whenFields>>;

/** Which occurrence is meant, and how far it goes. */
export const occurrenceFields = {
	appointmentId: id('an appointment'),
	/** The day that its series has for it. */
	onDay: maybeDay('The day'),
	scope: z.enum(SCOPES).nullish()
};

type When = {
	day: PlainDate;
	from_minute: number | null;
	more_days: number;
	to_minute: number | null;
};

/** @throws Refused where it ends before it begins */
export function whenOf(input: WhenInput): When {
	const moreDays = input.lastDay ? toDay(input.lastDay) - toDay(input.day) : 0;
	if (moreDays < 0) throw new Refused('It would end before it begins.', 'lastDay');
	if (moreDays > MOST_DAYS) throw new Refused(`It lasts at most ${MOST_DAYS} days.`, 'lastDay');
	const hours = hoursOf(input, moreDays);
	return {
		day: input.day,
		from_minute: hours?.from ?? null,
		more_days: moreDays,
		to_minute: hours?.to ?? null
	};
}

/** Its hours; null where it is all day. */
function hoursOf(
	input: Pick<WhenInput, 'from' | 'to'>,
	moreDays: number
): { from: number; to: number } | null {
	const [from, end] = [parseTime(input.from), parseTime(input.to)];
	if (from === undefined && end === undefined) return null;
	if (from === undefined) throw new Refused('Say when it begins, too.', 'from');
	if (end === undefined) throw new Refused('Say when it ends, too.', 'to');
	// "22:00 to 0:00" ends with the day.
	const to = end === 0 && moreDays === 0 ? DAY_MINUTES : end;
	if (moreDays === 0 && to <= from) throw new Refused('It would end before it begins.', 'to');
	return { from, to };
}

/** A rule in its own writing, and the first day that it gives. @throws Refused */
export function recurrenceOf(text: string, start: PlainDate): { rule: string; day: PlainDate } {
	if (text === '') return { rule: '', day: start };
	const parsed = parseRule(text);
	if ('error' in parsed) throw new Refused(parsed.error, 'rule');
	const first = findFirst(parsed.rule, start);
	if (first === undefined) throw new Refused(barren(parsed.rule), 'rule');
	return { rule: formatRule(parsed.rule), day: first };
}
const barren = ({ until }: Recurrence): string =>
	until ? 'It would end before it comes at all.' : 'There is no such day in any year.';

/** The matter it is on; nothing goes on one that is closed or that one may only read. */
export function refuseMatter(
	ctx: Context,
	me: Staff,
	matterId: string | null,
	staff: readonly string[]
): void {
	if (matterId === null) return;
	const matter = requireMatter(ctx, matterId);
	if (matter.status === 'closed')
		throw new Refused('The matter is closed: reopen it first.', 'matterId');
	if (mayOnlyRead(ctx.db, matter.id, me.id))
		throw new Refused('You are on this matter to read it. Ask its lawyer.', 'matterId');
	const outside = matter.restricted && staff.find((one) => !isOnTeam(ctx.db, matter.id, one));
	if (outside)
		throw new Refused(
			`${findColleague(ctx, outside)?.name ?? 'A colleague'} is not on this restricted matter. Add them first.`,
			'staff'
		);
}

function guestsOf(ctx: Context, list: AppointmentInput['guests']): Guest[] {
	return list
		.filter(({ personId, name, email }) => personId || name || email)
		.map(({ personId, name, email }) => {
			const person = personId ? requirePerson(ctx, personId) : null;
			if (email !== '' && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(email))
				throw new Refused(`“${email}” is no mail address.`, 'guests');
			return { person_id: person?.id ?? null, name: person?.name ?? (name || email), email };
		});
}

/** @throws Refused beside the field at fault */
export function patchOf(ctx: Context, me: Staff, input: AppointmentInput): Patch {
	const when = whenOf(input);
	const staff = [...new Set(input.staff.length ? input.staff : [me.id])].sort();
	for (const staffId of staff)
		if (!findColleague(ctx, staffId))
			throw new Refused('Choose colleagues of the department.', 'staff');
	refuseMatter(ctx, me, input.matterId, staff);
	const isSort =
		!input.sortId ||
		exists(ctx.db, 'SELECT 1 FROM appointment_sort WHERE id = @id', { id: input.sortId });
	if (!isSort) throw new Refused('Choose a sort of the list.', 'sortId');
	return {
		...when,
		subject: input.subject,
		matter_id: input.matterId,
		sort_id: input.sortId,
		priority: input.priority ?? 'normal',
		rule: input.rule,
		place: input.place,
		link: input.link,
		whereabouts: input.whereabouts,
		labels: input.labels,
		notes: input.notes,
		private: input.private ? 1 : 0,
		staff,
		resources: [...new Set(input.resources)].sort(),
		guests: guestsOf(ctx, input.guests)
	};
}
