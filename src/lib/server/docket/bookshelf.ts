/** The department's own books and its versions of shipped ones: checked while one writes, previewed, saved, never changed afterwards. */
import { z } from 'zod';
import {
	isAlias,
	isScalar,
	isSeq,
	LineCounter,
	parseDocument,
	stringify,
	visit,
	type Document
} from 'yaml';
import { date as plain, type PlainDate } from '#core/dates/plain.ts';
import { BookError, idOf, readBookOr, type BookFile } from '#core/docket/book.ts';
import { CountError } from '#core/docket/count.ts';
import { propose } from '#core/docket/propose.ts';
import { sentences } from '#core/docket/trace.ts';
import { command, Refused, staffOf, type World } from '../command.ts';
import { id, text } from '../fields.ts';
import { shelf, shipped, shippedYaml, stale, type Shelf } from './books.ts';
import { effects, keepChanges, type Effect } from './changes.ts';

export type Fault = { line: number; say: string };
export type ExampleView = {
	line: number;
	event: string;
	rule: string;
	date: string;
	service: string | null;
	answers: string;
	says: string | null;
	gives: string | null;
	ok: boolean;
	sentences: string[];
};
export type Checked = {
	faults: Fault[];
	examples: ExampleView[];
	file: BookFile | null;
	shelf: Shelf | null;
};

const MOST = 400_000;
/** Reads a book as it is written, with every fault at its line, and counts every example anew. Nothing is saved. */
export function checkBook(w: World, yaml: string, expect?: string): Checked {
	const none = (faults: Fault[]): Checked => ({ faults, examples: [], file: null, shelf: null });
	if (yaml.length > MOST) return none([{ line: 1, say: 'The book is larger than 400 KB.' }]);
	const lines = new LineCounter();
	const doc = parseDocument(yaml, { lineCounter: lines, prettyErrors: false });
	const lineOf = (offset: number | undefined) =>
		offset === undefined ? 1 : Math.max(1, lines.linePos(offset).line);
	if (doc.errors.length)
		return none(
			doc.errors
				.slice(0, 20)
				.map((e) => ({ line: lineOf(e.pos[0]), say: e.message.replace(/ at line .*$/s, '') }))
		);
	let alias: number | undefined;
	visit(doc, {
		Alias: (_, node) => {
			alias ??= node.range?.[0];
		}
	});
	if (alias !== undefined)
		return none([
			{
				line: lineOf(alias),
				say: 'A book does not refer to its own parts by an alias (*name): write the part out.'
			}
		]);
	const read = readBookOr(doc.toJS());
	if ('faults' in read)
		return none(
			read.faults
				.slice(0, 30)
				.map((f) => ({
					line: lineAt(doc, f.path, lineOf),
					say: f.path.length ? `${sayPath(f.path)}: ${f.message}` : f.message
				}))
		);
	const file = read.file;
	const at = (find: (e: BookFile['events'][number], i: number) => (string | number)[] | null) => {
		for (const [i, e] of file.events.entries()) {
			const path = find(e, i);
			if (path) return lineAt(doc, path, lineOf);
		}
		return 1;
	};
	if (expect !== undefined && file.book !== expect)
		return none([
			{
				line: lineAt(doc, ['book'], lineOf),
				say: `This book is “${expect}”: a version keeps its name.`
			}
		]);
	if (file.sort === 'order')
		return none([
			{
				line: lineAt(doc, ['sort'], lineOf),
				say: 'An order is laid over the rules on its matter, not kept as a book.'
			}
		]);
	const next = shelf(w).with(file);
	const faults: Fault[] = [];
	const using = new Set([file.book]);
	try {
		next.book(file.book);
		for (const x of next.using(file.book)) using.add(x);
		// A book under others must go on carrying them, and the orders of matters over it.
		for (const o of w.db
			.prepare<[], { id: string; rules: string; book: string; number: string }>(
				'SELECT o.id, o.rules, o.book, m.number FROM matter_order o JOIN matter m ON m.id = o.matter_id WHERE o.ended_at IS NULL'
			)
			.all())
			if (using.has(o.book)) {
				try {
					next.laid(o.book, [o]);
				} catch (e) {
					if (!(e instanceof BookError)) throw e;
					faults.push({
						line: 1,
						say: 'An order on a matter is laid over a rule that this version leaves out. Keep the rule, or end the order first.'
					});
					break;
				}
			}
	} catch (e) {
		if (!(e instanceof BookError)) throw e;
		const m = e.message;
		faults.push({
			line: at((ev, i) =>
				m.includes(`: ${ev.event.replace(/\s*\(.*$/, '')} / `)
					? [
							'events',
							i,
							...(ev.deadlines.findIndex((d) => m.includes(`/ ${d.title}:`)) >= 0
								? ['deadlines', ev.deadlines.findIndex((d) => m.includes(`/ ${d.title}:`))]
								: [])
						]
					: null
			),
			say: m
		});
		return { faults, examples: [], file, shelf: null };
	}
	const book = next.book(file.book);
	const examples: ExampleView[] = [];
	file.events.forEach((e, i) => {
		const seen = new Map<string, number>();
		e.deadlines.forEach((d, k) => {
			// The same title twice on an event gets -2, as layering does.
			let ruleId = idOf(d.title);
			const n = (seen.get(ruleId) ?? 0) + 1;
			seen.set(ruleId, n);
			ruleId += '-2'.repeat(n - 1);
			d.examples.forEach((x, j) => {
				const line = lineAt(doc, ['events', i, 'deadlines', k, 'examples', j], lineOf);
				let says: string | null = null,
					why: string[];
				try {
					const out = propose(book, {
						event: idOf(e.event),
						date: plain(x.date),
						time: x.time,
						service: x.service,
						answers: x.answers ?? {},
						closures: (x.closures ?? []).map((c) => ({ date: plain(c), kind: 'office' as const }))
					});
					const found = out.deadlines.find((p) => p.rule === ruleId && !p.suggested);
					says = found?.date ?? null;
					why = found
						? sentences(found.trace)
						: [out.left.find((l) => l.rule === ruleId)?.reason ?? 'It does not arise.'];
				} catch (err) {
					if (!(err instanceof CountError)) throw err;
					why = [err.message];
				}
				const ok = says === x.gives;
				examples.push({
					line,
					event: e.event,
					rule: d.title,
					date: x.date,
					service: x.service ?? null,
					answers: Object.entries(x.answers ?? {})
						.map(([q, a]) => `${q} ${a}`)
						.join(', '),
					says: says,
					gives: x.gives,
					ok,
					sentences: why
				});
				if (!ok)
					faults.push({
						line,
						say: `“${d.title}”: the example says ${x.gives ?? 'no date'}, the count gives ${says ?? 'none'}.`
					});
			});
		});
	});
	return { faults, examples, file, shelf: next };
}

