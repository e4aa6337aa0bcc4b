/** Two people write versions of one book: the second is shown both changes, line by line. */
import { applyPatch, createPatch, diffLines } from 'diff';
import { plural } from '#core/format/words.ts';
import type { Difference } from '#server/app/errors.ts';

type Texts = { base: string; theirs: string; yours: string };

/** So long a comparison may take; what it would find later is not shown line by line. */
const COMPARE_MS = 200;
const SHOWN_LINES = 40;

/** The lines that were taken out and put in. */
function describeLines(before: string, after: string): string {
	const parts = diffLines(before, after, { timeout: COMPARE_MS });
	if (!parts) return 'more changes than can be shown here';
	const lines = parts
		.filter(({ added, removed }) => added || removed)
		.flatMap(({ added, value }) =>
			value
				.replace(/\n$/, '')
				.split('\n')
				.map((line) => `${added ? '+' : '−'} ${line}`)
		);
	const more = lines.length - SHOWN_LINES;
	const shown = lines.slice(0, SHOWN_LINES);
	return [...shown, ...(more > 0 ? [`and ${plural(more, 'more line')}`] : [])].join('\n');
}

/**
 * The difference between two versions that began from one. Where the two touched different lines,
 * yours is taken onto theirs: nothing of either is lost.
 */
export function compareBooks({ base, theirs, yours }: Texts): Difference {
	const patched = applyPatch(theirs, createPatch('book', base, yours));
	const words = describeLines(base, yours);
	return {
		field: 'yaml',
		name: 'The book',
		theirs: describeLines(base, theirs),
		yours: patched === false ? words : `${words}\nand theirs with it`,
		values: { theirs, yours: patched === false ? yours : patched }
	};
}
