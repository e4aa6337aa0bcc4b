/** Small words that many texts share. */

/** Rows are counted as far as this: beyond it nobody needs the exact number on a page. */
export const COUNTED_TO = 1000;

/** How many there are as people read it: "over 1,000" where they were not counted further. */
export const formatTotal = (total: number): string =>
	total > COUNTED_TO ? 'over 1,000' : String(total);

/** "1 date", "3 dates"; `many` where the plural is not made with an s. */
export const plural = (count: number, one: string, many = `${one}s`): string =>
	`${count} ${count === 1 ? one : many}`;

/** "one date", "3 dates": the plural as it stands within a sentence. */
export const pluralInWords = (count: number, one: string, many = `${one}s`): string =>
	count === 1 ? `one ${one}` : `${count} ${many}`;

/** With a capital at its beginning; the rest stays. */
export const capitalize = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** With a small letter at its beginning; the rest stays. */
export const uncapitalize = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** At most so long, with an ellipsis where it was cut. Runs of white space become one space. */
export function shorten(text: string, limit: number): string {
	const flat = text.replace(/\s+/g, ' ');
	return flat.length > limit ? `${flat.slice(0, limit - 1)}…` : flat;
}

/**
 * A cell of a table that a spreadsheet would take for a formula is made harmless by an apostrophe.
 */
export const harmlessCell = (text: string): string =>
	/^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
