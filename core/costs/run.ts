/**
 * A cost run: released time priced, shared by the splits, to the cent; its totals and its journal
 * are derived from the lines.
 */
import type { PlainDate } from '../dates/plain.ts';
import { priceMinutes, shareCents, WHOLE_SHARE } from './money.ts';

export type SplitShare = { unit: string; costCenter: string | null; share: number };
/** A matter's split from a day on. */
export type Split = { matter: string; from: PlainDate; shares: SplitShare[] };
export type Item = {
	entry: string;
	matter: string;
	day: PlainDate;
	minutes: number;
	centsPerHour: number;
};
type LineShare = SplitShare & { cents: number };
export type Line = {
	entry: string;
	matter: string;
	minutes: number;
	cents: number;
	shares: LineShare[];
};
export type Held = { entry: string; matter: string; why: 'no-split' };

/** What is wrong with a split, in the user's words; undefined where it is sound. */
export function findSplitFault(shares: readonly SplitShare[]): string | undefined {
	if (shares.length === 0) return 'A split needs at least one business unit.';
	if (shares.some((share) => !Number.isSafeInteger(share.share) || share.share <= 0))
		return 'Each share must be more than 0 %.';
	if (
		new Set(shares.map((share) => `${share.unit}/${share.costCenter ?? ''}`)).size < shares.length
	)
		return 'A business unit is named twice with the same cost center.';
	const sum = shares.reduce((a, share) => a + share.share, 0);
	if (sum !== WHOLE_SHARE)
		return `The shares add up to ${Number((sum / 10_000).toFixed(4))} %, not 100 %.`;
	return undefined;
}

/** The split in force on a day: the last that has begun. */
export function splitOn(
	splits: readonly Split[],
	matter: string,
	day: PlainDate
): Split | undefined {
	let best: Split | undefined;
	for (const split of splits)
		if (split.matter === matter && split.from <= day && (!best || split.from > best.from))
			best = split;
	return best;
}

/**
 * Prices and shares every item; items whose matter has no split on their day are held back with the
 * reason.
 */
export function shareItems(
	items: readonly Item[],
	splits: readonly Split[]
): { lines: Line[]; held: Held[] } {
	const byMatter = new Map<string, Split[]>();
	for (const split of splits)
		byMatter.set(split.matter, [...(byMatter.get(split.matter) ?? []), split]);
	const lines: Line[] = [];
	const held: Held[] = [];
	for (const item of items) {
		const split = splitOn(byMatter.get(item.matter) ?? [], item.matter, item.day);
		if (!split) {
			held.push({ entry: item.entry, matter: item.matter, why: 'no-split' });
			continue;
		}
		const cents = priceMinutes(item.minutes, item.centsPerHour);
		const parts = shareCents(
			cents,
			split.shares.map((share) => share.share)
		);
		lines.push({
			entry: item.entry,
			matter: item.matter,
			minutes: item.minutes,
			cents,
			shares: split.shares.map((share, i) => ({ ...share, cents: parts[i]! }))
		});
	}
	return { lines, held };
}

/** Spreads an agreed total over lines in proportion to their cents, to the cent. */
export function agree(lines: readonly Line[], total: number): Line[] {
	const sums = shareCents(
		total,
		lines.map((line) => line.cents)
	);
	return lines.map((line, i) => {
		const parts = shareCents(
			sums[i]!,
			line.shares.map((share) => share.share)
		);
		return {
			...line,
			cents: sums[i]!,
			shares: line.shares.map((share, index) => ({ ...share, cents: parts[index]! }))
		};
	});
}

export type Totals = {
	total: number;
	minutes: number;
	byMatter: Map<string, { minutes: number; cents: number; units: Map<string, number> }>;
	byUnit: Map<string, number>;
};

/**
 * Sums by matter and business unit; and whether lines, matters, units and total agree to the cent.
 */
export function totals(lines: readonly Line[]): Totals & { agrees: boolean } {
	const byMatter: Totals['byMatter'] = new Map();
	const byUnit = new Map<string, number>();
	let total = 0,
		minutes = 0;
	let agrees = true;
	for (const line of lines) {
		total += line.cents;
		minutes += line.minutes;
		const item = byMatter.get(line.matter) ?? {
			minutes: 0,
			cents: 0,
			units: new Map<string, number>()
		};
		item.minutes += line.minutes;
		item.cents += line.cents;
		let parts = 0;
		for (const share of line.shares) {
			item.units.set(share.unit, (item.units.get(share.unit) ?? 0) + share.cents);
			byUnit.set(share.unit, (byUnit.get(share.unit) ?? 0) + share.cents);
			parts += share.cents;
		}
		agrees &&= parts === line.cents;
		byMatter.set(line.matter, item);
	}
	const sum = (values: Iterable<number>) => [...values].reduce((a, b) => a + b, 0);
	agrees &&=
		sum(byUnit.values()) === total &&
		sum([...byMatter.values()].map((item) => item.cents)) === total &&
		[...byMatter.values()].every((item) => sum(item.units.values()) === item.cents);
	return { total, minutes, byMatter, byUnit, agrees };
}

export type JournalLine = {
	account: 'legal-cost' | 'legal-recovery';
	unit: string;
	costCenter: string | null;
	matter: string;
	debit: number;
	credit: number;
};

/**
 * Debits by business unit, cost center and matter; one credit to the department for each matter.
 * Debits equal credits.
 */
export function journal(lines: readonly Line[], department: string): JournalLine[] {
	const debits = new Map<string, JournalLine>();
	const credits = new Map<string, JournalLine>();
	for (const line of lines) {
		for (const share of line.shares) {
			const key = `${line.matter}/${share.unit}/${share.costCenter ?? ''}`;
			const item = debits.get(key) ?? {
				account: 'legal-cost' as const,
				unit: share.unit,
				costCenter: share.costCenter,
				matter: line.matter,
				debit: 0,
				credit: 0
			};
			item.debit += share.cents;
			debits.set(key, item);
		}
		const other = credits.get(line.matter) ?? {
			account: 'legal-recovery' as const,
			unit: department,
			costCenter: null,
			matter: line.matter,
			debit: 0,
			credit: 0
		};
		other.credit += line.cents;
		credits.set(line.matter, other);
	}
	return [...debits.values(), ...credits.values()].filter(
		(debit) => debit.debit !== 0 || debit.credit !== 0
	);
}