function lineAt(
	doc: Document,
	path: readonly (string | number)[],
	lineOf: (o: number | undefined) => number
): number {
	for (let n = path.length; n > 0; n--) {
		const node = doc.getIn(path.slice(0, n), true) as
			{ range?: [number, number, number] | null } | undefined;
		if (
			node &&
			typeof node === 'object' &&
			node.range &&
			(isScalar(node) || isSeq(node) || !isAlias(node))
		)
			return lineOf(node.range[0]);
	}
	return 1;
}
const sayPath = (path: readonly (string | number)[]) =>
	path.map((p) => (typeof p === 'number' ? p + 1 : p)).join(' ');

/** What a version of a book would change of dates in open matters. */
export const bookEffects = (w: World, c: Checked): Effect[] =>
	c.file && c.shelf
		? effects(w, { books: c.shelf.using(c.file.book), shelf: c.shelf, fresh: true })
		: [];

/** Saves a version of a book, new or in the place of a shipped one. It must hold together, with every example right; the dates it affects wait for a decision. */
export const saveBook = command({
	name: 'save rulebook',
	action: 'docket.closure',
	input: z.object({
		yaml: text('The book', MOST),
		reason: text('What changed', 300),
		base: z.coerce.number().int().default(0),
		expect: z.string().nullish()
	}),
	run(ctx, i, scribe) {
		const c = checkBook(ctx, i.yaml, i.expect ?? undefined);
		if (c.faults.length || !c.file)
			throw new Refused(`Line ${c.faults[0]!.line}: ${c.faults[0]!.say}`, 'yaml');
		const f = c.file;
		const last = ctx.db
			.prepare<[string], { n: number | null; yaml: string | null }>(
				'SELECT max(n) AS n, yaml FROM book_version WHERE book = ?'
			)
			.get(f.book)!;
		if ((last.n ?? 0) !== i.base)
			throw new Refused(
				i.base === 0 && i.expect == null
					? 'There is a book of this name already: give it another name under “book”.'
					: 'Someone else saved this book meanwhile. Copy what you wrote, look at the new version and save again.',
				'yaml'
			);
		if (i.expect == null && shipped().files.has(f.book))
			throw new Refused(
				'There is a book of this name already: give it another name under “book”.',
				'yaml'
			);
		const now = shelf(ctx).files.get(f.book);
		if (now && now.version === f.version)
			throw new Refused(
				`Give this version a name of its own: “version” still says ${f.version}.`,
				'yaml'
			);
		if (f.reviewed > ctx.clock.today())
			throw new Refused(
				`It cannot have been reviewed on ${f.reviewed}: that day has not come.`,
				'yaml'
			);
		const found = now ? bookEffects(ctx, c) : [];
		const n = (last.n ?? 0) + 1;
		ctx.db
			.prepare(
				'INSERT INTO book_version (book, n, yaml, title, reviewed, reason, saved_by, saved_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)'
			)
			.run(f.book, n, i.yaml, f.title, f.reviewed, i.reason, staffOf(ctx).id, ctx.clock.now());
		const kept = keepChanges(
			ctx,
			found,
			'book',
			`${f.title}, version ${f.version}: ${i.reason}`,
			f.version
		);
		scribe.note({ book: f.book, n, version: f.version, reason: i.reason, affects: found.length });
		return { book: f.book, n, ...kept };
	}
});

