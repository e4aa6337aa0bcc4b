/** A judge's standing order or a scheduling order: rules laid over one book on one matter. And the further books of a matter. */
import { z } from 'zod';
import { sayDate } from '#core/dates/plain.ts';
import { BookError, readBookOr } from '#core/docket/book.ts';
import { command, NotFound, Refused, staffOf, type Staff, type World } from '../command.ts';
import { day, id, maybeId, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { theMatter, visible, type MatterRow } from '../trust/scope.ts';
import { bookFor, bookIn, ordersOver, shelf } from './books.ts';
import { effects, keepChanges, type Effect } from './changes.ts';
import { documentOn } from './shared.ts';

const line = z.object({
	do: z.enum(['replace', 'off', 'add']),
	event: z.string().min(1).max(120),
	rule: z.string().max(160).default(''),
	count: z.string().max(40).default(''),
	title: z.string().max(200).default(''),
	act: z.enum(['file', 'serve']).default('file')
});
const input = z.object({
	matterId: id('a matter'),
	book: id('a rulebook'),
	sort: z.enum(['standing order', 'scheduling order'], { error: 'Say what kind of order it is.' }),
	title: text('The order', 200),
	dated: day('The date of the order'),
	documentId: maybeId,
	lines: z
		.array(line)
		.min(1, 'An order says at least one thing: replace, add or switch off a date.')
		.max(60)
});
type OrderRules = {
	book: string;
	off: string[];
	replace: { rule: string; count: string; authority: string }[];
	events: {
		event: string;
		deadlines: { title: string; authority: string; act: string; count: string }[];
	}[];
};
export type OrderInput = z.output<typeof input>;

/** The order in the schema of a book, laid over the matter's book. Throws Refused naming the line. */
function orderRules(w: World, m: MatterRow, i: OrderInput, orderId: string): OrderRules {
	const below = bookFor(w, m.id, i.book);
	const off: string[] = [],
		replace: OrderRules['replace'] = [],
		events = new Map<string, OrderRules['events'][number]>();
	i.lines.forEach((l, n) => {
		const field = `line-${n}`;
		const event = below.events.get(l.event);
		if (!event) throw new Refused('Choose the event.', field);
		const rule = event.rules.find((r) => r.id === l.rule);
		if (l.do !== 'add' && !rule) throw new Refused(`Choose which date of “${event.text}”.`, field);
		if (l.do !== 'off' && l.count.trim() === '')
			throw new Refused('Give the days, like +21d, -14d or -5cd.', field);
		if (l.do === 'off') off.push(`${l.event}/${l.rule}`);
		else if (l.do === 'replace')
			replace.push({ rule: `${l.event}/${l.rule}`, count: l.count.trim(), authority: i.title });
		else {
			if (l.title.trim().length < 3) throw new Refused('Name the date that the order adds.', field);
			const e = events.get(l.event) ?? { event: event.text, deadlines: [] };
			e.deadlines.push({
				title: l.title.trim(),
				authority: i.title,
				act: l.act,
				count: l.count.trim()
			});
			events.set(l.event, e);
		}
	});
	const rules = {
		book: `order.${orderId.replaceAll('_', '-').toLowerCase()}`,
		title: i.title,
		short: i.sort,
		version: i.dated,
		reviewed: i.dated,
		sort: 'order',
		extends: i.book,
		off,
		replace,
		events: [...events.values()]
	};
	const read = readBookOr(rules);
	if ('faults' in read) {
		const f = read.faults[0]!;
		const at =
			f.path[0] === 'replace'
				? i.lines.findIndex(
						(l) =>
							l.do === 'replace' &&
							replace[Number(f.path[1])] &&
							`${l.event}/${l.rule}` === replace[Number(f.path[1])]!.rule
					)
				: i.lines.findIndex((l) => l.do === 'add');
		throw new Refused(f.message, `line-${Math.max(0, at)}`);
	}
	return rules;
}

/** What the order would change on its matter. */
export function orderEffects(w: World, m: MatterRow, i: OrderInput): Effect[] {
	const file = orderRules(w, m, i, 'trial');
	const over = [
		...ordersOver(w.db, m.id, i.book),
		{ id: `trial ${Math.random()}`, rules: JSON.stringify(file) }
	];
	try {
		return effects(w, {
			books: [i.book],
			matterId: m.id,
			shelf: shelf(w),
			orders: (_, b) => (b === i.book ? over : ordersOver(w.db, m.id, b)),
			fresh: true
		});
	} catch (e) {
		if (e instanceof BookError) throw new Refused(e.message);
		throw e;
	}
}
/** Reads an order from a form or a request; a Refused where it is not one. */
export function readOrder(raw: unknown): OrderInput {
	const p = input.safeParse(raw);
	if (!p.success)
		throw new Refused(
			p.error.issues[0]!.message,
			p.error.issues[0]!.path[0] === 'lines' ? 'lines' : String(p.error.issues[0]!.path[0] ?? '')
		);
	return p.data;
}

/** Lays an order over a matter's rules. What it changes of dates already there waits for a decision. */
export const layOrder = command({
	name: 'lay order over rules',
	action: 'docket.change',
	input,
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (
			m.rulebook !== i.book &&
			!ctx.db
				.prepare('SELECT 1 FROM matter_book WHERE matter_id = ? AND book = ?')
				.get(m.id, i.book)
		)
			throw new Refused('This matter does not stand under that rulebook.', 'book');
		const doc = documentOn(ctx, m, i.documentId, 'documentId');
		const found = orderEffects(ctx, m, i);
		const orderId = newId('ord');
		const file = orderRules(ctx, m, i, orderId);
		ctx.db
			.prepare(
				'INSERT INTO matter_order (id, matter_id, book, sort, title, dated, document_id, rules, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)'
			)
			.run(
				orderId,
				m.id,
				i.book,
				i.sort,
				i.title,
				i.dated,
				doc?.id ?? null,
				JSON.stringify(file),
				staffOf(ctx).id,
				ctx.clock.now()
			);
		scribe.matter(m.id);
		scribe.note({
			order: orderId,
			book: i.book,
			title: i.title,
			dated: i.dated,
			lines: i.lines,
			document: doc?.id ?? null
		});
		scribe.log(
			m.id,
			'date',
			`${i.title}, ${sayDate(i.dated)}, laid over the rules: ${i.lines.map((l) => `${l.do === 'off' ? 'switches off' : l.do === 'replace' ? 'replaces' : 'adds'} ${l.do === 'add' ? `${l.title} (${l.count})` : `${l.rule.replaceAll('-', ' ')}${l.do === 'replace' ? ` by ${l.count}` : ''}`}`).join('; ')}.`,
			doc ? `/documents/${doc.id}` : undefined
		);
		keepChanges(ctx, found, 'order', i.title, bookFor(ctx, m.id, i.book).version);
		return { orderId, affected: found.length };
	}
});

