/** What a new version of a book, a closure or an order would change: shown before anything moves, kept waiting, applied or left. */
import { z } from 'zod';
import type { Closure } from '#core/dates/calendar.ts';
import { addDays, date as plain, sayDate, shortDate, type PlainDate } from '#core/dates/plain.ts';
import type { Rulebook } from '#core/docket/book.ts';
import { CountError } from '#core/docket/count.ts';
import { propose, type Proposal } from '#core/docket/propose.ts';
import {
	command,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Staff,
	type World
} from '../command.ts';
import { day, id, maybeText, text } from '../fields.ts';
import { statement } from '../db/statement.ts';
import { newId } from '../ids.ts';
import { onMatter, queueMail, theMatter, visible } from '../trust/scope.ts';
import { bookIn, shelf, type Shelf } from './books.ts';
import { vacate } from './deadlines.ts';
import { docket } from './queries.ts';
import {
	capital,
	closuresOf,
	given,
	insertDeadline,
	proposeAgain,
	putOn,
	tell,
	type DeadlineRow
} from './shared.ts';

/** One date that would change. `was` null: the rule is new; `fresh` undefined: no rule sets it any more. */
export type Effect = {
	eventId: string;
	matterId: string;
	deadlineId: string | null;
	rule: string;
	title: string;
	state: string;
	was: PlainDate | null;
	fresh: Proposal | undefined;
};
export type Alter = {
	/** The books whose events are looked at. */
	books: string[];
	/** Only this matter. */
	matterId?: string;
	/** The books as they would be. */
	shelf: Shelf;
	/** The orders over a book on a matter, as they would be; without it, as they are. */
	orders?: (matterId: string, book: string) => { id: string; rules: string }[];
	/** A closure that is not there yet, or one that would not be there any more. */
	closure?: Closure & { book: string };
	without?: { book: string; date: string };
	/** Whether rules that are new raise new proposals. */
	fresh: boolean;
	/** Counts every event anew, also those a closure cannot touch: for the test that both ways agree. */
	all?: boolean;
};
type Line = [
	eventId: string,
	matterId: string,
	key: string,
	book: string,
	date: string,
	time: string | null,
	service: string | null,
	answers: string,
	deadlineId: string | null,
	rule: string | null,
	state: string | null,
	due: string | null,
	at: string | null
];

