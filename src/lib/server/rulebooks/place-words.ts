/** A place in a book as people find it: “complaint filed”, “answer”, example 2, date. */

/** What one of a list is called, and which of its values names it. */
const ROWS: Readonly<Record<string, { one: string; name?: string }>> = {
	events: { one: 'event', name: 'event' },
	deadlines: { one: 'date', name: 'title' },
	questions: { one: 'question', name: 'ask' },
	options: { one: 'choice' },
	suggestions: { one: 'early warning', name: 'title' },
	examples: { one: 'example' },
	variants: { one: 'variant' },
	tags: { one: 'tag' },
	off: { one: 'row switched off' },
	replace: { one: 'row replaced', name: 'rule' },
	holidays: { one: 'holiday', name: 'name' },
	forwardHolidays: { one: 'holiday', name: 'name' },
	backwardHolidays: { one: 'holiday', name: 'name' }
};

const inside = (value: unknown, key: string | number): unknown =>
	typeof value === 'object' && value !== null
		? (value as Record<string, unknown>)[String(key)]
		: undefined;

/** The path to a fault in words, from the widest place to the narrowest. */
export function placeWords(path: readonly (string | number)[], data: unknown): string {
	const words: string[] = [];
	let here: unknown = data;
	path.forEach((part, index) => {
		here = inside(here, part);
		const row = ROWS[String(path[index - 1])];
		if (typeof part === 'number' && row) {
			const name = row.name ? inside(here, row.name) : undefined;
			words.push(typeof name === 'string' && name ? `“${name}”` : `${row.one} ${part + 1}`);
		} else if (typeof path[index + 1] !== 'number') words.push(String(part));
	});
	return words.join(', ');
}
