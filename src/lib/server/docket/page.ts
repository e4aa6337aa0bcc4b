/** The department's docket as its page shows it: a list, a month, or a timeline. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { listClosedDays } from './days.ts';
import { listDocketChoices } from './filter-choices.ts';
import { parseDocketFilter } from './filter-words.ts';
import { DAYS_LIMIT, listDrawnDates, type DrawnDate } from './drawn.ts';
import { countDeadlines, DOCKET_PAGE, listDeadlines } from './list.ts';
import { findSpan, parseMonth } from './span.ts';

const VIEWS = ['list', 'month', 'timeline'] as const;

type Span = {
	month: string;
	from: PlainDate;
	to: PlainDate;
	closed: ReturnType<typeof listClosedDays>;
	marks: DrawnDate[];
};

/** What an address of the docket asks for. */
export function showDocket(app: Reader, me: Staff, query: string) {
	const params = new URLSearchParams(query);
	const view = VIEWS.find((name) => name === params.get('view')) ?? 'list';
	const { filter, bad } = parseDocketFilter(app, params);
	const totalOf = (show: 'unsettled' | 'proposed' | 'passed') => countDeadlines(app, me, { show });
	const base = {
		view,
		filter,
		bad,
		choices: listDocketChoices(app, me),
		missed: totalOf('unsettled'),
		proposed: totalOf('proposed'),
		passed: totalOf('passed'),
		per: DOCKET_PAGE
	};
	if (view === 'list')
		return { ...base, ...listDeadlines(app, me, filter), span: null, cut: false };
	const today = app.clock.today();
	const month = parseMonth(params.get('month')) ?? today.slice(0, 7);
	const { from, to } = findSpan(view, { month, today, from: filter.from, to: filter.to });
	const marks = listDrawnDates(app, me, { ...filter, from, to });
	const span: Span = { month, from, to, closed: listClosedDays(app, null, from, to), marks };
	return { ...base, rows: [], total: 0, span, cut: marks.length >= DAYS_LIMIT };
}
