/** A cost run: released time priced, shared by the splits, to the cent; its totals and its journal are derived from the lines. */
import type { PlainDate } from '../dates/plain.ts';
import { priceOf, share, WHOLE } from '../money/cents.ts';

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
export type LineShare = SplitShare & { cents: number };
export type Line = {
	entry: string;
	matter: string;
	minutes: number;
	cents: number;
	shares: LineShare[];
};
export type Held = { entry: string; matter: string; why: 'no-split' };

/** What is wrong with a split, in the user's words; undefined where it is sound. */
export function splitFault(shares: readonly SplitShare[]): string | undefined {
	if (shares.length === 0) return 'A split needs at least one business unit.';
	if (shares.some((s) => !Number.isSafeInteger(s.share) || s.share <= 0))
		return 'Each share must be more than 0 %.';
	if (new Set(shares.map((s) => `${s.unit}/${s.costCenter ?? ''}`)).size < shares.length)
		return 'A business unit is named twice with the same cost center.';
	const sum = shares.reduce((a, s) => a + s.share, 0);
	if (sum !== WHOLE)
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
	for (const s of splits)
		if (s.matter === matter && s.from <= day && (!best || s.from > best.from)) best = s;
	return best;
}

/** Prices and shares every item; items whose matter has no split on their day are held back with the reason. */
export function shareItems(
	items: readonly Item[],
	splits: readonly Split[]
): { lines: Line[]; held: Held[] } {
	const byMatter = new Map<string, Split[]>();
	for (const s of splits) byMatter.set(s.matter, [...(byMatter.get(s.matter) ?? []), s]);
	const lines: Line[] = [];
	const held: Held[] = [];
	for (const item of items) {
		const split = splitOn(byMatter.get(item.matter) ?? [], item.matter, item.day);
		if (!split) {
			held.push({ entry: item.entry, matter: item.matter, why: 'no-split' });
			continue;
		}
		const cents = priceOf(item.minutes, item.centsPerHour);
		const parts = share(
			cents,
			split.shares.map((s) => s.share)
		);
		lines.push({
			entry: item.entry,
			matter: item.matter,
			minutes: item.minutes,
			cents,
			shares: split.shares.map((s, i) => ({ ...s, cents: parts[i]! }))
		});
	}
	return { lines, held };
}

/** Spreads an agreed total over lines in proportion to their cents, to the cent. */
export function agree(lines: readonly Line[], total: number): Line[] {
	const sums = share(
		total,
		lines.map((l) => l.cents)
	);
	return lines.map((l, i) => {
		const parts = share(
			sums[i]!,
			l.shares.map((s) => s.share)
		);
		return { ...l, cents: sums[i]!, shares: l.shares.map((s, k) => ({ ...s, cents: parts[k]! })) };
	});
}

export type Totals = {
	total: number;
	minutes: number;
	byMatter: Map<string, { minutes: number; cents: number; units: Map<string, number> }>;
	byUnit: Map<string, number>;
};

/** Sums by matter and business unit; and whether lines, matters, units and total agree to the cent. */
export function totals(lines: readonly Line[]): Totals & { agrees: boolean } {
	const byMatter: Totals['byMatter'] = new Map();
	const byUnit = new Map<string, number>();
	let total = 0,
		minutes = 0;
	let agrees = true;
	for (const l of lines) {
		total += l.cents;
		minutes += l.minutes;
		const m = byMatter.get(l.matter) ?? { minutes: 0, cents: 0, units: new Map<string, number>() };
		m.minutes += l.minutes;
		m.cents += l.cents;
		let parts = 0;
		for (const s of l.shares) {
			m.units.set(s.unit, (m.units.get(s.unit) ?? 0) + s.cents);
			byUnit.set(s.unit, (byUnit.get(s.unit) ?? 0) + s.cents);
			parts += s.cents;
		}
		agrees &&= parts === l.cents;
		byMatter.set(l.matter, m);
	}
	const sum = (values: Iterable<number>) => [...values].reduce((a, b) => a + b, 0);
	agrees &&=
		sum(byUnit.values()) === total &&
		sum([...byMatter.values()].map((m) => m.cents)) === total &&
		[...byMatter.values()].every((m) => sum(m.units.values()) === m.cents);
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

/** Debits by business unit, cost center and matter; one credit to the department for each matter. Debits equal credits. */
export function journal(lines: readonly Line[], department: string): JournalLine[] {
	const debits = new Map<string, JournalLine>();
	const credits = new Map<string, JournalLine>();
	for (const l of lines) {
		for (const s of l.shares) {
			const key = `${l.matter}/${s.unit}/${s.costCenter ?? ''}`;
			const j = debits.get(key) ?? {
				account: 'legal-cost' as const,
				unit: s.unit,
				costCenter: s.costCenter,
				matter: l.matter,
				debit: 0,
				credit: 0
			};
			j.debit += s.cents;
			debits.set(key, j);
		}
		const c = credits.get(l.matter) ?? {
			account: 'legal-recovery' as const,
			unit: department,
			costCenter: null,
			matter: l.matter,
			debit: 0,
			credit: 0
		};
		c.credit += l.cents;
		credits.set(l.matter, c);
	}
	return [...debits.values(), ...credits.values()].filter((j) => j.debit !== 0 || j.credit !== 0);
}