/** A timeline or a calendar of the department's own, from a plain form: an anchor and the days before and after it. */
export function timelineYaml(t: {
	name: string;
	id: string;
	sort: 'transaction' | 'compliance';
	counts: string;
	anchor: string;
	rows: { title: string; count: string; owner: string; authority: string }[];
	today: PlainDate;
}): string {
	return stringify(
		{
			book: t.id,
			title: t.name,
			short: t.name.length > 24 ? `${t.name.slice(0, 23)}…` : t.name,
			version: t.today.slice(0, 7),
			sort: t.sort,
			reviewed: t.today,
			counts: t.counts,
			events: [
				{
					event: t.anchor,
					ahead: 'date',
					deadlines: t.rows.map((r) => ({
						title: r.title,
						authority: r.authority || `set by the department (${t.name})`,
						act: 'serve',
						count: r.count,
						...(r.owner ? { owner: r.owner } : {})
					}))
				}
			]
		},
		{ lineWidth: 0 }
	);
}
export const newTimeline = command({
	name: 'write timeline',
	action: 'docket.closure',
	input: z.object({
		name: text('The name', 80),
		sort: z.enum(['transaction', 'compliance']),
		counts: id('whose days it counts'),
		anchor: text('The anchor', 120),
		rows: z
			.array(
				z.object({
					title: z.string().max(200),
					count: z.string().max(20),
					owner: z.string().max(60).default(''),
					authority: z.string().max(200).default('')
				})
			)
			.max(100)
	}),
	run(ctx, i, scribe) {
		const rows = i.rows.filter((r) => r.title.trim() || r.count.trim());
		if (rows.length === 0)
			throw new Refused('Give at least one date before or after the anchor.', 'rows');
		const bad = rows.findIndex(
			(r) => r.title.trim().length < 3 || !/^[+-]\d{1,6}(cd|d|w|m|y)$/.test(r.count.trim())
		);
		if (bad >= 0)
			throw new Refused(
				rows[bad]!.title.trim().length < 3
					? 'Name this date.'
					: 'Write the days like -14d, +3cd, -2w or +1m.',
				`row-${bad}`
			);
		const base = `own.${idOf(i.name) || 'timeline'}`.slice(0, 50);
		const ids = new Set(shelf(ctx).ids());
		let bookId = base;
		for (let n = 2; ids.has(bookId); n++) bookId = `${base}-${n}`;
		const yaml = timelineYaml({
			name: i.name,
			id: bookId,
			sort: i.sort,
			counts: i.counts,
			anchor: i.anchor,
			rows: rows.map((r) => ({
				title: r.title.trim(),
				count: r.count.trim(),
				owner: r.owner.trim(),
				authority: r.authority.trim()
			})),
			today: ctx.clock.today()
		});
		const c = checkBook(ctx, yaml);
		if (c.faults.length || !c.file) throw new Refused(c.faults[0]!.say, 'name');
		ctx.db
			.prepare(
				'INSERT INTO book_version (book, n, yaml, title, reviewed, reason, saved_by, saved_at) VALUES (?, 1, ?, ?, ?, ?, ?, ?)'
			)
			.run(
				bookId,
				yaml,
				c.file.title,
				c.file.reviewed,
				'First version',
				staffOf(ctx).id,
				ctx.clock.now()
			);
		scribe.note({ book: bookId, rows: rows.length });
		return { book: bookId };
	}
});

