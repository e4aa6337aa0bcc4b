/** The books themselves on the server: the department's own, shipped ones replaced, and every row of every book entered and counted again. */
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { beforeEach, describe, it } from 'node:test';
import { stringify } from 'yaml';
import { bookIn, booksIn, rulebook, shelf, stale } from './docket/books.ts';
import { bookEffects, bookList, bookYaml, checkBook } from './docket/bookshelf.ts';
import { effects, waitingChanges } from './docket/changes.ts';
import {
	decideChanges,
	docketDeadline,
	enterEvent,
	newTimeline,
	saveBook,
	setMatterBook
} from './docket/commands.ts';
import { docket } from './docket/queries.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

let h: TestHouse;
let matterId: string;
beforeEach(async () => {
	h = await testHouse();
	({ matterId } = newMatter(h));
});
type Row = { id: string; date: string; state: string };
const row = (title: string, of = matterId) =>
	h.db
		.prepare<unknown[], Row>('SELECT * FROM deadline WHERE matter_id = ? AND lower(title) LIKE ?')
		.get(of, `${title.toLowerCase()}%`)!;
const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
const summons = (day = '2026-11-09', of = matterId) =>
	good(
		enterEvent(h.as('okafor'), {
			matterId: of,
			eventKey: SUMMONS,
			date: day,
			docket: ['answer-or-rule-12-motion']
		})
	).eventId;

