/**
 * The trace of a count: what was done, step by step. The sentences and the strip of days are both
 * made from it.
 */
import type { PlainDate } from '../dates/plain.ts';
import { formatDate } from '../format/dates.ts';

export type Unit = 'd' | 'cd' | 'w' | 'm' | 'y' | 'h';
export type Named = { date: PlainDate; name: string };

export type Step =
	| {
			step: 'deemed';
			sent: PlainDate;
			time: string | null;
			date: PlainDate;
			say: string;
			authority: string;
	  }
	| { step: 'zero'; date: PlainDate; time: string | null; label?: string }
	| {
			step: 'counted';
			n: number;
			unit: Unit;
			direction: 1 | -1;
			from: PlainDate;
			to: PlainDate;
			toTime?: string;
			/**
			 * Days inside a count of days that only looks like it skips them: named holidays that change
			 * nothing.
			 */
			inside: Named[];
			/** Holidays and closures that were skipped; weekends as a number. */
			skipped: Named[];
			weekends: number;
			short?: string;
			clear?: true;
			dayWord: string;
			closed: string | null;
	  }
	| {
			step: 'service';
			say: string;
			n: number;
			unit: 'd' | 'cd';
			direction: 1 | -1;
			from: PlainDate;
			to: PlainDate;
			skipped: Named[];
			weekends: number;
			authority: string;
			when: 'after-roll' | 'before-roll';
			closed: string | null;
			dayWord: string;
	  }
	| { step: 'no-service'; text: string }
	| {
			step: 'rolled';
			from: PlainDate;
			to: PlainDate;
			over: Named[];
			direction: 1 | -1;
			authority: string;
			dayWord: string;
	  }
	| { step: 'stays'; date: PlainDate; name: string }
	| { step: 'weekday'; from: PlainDate; to: PlainDate; name: string; authority: string }
	| {
			step: 'chosen';
			which: 'earlier' | 'later';
			options: { label: string; date: PlainDate }[];
			date: PlainDate;
	  }
	| { step: 'taken'; date: PlainDate; label: string }
	| { step: 'note'; text: string }
	| { step: 'cautious'; text: string }
	| { step: 'missing'; text: string };

const UNIT: Record<Unit, [string, string]> = {
	d: ['day', 'days'],
	cd: ['court day', 'court days'],
	w: ['week', 'weeks'],
	m: ['month', 'months'],
	y: ['year', 'years'],
	h: ['hour', 'hours']
};

/** "21 days", "1 court day". */
export function formatAmount(n: number, unit: Unit, dayWord = 'court day'): string {
	const [one, many] = unit === 'cd' ? [dayWord, `${dayWord}s`] : UNIT[unit];
	return `${n} ${n === 1 ? one : many}`;
}

/** 1st, 2nd, 3rd, 21st, 113th. */
function formatOrdinal(n: number): string {
	const tail = n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
	return `${n}${tail}`;
}

