/** A scheduling order as its table shows it, and what a table would do before it is kept. */
import type { PlainDate } from '#core/dates/plain.ts';
import { isOccasion, type Sort } from '#core/docket/occasion.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize, pluralInWords } from '#core/format/words.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Context, Staff } from '#server/app/application.ts';
import { matterPreview } from '#server/app/preview.ts';
import { all, exists, maybeOne } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { SCHEDULE } from './by-hand.ts';
import { countedBy, OCCASION } from './counting.ts';
import { showEffects } from './effect-views.ts';
import { proposeEvent } from './events.ts';
import type { DeadlineRow } from './rows.ts';
import { scheduleInput, sortRows, type FixedRow } from './schedule-input.ts';
import { findRuleOrders } from './schedule-rules.ts';
import { listWarnings } from './warnings.ts';

export type ScheduleDate = {
	deadlineId: string;
	what: Sort | 'event';
	eventKey: string;
	title: string;
	date: PlainDate;
	time: string | null;
	place: string;
	act: DeadlineRow['act'];
	authority: string;
	state: DeadlineRow['state'];
};
export type ScheduleView = {
	id: string;
	title: string;
	dated: PlainDate;
	rows: ScheduleDate[];
};

/** A scheduling order with its dates by day; undefined where it is not there. */
export function findSchedule(
	app: Application,
	me: Staff,
	matterId: string,
	scheduleId: string
): ScheduleView | undefined {
	const head = maybeOne<Omit<ScheduleView, 'rows'>>(
		app.db,
		`SELECT e.id, e.text AS title, e.date AS dated
		FROM event e
		JOIN matter m ON m.id = e.matter_id
		WHERE e.id = @scheduleId
			AND e.matter_id = @matterId
			AND e.event_key = @key
			AND e.withdrawn_at IS NULL
			AND ${visible('m')}`,
		{ scheduleId, matterId, key: SCHEDULE, me: me.id }
	);
	if (!head) return undefined;
	type Row = ScheduleDate & { book: string; key: string; sort: Sort };
	const rows = all<Row>(
		app.db,
		`SELECT
			d.id AS deadlineId, d.title, d.date, coalesce(d.hand_time, d.time) AS time, d.place, d.act,
			d.authority, d.state, d.sort, e.book, e.event_key AS key
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		WHERE (e.id = @scheduleId OR (e.schedule_id = @scheduleId AND d.rule = @occasion))
			AND e.withdrawn_at IS NULL
			AND d.state <> 'vacated'
		ORDER BY d.date, d.id`,
		{ scheduleId, occasion: OCCASION }
	);
	return {
		...head,
		rows: rows.map(({ book, key, sort, authority, ...row }) => ({
			...row,
			what: book ? ('event' as const) : sort,
			eventKey: book ? `${book}|${key}` : '',
			// What a row adds to the order's name is its paragraph.
			authority: authority.includes(', ') ? authority.slice(authority.lastIndexOf(', ') + 2) : ''
		}))
	};
}

export type RuleDate = { key: string; title: string; event: string; date: PlainDate };

/** The standing dates of a matter that a rule sets, which an order may displace. */
export function listRuleDates(app: Application, me: Staff, matterId: string): RuleDate[] {
	type Row = { book: string; eventKey: string; rule: string } & Omit<RuleDate, 'key'>;
	const rows = all<Row>(
		app.db,
		`SELECT
			e.book, e.event_key AS eventKey, d.rule, d.title, e.text AS event, min(d.date) AS date
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		WHERE d.matter_id = @matterId
			AND d.state IN ('docketed', 'proposed')
			AND d.set_aside = 0
			AND d.suggested = 0
			AND d.sort = 'deadline'
			AND e.book <> ''
			AND e.withdrawn_at IS NULL
			AND ${visible('m')}
		GROUP BY e.book, e.event_key, d.rule
		ORDER BY min(d.date), d.title`,
		{ matterId, me: me.id }
	);
	return rows.map(({ book, eventKey, rule, ...date }) => ({
		...date,
		key: `${book}|${eventKey}|${rule}`
	}));
}

/** What is said beside one row of the table. */
export type RowRemark = { at: number; text: string };

const isThere = ({ db }: Context, matterId: string, row: FixedRow): boolean =>
	exists(
		db,
		`SELECT 1
		FROM deadline
		WHERE matter_id = @matterId
			AND date = @date
			AND title = @title
			AND state IN ('docketed', 'proposed')`,
		{ matterId, date: row.date, title: capitalize(row.title) }
	);

/** The same event of that day, and a trial of any: an order often sets one anew. */
const listSameEvents = ({ db }: Context, matterId: string, row: FixedRow): string[] =>
	all<{ date: PlainDate }>(
		db,
		`SELECT date
		FROM event
		WHERE matter_id = @matterId
			AND event_key = @key
			AND withdrawn_at IS NULL
			AND (date = @date OR ahead = 'trial')
		ORDER BY date`,
		{ matterId, date: row.date, key: row.eventKey.split('|').at(-1) }
	).map(({ date }) =>
		date === row.date
			? 'is on the docket already: take this row out, or its dates stand twice'
			: `the docket has one on ${formatDate(date)}: if it is this one, move it there`
	);

function remarksOn(ctx: Context, matter: MatterRow, row: FixedRow): string[] {
	const book = countedBy(ctx, { matter_id: matter.id, book: '' });
	const hearing = isOccasion(row.what) || row.what === 'event';
	const stands = maybeOne<{ eventId: string; date: PlainDate }>(
		ctx.db,
		'SELECT event_id AS eventId, date FROM deadline WHERE id = @id AND matter_id = @matterId',
		{ id: row.deadlineId, matterId: matter.id }
	);
	// What stands as it was has been looked at.
	if (stands?.date === row.date) return [];
	const eventId = stands?.eventId ?? '';
	const remarks = listWarnings(ctx, matter.id, { day: row.date, book, hearing, eventId });
	if (row.deadlineId === '' && isThere(ctx, matter.id, row))
		remarks.push('is on the docket already');
	if (row.what === 'event' && row.deadlineId === '') {
		remarks.push(...listSameEvents(ctx, matter.id, row));
		const { deadlines } = proposeEvent(ctx, matter, {
			...{ eventKey: row.eventKey, date: row.date, time: row.time },
			...{ service: '', answers: {}, sure: true }
		});
		remarks.push(`sets ${pluralInWords(deadlines.length, 'date')} by rule, as proposals`);
	}
	return remarks;
}

/** What a table would do: what there is to say against its rows, and which dates by rule change. */
export const previewSchedule = matterPreview({
	action: 'docket.enter',
	input: scheduleInput,
	run({ ctx, me, matter, input }) {
		const { fixed, hearings, events, counts } = sortRows(input.rows);
		const remarks: RowRemark[] = [...fixed, ...hearings, ...events]
			.filter(({ row }) => !row.gone)
			.flatMap(({ row, at }) => {
				const texts = remarksOn(ctx, matter, row);
				return texts.length ? [{ at, text: texts.join('; ') }] : [];
			});
		const added = counts.filter(({ row }) => row.deadlineId === '' && !row.gone);
		const effects = findRuleOrders(ctx, matter, input, added).flatMap((order) => order.effects);
		return { remarks, ...showEffects(ctx, me, effects) };
	}
});
