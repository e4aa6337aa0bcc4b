/** The department's docket: as a list, a month, or a timeline. */
import { BATCH_ACTS, batchDeadlines, previewBatch } from '#server/docket/batch.ts';
import { listClosedDays } from '#server/docket/days.ts';
import { DAYS_LIMIT, DOCKET_PAGE, listDeadlines, listDocketDays } from '#server/docket/list.ts';
import { listDocketChoices } from '#server/docket/filter-choices.ts';
import { parseDocketFilter } from '#server/docket/filter-words.ts';
import { findSpan, parseMonth } from '#server/docket/span.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';

const VIEWS = ['list', 'month', 'timeline'] as const;

export function load(event) {
	const me = requireAction(event, 'docket.read');
	const params = event.url.searchParams;
	const { app } = event.locals;
	const view = VIEWS.find((name) => name === params.get('view')) ?? 'list';
	const { filter, bad } = parseDocketFilter(app, params);
	const base = {
		view,
		filter,
		bad,
		choices: listDocketChoices(app, me),
		missed: listDeadlines(app, me, { show: 'unsettled', per: 1 }).total,
		proposed: listDeadlines(app, me, { show: 'proposed', per: 1 }).total,
		passed: listDeadlines(app, me, { show: 'passed', per: 1 }).total,
		per: DOCKET_PAGE,
		acts: BATCH_ACTS
	};
	if (view === 'list')
		return { ...base, ...listDeadlines(app, me, filter), span: null, cut: false };
	const today = app.clock.today();
	const month = parseMonth(params.get('month')) ?? today.slice(0, 7);
	const { from, to } = findSpan(view, { month, today, from: filter.from, to: filter.to });
	const marks = listDocketDays(app, me, { ...filter, from, to });
	return {
		...base,
		rows: [],
		total: 0,
		span: { month, from, to, closed: listClosedDays(app, null, from, to), marks },
		cut: marks.length >= DAYS_LIMIT
	};
}

export const actions = {
	preview: action(previewBatch, { done: (rows) => ({ rows }) }),
	batch: actionValue(batchDeadlines)
};
