/** The strip of days of a count, made from the same trace as its sentences. */
import type { CourtCalendar } from '../dates/calendar.ts';
import { dayToCivil, fromDay, toDay, weekday, type PlainDate } from '../dates/plain.ts';
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

/**
 * Cells from day zero to the result and a few days on; the middle of a long span is folded into one
 * entry.
 */
export function strip(
	trace: readonly Step[],
	result: PlainDate,
	cal: CourtCalendar,
	opts: { most?: number } = {}
): (Cell | Fold)[] {
	// The last count in the trace is the one that leads to the result (chains and choices come
	// first).
	const at = lastRun(trace, result);
	const steps = at.steps;
	const zero = steps.find((step) => step.step === 'zero');
	if (!zero || zero.step !== 'zero') return [];
	const marks = new Map<number, { label: string; role: Cell['role'] }>();
	const number = toDay(zero.date);
	const end = toDay(result);
	const direction = end < number ? -1 : 1;
	marks.set(number, { label: '0', role: 'zero' });
	for (const step of steps) {
		if (step.step === 'counted') {
			const [from, to] = [toDay(step.from), toDay(step.to)];
			const skipsDays = step.unit === 'cd' || step.short !== undefined;
			let n = 0;
			for (
				let day = from + step.direction;
				(to - day) * step.direction >= 0;
				day += step.direction
			) {
				const skipped = skipsDays && cal.closed(day, step.direction) !== undefined;
				if (!skipped) n++;
				const counts = step.unit === 'd' || step.unit === 'cd' || step.unit === 'w';
				marks.set(
					day,
					skipped
						? { label: '', role: 'skipped' }
						: { label: counts ? (step.clear && day === to ? '' : String(n)) : '', role: 'counted' }
				);
			}
			marks.set(to, {
				label:
					step.unit === 'd' || step.unit === 'cd' || step.unit === 'w'
						? step.clear
							? ''
							: String(n)
						: `${step.n}${step.unit}`,
				role: 'period-end'
			});
			if (to === number) marks.set(number, { label: '0', role: 'zero' });
		} else if (step.step === 'service') {
			let n = 0;
			for (
				let day = toDay(step.from) + step.direction;
				(toDay(step.to) - day) * step.direction >= 0;
				day += step.direction
			) {
				const skipped = step.unit === 'cd' && cal.closed(day, step.direction) !== undefined;
				if (!skipped) n++;
				marks.set(
					day,
					skipped ? { label: '', role: 'skipped' } : { label: `+${n}`, role: 'service' }
				);
			}
		} else if (step.step === 'rolled') {
			for (
				let day = toDay(step.from) + step.direction;
				(toDay(step.to) - day) * step.direction >= 0;
				day += step.direction
			)
				if (!marks.has(day) || step.direction === direction)
					marks.set(day, { label: step.direction === 1 ? '›' : '‹', role: 'rolled' });
		}
	}
	const mark = marks.get(end);
	marks.set(end, { label: mark?.label || '', role: end === number ? 'zero' : 'result' });
	const days = [...marks.keys()].sort((a, b) => a - b);
	const [lo, hi] = [
		days[0]! - (direction === -1 ? 2 : 0),
		days.at(-1)! + (direction === 1 ? 3 : 0)
	];
	const cells: (Cell | Fold)[] = [];
	const cell = (day: number): Cell => {
		const item = marks.get(day);
		return {
			date: fromDay(day),
			weekday: weekday(day),
			day: dayToCivil(day).day,
			closed: cal.closed(day, direction)?.name ?? null,
			label: item?.label ?? '',
			role: item?.role ?? 'outside'
		};
	};
	const most = opts.most ?? 34;
	if (hi - lo + 1 <= most) for (let day = lo; day <= hi; day++) cells.push(cell(day));
	else {
		const head = direction === 1 ? 6 : most - 8;
		const tail = most - head - 2;
		for (let day = lo; day < lo + head; day++) cells.push(cell(day));
		cells.push({
			fold: hi - lo + 1 - head - tail,
			from: fromDay(lo + head),
			to: fromDay(hi - tail)
		});
		for (let day = hi - tail + 1; day <= hi; day++) cells.push(cell(day));
	}
	return cells;
}

function lastRun(trace: readonly Step[], result: PlainDate): { steps: Step[] } {
	const runs: Step[][] = [];
	for (const step of trace) {
		if (step.step === 'zero') runs.push([step]);
		else runs.at(-1)?.push(step);
	}
	const ends = (run: Step[]): boolean =>
		run.some(
			(step) =>
				('to' in step && step.to === result) ||
				('date' in step && step.step !== 'zero' && step.step !== 'chosen' && step.date === result)
		);
	// A day that was given, not counted, has no strip: that of the count it was chosen over would
	// mislead.
	return { steps: runs.findLast(ends) ?? [] };
}