/** An order no longer holds; the dates it changed wait for a decision to change back. */
export const endOrder = command({
	name: 'end order',
	action: 'docket.change',
	input: z.object({ orderId: id('an order'), reason: text('The reason', 300) }),
	run(ctx, i, scribe) {
		const o = ctx.db
			.prepare<
				[string],
				{ id: string; matter_id: string; book: string; title: string; ended_at: string | null }
			>('SELECT id, matter_id, book, title, ended_at FROM matter_order WHERE id = ?')
			.get(i.orderId);
		if (!o) throw new NotFound('order');
		const m = theMatter(ctx, o.matter_id);
		if (o.ended_at) throw new Refused('This order was ended already.');
		ctx.db
			.prepare('UPDATE matter_order SET ended_at = ?, ended_reason = ? WHERE id = ?')
			.run(ctx.clock.now(), i.reason, o.id);
		const found = effects(ctx, { books: [o.book], matterId: m.id, shelf: shelf(ctx), fresh: true });
		scribe.matter(m.id);
		scribe.note({ order: o.id, reason: i.reason });
		scribe.log(m.id, 'date', `${o.title} no longer holds: ${i.reason}`);
		keepChanges(
			ctx,
			found,
			'order',
			`${o.title} no longer holds`,
			bookFor(ctx, m.id, o.book).version
		);
		return { affected: found.length };
	}
});

/** Puts a further book on a matter (an agency's, a timeline of the department's), or takes it off where nothing was counted by it. */
export const setMatterBook = command({
	name: 'set matter book',
	action: 'docket.enter',
	input: z.object({ matterId: id('a matter'), book: id('a rulebook'), on: z.boolean() }),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		if (!shelf(ctx).files.has(i.book) || bookIn(ctx, i.book).events.size === 0)
			throw new Refused('There is no such rulebook.', 'book');
		if (i.book === m.rulebook)
			throw new Refused('That is the rulebook of this matter already.', 'book');
		if (
			!i.on &&
			ctx.db.prepare('SELECT 1 FROM event WHERE matter_id = ? AND book = ?').get(m.id, i.book)
		)
			throw new Refused('Dates were counted under this rulebook: it stays.', 'book');
		if (i.on)
			ctx.db
				.prepare('INSERT OR IGNORE INTO matter_book (matter_id, book) VALUES (?, ?)')
				.run(m.id, i.book);
		else
			ctx.db.prepare('DELETE FROM matter_book WHERE matter_id = ? AND book = ?').run(m.id, i.book);
		scribe.matter(m.id);
		scribe.note({ book: i.book, on: i.on });
		scribe.log(
			m.id,
			'matter',
			`${bookIn(ctx, i.book).title} ${i.on ? 'added to the rulebooks' : 'taken from the rulebooks'}.`
		);
	}
});

export type OrderView = {
	id: string;
	book: string;
	sort: string;
	title: string;
	dated: string;
	documentId: string | null;
	by: string;
	says: string[];
	endedAt: string | null;
	endedReason: string;
};
/** The orders of a matter, in words. */
export function ordersOf(w: World, me: Staff, matterId: string): OrderView[] {
	return w.db
		.prepare<unknown[], Omit<OrderView, 'says'> & { rules: string }>(
			`SELECT o.id, o.book, o.sort, o.title, o.dated, o.document_id AS documentId, s.initials AS by, o.rules, o.ended_at AS endedAt, o.ended_reason AS endedReason FROM matter_order o JOIN matter m ON m.id = o.matter_id JOIN staff s ON s.id = o.made_by WHERE o.matter_id = @id AND ${visible('m')} ORDER BY o.ended_at IS NOT NULL, o.dated, o.id`
		)
		.all({ id: matterId, me: me.id })
		.map(({ rules, ...o }) => {
			const f = JSON.parse(rules) as OrderRules;
			const base = bookIn(w, o.book);
			const name = (key: string) => {
				const [e, r] = key.split('/');
				const ev = base.events.get(e ?? '');
				return `${ev?.rules.find((x) => x.id === r)?.title ?? r} (${ev?.text ?? e})`;
			};
			return {
				...o,
				says: [
					...f.replace.map((r) => `${name(r.rule)}: ${r.count}`),
					...f.off.map((x) => `${name(x)}: switched off`),
					...f.events.flatMap((e) =>
						e.deadlines.map((d) => `${d.title} (${e.event}): ${d.count}, added`)
					)
				]
			};
		});
}
