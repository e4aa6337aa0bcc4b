/**
 * The list of matters: filters, columns, saved views, changes of many at once; and the opening of a
 * new one.
 */
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { listKinds } from '#server/kinds/queries.ts';
import { BULK_CHANGES, bulkChange, previewBulk } from '#server/matters/bulk.ts';
import { listColumns } from '#server/matters/columns.ts';
import { parseMatterFilter } from '#server/matters/filter.ts';
import { PAGE, wantedColumns, type MatterListRow } from '#server/matters/list.ts';
import { openMatter } from '#server/matters/open.ts';
import { listOriginWords } from '#server/matters/origins.ts';
import { listSavedViews } from '#server/matters/queries.ts';
import { readMatters } from '#server/matters/tasks.ts';
import { removeView, saveView } from '#server/matters/views.ts';

/** What the list shows of a matter: it travels twice, as the page and as its data. */
function toListed(row: MatterListRow) {
	const { number, title, kind, status, restricted, priority, group, lastActivity } = row;
	const { unit, units, responsible, responsibleName, openedOn, nextTitle, nextDate } = row;
	const cells = Object.entries(row.cells).filter(([key]) => !OWN_CELLS.has(key));
	return {
		...{ number, title, kind, status, restricted, priority, group, lastActivity },
		...{ unit, units, responsible, responsibleName, openedOn, nextTitle, nextDate },
		nextChecked: row.nextChecked,
		cells: Object.fromEntries(cells)
	};
}
/** Columns that are said by the row itself. */
const OWN_CELLS = new Set(['number', 'title', 'unit', 'lawyer', 'next']);

export async function load(event) {
	const me = requireAction(event, 'matter.read');
	const { app } = event.locals;
	const filter = parseMatterFilter(event.url.searchParams);
	const kinds = listKinds(app);
	const columns = listColumns(kinds);
	const { rows, ...list } = await readMatters(app, me, filter);
	return {
		...list,
		rows: rows.map(toListed),
		filter,
		per: PAGE,
		shown: wantedColumns(columns, filter),
		kinds: kinds.map(({ id, plural, quietDays, ageDays, stages, endings }) => ({
			...{ id, plural, quietDays, ageDays, stages, endings }
		})),
		origins: listOriginWords(app),
		views: listSavedViews(app, me),
		bulk: BULK_CHANGES,
		columns: Object.entries(columns).map(([key, { name, type, group, fact }]) => ({
			key,
			name,
			type,
			group: group === true,
			fact: fact !== undefined
		}))
	};
}

export const actions = {
	open: action(openMatter, { done: ({ number }) => ({ number }) }),
	view: action(saveView),
	removeView: action(removeView),
	preview: action(previewBulk, { done: (preview) => ({ preview }) }),
	bulk: actionValue(bulkChange)
};
