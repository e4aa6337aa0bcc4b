/** What is wrong with a book as it is written: in plain words, with the path to its place. */
import type { z } from 'zod';

/** A fault of a book: in words, with the path to its place in the file. */
export type BookFault = { path: (string | number)[]; message: string };

const KIND: Readonly<Record<string, string>> = {
	string: 'must be text; put it in quotes',
	number: 'must be a number',
	int: 'must be a whole number',
	boolean: 'must be true or false',
	array: 'must be a list',
	object: 'must hold named values',
	record: 'must hold named values'
};
const NOT_A_COUNT =
	'must be a count like "+21d", or one with its parts: count, from, ext; earlier; later; day';
const quoted = (words: readonly unknown[]) => words.map((word) => `“${String(word)}”`).join(', ');
const things = (count: unknown, one: string) =>
	`${String(count)} ${Number(count) === 1 ? one : `${one}s`}`;

function sizeWords(
	which: 'least' | 'most',
	{ origin, limit }: { origin: string; limit: unknown }
): string {
	if (origin === 'string') return `must have at ${which} ${things(limit, 'letter')}`;
	if (origin === 'array') return `must name at ${which} ${String(limit)}`;
	return `must be at ${which} ${String(limit)}`;
}

/**
 * A fault in our words, for the validator to use where the schema itself says none. An empty answer
 * leaves the validator's own, which a test finds.
 */
export function faultWords(issue: z.core.$ZodRawIssue): string | undefined {
	switch (issue.code) {
		case 'invalid_type':
			return issue.input === undefined ? 'is missing' : KIND[issue.expected];
		case 'invalid_value':
			return issue.input === undefined
				? `is missing; it is one of ${quoted(issue.values)}`
				: `must be one of ${quoted(issue.values)}`;
		case 'too_small':
			return sizeWords('least', { origin: issue.origin, limit: issue.minimum });
		case 'too_big':
			return sizeWords('most', { origin: issue.origin, limit: issue.maximum });
		case 'unrecognized_keys':
			return `${quoted(issue.keys)} is not known here`;
		case 'invalid_union':
			return issue.input === undefined ? 'is missing' : NOT_A_COUNT;
		case 'invalid_key':
			return 'is not a name that can stand here';
		default:
			return undefined;
	}
}

/** How far one of several shapes is from what was written: the fewest faults are the nearest. */
const distance = (issues: readonly z.core.$ZodIssue[]): number =>
	issues.some((issue) => issue.code === 'invalid_type' && issue.path.length === 0)
		? Infinity
		: issues.length;

/**
 * The faults in one issue. Where several shapes were possible, those of the shape that was nearly
 * met: somebody who wrote a count wrongly is not told of all the other things that might stand
 * there.
 */
export function faultsOf(
	issue: z.core.$ZodIssue,
	above: readonly (string | number)[] = []
): BookFault[] {
	const path = [...above, ...(issue.path as (string | number)[])];
	if (issue.code !== 'invalid_union' || issue.errors.length === 0)
		return [{ path, message: issue.message }];
	const nearest = issue.errors.reduce((best, other) =>
		distance(other) < distance(best) ? other : best
	);
	if (distance(nearest) === Infinity) return [{ path, message: issue.message }];
	return nearest.flatMap((inner) => faultsOf(inner, path));
}
