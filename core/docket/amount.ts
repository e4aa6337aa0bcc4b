/** How many of what: an amount as it is written, and what cannot be counted. */
import type { Direction } from '../dates/calendar.ts';
import { toDay, type DayNumber, type PlainDate } from '../dates/plain.ts';
import { formatAmount, type Unit } from './trace.ts';

export type Amount = { sign: Direction; n: number; unit: Unit };

/** A request that cannot be counted, in the user's words. */
export class CountError extends Error {
	/** The question whose answer is at fault, or "service". */
	readonly about: string | undefined;
	constructor(message: string, about?: string) {
		super(message);
		this.about = about;
	}
}

const AMOUNT = /^([+-])(\d{1,6})(cd|d|w|m|y|h)$/;
const MOST: Record<Unit, number> = {
	d: 40_000,
	cd: 20_000,
	w: 5_000,
	m: 1_200,
	y: 100,
	h: 876_000
};

/** Reads "+21d", "-16cd", "+72h". Throws CountError with what is wrong. */
export function parseAmount(text: unknown): Amount {
	const match = typeof text === 'string' ? AMOUNT.exec(text.trim()) : null;
	if (!match)
		throw new CountError(
			`"${String(text)}" is not a count: write a sign, a whole number and d, cd, w, m, y or h, like +21d`
		);
	const unit = match[3] as Unit;
	const n = Number(match[2]);
	if (n > MOST[unit])
		throw new CountError(
			`${formatAmount(n, unit)} is more than can be counted (at most ${MOST[unit]})`
		);
	return { sign: match[1] === '+' ? 1 : -1, n, unit };
}

const TYPED =
	/^([+−-]?)\s*(\d{1,6})\s*(cd|d|w|m|y|h|(?:court|business|working) days?|(?:calendar )?days?|weeks?|months?|years?|hours?)$/i;
const isUnit = (text: string): text is Unit => text in MOST;

/**
 * An amount as people type it, as it is written in a rule: "14 court days" is "+14cd", "-3 d" is
 * "-3d". What is none comes back as it is, for `parseAmount` to say so.
 */
export function normalizeAmount(typed: string): string {
	const match = TYPED.exec(typed.trim());
	if (!match) return typed.trim();
	const [, sign, n, words = ''] = match;
	const word = words.toLowerCase();
	const unit = isUnit(word) ? word : /^(court|business|working)/.test(word) ? 'cd' : word.charAt(0);
	// "calendar days" begin with another letter.
	return `${sign === '' || sign === '+' ? '+' : '-'}${n}${unit === 'c' ? 'd' : unit}`;
}

/** The same where a direction may stand behind: "20 court days before" is "-20cd". */
export function normalizeSpan(typed: string): string {
	const match = /^(.*?)\s+(before|after)$/i.exec(typed.trim());
	if (!match) return normalizeAmount(typed);
	const amount = normalizeAmount(match[1]!);
	return match[2]!.toLowerCase() === 'before' ? amount.replace(/^\+/, '-') : amount;
}

const FIRST = toDay('1900-01-01' as PlainDate);
const LAST = toDay('2199-12-31' as PlainDate);
/** A day of the years that can be counted. @throws CountError where it lies outside of them */
export function inRange(day: DayNumber): DayNumber {
	if (day < FIRST || day > LAST) throw new CountError('the count leaves the years 1900 to 2199');
	return day;
}
