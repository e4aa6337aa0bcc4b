/**
 * A scheduling order: one table of dates with one source. It is entered at once, and amended later
 * by the table that takes its place, with what stood before beside it.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { capitalize, pluralInWords } from '#core/format/words.ts';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { firstError } from '#server/app/attempt.ts';
import { Refused } from '#server/app/errors.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { maybeOne, one, update } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { insertHandEvent, insertHandHearing, SCHEDULE } from './by-hand.ts';
import { OCCASION } from './counting.ts';
import { enterEvent } from './events.ts';
import { requireDocumentOn, requireEvent, type DocumentOnMatter } from './find.ts';
import { takeOff } from './hearings.ts';
import { scheduleAmended, scheduleEntered } from './messages.ts';
import { putEventOn } from './move-event.ts';
import type { DeadlineRow, EventRow } from './rows.ts';
import { scheduleInput, sortRows, type FixedRow, type ScheduleInput } from './schedule-input.ts';
import { findRuleOrders, layRuleOrder } from './schedule-rules.ts';
import { insertDeadline, rescheduleDeadline, updateDeadline, vacate } from './writing.ts';

/** What a row is known by: its paragraph of the order. */
const authorityOf = (title: string, row: Pick<FixedRow, 'authority'>): string =>
	row.authority ? `${title}, ${row.authority}` : title;

type Table = {
	ctx: Context;
	meId: string;
	matter: MatterRow;
	input: ScheduleInput;
	source: DocumentOnMatter | null;
	scheduleId: string;
};

/** Adds the dates, hearings and events that a table sets anew; each in words. */
function addRows(table: Table, rows: ReturnType<typeof sortRows>): string[] {
	return [
		...rows.fixed.filter(isNew).map(({ row }) => addFixed(table, row)),
		...rows.hearings.filter(isNew).map(({ row }) => addHearing(table, row)),
		...rows.events.filter(isNew).map(({ row, at }) => addEvent(table, row, at))
	];
}

const isNew = ({ row }: { row: { deadlineId: string; gone: boolean } }): boolean =>
	row.deadlineId === '' && !row.gone;

const said = (title: string, date: PlainDate) => `${title} ${formatDate(date)}`;

function addFixed({ ctx, matter, input, scheduleId }: Table, row: FixedRow): string {
	const { count } = one<{ count: number }>(
		ctx.db,
		'SELECT count(*) AS count FROM deadline WHERE event_id = @scheduleId',
		{ scheduleId }
	);
	const authority = authorityOf(input.title, row);
	const deadlineId = insertDeadline(
		ctx,
		matter,
		scheduleId,
		{ id: '', version: '' },
		{
			rule: `row-${count + 1}`,
			title: row.title,
			authority,
			act: row.act,
			suggested: false,
			date: row.date,
			time: row.time,
			trace: [{ step: 'note', text: `Set by ${authority}. No rule counts it.` }]
		},
		true
	);
	update<DeadlineRow>(ctx.db, 'deadline', { id: deadlineId }, { place: row.place });
	return said(capitalize(row.title), row.date);
}

function addHearing(
	{ ctx, matter, input, source, scheduleId }: Table,
	row: ReturnType<typeof sortRows>['hearings'][number]['row']
): string {
	const { title, date, time, place } = row;
	insertHandHearing(
		ctx,
		matter,
		{
			...{ text: capitalize(title), date, time, ahead: row.what },
			...{ source_id: source?.id ?? null, schedule_id: scheduleId }
		},
		{ place, link: '', authority: authorityOf(input.title, row) }
	);
	return said(capitalize(title), date);
}

