/** The ids of events and rules: made from their words, so that books can name each other's. */

/**
 * The id of an event or rule: its text before any parenthesis, lower-cased, every run of other
 * characters one hyphen.
 */
export function slugOf(text: string): string {
	return text
		.replace(/\s*\(.*$/s, '')
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-|-$/g, '');
}