const list = (items: string[]) =>
	items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`;

function saySkipped(item: { skipped: Named[]; weekends: number }): string {
	const parts = [
		...item.skipped.map((named) => `${named.name} (${formatDate(named.date, { year: false })})`)
	];
	if (item.weekends > 0)
		parts.push(item.weekends === 1 ? 'one weekend day' : `${item.weekends} weekend days`);
	return list(parts);
}

const landing = (closed: string | null, dayWord: string) =>
	closed === null
		? `a ${dayWord}`
		: /day$/.test(closed) && /^(Satur|Sun)/.test(closed)
			? `not a ${dayWord}`
			: `${closed}, not a ${dayWord}`;

/** One step as a sentence. */
export function explainStep(step: Step): string {
	switch (step.step) {
		case 'deemed':
			return `Sent on ${formatDate(step.sent)}${step.time ? ` at ${step.time}` : ''} ${step.say}; deemed served on ${formatDate(step.date)} (${step.authority}).`;
		case 'zero':
			return `Day zero is ${step.label ? `${step.label}, ` : ''}${formatDate(step.date)}${step.time ? ` at ${step.time}` : ''}; it is not counted.`;
		case 'counted': {
			const way = step.direction === 1 ? '' : ' before';
			const amount = formatAmount(step.n, step.unit, step.dayWord);
			const at = `${formatDate(step.to)}${step.toTime ? ` at ${step.toTime}` : ''}, ${landing(step.closed, step.dayWord)}`;
			let text: string;
			if (step.unit === 'h')
				text = `${amount}${step.direction === 1 ? ' later' : ' before'} is ${at}; every hour is counted.`;
			else if (step.n === 0) text = `No day is counted: it is ${at}.`;
			else if (step.clear)
				text = `At least ${step.n} clear ${step.n === 1 ? 'day' : 'days'} before: neither day zero nor the last day to act counts, so it is ${at}.`;
			else if (step.unit === 'd') text = `The ${formatOrdinal(step.n)} day${way} is ${at}.`;
			else if (step.unit === 'cd')
				text = `The ${formatOrdinal(step.n)} ${step.dayWord}${way} is ${at}.`;
			else text = `${amount}${step.direction === 1 ? ' later' : ' before'} is ${at}.`;
			if (step.short) text += ` A period this short skips weekends and holidays (${step.short}).`;
			const skipped = saySkipped(step);
			if (skipped) text += ` Not counted: ${skipped}.`;
			if (step.inside.length > 0)
				text += ` ${list(step.inside.map((named) => named.name))} ${step.inside.length === 1 ? 'falls' : 'fall'} inside the count and ${step.inside.length === 1 ? 'changes' : 'change'} nothing.`;
			return text;
		}
		case 'service': {
			const skipped = saySkipped(step);
			return `Service ${step.say} adds ${formatAmount(step.n, step.unit, step.dayWord)}${step.when === 'after-roll' ? ' after that' : step.direction === 1 ? ' to the period' : ' to the notice'} (${step.authority}), which gives ${formatDate(step.to)}, ${landing(step.closed, step.dayWord)}.${skipped ? ` Not counted: ${skipped}.` : ''}`;
		}
		case 'no-service':
			return step.text;
		case 'rolled': {
			const last = step.over.at(0);
			const why = last
				? `${formatDate(step.from)} is ${/^(Satur|Sun)day$/.test(last.name) ? `a ${last.name}` : last.name}`
				: formatDate(step.from);
			const others = step.over.slice(1).filter((named) => !/^(Satur|Sun)day$/.test(named.name));
			return `${why}, so the date moves ${step.direction === 1 ? 'on' : 'back'} to ${formatDate(step.to)}, the ${step.direction === 1 ? 'next' : 'last'} ${step.dayWord}${step.direction === 1 ? '' : ' before'}${others.length ? ` (past ${list(others.map((other) => other.name))})` : ''} (${step.authority}).`;
		}
		case 'stays':
			return `${formatDate(step.date)} is ${/^(Satur|Sun)day$/.test(step.name) ? `a ${step.name}` : step.name}; this date is not moved.`;
		case 'weekday':
			return `The ${step.name} next after ${formatDate(step.from)} is ${formatDate(step.to)} (${step.authority}).`;
		case 'chosen':
			return `The ${step.options.length > 2 ? (step.which === 'later' ? 'latest' : 'earliest') : step.which} of ${list(step.options.map((option) => `${formatDate(option.date)} (${option.label})`))} is ${formatDate(step.date)}.`;
		case 'taken':
			return `${step.label} is ${formatDate(step.date)}.`;
		case 'cautious':
			return `Cautious reading: ${step.text}`;
		case 'note':
		case 'missing':
			return step.text;
	}
}

/** The whole count in sentences. */
export const explainTrace = (trace: readonly Step[]): string[] => trace.map(explainStep);