/** An event of a book: what follows from it by rule comes as proposals. */
function addEvent({ ctx, matter, input, scheduleId }: Table, row: FixedRow, at: number): string {
	const entered = enterEvent(ctx, {
		matterId: matter.id,
		eventKey: row.eventKey,
		date: row.date,
		time: row.time ?? '',
		service: '',
		name: row.title,
		place: row.place,
		sourceId: input.documentId,
		sure: true
	});
	if (!entered.ok)
		throw new Refused(
			firstError(entered.errors),
			`rows.${at}.${Object.keys(entered.errors)[0] ?? 'date'}`
		);
	const { eventId } = entered.value;
	update<EventRow>(ctx.db, 'event', { id: eventId }, { schedule_id: scheduleId });
	update<DeadlineRow>(
		ctx.db,
		'deadline',
		{ event_id: eventId, rule: OCCASION },
		{ authority: authorityOf(input.title, row) }
	);
	const { text } = one<{ text: string }>(ctx.db, 'SELECT text FROM event WHERE id = @eventId', {
		eventId
	});
	return said(text, row.date);
}

/** What the order says of rules is laid over the book. */
function layRules(table: Table, counts: ReturnType<typeof sortRows>['counts']): string[] {
	const { ctx, matter, input, scheduleId, meId } = table;
	return findRuleOrders(ctx, matter, input, counts).flatMap((order) =>
		layRuleOrder(ctx, matter, scheduleId, order, meId)
	);
}

/** Enters a scheduling order: its dates are docketed, what it displaces is taken off. */
export const enterSchedule = matterCommand({
	name: 'enter scheduling order',
	action: 'docket.enter',
	input: scheduleInput,
	find: (ctx, { matterId }) => ({ matter: requireMatter(ctx, matterId) }),
	run({ ctx, me, matter, input, record, notify }) {
		const source = requireDocumentOn(ctx, matter, input.documentId, 'documentId');
		const rows = sortRows(input.rows);
		const scheduleId = insertHandEvent(ctx, matter, {
			event_key: SCHEDULE,
			text: capitalize(input.title),
			date: input.dated,
			time: null,
			ahead: null,
			source_id: source?.id ?? null
		});
		const table: Table = { ctx, meId: me.id, matter, input, source, scheduleId };
		const added = addRows(table, rows);
		const ruled = layRules(table, rows.counts);
		record.audit({ schedule: scheduleId, ...input });
		const words = describe(`${input.title}, ${formatDate(input.dated)}`, { added, ruled });
		record.log('date', words, source ? `/documents/${source.id}` : undefined);
		const told = notify(scheduleEntered(matter, input, [...added, ...ruled]));
		return { scheduleId, dates: added.length, added: countAdded(ruled), told };
	}
});

/** Of what was done to the rules, how many dates it docketed. */
const countAdded = (ruled: readonly string[]): number =>
	ruled.filter((words) => words.endsWith('docketed')).length;

function describe(
	head: string,
	{ added, ruled, changed = [] }: { added: string[]; ruled: string[]; changed?: string[] }
): string {
	const parts = [
		changed.length ? `Changed: ${changed.join('; ')}.` : '',
		added.length ? `Docketed: ${added.join('; ')}.` : '',
		ruled.length ? `Of the rules: ${ruled.join('; ')}.` : ''
	];
	return [`${head}.`, ...parts].filter(Boolean).join(' ');
}

/**
 * Amends a scheduling order by the table that takes its place: a row that stood for a date moves
 * it, one that is gone takes it off, a new one adds one. A second person checks what changed.
 */