/** Every date of the open matters that would change, event by event, from their stored inputs. Nothing is saved; reading is streamed. */
export function effects(w: World, a: Alter): Effect[] {
	const orders = new Map<string, { id: string; rules: string }[]>();
	if (!a.orders)
		for (const o of w.db
			.prepare<[], { id: string; rules: string; matter_id: string; book: string }>(
				'SELECT id, rules, matter_id, book FROM matter_order WHERE ended_at IS NULL ORDER BY dated, id'
			)
			.all())
			orders.set(`${o.matter_id} ${o.book}`, [
				...(orders.get(`${o.matter_id} ${o.book}`) ?? []),
				o
			]);
	const closures = new Map<Rulebook, Closure[]>();
	const closuresFor = (b: Rulebook) => {
		let found = closures.get(b);
		if (!found) {
			found = closuresOf(w, b).filter(
				(c) => !a.without || c.book !== a.without.book || c.date !== a.without.date
			);
			if (a.closure) found.push(a.closure);
			closures.set(b, found);
		}
		return found;
	};
	const out: Effect[] = [];
	const rows = w.db
		.prepare(
			`SELECT e.id, e.matter_id, e.event_key, e.book, e.date, e.time, e.service, e.answers, d.id, d.rule, d.state, coalesce(d.computed, d.date), d.time
		 FROM event e LEFT JOIN deadline d ON d.event_id = e.id
		 WHERE e.book IN (SELECT value FROM json_each(@books))${a.matterId ? ' AND e.matter_id = @matter' : ''} ORDER BY e.id`
		)
		.raw()
		.iterate({
			books: JSON.stringify(a.books),
			matter: a.matterId ?? ''
		}) as IterableIterator<Line>;
	const closed = new Set(
		w.db
			.prepare<[], { id: string }>("SELECT id FROM matter WHERE status = 'closed'")
			.all()
			.map((m) => m.id)
	);
	// A date that such a change took off can come back by another.
	const tookOff = new Set(
		w.db
			.prepare<[], { id: string }>(
				"SELECT c.deadline_id AS id FROM date_change c JOIN deadline d ON d.id = c.deadline_id WHERE c.state = 'applied' AND c.becomes IS NULL AND d.state = 'vacated'"
			)
			.all()
			.map((d) => d.id)
	);
	const titles = w.db.prepare<[string], { title: string }>(
		'SELECT title FROM deadline WHERE id = ?'
	);
	// A count looks only at the days between its event and its date, and a few beyond. A closure far from both changes nothing,
	// where the date hangs on the event alone and not on answers or on other counts beside it.
	const day = a.closure?.date ?? a.without?.date;
	const near =
		day === undefined || a.all
			? undefined
			: { from: addDays(plain(day), -20), to: addDays(plain(day), 20) };
	const alone = new Map<string, boolean>();
	const hangsAlone = (book: Rulebook, key: string): boolean => {
		let known = alone.get(`${book.id} ${key}`);
		if (known === undefined)
			alone.set(
				`${book.id} ${key}`,
				(known = (book.events.get(key)?.rules ?? []).every((r) =>
					[r.count, ...r.variants.map((v) => v.count)].every(
						(e) =>
							e === undefined || (e.kind === 'count' && e.from === 'event' && e.of === undefined)
					)
				))
			);
		return known;
	};
	let event: Line | undefined;
	let dates: Line[] = [];
	const judge = () => {
		if (!event || closed.has(event[1])) return;
		const [eventId, matterId, key, bookId, date, time, service, answers] = event;
		const over = a.orders
			? a.orders(matterId, bookId)
			: (orders.get(`${matterId} ${bookId}`) ?? []);
		const book = a.shelf.laid(bookId, over);
		if (
			near &&
			!a.fresh &&
			hangsAlone(book, key) &&
			dates.every(
				(d) => (date < near.from && d[11]! < near.from) || (date > near.to && d[11]! > near.to)
			)
		)
			return;
		let fresh: readonly Proposal[] = [];
		if (book.events.has(key)) {
			const asks = book.events.get(key)!.questions;
			try {
				// An answer to a question that is not asked any more is left aside.
				fresh = propose(book, {
					event: key,
					date: date as PlainDate,
					time: time ?? undefined,
					service: service ?? undefined,
					answers:
						answers === '{}'
							? {}
							: Object.fromEntries(
									Object.entries(given(answers)).filter(([q]) => asks.some((x) => x.id === q))
								),
					closures: closuresFor(book)
				}).deadlines;
			} catch (e) {
				if (!(e instanceof CountError)) throw e;
			}
		}
		for (const d of dates) {
			const p = fresh.find((x) => x.rule === d[9]);
			if (a.fresh && p && d[10] === 'vacated' && tookOff.has(d[8]!))
				out.push({
					eventId,
					matterId,
					deadlineId: d[8],
					rule: d[9]!,
					title: titles.get(d[8]!)!.title,
					state: 'vacated',
					was: null,
					fresh: p
				});
			if (d[10] !== 'docketed' && d[10] !== 'proposed') continue;
			const was = d[11] as PlainDate;
			if (p ? p.date !== was || p.time !== d[12] : true)
				out.push({
					eventId,
					matterId,
					deadlineId: d[8],
					rule: d[9]!,
					title: titles.get(d[8]!)!.title,
					state: d[10],
					was,
					fresh: p
				});
		}
		if (a.fresh)
			for (const p of fresh)
				if (!dates.some((d) => d[9] === p.rule))
					out.push({
						eventId,
						matterId,
						deadlineId: null,
						rule: p.rule,
						title: capital(p.title),
						state: 'new',
						was: null,
						fresh: p
					});
	};
	for (const r of rows) {
		if (event?.[0] !== r[0]) {
			judge();
			event = r;
			dates = [];
		}
		if (r[8] !== null) dates.push(r);
	}
	judge();
	return out;
}

export type EffectView = {
	matterNumber: string;
	matterTitle: string;
	title: string;
	state: string;
	was: PlainDate | null;
	becomes: PlainDate | null;
	days: number | null;
	event: string;
};
/** The effects on matters the viewer may see, by matter and day. */
export function sayEffects(w: World, me: Staff, all: readonly Effect[]): EffectView[] {
	const events = w.db.prepare<unknown[], { text: string; number: string; title: string }>(
		`SELECT e.text, m.number, m.title FROM event e JOIN matter m ON m.id = e.matter_id WHERE e.id = @id AND ${visible('m')}`
	);
	const known = new Map<string, { text: string; number: string; title: string } | undefined>();
	return all
		.flatMap((f) => {
			if (!known.has(f.eventId)) known.set(f.eventId, events.get({ id: f.eventId, me: me.id }));
			const e = known.get(f.eventId);
			if (!e) return [];
			const becomes = f.fresh?.date ?? null;
			return [
				{
					matterNumber: e.number,
					matterTitle: e.title,
					event: e.text,
					title: f.title,
					state: f.state,
					was: f.was,
					becomes,
					days:
						f.was && becomes
							? Math.round((Date.parse(becomes) - Date.parse(f.was)) / 86_400_000)
							: null
				}
			];
		})
		.sort(
			(x, y) =>
				x.matterNumber.localeCompare(y.matterNumber) ||
				(x.becomes ?? x.was ?? '').localeCompare(y.becomes ?? y.was ?? '')
		);
}

