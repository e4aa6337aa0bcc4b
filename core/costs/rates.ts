/** Which rate holds for an hour: the most particular one that has begun. */
import type { PlainDate } from '../dates/plain.ts';

export type Rate = {
	id: string;
	staff: string | null;
	level: string | null;
	matter: string | null;
	unit: string | null;
	from: PlainDate;
	centsPerHour: number;
};
export type RateQuery = {
	staff: string;
	level: string;
	matter: string | null;
	unit: string | null;
	day: PlainDate;
};

/** Order of precedence, first wins; the words are shown beside each entry. */
const ORDER: readonly { say: string; has: (r: Rate) => boolean }[] = [
	{
		say: 'agreed for this person on this matter',
		has: (r) => r.matter !== null && r.staff !== null
	},
	{
		say: 'agreed for this level on this matter',
		has: (r) => r.matter !== null && r.level !== null
	},
	{ say: 'agreed for this matter', has: (r) => r.matter !== null },
	{ say: 'for this person and business unit', has: (r) => r.unit !== null && r.staff !== null },
	{ say: 'for this business unit', has: (r) => r.unit !== null },
	{ say: "the person's own rate", has: (r) => r.staff !== null },
	{ say: 'the rate of the level', has: (r) => r.level !== null },
	{ say: "the department's rate", has: () => true }
];

/** The rate of an entry and where it came from; undefined where none holds. Among equals the one that began last. */
export function rateFor(
	rates: readonly Rate[],
	q: RateQuery
): { rate: Rate; say: string } | undefined {
	const fits = rates.filter(
		(r) =>
			r.from <= q.day &&
			(r.staff === null || r.staff === q.staff) &&
			(r.level === null || r.level === q.level) &&
			(r.matter === null || r.matter === q.matter) &&
			(r.unit === null || r.unit === q.unit)
	);
	for (const rank of ORDER) {
		const best = fits
			.filter(rank.has)
			.sort((a, b) => (a.from < b.from ? 1 : a.from > b.from ? -1 : a.id < b.id ? -1 : 1))[0];
		if (best) return { rate: best, say: rank.say };
	}
	return undefined;
}