describe("a book of the department's own", () => {
	const text = (change: (b: Record<string, unknown>) => void = () => {}) => {
		const b: Record<string, unknown> = {
			book: 'own.closing',
			title: 'Closing',
			short: 'Closing',
			version: '1',
			sort: 'transaction',
			reviewed: '2026-11-20',
			counts: 'us-agency',
			events: [
				{
					event: 'signing',
					ahead: 'date',
					deadlines: [
						{
							title: 'deliver the disclosure letter',
							authority: 'Agreement, 4.2',
							act: 'serve',
							count: '-5cd',
							owner: 'Corporate counsel',
							examples: [{ date: '2026-12-01', gives: '2026-11-23' }]
						}
					]
				}
			]
		};
		change(b);
		return stringify(b);
	};
	const save = (yaml: string, more: object = {}) =>
		saveBook(h.as('castellan'), { yaml, reason: 'First', ...more });
	it('is written, used on a matter, changed with every open matter listed, and keeps its versions', () => {
		good(save(text()));
		good(setMatterBook(h.as('okafor'), { matterId, book: 'own.closing', on: true }));
		good(
			enterEvent(h.as('okafor'), {
				matterId,
				eventKey: 'own.closing|signing',
				date: '2026-12-14',
				docket: ['deliver-the-disclosure-letter']
			})
		);
		assert.equal(row('Deliver').date, '2026-12-07');
		const next = text((b) => {
			b.version = '2';
			(
				b.events as { deadlines: { count: string; examples: unknown[] }[] }[]
			)[0]!.deadlines[0]!.count = '-10cd';
			(b.events as { deadlines: { examples: unknown[] }[] }[])[0]!.deadlines[0]!.examples = [];
		});
		const c = checkBook(h, next, 'own.closing');
		assert.deepEqual(
			bookEffects(h, c).map((f) => [f.was, f.fresh?.date]),
			[['2026-12-07', '2026-11-30']]
		);
		assert.match(bad(save(next, { expect: 'own.closing', base: 0 }))['yaml']!, /Someone else/);
		assert.match(bad(save(text(), { expect: 'own.closing', base: 1 }))['yaml']!, /name of its own/);
		good(save(next, { expect: 'own.closing', base: 1, reason: 'Longer notice' }));
		assert.equal(row('Deliver').date, '2026-12-07', 'nothing has moved');
		good(
			decideChanges(h.as('okafor'), {
				changeIds: waitingChanges(h, h.staff('okafor')).map((x) => x.id),
				apply: true
			})
		);
		assert.equal(row('Deliver').date, '2026-11-30');
		assert.equal(bookYaml(h, 'own.closing')!.n, 2);
		assert.equal(bookYaml(h, 'own.closing', 1)!.yaml, text().trim());
		assert.throws(() => h.db.exec("UPDATE book_version SET yaml = 'x'"), /never changed/);
		assert.deepEqual(
			bookList(h).find((b) => b.id === 'own.closing'),
			{
				id: 'own.closing',
				title: 'Closing',
				short: 'Closing',
				sort: 'transaction',
				version: '2',
				reviewed: '2026-11-20',
				stale: null,
				events: 1,
				rules: 1,
				layers: bookIn(h, 'own.closing').layers,
				own: true,
				versions: 2,
				matters: 1
			}
		);
	});
	it('replaces a shipped book, and every matter under one laid over it is listed', () => {
		summons();
		const shippedText = bookYaml(h, 'us-federal')!.yaml;
		const mine = shippedText
			.replace('version: "2026-11"', 'version: "2027-01"')
			.replace(
				/(authority: "Fed\. R\. Civ\. P\. 12\(a\)\(1\)\(A\)\(i\), 12\(a\)\(2\)"\n\s+act: file\n\s+count: )"\+21d"/,
				'$1"+28d"'
			);
		assert.notEqual(mine, shippedText);
		const wrong = checkBook(h, mine, 'us-federal');
		assert.match(wrong.faults[0]!.say, /the example says/, 'its examples no longer agree');
		const right = mine.replace(
			/(title: "answer or Rule 12 motion"[\s\S]*?examples:\n)[\s\S]*?(?=\n {6}- title|\n {4}suggestions|\n {2}- event)/,
			(_, head: string) =>
				`${head}          - { date: "2026-11-09", gives: "2026-12-07" }\n          - { date: "2026-11-02", gives: "2026-11-30" }`
		);
		const c = checkBook(h, right, 'us-federal');
		assert.deepEqual(c.faults, []);
		good(save(right, { expect: 'us-federal', reason: 'Rule 12 as amended' }));
		assert.deepEqual(
			waitingChanges(h, h.staff('okafor'))
				.filter((x) => x.title.startsWith('Answer'))
				.map((x) => [x.was, x.becomes]),
			[['2026-11-30', '2026-12-07']]
		);
		assert.equal(rulebook('us-federal').version, '2026-11', 'the shipped file is as it was');
		assert.equal(booksIn(h).find((b) => b.id === 'us-federal.ca-nd')!.version, '2027-01+2026-11');
	});
	it('refuses, with the line, what does not hold together', () => {
		const fault = (yaml: string) => {
			const f = checkBook(h, yaml).faults;
			assert.ok(f.length > 0, yaml);
			bad(save(yaml));
			return f[0]!;
		};
		const line = (yaml: string, what: string) =>
			yaml.split('\n').findIndex((l) => l.includes(what)) + 1;
		const y1 = text().replace('authority: Agreement, 4.2', 'authority: ""');
		assert.deepEqual(
			[fault(y1).line, /needs its authority/.test(fault(y1).say)],
			[line(y1, 'authority'), true]
		);
		const y2 = text().replace('-5cd', 'five days');
		assert.deepEqual(
			[fault(y2).line, /not a count/.test(fault(y2).say)],
			[line(y2, 'five days'), true]
		);
		const cycle = text((b) => {
			b.events = [
				{
					event: 'signing',
					ahead: 'date',
					deadlines: [
						{
							title: 'one',
							authority: 'x y z',
							act: 'serve',
							count: { count: '+1d', from: { deadline: 'two' } }
						},
						{
							title: 'two',
							authority: 'x y z',
							act: 'serve',
							count: { count: '+1d', from: { deadline: 'one' } }
						}
					]
				}
			];
		});
		assert.match(fault(cycle).say, /circle/);
		assert.match(
			fault(
				text((b) => {
					b.extends = 'own.closing';
					delete b.counts;
				})
			).say,
			/circle/
		);
		assert.match(fault('book: &a\n  - *a\n').say, /alias/);
		assert.match(fault('book: [unclosed').say, /./);
		assert.match(
			fault(
				text((b) => {
					b.sort = 'order';
				})
			).say,
			/laid over the rules on its matter/
		);
		assert.match(
			fault(
				text((b) => {
					(b.events as { deadlines: { examples: unknown[] }[] }[])[0]!.deadlines[0]!.examples = [
						{ date: '2026-12-01', gives: '2026-11-24' }
					];
				})
			).say,
			/the example says 2026-11-24, the count gives 2026-11-23/
		);
		assert.match(
			fault(
				text((b) => {
					b.colour = 'red';
				})
			).say,
			/"colour" is not known here/
		);
		assert.match(fault('x'.repeat(400_001)).say, /400 KB/);
		assert.match(
			bad(
				save(
					text((b) => {
						b.book = 'us-ca-superior';
					})
				)
			)['yaml']!,
			/already/
		);
		assert.match(
			bad(
				save(
					text((b) => {
						b.reviewed = '2027-02-01';
					})
				)
			)['yaml']!,
			/has not come/
		);
		assert.equal(
			h.db.prepare<[], { n: number }>('SELECT count(*) AS n FROM book_version').get()!.n,
			0
		);
		assert.equal(
			saveBook(h.as('okafor'), { yaml: text(), reason: 'x' }).ok,
			false,
			'not for counsel'
		);
	});
	it('is made from a plain form: an anchor and the days around it', () => {
		const r = good(
			newTimeline(h.as('castellan'), {
				name: 'Annual filings',
				sort: 'compliance',
				counts: 'us-agency',
				anchor: 'Fiscal year ends',
				rows: [
					{ title: 'Draft report', count: '+30d', owner: 'Paralegal', authority: '' },
					{ title: 'File report', count: '+90d', owner: '', authority: 'Ports Code 12' },
					{ title: '', count: '', owner: '', authority: '' }
				]
			})
		);
		assert.equal(r.book, 'own.annual-filings');
		const e = shelf(h).book(r.book).events.get('fiscal-year-ends')!;
		assert.deepEqual(
			e.rules.map((x) => [x.title, x.authority, x.owner]),
			[
				['Draft report', 'set by the department (Annual filings)', 'Paralegal'],
				['File report', 'Ports Code 12', undefined]
			]
		);
		assert.match(
			bad(
				newTimeline(h.as('castellan'), {
					name: 'X',
					sort: 'compliance',
					counts: 'us-agency',
					anchor: 'Anchor',
					rows: [{ title: 'Draft', count: 'later', owner: '', authority: '' }]
				})
			)['row-0']!,
			/-14d/
		);
		assert.equal(
			good(
				newTimeline(h.as('castellan'), {
					name: 'Annual filings',
					sort: 'compliance',
					counts: 'us-agency',
					anchor: 'Anchor day',
					rows: [{ title: 'Draft', count: '+3d', owner: '', authority: '' }]
				})
			).book,
			'own.annual-filings-2'
		);
	});
	it('says on every date when it was not reviewed for a year', () => {
		assert.equal(stale({ reviewed: '2025-11-24' }, '2026-11-23'), null);
		assert.match(stale({ reviewed: '2025-11-23' }, '2026-11-23')!, /more than a year ago/);
		good(
			save(
				text((b) => {
					b.reviewed = '2025-01-05';
				})
			)
		);
		good(setMatterBook(h.as('okafor'), { matterId, book: 'own.closing', on: true }));
		good(
			enterEvent(h.as('okafor'), {
				matterId,
				eventKey: 'own.closing|signing',
				date: '2026-12-14',
				docket: ['deliver-the-disclosure-letter']
			})
		);
		assert.match(docket(h, h.staff('okafor'), {}).rows[0]!.stale!, /2025-01-05/);
	});
});

