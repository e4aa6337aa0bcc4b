/**
 * When everyone needed, and the room, are free. Moments are milliseconds since 1970; what is all
 * day never keeps anybody from anything and is not given here.
 */
export type Span = { from: number; to: number };
/** A person or a thing that is needed, and when it is taken. */
export type Needed = { id: string; busy: readonly Span[] };

/** Spans in order, those that touch or overlap made one; empty ones gone. */
export function mergeSpans(spans: readonly Span[]): Span[] {
	const merged: Span[] = [];
	for (const { from, to } of [...spans].sort((one, other) => one.from - other.from)) {
		if (to <= from) continue;
		const last = merged.at(-1);
		if (last && from <= last.to) last.to = Math.max(last.to, to);
		else merged.push({ from, to });
	}
	return merged;
}

/** What of some spans is left without others. */
export function withoutSpans(spans: readonly Span[], taken: readonly Span[]): Span[] {
	const busy = mergeSpans(taken);
	return mergeSpans(spans).flatMap(({ from, to }) => {
		const left: Span[] = [];
		let at = from;
		for (const one of busy) {
			if (one.to <= at || one.from >= to) continue;
			if (one.from > at) left.push({ from: at, to: one.from });
			at = one.to;
		}
		if (at < to) left.push({ from: at, to });
		return left;
	});
}

export type Wanted = {
	needed: readonly Needed[];
	/** The hours of each day in which it may be. */
	hours: readonly Span[];
	/** How long, in milliseconds. */
	length: number;
	/** It begins on a multiple of so many milliseconds after its hours do. */
	step: number;
};

/**
 * The times at which all are free, in order.
 * @param most so many are enough
 */
export function listCommonHours({ needed, hours, length, step }: Wanted, most = 50): Span[] {
	const free = withoutSpans(
		hours,
		needed.flatMap(({ busy }) => busy)
	);
	const found: Span[] = [];
	for (const window of mergeSpans(hours))
		for (const { from, to } of free) {
			if (from < window.from || to > window.to) continue;
			const behind = Math.ceil((from - window.from) / step) * step;
			for (let at = window.from + behind; at + length <= to; at += step) {
				found.push({ from: at, to: at + length });
				if (found.length >= most) return found;
			}
		}
	return found;
}

/** Who of the needed is not free in a span: that they are, not with what. */
export const listBusy = (needed: readonly Needed[], { from, to }: Span): string[] =>
	needed
		.filter(({ busy }) => busy.some((one) => one.from < to && one.to > from))
		.map(({ id }) => id);

/** From when on something is free for so long; undefined where that is not before `until`. */
export function findNextFree(
	busy: readonly Span[],
	{ from, length, until }: { from: number; length: number; until: number }
): number | undefined {
	const free = withoutSpans([{ from, to: until }], busy);
	return free.find((one) => one.to - one.from >= length)?.from;
}
