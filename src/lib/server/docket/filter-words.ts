/** The filter of the docket as an address says it, and in words. */
import { plainDate, type PlainDate } from '#core/dates/plain.ts';
import { parseTypedDate } from '#core/dates/typed.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Reader } from '#server/app/application.ts';
import { findDateOrder } from '#server/app/department.ts';
import { maybeOne } from '#server/db/sql.ts';
import { ORDERS, SHOWS, type DocketFilter } from './docket-filter.ts';

/** A day of an address, as it was typed into a form that makes one. */
function readDay(app: Reader, typed: string | null): PlainDate | undefined {
	const read = typed ? parseTypedDate(typed, app.clock.today(), findDateOrder(app)) : undefined;
	return read && 'date' in read ? read.date : undefined;
}

/** The filter of the docket from an address; what is no date is left out and said. */
export function parseDocketFilter(
	app: Reader,
	params: URLSearchParams
): { filter: DocketFilter; bad: string } {
	const [from, to] = [readDay(app, params.get('from')), readDay(app, params.get('to'))];
	const show = SHOWS.find((value) => value === params.get('show'));
	const text = (name: string) => {
		const value = params.get(name)?.trim();
		return value && value.length <= 200 ? value : undefined;
	};
	const filter: DocketFilter = {
		...(show && show !== 'open' ? { show } : {}),
		from,
		to,
		who: text('who') === 'all' ? undefined : text('who'),
		unit: text('unit'),
		kind: text('kind'),
		court: text('court'),
		matter: text('matter'),
		tag: text('tag'),
		mark: text('mark'),
		order: ORDERS.find((value) => value !== 'day' && value === params.get('order')),
		page: Math.max(1, Math.floor(Number(params.get('page'))) || 1)
	};
	if ((params.get('from') && !from) || (params.get('to') && !to))
		return { filter, bad: 'One of the days is not a date that exists; it was left out.' };
	const crossed = from && to && from > to;
	const bad = crossed ? 'The first day is after the last: nothing lies between them.' : '';
	return { filter, bad };
}

const SHOW_WORDS = {
	open: 'Docketed dates',
	hearings: 'Hearings and their like',
	unchecked: 'Docketed dates without a second check',
	missed: 'Missed dates, those met late among them',
	unsettled: 'Missed dates that are not settled',
	settled: 'Missed dates that were met late and are settled',
	passed: 'Hearings without an outcome',
	returned: 'Dates the second check returned',
	proposed: 'Proposed dates',
	all: 'All dates'
} as const;

const WHOSE_WORDS: Readonly<Record<string, string>> = {
	mine: 'of my matters',
	held: 'that are mine to see to today',
	nobody: 'held by nobody who is here',
	answers: 'for me to answer'
};

function formatMark({ db }: Reader, mark: string): string {
	if (mark === 'any') return 'with a mark';
	const found = maybeOne<{ label: string }>(db, 'SELECT label FROM working_mark WHERE id = @mark', {
		mark
	});
	return `marked “${found?.label ?? mark}”`;
}

/** What a filter asks, in words, for the head of a report. */
export function formatFilter(app: Reader, filter: DocketFilter): string {
	const nameIn = (table: 'staff' | 'business_unit' | 'kind', id: string): string =>
		maybeOne<{ name: string }>(app.db, `SELECT name FROM ${table} WHERE id = @id`, { id })?.name ??
		id;
	const { show, matter, who, unit, kind, court, tag, mark, from, to } = filter;
	const parts = [
		SHOW_WORDS[show ?? 'open'],
		matter && `of ${matter}`,
		who && (WHOSE_WORDS[who] ?? `of ${nameIn('staff', who)}`),
		unit && `for ${nameIn('business_unit', unit)}`,
		kind && `of kind ${nameIn('kind', kind)}`,
		court && `in ${court}`,
		tag && `tagged ${tag}`,
		mark && formatMark(app, mark),
		from && `from ${formatDate(plainDate(from))}`,
		to && `to ${formatDate(plainDate(to))}`
	];
	return parts.filter(Boolean).join(' ');
}