export type BookView = {
	id: string;
	title: string;
	short: string;
	sort: BookFile['sort'];
	version: string;
	reviewed: string;
	stale: string | null;
	events: number;
	rules: number;
	layers: string[];
	own: boolean;
	versions: number;
	matters: number;
};
/** Every book of the house. The matters counted are those that stand under it and may be seen by everyone. */
export function bookList(w: World): BookView[] {
	const s = shelf(w);
	const saved = new Map(
		w.db
			.prepare<[], { book: string; n: number }>(
				'SELECT book, max(n) AS n FROM book_version GROUP BY book'
			)
			.all()
			.map((r) => [r.book, r.n])
	);
	const uses = new Map(
		w.db
			.prepare<[], { rulebook: string; n: number }>(
				"SELECT rulebook, count(*) AS n FROM (SELECT rulebook FROM matter WHERE rulebook IS NOT NULL AND status <> 'closed' AND restricted = 0 UNION ALL SELECT b.book FROM matter_book b JOIN matter m ON m.id = b.matter_id WHERE m.status <> 'closed' AND m.restricted = 0) GROUP BY rulebook"
			)
			.all()
			.map((r) => [r.rulebook, r.n])
	);
	return s.ids().map((x) => {
		const b = s.book(x);
		return {
			id: x,
			title: b.title,
			short: b.short,
			sort: b.sort,
			version: s.files.get(x)!.version,
			reviewed: b.reviewed,
			stale: stale(b, w.clock.today()),
			events: b.events.size,
			rules: [...b.events.values()].reduce((n, e) => n + e.rules.length, 0),
			layers: b.layers,
			own: !shipped().files.has(x),
			versions: saved.get(x) ?? 0,
			matters: uses.get(x) ?? 0
		};
	});
}

/** A book's text as it stands: the department's last version, or the shipped file. */
export function bookYaml(
	w: World,
	bookId: string,
	n?: number
): { yaml: string; n: number } | undefined {
	const r =
		n === 0
			? undefined
			: w.db
					.prepare<unknown[], { yaml: string; n: number }>(
						`SELECT yaml, n FROM book_version WHERE book = @book${n === undefined ? '' : ' AND n = @n'} ORDER BY n DESC LIMIT 1`
					)
					.get({ book: bookId, n: n ?? 0 });
	if (r) return r;
	return (n === undefined || n === 0) && shipped().files.has(bookId)
		? { yaml: shippedYaml(bookId), n: 0 }
		: undefined;
}
export const bookVersions = (
	w: World,
	bookId: string
): { n: number; reason: string; by: string; at: string; reviewed: string }[] =>
	w.db
		.prepare<[string], { n: number; reason: string; by: string; at: string; reviewed: string }>(
			'SELECT v.n, v.reason, s.name AS by, v.saved_at AS at, v.reviewed FROM book_version v JOIN staff s ON s.id = v.saved_by WHERE v.book = ? ORDER BY v.n DESC'
		)
		.all(bookId);