/** Keeps the changes waiting for a decision; an older one that waits for the same date is replaced. Everyone concerned is told once. Says how many dates and matters of those the actor may see. */
export function keepChanges(
	ctx: Ctx,
	all: readonly Effect[],
	cause: 'book' | 'closure' | 'order',
	why: string,
	version: string
): { affected: number; matters: number } {
	const replace = ctx.db.prepare(
		"UPDATE date_change SET state = 'replaced' WHERE event_id = ? AND rule = ? AND state = 'waits'"
	);
	const put = ctx.db.prepare(
		'INSERT INTO date_change (id, matter_id, event_id, deadline_id, rule, title, cause, why, was, becomes, becomes_time, trace, authority, act, book_version, made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)'
	);
	const byMatter = new Map<string, number>();
	for (const f of all) {
		replace.run(f.eventId, f.rule);
		put.run(
			newId('chg'),
			f.matterId,
			f.eventId,
			f.deadlineId,
			f.rule,
			f.title,
			cause,
			why,
			f.was,
			f.fresh?.date ?? null,
			f.fresh?.time ?? null,
			JSON.stringify(f.fresh?.trace ?? []),
			f.fresh?.authority ?? '',
			f.fresh?.act ?? 'serve',
			version,
			ctx.clock.now()
		);
		byMatter.set(f.matterId, (byMatter.get(f.matterId) ?? 0) + 1);
	}
	// Mail about a restricted matter goes by itself: whoever may read mail may not know of it.
	const told = new Map<string, { matterId: string | null; name: string; lines: string[] }>();
	for (const [matterId, n] of byMatter) {
		const m = ctx.db
			.prepare<[string], { number: string; title: string; restricted: number }>(
				'SELECT number, title, restricted FROM matter WHERE id = ?'
			)
			.get(matterId)!;
		ctx.db
			.prepare(
				"INSERT INTO logbook (id, matter_id, at, staff_id, kind, text, link) VALUES (?, ?, ?, ?, 'date', ?, ?)"
			)
			.run(
				newId('log'),
				matterId,
				ctx.clock.now(),
				staffOf(ctx).id,
				`${why}: ${n === 1 ? 'one date would change and waits' : `${n} dates would change and wait`} for a decision.`,
				`/matters/${m.number}/docket`
			);
		for (const s of onMatter(ctx.db, matterId)) {
			if (s.id === staffOf(ctx).id) continue;
			const key = m.restricted ? `${s.id} ${matterId}` : s.id;
			const t = told.get(key) ?? {
				matterId: m.restricted ? matterId : null,
				name: `${s.name} <${s.email}>`,
				lines: []
			};
			t.lines.push(
				`${m.number} ${m.title}: ${n === 1 ? 'one date' : `${n} dates`}\n  ${ctx.origin}/matters/${m.number}/docket`
			);
			told.set(key, t);
		}
	}
	for (const t of told.values())
		queueMail(ctx, newId('mal'), {
			matterId: t.matterId,
			to: t.name,
			subject: `Dates would change: ${why}`.slice(0, 180),
			text: `${why}.\n\nNothing has moved yet. These wait for a decision:\n\n${t.lines.slice(0, 200).join('\n')}\n`
		});
	const seen = sayEffects(ctx, staffOf(ctx), all);
	return { affected: seen.length, matters: new Set(seen.map((e) => e.matterNumber)).size };
}

export type ChangeView = {
	id: string;
	matterId: string;
	matterNumber: string;
	matterTitle: string;
	title: string;
	cause: string;
	why: string;
	was: PlainDate | null;
	becomes: PlainDate | null;
	madeAt: string;
	moved: PlainDate | null;
	event: string;
};
/** How many changes wait in matters the viewer may see. */
export const waitingCount = (w: World, me: Staff): number =>
	statement<{ n: number }>(
		w.db,
		`SELECT count(*) AS n FROM date_change c JOIN matter m ON m.id = c.matter_id WHERE c.state = 'waits' AND m.status <> 'closed' AND ${visible('m')}`
	).get({ me: me.id })!.n;
