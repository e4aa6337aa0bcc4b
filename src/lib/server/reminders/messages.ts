/** What reminders say: of one date, of one that nobody has seen, and the digest of a day. */
import type { PlainDate } from '#core/dates/plain.ts';
import { describeLeft, NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
import { formatDate, formatDaysFromNow, formatShortDate } from '#core/format/dates.ts';
import { capitalize, plural } from '#core/format/words.ts';
import type { Message } from '#server/mail/queue.ts';

export type RemindedDate = {
	id: string;
	title: string;
	date: PlainDate;
	time: string | null;
	number: string;
	matterTitle: string;
	checked: boolean;
	/** Whether it was left where it stood, and the day the rule gives instead. */
	isLeft: 0 | 1;
	ruleGives: PlainDate | null;
	/** Days until then. */
	left: number;
};

const path = ({ number, id }: RemindedDate) => `/matters/${number}/docket?deadline=${id}`;
const lines = (...parts: (string | false)[]) => parts.filter((part) => part !== false).join('\n');
function dateLines({ title, date, time, left, number, matterTitle }: RemindedDate): string {
	const at = time ? ` at ${time}` : '';
	return lines(
		title,
		`${formatDate(date)}${at}, ${formatDaysFromNow(left)}`,
		`${number} ${matterTitle}`
	);
}

/** @param last one of the last rungs: whoever does not say that they saw it is passed over */
export const dateReminder = (date: RemindedDate, last: boolean): Message => ({
	subject: `${date.number}: ${date.title} ${formatDaysFromNow(date.left)}`,
	text: lines(
		dateLines(date),
		date.isLeft === 1 && `${capitalize(describeLeft(date.ruleGives))}.`,
		!date.checked && 'Not checked by a second person yet.',
		last && 'Say on your Day sheet that you have seen this; otherwise it goes to your supervisor.'
	),
	path: path(date)
});

/** To the supervisor. */
export const nobodyHasSeen = (date: RemindedDate): Message => ({
	subject: `Nobody has seen: ${date.number}, ${date.title} ${formatDaysFromNow(date.left)}`,
	text: lines(
		dateLines(date),
		'',
		'Everyone on the matter was reminded; nobody has said that they saw it.'
	),
	path: path(date)
});

export type DigestDate = {
	title: string;
	date: PlainDate;
	number: string;
	matterTitle: string;
	checked: 0 | 1;
	isLeft: 0 | 1;
};
export type DigestTask = { subject: string; due: PlainDate; number: string };

function dateLine({ title, date, number, matterTitle, checked, isLeft }: DigestDate): string {
	const open = isLeft ? NO_LONGER_FOLLOWS : checked ? '' : 'not checked';
	const remark = open && ` (${open})`;
	return `  ${formatShortDate(date)}  ${title}, ${number} ${matterTitle}${remark}`;
}
const taskLine = ({ subject, due, number }: DigestTask) =>
	`  ${formatShortDate(due)}  ${subject}, ${number}`;

/** The morning digest of someone's day. */
export function dayDigest(
	today: PlainDate,
	dates: readonly DigestDate[],
	tasks: readonly DigestTask[],
	/** How many notes remind one today: what they say is nobody else's to read in the mail. */
	memos = 0
): Message {
	const sections = [
		['Missed', dates.filter(({ date }) => date < today).map(dateLine)],
		['Today', dates.filter(({ date }) => date === today).map(dateLine)],
		['The next seven days', dates.filter(({ date }) => date > today).map(dateLine)],
		['Tasks due', tasks.map(taskLine)],
		['Reminders of your own', memos ? [`  ${plural(memos, 'note')} on your Day sheet`] : []]
	] as const;
	const counts = [
		plural(dates.length, 'date'),
		tasks.length && plural(tasks.length, 'task'),
		memos && plural(memos, 'reminder')
	];
	return {
		subject: `Your day, ${formatDate(today)}: ${counts.filter(Boolean).join(', ')}`,
		text: sections
			.filter(([, entries]) => entries.length)
			.map(([name, entries]) => lines(name, ...entries))
			.join('\n\n'),
		path: '/'
	};
}
