/**
 * What a scheduling order says of rules: days counted from an event, and rows of a rule that it
 * displaces. They are an order over the book, and what they change is done at once, since the table
 * was shown with it.
 */
import { BookError } from '#core/rulebooks/book.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import { insert, update } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { bookOnMatter, listOrdersOver, shelfOf } from '#server/rulebooks/shelf.ts';
import { applyChange } from './apply-change.ts';
import { recordChanges } from './changes.ts';
import { findEffects, type Effect } from './effects.ts';
import { makeOrderRules, type OrderInput } from './order-rules.ts';
import type { DateChangeRow, DeadlineRow, MatterOrderRow } from './rows.ts';
import type { ScheduleInput, ScheduleRow } from './schedule-input.ts';

type Lines = OrderInput['lines'];
type CountedRow = { row: ScheduleRow; at: number };

/** The order's lines by book, and where each stands in the table. */
function linesByBook(
	counts: readonly CountedRow[],
	off: readonly string[]
): Map<string, { lines: Lines; at: (number | null)[] }> {
	const books = new Map<string, { lines: Lines; at: (number | null)[] }>();
	const add = (book: string, line: Lines[number], at: number | null) => {
		const known = books.get(book) ?? { lines: [], at: [] };
		known.lines.push(line);
		known.at.push(at);
		books.set(book, known);
	};
	for (const { row, at } of counts) {
		const [book = '', event = ''] = row.eventKey.split('|');
		const { count, title, act, authority } = row;
		add(book, { do: 'add', event, rule: '', count, title, act, authority }, at);
	}
	for (const key of off) {
		const [book = '', event = '', rule = ''] = key.split('|');
		add(
			book,
			{ ...{ do: 'off', event, rule }, count: '', title: '', act: 'file', authority: '' },
			null
		);
	}
	return books;
}

export type RuleOrder = { order: OrderInput; effects: Effect[]; orderId: string };

/** What the order would change of dates by rule, book by book. @throws Refused beside the row */
export function findRuleOrders(
	ctx: Context,
	matter: MatterRow,
	schedule: Pick<ScheduleInput, 'title' | 'dated' | 'documentId' | 'off'>,
	counts: readonly CountedRow[]
): RuleOrder[] {
	const books = linesByBook(counts, schedule.off);
	return [...books].map(([book, { lines, at }]) => {
		const { title, dated, documentId } = schedule;
		const order: OrderInput = {
			...{ matterId: matter.id, book, sort: 'scheduling order' as const },
			...{ title, dated, documentId, lines }
		};
		const orderId = newId('ord');
		try {
			const rules = makeOrderRules(bookOnMatter(ctx, matter.id, book), order, orderId);
			const over = [
				...listOrdersOver(ctx, matter.id, book),
				{ id: orderId, rules: JSON.stringify(rules) }
			];
			const effects = findEffects(ctx, {
				books: [book],
				matterId: matter.id,
				shelf: shelfOf(ctx),
				orders: (matterId, other) => (other === book ? over : listOrdersOver(ctx, matterId, other)),
				fresh: true
			});
			return { order, effects, orderId };
		} catch (error) {
			throw besideRow(error, at);
		}
	});
}

/** A fault of a line (`lines.2`) is one of the table's row. */
function besideRow(error: unknown, at: readonly (number | null)[]): unknown {
	if (error instanceof BookError) return new Refused(error.message, 'rows');
	if (!(error instanceof Refused)) return error;
	const line = Number(/^lines\.(\d+)$/.exec(error.field ?? '')?.[1] ?? Number.NaN);
	const row = at[line];
	return new Refused(
		error.message,
		row === null || row === undefined ? 'off' : `rows.${row}.count`
	);
}

/**
 * Lays the order over the book; what it changes is applied, and what it adds is docketed.
 * @returns what was done, in words
 */
export function layRuleOrder(
	ctx: Context,
	matter: MatterRow,
	scheduleId: string,
	{ order, effects, orderId }: RuleOrder,
	meId: string
): string[] {
	const below = bookOnMatter(ctx, matter.id, order.book);
	insert<MatterOrderRow>(ctx.db, 'matter_order', {
		id: orderId,
		matter_id: matter.id,
		book: order.book,
		sort: order.sort,
		title: order.title,
		dated: order.dated,
		document_id: order.documentId,
		rules: JSON.stringify(makeOrderRules(below, order, orderId)),
		made_by: meId,
		made_at: ctx.clock.now(),
		schedule_id: scheduleId
	});
	const { version } = bookOnMatter(ctx, matter.id, order.book);
	const own = effects.filter((effect) => isOf(order, effect));
	recordChanges(
		ctx,
		effects.filter((effect) => !own.includes(effect)),
		{ cause: 'order', why: order.title, version }
	);
	return own.flatMap((effect) => applyAtOnce(ctx, matter, effect, { order, version, meId }));
}

/**
 * Whether a change is what the order itself says, and not one that waited anyway: a date it adds
 * has its authority, one it displaces is among its lines.
 */
function isOf({ title, lines }: OrderInput, { rule, fresh, settles }: Effect): boolean {
	if (settles) return false;
	if (fresh) return fresh.authority === title || fresh.authority.startsWith(`${title}, `);
	return lines.some((line) => line.do === 'off' && line.rule === rule);
}

function applyAtOnce(
	ctx: Context,
	matter: MatterRow,
	effect: Effect,
	{ order, version, meId }: { order: OrderInput; version: string; meId: string }
): string[] {
	const change: DateChangeRow = {
		id: newId('chg'),
		matter_id: matter.id,
		event_id: effect.eventId,
		deadline_id: effect.deadlineId,
		rule: effect.rule,
		title: effect.title,
		cause: 'order',
		why: order.title,
		was: effect.was,
		becomes: effect.fresh?.date ?? null,
		becomes_time: effect.fresh?.time ?? null,
		trace: JSON.stringify(effect.fresh?.trace ?? []),
		authority: effect.fresh?.authority ?? '',
		act: effect.fresh?.act ?? 'serve',
		book_version: version,
		state: 'applied',
		made_at: ctx.clock.now(),
		decided_by: meId,
		decided_at: ctx.clock.now(),
		reason: order.title
	};
	insert<DateChangeRow>(ctx.db, 'date_change', change);
	const done = applyChange(ctx, matter, change, order.title);
	if (effect.deadlineId !== null) return done;
	// What the order itself adds is no proposal: the court has decided on it.
	update<DeadlineRow>(
		ctx.db,
		'deadline',
		{ event_id: effect.eventId, rule: effect.rule, state: 'proposed' },
		{ state: 'docketed', docketed_by: meId, docketed_at: ctx.clock.now() }
	);
	return done.map((words) => words.replace(/proposed$/, 'docketed'));
}
