/**
 * A timeline or a calendar of the department's own, from a plain form: an anchor and the days
 * before and after it.
 */
import { stringify } from 'yaml';
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { normalizeSpan } from '#core/docket/amount.ts';
import { slugOf } from '#core/rulebooks/slug.ts';
import { Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';

export const timelineInput = z.object({
	name: text('The name', 80),
	sort: z.enum(['transaction', 'compliance']),
	counts: id('whose days it counts'),
	anchor: text('The anchor', 120),
	rows: z
		.array(
			z.object({
				title: z.string().trim().max(200).default(''),
				count: z.string().trim().max(40).default('').transform(normalizeSpan),
				owner: z.string().trim().max(60).default(''),
				authority: z.string().trim().max(200).default('')
			})
		)
		.max(100)
});
type TimelineInput = z.output<typeof timelineInput>;
type Row = TimelineInput['rows'][number];

/** The rows that say something. @throws Refused beside the row at fault (`rows.2`) */
function requireRows({ rows }: TimelineInput): Row[] {
	const filled = rows.filter(({ title, count }) => title || count);
	if (filled.length === 0)
		throw new Refused('Give at least one date before or after the anchor.', 'rows');
	rows.forEach((row, index) => {
		if (!filled.includes(row)) return;
		if (row.title.length < 3) throw new Refused('Name this date.', `rows.${index}`);
		if (!/^[+-]\d{1,6}(cd|d|w|m|y)$/.test(row.count))
			throw new Refused(
				'Write the days like -14d, +3cd, 2 weeks before or 1 month after.',
				`rows.${index}`
			);
	});
	return filled;
}

/** An id for a new book that none of these has. */
function freeId(name: string, taken: ReadonlySet<string>): string {
	const base = `own.${slugOf(name) || 'timeline'}`.slice(0, 50);
	if (!taken.has(base)) return base;
	for (let number = 2; ; number++) if (!taken.has(`${base}-${number}`)) return `${base}-${number}`;
}

/** The book that a timeline is, as YAML. @throws Refused */
export function makeTimeline(
	input: TimelineInput,
	taken: ReadonlySet<string>,
	today: PlainDate
): { book: string; yaml: string } {
	const { name, sort, counts, anchor } = input;
	const rows = requireRows(input);
	const book = freeId(name, taken);
	const yaml = stringify(
		{
			book,
			title: name,
			short: name.length > 24 ? `${name.slice(0, 23)}…` : name,
			version: today.slice(0, 7),
			sort,
			reviewed: today,
			counts,
			events: [
				{
					event: anchor,
					ahead: 'date',
					deadlines: rows.map(({ title, count, owner, authority }) => ({
						title,
						authority: authority || `set by the department (${name})`,
						act: 'serve',
						count,
						...(owner ? { owner } : {})
					}))
				}
			]
		},
		{ lineWidth: 0 }
	);
	return { book, yaml };
}
