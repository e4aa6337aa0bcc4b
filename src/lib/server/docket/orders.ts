/**
 * A judge's standing order or a scheduling order laid over one book on one matter. And the further
 * books of a matter.
 */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import { BookError } from '#core/rulebooks/book.ts';
import { requireMatter, visible } from '#server/access/visibility.ts';
import type { Application, Context, Staff } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { matterPreview } from '#server/app/preview.ts';
import { all, exists, insert, insertOrIgnore, maybeOne, remove, update } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { bookOnMatter, listOrdersOver, requireBook, shelfOf } from '#server/rulebooks/shelf.ts';
import { recordChanges } from './changes.ts';
import { showEffects } from './effect-views.ts';
import { findEffects, type Effect } from './effects.ts';
import { requireDocumentOn } from './find.ts';
import {
	describeLines,
	describeRules,
	makeOrderRules,
	orderInput,
	type OrderInput
} from './order-rules.ts';
import type { MatterBookRow, MatterOrderRow } from './rows.ts';

/** What the order would change on its matter. */
function findOrderEffects(app: Application, matter: MatterRow, order: OrderInput): Effect[] {
	const below = bookOnMatter(app, matter.id, order.book);
	const orderId = newId('trial');
	const rules = JSON.stringify(makeOrderRules(below, order, orderId));
	const over = [...listOrdersOver(app, matter.id, order.book), { id: orderId, rules }];
	try {
		return findEffects(app, {
			books: [order.book],
			matterId: matter.id,
			shelf: shelfOf(app),
			orders: (matterId, book) =>
				book === order.book ? over : listOrdersOver(app, matterId, book),
			fresh: true
		});
	} catch (error) {
		if (error instanceof BookError) throw new Refused(error.message);
		throw error;
	}
}

/** What the order would change, before it is laid over the rules. */
export const previewOrder = matterPreview({
	action: 'docket.change',
	input: orderInput,
	run: ({ ctx, me, matter, input }) => showEffects(ctx, me, findOrderEffects(ctx, matter, input))
});

const standsUnder = (app: Application, matter: MatterRow, book: string): boolean =>
	matter.rulebook === book ||
	exists(app.db, 'SELECT 1 FROM matter_book WHERE matter_id = @matterId AND book = @book', {
		matterId: matter.id,
		book
	});

/**
 * Lays an order over a matter's rules. What it changes of dates already there waits for a decision.
 */
export const layOrder = matterCommand({
	name: 'lay order over rules',
	action: 'docket.change',
	input: orderInput,
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input, record }) {
		const { book, sort, title, dated, lines } = input;
		if (!standsUnder(ctx, matter, book))
			throw new Refused('This matter does not stand under that rulebook.', 'book');
		const document = requireDocumentOn(ctx, matter, input.documentId, 'documentId');
		const effects = findOrderEffects(ctx, matter, input);
		const orderId = newId('ord');
		const rules = makeOrderRules(bookOnMatter(ctx, matter.id, book), input, orderId);
		insert<MatterOrderRow>(ctx.db, 'matter_order', {
			id: orderId,
			matter_id: matter.id,
			book,
			sort,
			title,
			dated,
			document_id: document?.id ?? null,
			rules: JSON.stringify(rules),
			made_by: me.id,
			made_at: ctx.clock.now()
		});
		record.audit({
			order: orderId,
			book,
			title,
			dated,
			lines,
			document: document?.id ?? null
		});
		record.log(
			'date',
			`${title}, ${formatDate(dated)}, laid over the rules: ${describeLines(lines)}.`,
			document && `/documents/${document.id}`
		);
		const { version } = bookOnMatter(ctx, matter.id, book);
		recordChanges(ctx, effects, { cause: 'order', why: title, version });
		return { orderId, affected: effects.length };
	}
});

function requireOrder(ctx: Context, orderId: string): { order: MatterOrderRow; matter: MatterRow } {
	const order = maybeOne<MatterOrderRow>(ctx.db, 'SELECT * FROM matter_order WHERE id = @orderId', {
		orderId
	});
	if (!order) throw new NotFound('order');
	return { order, matter: requireMatter(ctx, order.matter_id) };
}

