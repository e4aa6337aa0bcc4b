/** Numbers by which a state knows a person: how they are written, and what is shown of them. */

export const IDENTITY_SORTS = [
	'social security',
	"driver's license",
	'passport',
	'tax',
	'other'
] as const;
export type IdentitySort = (typeof IDENTITY_SORTS)[number];

const LENGTHS = { least: 4, most: 40 };
/** So many characters at the end tell one number from another. */
const TAIL = 4;
/** A shorter number would be told by its end. */
const TAIL_FROM = 8;

/**
 * A number as it is kept: a social security number in its groups, others as they were written,
 * without doubled space.
 *
 * @returns the number, or what is wrong with it, in words
 * @see Social Security Administration: no number begins with 000, 666 or 9, has the group 00 or
 *   ends in 0000
 */
export function readIdentityNumber(
	sort: IdentitySort,
	typed: string
): { number: string } | { error: string } {
	const text = typed.trim().replace(/\s+/g, ' ');
	if (sort === 'social security') return readSocialSecurity(text);
	if (text.length < LENGTHS.least) return { error: 'The number is too short.' };
	if (text.length > LENGTHS.most) return { error: 'The number is longer than 40 characters.' };
	if (!/^[\p{L}\p{N}][\p{L}\p{N} ./-]*$/u.test(text))
		return { error: 'A number has letters, digits, spaces, dots, hyphens and slashes.' };
	return { number: text.toUpperCase() };
}

function readSocialSecurity(text: string): { number: string } | { error: string } {
	const digits = /^(\d{3})[- ]?(\d{2})[- ]?(\d{4})$/.exec(text);
	if (!digits) return { error: 'A social security number has nine digits, like 512-44-9087.' };
	const [, area = '', group = '', serial = ''] = digits;
	if (/^(000|666|9\d\d)$/.test(area) || group === '00' || serial === '0000')
		return { error: 'No social security number is like that: look at it again.' };
	return { number: `${area}-${group}-${serial}` };
}

/**
 * The end of a number, by which people tell it from another; nothing of a short one.
 *
 * @see Fed. R. Civ. P. 5.2(a)(1): the last four digits may stand in a filing
 */
export const tailOf = (number: string): string => {
	const plain = number.replace(/[^\p{L}\p{N}]/gu, '');
	return plain.length < TAIL_FROM ? '' : plain.slice(-TAIL);
};
