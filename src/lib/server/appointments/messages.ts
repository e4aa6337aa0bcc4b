/** What colleagues are told of appointments. */
import { formatDate } from '#core/format/dates.ts';
import type { Message } from '#server/mail/queue.ts';
import { describeWhen, type Timed } from './words.ts';

/** What somebody was told of an appointment, and what they would be told now. */
export type Told = Timed & {
	subject: string;
	place: string;
	isOn: boolean;
	/** Days of a series that fall out. */
	out: string[];
};

const path = (id: string): string => `/calendar?appointment=${id}`;
const where = ({ place }: Told): string => (place ? `, ${place}` : '');

/** @param before nothing where they have not heard of it yet */
export function appointmentTold(
	id: string,
	by: string,
	before: Told | null,
	now: Told
): Message | null {
	const when = `${describeWhen(now)}${where(now)}`;
	if (before === null || !before.isOn)
		return now.isOn
			? {
					subject: `Appointment: ${now.subject}, ${describeWhen({ ...now, rule: '' })}`,
					text: `${by} put into your calendar: ${now.subject}.\n${when}.`,
					path: path(id)
				}
			: null;
	if (!now.isOn)
		return {
			subject: `Off: ${before.subject}, ${describeWhen({ ...before, rule: '' })}`,
			text: `${by} took out of your calendar: ${before.subject}.\n${describeWhen(before)}${where(before)}.`
		};
	const lines = listDifferences(before, now);
	if (lines.length === 0) return null;
	return {
		subject: `Changed: ${now.subject}, ${describeWhen({ ...now, rule: '' })}`,
		text: `${by} changed ${now.subject} in your calendar.\n${lines.join('\n')}\nIt is now: ${when}.`,
		path: path(id)
	};
}

/** To those outside who are at an appointment, with a calendar file. */
export function appointmentInvitation(
	one: Timed & { subject: string; place: string; link: string },
	{ isOn, from }: { isOn: boolean; from: string }
): Message {
	const when = describeWhen(one);
	const what = isOn
		? [one.subject, when, one.place, one.link].filter(Boolean).join('\n')
		: `This appointment does not take place:\n${one.subject}\n${when}`;
	return {
		subject: `${isOn ? '' : 'Cancelled: '}${one.subject}, ${describeWhen({ ...one, rule: '' })}`,
		text: `${what}\n\n${from}`
	};
}

function listDifferences(before: Told, now: Told): string[] {
	const out = now.out.filter((day) => !before.out.includes(day));
	const again = before.out.filter((day) => !now.out.includes(day));
	const days = (list: readonly string[]): string =>
		list.map((day) => formatDate(day as Timed['day'])).join(', ');
	return [
		before.subject !== now.subject && `It was called: ${before.subject}.`,
		describeWhen(before) !== describeWhen(now) && `It was: ${describeWhen(before)}.`,
		before.place !== now.place && `Its place was: ${before.place || 'not said'}.`,
		out.length > 0 && `Not on ${days(out)}.`,
		again.length > 0 && `Again on ${days(again)}.`
	].filter((line) => line !== false);
}
