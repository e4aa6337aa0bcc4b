/** The strip of days of a count, made from the same trace as its sentences. */
import type { CourtCalendar } from '../dates/calendar.ts';
import { civil, fromDay, toDay, weekday, type PlainDate } from '../dates/plain.ts';
import type { Step } from './trace.ts';

export type Cell = {
	date: PlainDate;
	/** 0 = Sunday */
	weekday: number;
	day: number;
	/** Why the court does not sit, or null. */
	closed: string | null;
	/** What the count says of this day: "0", "14", "+2", "" where it is skipped or outside. */
	label: string;
	role: 'zero' | 'counted' | 'skipped' | 'period-end' | 'service' | 'rolled' | 'result' | 'outside';
};
export type Fold = { fold: number; from: PlainDate; to: PlainDate };

/** Cells from day zero to the result and a few days on; the middle of a long span is folded into one entry. */
export function strip(
	trace: readonly Step[],
	result: PlainDate,
	cal: CourtCalendar,
	opts: { most?: number } = {}
): (Cell | Fold)[] {
	// The last count in the trace is the one that leads to the result (chains and choices come first).
	const at = lastRun(trace, result);
	const steps = at.steps;
	const zero = steps.find((s) => s.step === 'zero');
	if (!zero || zero.step !== 'zero') return [];
	const marks = new Map<number, { label: string; role: Cell['role'] }>();
	const z = toDay(zero.date);
	const end = toDay(result);
	const direction = end < z ? -1 : 1;
	marks.set(z, { label: '0', role: 'zero' });
	for (const s of steps) {
		if (s.step === 'counted') {
			const [from, to] = [toDay(s.from), toDay(s.to)];
			const skipsDays = s.unit === 'cd' || s.short !== undefined;
			let n = 0;
			for (let d = from + s.direction; (to - d) * s.direction >= 0; d += s.direction) {
				const skipped = skipsDays && cal.closed(d, s.direction) !== undefined;
				if (!skipped) n++;
				const counts = s.unit === 'd' || s.unit === 'cd' || s.unit === 'w';
				marks.set(
					d,
					skipped
						? { label: '', role: 'skipped' }
						: { label: counts ? (s.clear && d === to ? '' : String(n)) : '', role: 'counted' }
				);
			}
			marks.set(to, {
				label:
					s.unit === 'd' || s.unit === 'cd' || s.unit === 'w'
						? s.clear
							? ''
							: String(n)
						: `${s.n}${s.unit}`,
				role: 'period-end'
			});
			if (to === z) marks.set(z, { label: '0', role: 'zero' });
		} else if (s.step === 'service') {
			let n = 0;
			for (
				let d = toDay(s.from) + s.direction;
				(toDay(s.to) - d) * s.direction >= 0;
				d += s.direction
			) {
				const skipped = s.unit === 'cd' && cal.closed(d, s.direction) !== undefined;
				if (!skipped) n++;
				marks.set(
					d,
					skipped ? { label: '', role: 'skipped' } : { label: `+${n}`, role: 'service' }
				);
			}
		} else if (s.step === 'rolled') {
			for (
				let d = toDay(s.from) + s.direction;
				(toDay(s.to) - d) * s.direction >= 0;
				d += s.direction
			)
				if (!marks.has(d) || s.direction === direction)
					marks.set(d, { label: s.direction === 1 ? '›' : '‹', role: 'rolled' });
		}
	}
	const mark = marks.get(end);
	marks.set(end, { label: mark?.label || '', role: end === z ? 'zero' : 'result' });
	const days = [...marks.keys()].sort((a, b) => a - b);
	const [lo, hi] = [
		days[0]! - (direction === -1 ? 2 : 0),
		days.at(-1)! + (direction === 1 ? 3 : 0)
	];
	const cells: (Cell | Fold)[] = [];
	const cell = (d: number): Cell => {
		const m = marks.get(d);
		return {
			date: fromDay(d),
			weekday: weekday(d),
			day: civil(d).day,
			closed: cal.closed(d, direction)?.name ?? null,
			label: m?.label ?? '',
			role: m?.role ?? 'outside'
		};
	};
	const most = opts.most ?? 34;
	if (hi - lo + 1 <= most) for (let d = lo; d <= hi; d++) cells.push(cell(d));
	else {
		const head = direction === 1 ? 6 : most - 8;
		const tail = most - head - 2;
		for (let d = lo; d < lo + head; d++) cells.push(cell(d));
		cells.push({
			fold: hi - lo + 1 - head - tail,
			from: fromDay(lo + head),
			to: fromDay(hi - tail)
		});
		for (let d = hi - tail + 1; d <= hi; d++) cells.push(cell(d));
	}
	return cells;
}

function lastRun(trace: readonly Step[], result: PlainDate): { steps: Step[] } {
	const runs: Step[][] = [];
	for (const s of trace) {
		if (s.step === 'zero') runs.push([s]);
		else runs.at(-1)?.push(s);
	}
	const ends = (run: Step[]): boolean =>
		run.some(
			(s) =>
				('to' in s && s.to === result) ||
				('date' in s && s.step !== 'zero' && s.step !== 'chosen' && s.date === result)
		);
	// A day that was given, not counted, has no strip: that of the count it was chosen over would mislead.
	return { steps: runs.findLast(ends) ?? [] };
}
