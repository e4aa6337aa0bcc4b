/** The trace of a count: what was done, step by step. The sentences and the strip of days are both made from it. */
import type { PlainDate } from '../dates/plain.ts';
import { sayDate } from '../dates/plain.ts';

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
			/** Days inside a count of days that only looks like it skips them: named holidays that change nothing. */
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
export function sayAmount(n: number, unit: Unit, dayWord = 'court day'): string {
	const [one, many] = unit === 'cd' ? [dayWord, `${dayWord}s`] : UNIT[unit];
	return `${n} ${n === 1 ? one : many}`;
}

/** 1st, 2nd, 3rd, 21st, 113th. */
export function ordinal(n: number): string {
	const tail = n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
	return `${n}${tail}`;
}

const list = (items: string[]) =>
	items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`;

function saySkipped(s: { skipped: Named[]; weekends: number }): string {
	const parts = [...s.skipped.map((d) => `${d.name} (${sayDate(d.date, { year: false })})`)];
	if (s.weekends > 0)
		parts.push(s.weekends === 1 ? 'one weekend day' : `${s.weekends} weekend days`);
	return list(parts);
}

const landing = (closed: string | null, dayWord: string) =>
	closed === null
		? `a ${dayWord}`
		: /day$/.test(closed) && /^(Satur|Sun)/.test(closed)
			? `not a ${dayWord}`
			: `${closed}, not a ${dayWord}`;

/** One step as a sentence. */
export function sentence(s: Step): string {
	switch (s.step) {
		case 'deemed':
			return `Sent on ${sayDate(s.sent)}${s.time ? ` at ${s.time}` : ''} ${s.say}; deemed served on ${sayDate(s.date)} (${s.authority}).`;
		case 'zero':
			return `Day zero is ${s.label ? `${s.label}, ` : ''}${sayDate(s.date)}${s.time ? ` at ${s.time}` : ''}; it is not counted.`;
		case 'counted': {
			const way = s.direction === 1 ? '' : ' before';
			const amount = sayAmount(s.n, s.unit, s.dayWord);
			const at = `${sayDate(s.to)}${s.toTime ? ` at ${s.toTime}` : ''}, ${landing(s.closed, s.dayWord)}`;
			let text: string;
			if (s.unit === 'h')
				text = `${amount}${s.direction === 1 ? ' later' : ' before'} is ${at}; every hour is counted.`;
			else if (s.n === 0) text = `No day is counted: it is ${at}.`;
			else if (s.clear)
				text = `At least ${s.n} clear ${s.n === 1 ? 'day' : 'days'} before: neither day zero nor the last day to act counts, so it is ${at}.`;
			else if (s.unit === 'd') text = `The ${ordinal(s.n)} day${way} is ${at}.`;
			else if (s.unit === 'cd') text = `The ${ordinal(s.n)} ${s.dayWord}${way} is ${at}.`;
			else text = `${amount}${s.direction === 1 ? ' later' : ' before'} is ${at}.`;
			if (s.short) text += ` A period this short skips weekends and holidays (${s.short}).`;
			const skipped = saySkipped(s);
			if (skipped) text += ` Not counted: ${skipped}.`;
			if (s.inside.length > 0)
				text += ` ${list(s.inside.map((d) => d.name))} ${s.inside.length === 1 ? 'falls' : 'fall'} inside the count and ${s.inside.length === 1 ? 'changes' : 'change'} nothing.`;
			return text;
		}
		case 'service': {
			const skipped = saySkipped(s);
			return `Service ${s.say} adds ${sayAmount(s.n, s.unit, s.dayWord)}${s.when === 'after-roll' ? ' after that' : s.direction === 1 ? ' to the period' : ' to the notice'} (${s.authority}), which gives ${sayDate(s.to)}, ${landing(s.closed, s.dayWord)}.${skipped ? ` Not counted: ${skipped}.` : ''}`;
		}
		case 'no-service':
			return s.text;
		case 'rolled': {
			const last = s.over.at(0);
			const why = last
				? `${sayDate(s.from)} is ${/^(Satur|Sun)day$/.test(last.name) ? `a ${last.name}` : last.name}`
				: sayDate(s.from);
			const others = s.over.slice(1).filter((o) => !/^(Satur|Sun)day$/.test(o.name));
			return `${why}, so the date moves ${s.direction === 1 ? 'on' : 'back'} to ${sayDate(s.to)}, the ${s.direction === 1 ? 'next' : 'last'} ${s.dayWord}${s.direction === 1 ? '' : ' before'}${others.length ? ` (past ${list(others.map((o) => o.name))})` : ''} (${s.authority}).`;
		}
		case 'stays':
			return `${sayDate(s.date)} is ${/^(Satur|Sun)day$/.test(s.name) ? `a ${s.name}` : s.name}; this date is not moved.`;
		case 'weekday':
			return `The ${s.name} next after ${sayDate(s.from)} is ${sayDate(s.to)} (${s.authority}).`;
		case 'chosen':
			return `The ${s.options.length > 2 ? (s.which === 'later' ? 'latest' : 'earliest') : s.which} of ${list(s.options.map((o) => `${sayDate(o.date)} (${o.label})`))} is ${sayDate(s.date)}.`;
		case 'taken':
			return `${s.label} is ${sayDate(s.date)}.`;
		case 'cautious':
			return `Cautious reading: ${s.text}`;
		case 'note':
		case 'missing':
			return s.text;
	}
}

/** The whole count in sentences. */
export const sentences = (trace: readonly Step[]): string[] => trace.map(sentence);