describe('every row of every book', () => {
	it('is entered on a matter, docketed and counted again to the same day', () => {
		let rows = 0;
		for (const book of booksIn(h)) {
			const m = newMatter(h, { title: book.title, rulebook: book.id }).matterId;
			for (const e of book.events.values()) {
				const example = e.rules
					.flatMap((r) => r.examples)
					.find((x) => x.gives && x.date <= '2026-11-20') ?? {
					date: '2026-11-02',
					time: undefined,
					service: undefined,
					answers: undefined
				};
				const r = enterEvent(h.as('okafor'), {
					matterId: m,
					eventKey: `${book.id}|${e.id}`,
					date: e.ahead ? '2027-03-15' : example.date,
					time: example.time ?? '10:00',
					service: e.served ? (example.service ?? '') : '',
					answers: e.ahead ? {} : (example.answers ?? {}),
					sure: true,
					docket: []
				});
				const id = good(r).eventId;
				const all = h.db
					.prepare<[string], { id: string; rule: string; authority: string; suggested: number }>(
						'SELECT id, rule, authority, suggested FROM deadline WHERE event_id = ?'
					)
					.all(id);
				if (all.length) good(docketDeadline(h.as('okafor'), { deadlineIds: all.map((d) => d.id) }));
				for (const d of all)
					assert.ok(
						d.suggested || e.rules.some((x) => x.id === d.rule && x.authority === d.authority),
						`${book.id} ${d.rule}`
					);
				rows += all.filter((d) => !d.suggested).length;
			}
		}
		assert.ok(rows > 220, `${rows} dates`);
		assert.deepEqual(
			effects(h, { books: shelf(h).ids(), shelf: shelf(h), fresh: true, all: true }).map((f) => [
				f.rule,
				f.was,
				f.fresh?.date
			]),
			[]
		);
	});
	it('gives its worked examples through the command for scripts', { timeout: 60_000 }, () => {
		const asked = booksIn(h).flatMap((b) =>
			[...b.events.values()].flatMap((e) =>
				e.rules
					.filter((r) => r.book === b.id)
					.flatMap((r) =>
						r.examples.map((x) => ({
							line: JSON.stringify({
								rulebook: b.id,
								event: e.id,
								date: x.date,
								...(x.time ? { time: x.time } : {}),
								...(x.service ? { service: x.service } : {}),
								answers: x.answers ?? {},
								...(x.closures ? { closures: x.closures } : {})
							}),
							title: r.title,
							authority: r.authority,
							gives: x.gives
						}))
					)
			)
		);
		const out = spawnSync(process.execPath, ['--import', 'tsx', 'bin/docket.ts'], {
			input: asked.map((a) => a.line).join('\n') + '\n',
			encoding: 'utf8',
			maxBuffer: 200 * 1024 * 1024
		});
		const answers = out.stdout
			.trim()
			.split('\n')
			.map(
				(l) => JSON.parse(l) as { deadlines: { title: string; authority: string; date: string }[] }
			);
		assert.equal(answers.length, asked.length);
		assert.ok(asked.length > 450, `${asked.length} examples`);
		asked.forEach((a, i) =>
			assert.equal(
				answers[i]!.deadlines.find((d) => d.title === a.title && d.authority === a.authority)
					?.date ?? null,
				a.gives,
				a.line
			)
		);
	});
});