export const amendSchedule = matterCommand({
	name: 'amend scheduling order',
	action: 'docket.change',
	input: scheduleInput,
	find(ctx, { scheduleId }) {
		const found = requireEvent(ctx, scheduleId ?? '');
		if (found.event.event_key !== SCHEDULE) throw new Refused('This is no scheduling order.');
		return found;
	},
	run({ ctx, me, event, matter, input, record, notify }) {
		if (event.withdrawn_at !== null)
			throw new Refused('This order was withdrawn: bring it back first.');
		const source = requireDocumentOn(ctx, matter, input.documentId, 'documentId');
		const rows = sortRows(input.rows);
		const table: Table = { ctx, meId: me.id, matter, input, source, scheduleId: event.id };
		const standing = [...rows.fixed, ...rows.hearings, ...rows.events].filter(
			({ row }) => row.deadlineId !== ''
		);
		const changed = standing.flatMap(({ row, at }) => amendRow(table, row, at));
		const added = addRows(table, rows);
		const ruled = layRules(
			table,
			rows.counts.filter(({ row }) => row.deadlineId === '' && !row.gone)
		);
		if (changed.length + added.length + ruled.length === 0)
			throw new Refused('Nothing is otherwise than in the order before.', 'rows');
		update<EventRow>(ctx.db, 'event', { id: event.id }, { version: event.version + 1 });
		record.audit({ schedule: event.id, ...input });
		const head = `${input.title}, ${formatDate(input.dated)}, amends ${event.text}`;
		const words = describe(head, { added, ruled, changed });
		record.log('date', words, source ? `/documents/${source.id}` : undefined);
		const told = notify(scheduleAmended(matter, input, [...changed, ...added, ...ruled]));
		return { scheduleId: event.id, changed: changed.length, dates: added.length, told };
	}
});

/** A date of this order. @throws Refused where it is not, or was settled meanwhile */
function requireRow({ ctx, scheduleId }: Table, deadlineId: string, at: number) {
	const found = maybeOne<DeadlineRow & { scheduleId: string | null; eventKey: string }>(
		ctx.db,
		`SELECT d.*, coalesce(e.schedule_id, e.id) AS scheduleId, e.event_key AS eventKey
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		WHERE d.id = @deadlineId`,
		{ deadlineId }
	);
	if (!found || found.scheduleId !== scheduleId)
		throw new Refused('This date is not one of this order.', `rows.${at}.title`);
	return found;
}

/** One row that stands for a date: moved, renamed, taken off, or as it was; in words. */
function amendRow(table: Table, row: FixedRow, at: number): string[] {
	const { ctx, input } = table;
	const deadline = requireRow(table, row.deadlineId, at);
	const isSame = deadline.date === row.date && (deadline.hand_time ?? deadline.time) === row.time;
	if (!row.gone && isSame && deadline.title === capitalize(row.title)) return [];
	if (deadline.state !== 'docketed' && deadline.state !== 'proposed')
		throw new Refused(
			`${deadline.title} was settled already: leave its row as it is.`,
			`rows.${at}.date`
		);
	if (row.gone) return [takeRowOff(table, deadline)];
	if (isSame) {
		updateDeadline(ctx, deadline, { title: capitalize(row.title) });
		return [`${deadline.title} is now “${row.title}”`];
	}
	const authority = authorityOf(input.title, row);
	const from = formatDate(deadline.date);
	if (deadline.eventKey === SCHEDULE) {
		const trace = [{ step: 'note', text: `Set by ${authority}. No rule counts it.` }];
		const to = { date: row.date, time: row.time, trace };
		const more = { authority, title: capitalize(row.title), place: row.place };
		const also = rescheduleDeadline(ctx, deadline, to, more);
		return [`${said(deadline.title, row.date)} (was ${from})`, ...also];
	}
	const found = requireEvent(ctx, deadline.event_id);
	const moved = putEventOn(
		ctx,
		{ ...found, source: table.source },
		{ to: row.date, time: row.time, reason: input.title }
	);
	update<DeadlineRow>(ctx.db, 'deadline', { id: deadline.id }, { authority });
	return [moved.words.replace(/\.$/, '')];
}

function takeRowOff({ ctx, input }: Table, deadline: DeadlineRow & { eventKey: string }): string {
	const words = `${deadline.title} ${formatDate(deadline.date)} is off`;
	if (deadline.eventKey === SCHEDULE) {
		vacate(ctx, deadline, input.title);
		return words;
	}
	const left = takeOff(ctx, deadline, { reason: input.title, also: [] });
	return left.length ? `${words} (${pluralInWords(left.length, 'date')} left behind)` : words;
}