/** An order no longer holds; the dates it changed wait for a decision to change back. */
export const endOrder = matterCommand({
	name: 'end order',
	action: 'docket.change',
	input: z.object({ orderId: id('an order'), reason: text('The reason', 300) }),
	find: (ctx, { orderId }) => requireOrder(ctx, orderId),
	onClosed: 'allowed',
	run({ ctx, order, matter, input, record }) {
		if (order.ended_at) throw new Refused('This order was ended already.');
		update<MatterOrderRow>(
			ctx.db,
			'matter_order',
			{ id: order.id },
			{ ended_at: ctx.clock.now(), ended_reason: input.reason }
		);
		const alteration = { books: [order.book], matterId: matter.id, fresh: true };
		const effects = findEffects(ctx, { ...alteration, shelf: shelfOf(ctx) });
		record.audit({ order: order.id, reason: input.reason });
		record.log('date', `${order.title} no longer holds: ${input.reason}`);
		const { version } = bookOnMatter(ctx, matter.id, order.book);
		recordChanges(ctx, effects, {
			cause: 'order',
			why: `${order.title} no longer holds`,
			version
		});
		return { affected: effects.length };
	}
});

/** Puts a further book on a matter: an agency's, a timeline of the department's. */
export const addMatterBook = matterCommand({
	name: 'add matter book',
	action: 'docket.enter',
	input: z.object({ matterId: id('a matter'), book: id('a rulebook') }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input, record }) {
		const { files } = shelfOf(ctx);
		if (!files.has(input.book) || requireBook(ctx, input.book).events.size === 0)
			throw new Refused('There is no such rulebook.', 'book');
		if (input.book === matter.rulebook)
			throw new Refused('That is the rulebook of this matter already.', 'book');
		insertOrIgnore<MatterBookRow>(ctx.db, 'matter_book', {
			matter_id: matter.id,
			book: input.book
		});
		record.audit({ book: input.book });
		record.log('matter', `${requireBook(ctx, input.book).title} added to the rulebooks.`);
	}
});

/** Takes a further book off a matter, where nothing was counted by it. */
export const removeMatterBook = matterCommand({
	name: 'remove matter book',
	action: 'docket.enter',
	input: z.object({ matterId: id('a matter'), book: id('a rulebook') }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input, record }) {
		const key = { matter_id: matter.id, book: input.book };
		const counted = exists(
			ctx.db,
			'SELECT 1 FROM event WHERE matter_id = @matter_id AND book = @book',
			key
		);
		if (counted) throw new Refused('Dates were counted under this rulebook: it stays.', 'book');
		if (remove<MatterBookRow>(ctx.db, 'matter_book', key) === 0)
			throw new Refused('This matter does not stand under that rulebook.', 'book');
		record.audit({ book: input.book });
		record.log('matter', `${requireBook(ctx, input.book).title} taken from the rulebooks.`);
	}
});

export type OrderView = {
	id: string;
	book: string;
	sort: MatterOrderRow['sort'];
	title: string;
	dated: string;
	documentId: string | null;
	/** Initials. */
	by: string;
	says: string[];
	endedAt: string | null;
	endedReason: string;
};

/** The orders of a matter, in words. */
export function listOrders(app: Application, me: Staff, matterId: string): OrderView[] {
	const rows = all<Omit<OrderView, 'says'> & { rules: string }>(
		app.db,
		`SELECT
			o.id, o.book, o.sort, o.title, o.dated, o.document_id AS documentId, s.initials AS by,
			o.rules, o.ended_at AS endedAt, o.ended_reason AS endedReason
		FROM matter_order o
		JOIN matter m ON m.id = o.matter_id
		JOIN staff s ON s.id = o.made_by
		WHERE o.matter_id = @matterId AND ${visible('m')}
		ORDER BY o.ended_at IS NOT NULL, o.dated, o.id`,
		{ matterId, me: me.id }
	);
	return rows.map(({ rules, ...order }) => ({
		...order,
		says: describeRules(requireBook(app, order.book), { rules })
	}));
}