/** What waits in the docket for someone: dates without a second check, changes without a decision. */
export const docketWaiting = (w: World, me: Staff): { checks: number; changes: number } => ({
	checks: docket(w, me, { show: 'unchecked', per: 1 }).total,
	changes: waitingCount(w, me)
});
/** The changes that wait, in matters the viewer may see; of one matter, or all, the first 500. */
export const waitingChanges = (w: World, me: Staff, matterId?: string, limit = 500): ChangeView[] =>
	w.db
		.prepare<unknown[], ChangeView>(
			`SELECT c.id, m.id AS matterId, m.number AS matterNumber, m.title AS matterTitle, c.title, c.cause, c.why, c.was, c.becomes, c.made_at AS madeAt, CASE WHEN d.computed IS NOT NULL THEN d.date END AS moved, e.text AS event
		 FROM date_change c JOIN matter m ON m.id = c.matter_id JOIN event e ON e.id = c.event_id LEFT JOIN deadline d ON d.id = c.deadline_id
		 WHERE c.state = 'waits' AND m.status <> 'closed' AND ${visible('m')}${matterId ? ' AND m.id = @matter' : ''} ORDER BY c.made_at, m.number, coalesce(c.becomes, c.was), c.id LIMIT @limit`
		)
		.all({ me: me.id, matter: matterId ?? '', limit });

/** Applies changes that wait, or leaves the dates as they are; of one matter at a time, everyone told once. */
export const decideChanges = command({
	name: 'decide date changes',
	action: 'docket.change',
	input: z.object({
		changeIds: z.array(z.string()).min(1, 'Choose a date.').max(1000),
		apply: z.boolean(),
		reason: maybeText('The reason', 500)
	}),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		type Row = {
			id: string;
			matter_id: string;
			event_id: string;
			deadline_id: string | null;
			rule: string;
			title: string;
			why: string;
			was: string | null;
			becomes: string | null;
			becomes_time: string | null;
			trace: string;
			authority: string;
			act: 'file' | 'serve';
			book_version: string;
			state: string;
		};
		const rows = i.changeIds.map((c) => {
			const r = ctx.db.prepare<[string], Row>('SELECT * FROM date_change WHERE id = ?').get(c);
			if (!r) throw new NotFound('change');
			return r;
		});
		if (rows.some((r) => r.matter_id !== rows[0]!.matter_id))
			throw new Refused('These dates belong to different matters.');
		const m = theMatter(ctx, rows[0]!.matter_id);
		if (!i.apply && i.reason === '')
			throw new Refused('Say why the date stays as it is.', 'reason');
		const said: string[] = [];
		for (const r of rows) {
			if (r.state !== 'waits') throw new Refused('This change was decided already.');
			ctx.db
				.prepare(
					'UPDATE date_change SET state = ?, decided_by = ?, decided_at = ?, reason = ? WHERE id = ?'
				)
				.run(i.apply ? 'applied' : 'left', me.id, ctx.clock.now(), i.reason, r.id);
			if (!i.apply) {
				said.push(
					`${r.title} stays${r.was ? ` on ${shortDate(plain(r.was))}` : ' off the docket'}`
				);
				continue;
			}
			const e = ctx.db
				.prepare<[string], { book: string }>('SELECT book FROM event WHERE id = ?')
				.get(r.event_id)!;
			const there = ctx.db
				.prepare<[string, string], { id: string; state: string }>(
					"SELECT id, state FROM deadline WHERE event_id = ? AND rule = ? ORDER BY state = 'vacated' LIMIT 1"
				)
				.get(r.event_id, r.rule);
			// A date that is to come may be there meanwhile, by a correction of its event; or it was taken off and comes back.
			if (r.was === null && there) {
				if (there.state === 'vacated')
					proposeAgain(ctx, there.id, {
						date: r.becomes!,
						time: r.becomes_time,
						trace: r.trace,
						authority: r.authority,
						version: r.book_version
					});
				said.push(
					there.state === 'vacated'
						? `${r.title} ${shortDate(plain(r.becomes!))} proposed again`
						: `${r.title} was there already`
				);
				continue;
			}
			if (r.deadline_id === null) {
				insertDeadline(
					ctx,
					m,
					r.event_id,
					{ id: e.book, version: r.book_version },
					{
						rule: r.rule,
						title: r.title,
						authority: r.authority,
						act: r.act,
						suggested: r.rule.startsWith('suggested-'),
						date: plain(r.becomes!),
						time: r.becomes_time,
						trace: r.trace
					},
					false
				);
				said.push(`${r.title} ${shortDate(plain(r.becomes!))} proposed`);
				continue;
			}
			const d = ctx.db
				.prepare<[string], DeadlineRow>('SELECT * FROM deadline WHERE id = ?')
				.get(r.deadline_id)!;
			if (d.state !== 'docketed' && d.state !== 'proposed') continue;
			if ((d.computed ?? d.date) !== r.was)
				throw new Refused(
					`“${d.title}” was changed meanwhile: it is not on ${sayDate(plain(r.was!))} any more. Leave this change, and count again.`
				);
			if (r.becomes === null) {
				vacate(ctx, d, i.reason || r.why);
				said.push(`${d.title} taken off`);
			} else if (d.computed !== null) {
				ctx.db
					.prepare(
						'UPDATE deadline SET computed = ?, trace = ?, book_version = ?, version = version + 1 WHERE id = ?'
					)
					.run(r.becomes, r.trace, r.book_version, d.id);
				said.push(
					`${d.title} stays where it was moved to; the rule now gives ${shortDate(plain(r.becomes))}`
				);
			} else {
				said.push(
					`${d.title} from ${shortDate(plain(d.date))} to ${shortDate(plain(r.becomes))}`,
					...putOn(ctx, d, {
						date: plain(r.becomes),
						time: r.becomes_time,
						trace: r.trace,
						version: r.book_version
					})
				);
				if (r.authority)
					ctx.db.prepare('UPDATE deadline SET authority = ? WHERE id = ?').run(r.authority, d.id);
			}
		}
		scribe.matter(m.id);
		scribe.note({
			apply: i.apply,
			reason: i.reason,
			changes: rows.map((r) => ({
				rule: r.rule,
				deadline: r.deadline_id,
				was: r.was,
				becomes: r.becomes
			}))
		});
		const words = `${rows[0]!.why}: ${said.join('; ')}.${i.reason ? ` ${i.reason}` : ''}`;
		scribe.log(m.id, 'date', words);
		const told = i.apply ? tell(ctx, m, `${m.number} ${m.title}: dates moved`, words) : 0;
		return { decided: rows.length, told };
	}
});

