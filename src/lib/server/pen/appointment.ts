/** An appointment on the pen line: what is understood of it before it is made. */
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate, formatTime } from '#core/format/dates.ts';
import { parseAppointmentLine } from '#core/pen/appointment-line.ts';
import { findDateOrder } from '#server/app/department.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { Refused, type Result } from '#server/app/errors.ts';
import { addAppointment } from '#server/appointments/commands.ts';
import { listResources } from '#server/appointments/resources.ts';
import type { NumberedMatter } from '#server/search/queries.ts';
import { listColleagues } from '#server/staff/queries.ts';

type NamedOne = { id: string; name: string };
export type PenAppointment = {
	subject: string;
	day: PlainDate | null;
	/** "10:00 to 11:30", "all day". */
	hours: string;
	from: string;
	to: string;
	/** Who is on it; oneself among them. */
	colleagues: NamedOne[];
	resource: NamedOne | null;
	place: string;
	fault: string | null;
};

const DAY_MINUTES = 1440;
const clock = (minutes: number | null): string =>
	minutes === null ? '' : formatTime(minutes % DAY_MINUTES);

/** @param corrected the day that one put in its place */
export function penAppointment(
	ctx: Context,
	me: Staff,
	words: string,
	corrected: PlainDate | null
): PenAppointment {
	const colleagues = listColleagues(ctx);
	const resources = listResources(ctx).filter(({ active }) => active);
	const read = parseAppointmentLine(words.split(' ').filter(Boolean), {
		colleagues: colleagues.map(({ id, name }) => ({ id, words: name })),
		resources: resources.map(({ id, name }) => ({ id, words: name })),
		today: ctx.clock.today(),
		order: findDateOrder(ctx)
	});
	const on = new Set([me.id, ...read.colleagues]);
	const resource = resources.find(({ id }) => id === read.resource);
	const day = corrected ?? read.day;
	const { from, to, subject, place, fault } = read;
	const isMended = corrected !== null && read.day === null && subject !== '';
	return {
		...{ subject, place, day },
		hours: from === null ? 'all day' : `${clock(from)} to ${clock(to)}`,
		from: clock(from),
		to: clock(to),
		colleagues: colleagues
			.filter(({ id }) => on.has(id))
			.map(({ id, name }) => ({ id, name }))
			.sort((one, other) => Number(other.id === me.id) - Number(one.id === me.id)),
		resource: resource ? { id: resource.id, name: resource.name } : null,
		fault: isMended ? null : fault
	};
}

export function commitAppointment(
	ctx: Context,
	matter: NumberedMatter | null,
	entry: PenAppointment | null
): Result<{ message: string; go: string; undo: { changeId: string } }> {
	if (!entry?.day) throw new Refused('Say on which day.');
	const result = addAppointment(ctx, {
		subject: entry.subject,
		day: entry.day,
		...{ from: entry.from, to: entry.to, place: entry.place },
		matterId: matter?.id ?? null,
		staff: entry.colleagues.map(({ id }) => id),
		resources: entry.resource ? [entry.resource.id] : []
	});
	if (!result.ok) return result;
	const { changeId, warnings, appointmentId } = result.value;
	const message = [`${entry.subject}: ${formatDate(entry.day)}, ${entry.hours}.`, ...warnings].join(
		' '
	);
	const go = `/calendar?day=${entry.day}&appointment=${appointmentId}`;
	return { ok: true, value: { message, go, undo: { changeId } } };
}
