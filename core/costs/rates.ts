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
const ORDER: readonly { label: string; has: (rate: Rate) => boolean }[] = [
	{
		label: 'agreed for this person on this matter',
		has: (rate) => rate.matter !== null && rate.staff !== null
	},
	{
		label: 'agreed for this level on this matter',
		has: (rate) => rate.matter !== null && rate.level !== null
	},
	{ label: 'agreed for this matter', has: (rate) => rate.matter !== null },
	{
		label: 'for this person and business unit',
		has: (rate) => rate.unit !== null && rate.staff !== null
	},
	{ label: 'for this business unit', has: (rate) => rate.unit !== null },
	{ label: "the person's own rate", has: (rate) => rate.staff !== null },
	{ label: 'the rate of the level', has: (rate) => rate.level !== null },
	{ label: "the department's rate", has: () => true }
];

/**
 * The rate of an entry and where it came from; undefined where none holds. Among equals the one
 * that began last.
 */
export function rateFor(
	rates: readonly Rate[],
	query: RateQuery
): { rate: Rate; label: string } | undefined {
	const fits = rates.filter(
		(rate) =>
			rate.from <= query.day &&
			(rate.staff === null || rate.staff === query.staff) &&
			(rate.level === null || rate.level === query.level) &&
			(rate.matter === null || rate.matter === query.matter) &&
			(rate.unit === null || rate.unit === query.unit)
	);
	for (const rank of ORDER) {
		const best = fits
			.filter(rank.has)
			.sort((a, b) => (a.from < b.from ? 1 : a.from > b.from ? -1 : a.id < b.id ? -1 : 1))[0];
		if (best) return { rate: best, label: rank.label };
	}
	return undefined;
}
