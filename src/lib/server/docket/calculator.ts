/**
 * The date calculator: any court, no matter; everything it needs is in its address, so that it can
 * be shared.
 */
import { parseDate, parseTime, type PlainDate } from '#core/dates/plain.ts';
import { parseTypedDate } from '#core/dates/typed.ts';
import { CountError, parseAmount } from '#core/docket/amount.ts';
import { count } from '#core/docket/count.ts';
import { capitalize } from '#core/format/words.ts';
import type { Rulebook } from '#core/rulebooks/book.ts';
import { serviceKinds } from '#core/rulebooks/method.ts';
import type { Application } from '#server/app/application.ts';
import { findDateOrder } from '#server/app/department.ts';
import { listBooks, requireBook, shelfOf } from '#server/rulebooks/shelf.ts';
import { findCount, type CountView } from './counts.ts';
import { calendarFor } from './counting.ts';

const UNITS = ['d', 'cd', 'w', 'm', 'y', 'h'] as const;
export type Calculation = {
	court: string;
	from: string;
	time: string;
	amount: string;
	unit: (typeof UNITS)[number];
	way: 'before' | 'after';
	service: string;
	act: 'file' | 'serve';
	roll: 'usual' | 'none' | 'towards';
};
export type Calculated = {
	asked: Calculation;
	services: { id: string; label: string }[];
	dayWord: string;
	/** Whether the court deems things served at a time of its own. */
	deemed: boolean;
	clear: boolean;
	errors: Record<string, string>;
	result: { date: PlainDate; time: string | null; count: CountView } | null;
};

/** Courts and agencies to count by. */
export const listCourts = (app: Application): { id: string; title: string }[] =>
	listBooks(app)
		.filter(({ sort }) => sort === 'court' || sort === 'agency')
		.map(({ id, title }) => ({ id, title }));

/** The one of these that was said, or the first. */
const oneOf = <Value extends string>(values: readonly [Value, ...Value[]], said: string): Value =>
	values.find((value) => value === said) ?? values[0];

/** What an address asks for: `count=+30d`, or `amount`, `unit` and `way` apart. */
export function parseCalculation(params: URLSearchParams, today: PlainDate): Calculation {
	const get = (name: string) => (params.get(name) ?? '').trim().slice(0, 60);
	const typed = get('count');
	const [, sign, amount, unit] = /^([+-])(\d{1,6})(cd|d|w|m|y|h)$/.exec(typed) ?? [];
	// A sign says which way, also in the field for the number.
	const signed = /^([+-])\s?(\d{1,6})$/.exec(get('amount'));
	const said = sign ?? signed?.[1];
	const way = said ? (said === '-' ? 'before' : 'after') : get('way');
	return {
		court: get('court') || 'us-federal',
		from: get('from') || today,
		time: get('time'),
		amount: amount ?? signed?.[2] ?? get('amount'),
		unit: oneOf(UNITS, unit ?? get('unit')),
		way: oneOf(['after', 'before'], way),
		service: get('service'),
		act: oneOf(['file', 'serve'], get('act')),
		roll: oneOf(['usual', 'none', 'towards'], get('roll'))
	};
}

/** Counts what was asked, or says what is missing, beside its field. */
export function calculate(app: Application, asked: Calculation): Calculated {
	if (!shelfOf(app).files.has(asked.court))
		return {
			asked,
			services: [],
			dayWord: 'court day',
			deemed: false,
			clear: false,
			errors: { court: `There is no court “${asked.court}” here. Choose one.` },
			result: null
		};
	const book = requireBook(app, asked.court);
	const { method } = book;
	const base = {
		asked,
		services: serviceKinds(method).map(({ id, label }) => ({ id, label })),
		dayWord: method.dayWord,
		deemed: method.deemed !== undefined,
		clear: method.clearDays
	};
	const { from, errors } = check(app, asked);
	if (asked.amount === '' || Object.keys(errors).length || !from)
		return { ...base, errors, result: null };
	try {
		const result = countAsked(app, book, asked, from);
		return { ...base, asked: { ...asked, from }, errors, result };
	} catch (error) {
		if (!(error instanceof CountError)) throw error;
		const field = /time/.test(error.message) ? 'time' : 'amount';
		return { ...base, errors: { [field]: capitalize(error.message) }, result: null };
	}
}

function check(
	app: Application,
	asked: Calculation
): { from: PlainDate | undefined; errors: Record<string, string> } {
	const errors: Record<string, string> = {};
	const typed = parseTypedDate(asked.from, app.clock.today(), findDateOrder(app));
	const from = parseDate(asked.from) ?? ('date' in typed ? typed.date : undefined);
	if (!from) errors.from = `${asked.from} is not a date that exists.`;
	if (asked.time && parseTime(asked.time) === undefined)
		errors.time = `${asked.time} is not a time: write 14:30.`;
	if (asked.amount !== '' && !/^\d{1,6}$/.test(asked.amount))
		errors.amount = `“${asked.amount}” is no number of days: write a whole number.`;
	return { from, errors };
}

function countAsked(
	app: Application,
	book: Rulebook,
	asked: Calculation,
	from: PlainDate
): Calculated['result'] {
	const time = parseTime(asked.time);
	const service = serviceKinds(book.method).find(({ id }) => id === asked.service)?.id;
	const sign = asked.way === 'before' ? '-' : '+';
	const counted = count(book.method, calendarFor(app, book), {
		from,
		amount: parseAmount(`${sign}${Number(asked.amount)}${asked.unit}`),
		act: asked.act,
		roll: asked.roll,
		...(time === undefined ? {} : { time }),
		...(service === undefined ? {} : { service })
	});
	return {
		date: counted.date,
		time: counted.time,
		count: findCount(app, book.id, counted.trace, counted.date)
	};
}
