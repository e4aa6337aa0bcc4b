/** The date calculator: any court, no matter; everything it needs is in its address, so that it can be shared. */
import { parseDate, parseTime, type PlainDate } from '#core/dates/plain.ts';
import { readDate } from '#core/dates/read.ts';
import { calendarOf } from '#core/docket/book.ts';
import { count, CountError, parseAmount } from '#core/docket/count.ts';
import { serviceKinds } from '#core/docket/method.ts';
import type { World } from '../command.ts';
import { bookIn, booksIn, shelf } from './books.ts';
import { countView, type CountView } from './queries.ts';
import { closuresOf } from './shared.ts';

export type Asked = {
	court: string;
	from: string;
	time: string;
	n: string;
	unit: string;
	way: string;
	service: string;
	act: string;
	roll: string;
};
export type Calculated = {
	asked: Asked;
	services: { id: string; say: string }[];
	dayWord: string;
	deemed: boolean;
	clear: boolean;
	errors: Record<string, string>;
	result: { date: PlainDate; time: string | null; count: CountView } | null;
};

/** Courts and agencies to count by. */
export const courts = (w: World): { id: string; title: string }[] =>
	booksIn(w)
		.filter((b) => b.sort === 'court' || b.sort === 'agency')
		.map((b) => ({ id: b.id, title: b.title }));

/** What an address asks for. `+30d`, or n, unit and way apart. */
export function readAsked(p: URLSearchParams, today: PlainDate): Asked {
	const get = (k: string) => (p.get(k) ?? '').trim().slice(0, 60);
	const amount = /^([+-])(\d{1,6})(cd|d|w|m|y|h)$/.exec(get('count'));
	return {
		court: get('court') || 'us-federal',
		from: get('from') || today,
		time: get('time'),
		n: amount?.[2] ?? get('n'),
		unit:
			amount?.[3] ?? (['d', 'cd', 'w', 'm', 'y', 'h'].includes(get('unit')) ? get('unit') : 'd'),
		way: amount
			? amount[1] === '-'
				? 'before'
				: 'after'
			: get('way') === 'before'
				? 'before'
				: 'after',
		service: get('service'),
		act: get('act') === 'serve' ? 'serve' : 'file',
		roll: ['none', 'towards'].includes(get('roll')) ? get('roll') : 'usual'
	};
}

/** Counts what was asked, or says what is missing, beside its field. */
export function calculate(w: World, a: Asked): Calculated {
	const errors: Record<string, string> = {};
	if (!shelf(w).files.has(a.court))
		return {
			asked: a,
			services: [],
			dayWord: 'court day',
			deemed: false,
			clear: false,
			errors: { court: `There is no court “${a.court}” here. Choose one.` },
			result: null
		};
	const book = bookIn(w, a.court);
	const base = {
		asked: a,
		services: serviceKinds(book.method).map(({ id, say }) => ({ id, say })),
		dayWord: book.method.dayWord,
		deemed: book.method.deemed !== undefined,
		clear: book.method.clearDays
	};
	const typed = readDate(a.from, w.clock.today());
	const from = parseDate(a.from) ?? ('date' in typed ? typed.date : undefined);
	if (!from) errors.from = `${a.from} is not a date that exists.`;
	if (a.time && parseTime(a.time) === undefined)
		errors.time = `${a.time} is not a time: write 14:30.`;
	if (a.n !== '' && !/^\d{1,6}$/.test(a.n)) errors.n = 'Write a whole number.';
	const service =
		a.service && base.services.some((s) => s.id === a.service) ? a.service : undefined;
	if (a.n === '' || Object.keys(errors).length || !from) return { ...base, errors, result: null };
	try {
		const time = parseTime(a.time);
		const c = count(book.method, calendarOf(book, closuresOf(w, book)), {
			from,
			amount: parseAmount(`${a.way === 'before' ? '-' : '+'}${Number(a.n)}${a.unit}`),
			act: a.act as 'file' | 'serve',
			roll: a.roll as 'usual',
			...(time === undefined ? {} : { time }),
			...(service === undefined ? {} : { service })
		});
		return {
			...base,
			asked: { ...a, from },
			errors,
			result: { date: c.date, time: c.time, count: countView(w, book.id, c.trace, c.date) }
		};
	} catch (e) {
		if (!(e instanceof CountError)) throw e;
		return {
			...base,
			errors: {
				[/time/.test(e.message) ? 'time' : 'n']:
					e.message.charAt(0).toUpperCase() + e.message.slice(1)
			},
			result: null
		};
	}
}
