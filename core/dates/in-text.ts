/** Dates as they stand in papers: "November 20, 2026", "20 Nov 2026", "11/20/2026". */
import { daysInMonth, MONTHS, parseDate, type PlainDate } from './plain.ts';

/** Which comes first where a date is written in figures. */
export type DateOrder = 'month' | 'day';

export type DateInText = {
	date: PlainDate;
	/** As it is written, and where it begins. */
	written: string;
	at: number;
};

const MONTH = MONTHS.map((name) => `${name.slice(0, 3)}[a-z]*`).join('|');
/** Either spelling in words, in figures, or year first; each with its own groups. */
const WRITTEN = new RegExp(
	[
		`\\b(?<word1>${MONTH})\\.? {0,2}(?<day1>\\d{1,2})(?:st|nd|rd|th)?,? {1,2}(?<year1>\\d{4})\\b`,
		`\\b(?<day2>\\d{1,2})(?:st|nd|rd|th)?(?: day of)? {1,2}(?<word2>${MONTH})\\.?,? {1,2}` +
			`(?<year2>\\d{4})\\b`,
		`\\b(?<one>\\d{1,2})/(?<other>\\d{1,2})/(?<year3>\\d{4}|\\d{2})\\b`,
		`\\b(?<year4>\\d{4})-(?<month4>\\d{2})-(?<day4>\\d{2})\\b`
	].join('|'),
	'gi'
);

type Groups = Partial<Record<string, string>>;

const monthOf = (word: string): number =>
	MONTHS.findIndex((name) => name.toLowerCase().startsWith(word.toLowerCase().slice(0, 3))) + 1;

/** A year of two figures is the nearest such year to ours. */
const yearOf = (written: string): number =>
	written.length === 2 ? 2000 + Number(written) : Number(written);

function partsOf(found: Groups, order: DateOrder): [year: number, month: number, day: number] {
	if (found.word1) return [yearOf(found.year1!), monthOf(found.word1), Number(found.day1)];
	if (found.word2) return [yearOf(found.year2!), monthOf(found.word2), Number(found.day2)];
	if (found.year4) return [yearOf(found.year4), Number(found.month4), Number(found.day4)];
	const [one, other] = [Number(found.one), Number(found.other)];
	return order === 'month'
		? [yearOf(found.year3!), one, other]
		: [yearOf(found.year3!), other, one];
}

/** The dates of a text in their order; what does not exist is left out. */
export function findDates(text: string, order: DateOrder = 'month'): DateInText[] {
	const dates: DateInText[] = [];
	for (const match of text.matchAll(WRITTEN)) {
		const [year, month, day] = partsOf(match.groups ?? {}, order);
		if (month < 1 || month > 12 || day < 1 || day > daysInMonth(year, month)) continue;
		const pad = (number: number) => String(number).padStart(2, '0');
		const date = parseDate(`${year}-${pad(month)}-${pad(day)}`);
		if (date) dates.push({ date, written: match[0], at: match.index });
	}
	return dates;
}

/**
 * The first date in figures of which nobody can tell, without knowing the writer, whether the month
 * or the day comes first: "12/10/2026", and not "12/12/2026" or "12/31/2026".
 */
export function findUnclearDate(text: string): string | undefined {
	for (const { date, written } of findDates(text, 'month'))
		if (findDates(written, 'day')[0] && findDates(written, 'day')[0]!.date !== date) return written;
	return undefined;
}