const closureFields = {
	book: id('a court'),
	date: day('The day'),
	kind: z.enum(['holiday', 'office'], { error: 'Say what kind of closure it is.' }),
	name: text('The reason', 120)
};
/** What a closure would change, before it is entered. */
export function closureEffects(
	w: World,
	c: { book: string; date: PlainDate; kind: 'holiday' | 'office'; name: string },
	all = false
): Effect[] {
	return effects(w, {
		books: shelf(w).using(c.book),
		shelf: shelf(w),
		closure: { ...c },
		fresh: false,
		all
	});
}

/** Adds a closure for a court. The dates it affects wait for a decision; nothing moves by itself. */
export const addClosure = command({
	name: 'add closure',
	action: 'docket.closure',
	input: z.object(closureFields),
	run(ctx, i, scribe) {
		if (!shelf(ctx).files.has(i.book)) throw new Refused('Choose a court.', 'book');
		const book = bookIn(ctx, i.book);
		const found = closureEffects(ctx, i);
		if (
			ctx.db
				.prepare(
					'INSERT OR IGNORE INTO closure (id, book, date, kind, name) VALUES (?, ?, ?, ?, ?)'
				)
				.run(newId('clo'), i.book, i.date, i.kind, i.name).changes === 0
		)
			throw new Refused('There is a closure on this day already.', 'date');
		const kept = keepChanges(
			ctx,
			found,
			'closure',
			`${i.name} on ${sayDate(i.date)} (${book.short})`,
			book.version
		);
		scribe.note({ ...i, affects: found.length });
		return kept;
	}
});

/** Takes a closure away that was entered by mistake; what would move back waits for a decision too. */
export const dropClosure = command({
	name: 'drop closure',
	action: 'docket.closure',
	input: z.object({ closureId: id('a closure'), reason: text('The reason', 300) }),
	run(ctx, i, scribe) {
		const c = ctx.db
			.prepare<[string], { id: string; book: string; date: string; name: string }>(
				'SELECT * FROM closure WHERE id = ?'
			)
			.get(i.closureId);
		if (!c) throw new NotFound('closure');
		ctx.db.prepare('DELETE FROM closure WHERE id = ?').run(c.id);
		const book = bookIn(ctx, c.book);
		const found = effects(ctx, {
			books: shelf(ctx).using(c.book),
			shelf: shelf(ctx),
			fresh: false
		});
		const kept = keepChanges(
			ctx,
			found,
			'closure',
			`No closure on ${sayDate(plain(c.date))} after all (${book.short})`,
			book.version
		);
		scribe.note({ closure: c, reason: i.reason, affects: found.length });
		return kept;
	}
});
