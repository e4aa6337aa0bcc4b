/** An appointment in words. */
import { describeRecurrence } from '#core/calendar/describe-recurrence.ts';
import { parseRule } from '#core/calendar/rrule.ts';
import { addDays } from '#core/dates/plain.ts';
import { formatDate, formatTime } from '#core/format/dates.ts';
import { capitalize } from '#core/format/words.ts';
import type { AppointmentRow } from './rows.ts';

export type Timed = Pick<
	AppointmentRow,
	'day' | 'from_minute' | 'more_days' | 'to_minute' | 'rule'
>;

/** When it is: "Tue 24 Nov 10:00 to 11:30, every week on Tuesday". */
export function describeWhen(one: Timed): string {
	const parsed = one.rule ? parseRule(one.rule) : null;
	const again = parsed && 'rule' in parsed ? `, ${describeRecurrence(parsed.rule, one.day)}` : '';
	return `${formatDate(one.day)}${describeHours(one)}${again}`;
}

/** How a series comes: "Every week on Tuesday, 09:00 to 09:45, from Tuesday 29 September 2026". */
export function describeSeries(one: Timed): string {
	const parsed = parseRule(one.rule);
	const again = 'rule' in parsed ? describeRecurrence(parsed.rule, one.day) : '';
	const hours = describeHours(one).replace(/^,? /, '');
	return `${capitalize(again)}, ${hours}, from ${formatDate(one.day)}`;
}

function describeHours({ day, from_minute, more_days, to_minute }: Timed): string {
	const last = more_days ? ` ${formatDate(addDays(day, more_days))}` : '';
	if (from_minute === null || to_minute === null) return last ? ` to${last}` : ', all day';
	return ` ${formatTime(from_minute)} to${last} ${formatTime(to_minute)}`;
}
