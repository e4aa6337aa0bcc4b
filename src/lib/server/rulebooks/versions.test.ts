/**
 * Books of the department's own and shipped ones replaced: written, checked, versioned, and what
 * they change.
 */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { stringify } from 'yaml';
import { one, scalar } from '#server/db/sql.ts';
import {
	requireBook,
	listBooks,
	shippedBook,
	shelfOf,
	staleWarning
} from '#server/rulebooks/shelf.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { previewBook, saveBook } from '#server/docket/book-effects.ts';
import { writeTimeline } from './versions.ts';
import { findBookText, listBookViews } from '#server/rulebooks/queries.ts';
import { listWaitingChanges, decideChanges } from '#server/docket/changes.ts';
import { listDeadlines } from '#server/docket/list.ts';

import { enterEvent } from '#server/docket/events.ts';
import { addMatterBook } from '#server/docket/orders.ts';

let house: TestHouse;
let matterId: string;
beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
});
type Row = { id: string; date: string; state: string };
const row = (title: string, of = matterId) =>
	one<Row>(house.db, 'SELECT * FROM deadline WHERE matter_id = @of AND lower(title) LIKE @value', {
		of,
		value: `${title.toLowerCase()}%`
	});
const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
const summons = (day = '2026-11-09', of = matterId) =>
	good(
		enterEvent(house.as('okafor'), {
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
	const look = async (yaml: string, expect: string | null = null) =>
		good(await previewBook(house.as('castellan'), { yaml, expect }));
	const save = (yaml: string, more: object = {}) =>
		saveBook(house.as('castellan'), { yaml, reason: 'First', ...more });
	it('is written, used on a matter, changed with every open matter listed, and keeps its versions', async () => {
		good(await save(text()));
		good(addMatterBook(house.as('okafor'), { matterId, book: 'own.closing' }));
		good(
			enterEvent(house.as('okafor'), {
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
		const checked = await look(next, 'own.closing');
		assert.deepEqual(
			checked.effects.map((effect) => [effect.was, effect.becomes]),
			[['2026-12-07', '2026-11-30']]
		);
		const second = await save(next, { expect: 'own.closing', base: 0 });
		assert.ok(!second.ok && second.conflict?.differences[0]?.field === 'yaml', 'both texts');
		assert.match(
			bad(await save(text(), { expect: 'own.closing', base: 1 }))['yaml']!,
			/name of its own/
		);
		good(await save(next, { expect: 'own.closing', base: 1, reason: 'Longer notice' }));
		assert.equal(row('Deliver').date, '2026-12-07', 'nothing has moved');
		good(
			decideChanges(house.as('okafor'), {
				changeIds: listWaitingChanges(house, house.staff('okafor')).map((x) => x.id),
				apply: true
			})
		);
		assert.equal(row('Deliver').date, '2026-11-30');
		assert.equal(findBookText(house, 'own.closing')!.n, 2);
		assert.equal(findBookText(house, 'own.closing', 1)!.yaml, text().trim());
		assert.throws(() => house.db.exec("UPDATE book_version SET yaml = 'x'"), /never changed/);
		assert.deepEqual(
			listBookViews(house).find((b) => b.id === 'own.closing'),
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
				layers: requireBook(house, 'own.closing').layers,
				own: true,
				versions: 2,
				matters: 1
			}
		);
	});
	it('replaces a shipped book, and every matter under one laid over it is listed', async () => {
		summons();
		const shippedText = findBookText(house, 'us-federal')!.yaml;
		const mine = shippedText
			.replace('version: "2026-11.4"', 'version: "2027-01"')
			.replace(
				/(authority: "Fed\. R\. Civ\. P\. 12\(a\)\(1\)\(A\)\(i\), 12\(a\)\(2\)"\n\s+act: file\n\s+count: )"\+21d"/,
				'$1"+28d"'
			);
		assert.notEqual(mine, shippedText);
		const wrong = await look(mine, 'us-federal');
		assert.match(wrong.faults[0]!.message, /the example says/, 'its examples no longer agree');
		const right = mine.replace(
			/(title: "answer or Rule 12 motion"[\s\S]*?examples:\n)[\s\S]*?(?=\n {6}- title|\n {4}suggestions|\n {2}- event)/,
			(_, head: string) =>
				`${head}          - { date: "2026-11-09", gives: "2026-12-07" }\n          - { date: "2026-11-02", gives: "2026-11-30" }`
		);
		const checked = await look(right, 'us-federal');
		assert.deepEqual(checked.faults, []);
		good(await save(right, { expect: 'us-federal', reason: 'Rule 12 as amended' }));
		assert.deepEqual(
			listWaitingChanges(house, house.staff('okafor'))
				.filter((x) => x.title.startsWith('Answer'))
				.map((x) => [x.was, x.becomes]),
			[['2026-11-30', '2026-12-07']]
		);
		assert.equal(shippedBook('us-federal').version, '2026-11.4', 'the shipped file is as it was');
		assert.equal(
			listBooks(house).find((b) => b.id === 'us-federal.ca-nd')!.version,
			'2027-01+2026-11'
		);
	});
	it('refuses, with the line, what does not hold together', async () => {
		const fault = async (yaml: string) => {
			const item = (await look(yaml)).faults;
			assert.ok(item.length > 0, yaml);
			bad(await save(yaml));
			return item[0]!;
		};
		const line = (yaml: string, what: string) =>
			yaml.split('\n').findIndex((value) => value.includes(what)) + 1;
		const y1 = text().replace('authority: Agreement, 4.2', 'authority: ""');
		assert.deepEqual(
			[(await fault(y1)).line, /needs its authority/.test((await fault(y1)).message)],
			[line(y1, 'authority'), true]
		);
		const y2 = text().replace('-5cd', 'five days');
		assert.deepEqual(
			[(await fault(y2)).line, /not a count/.test((await fault(y2)).message)],
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
		assert.match((await fault(cycle)).message, /circle/);
		assert.match(
			(
				await fault(
					text((b) => {
						b.extends = 'own.closing';
						delete b.counts;
					})
				)
			).message,
			/circle/
		);
		assert.match((await fault('book: &a\n  - *a\n')).message, /alias/);
		assert.match((await fault('book: [unclosed')).message, /./);
		assert.match(
			(
				await fault(
					text((b) => {
						b.sort = 'order';
					})
				)
			).message,
			/laid over the rules on its matter/
		);
		assert.match(
			(
				await fault(
					text((b) => {
						(b.events as { deadlines: { examples: unknown[] }[] }[])[0]!.deadlines[0]!.examples = [
							{ date: '2026-12-01', gives: '2026-11-24' }
						];
					})
				)
			).message,
			/the example says 2026-11-24, the count gives 2026-11-23/
		);
		assert.match(
			(
				await fault(
					text((b) => {
						b.colour = 'red';
					})
				)
			).message,
			/“colour” is not known here/
		);
		assert.match((await fault('x'.repeat(400_001))).message, /400 KB/);
		assert.match(
			bad(
				await save(
					text((b) => {
						b.book = 'us-ca-superior';
					})
				)
			)['yaml']!,
			/already/
		);
		assert.match(
			bad(
				await save(
					text((b) => {
						b.reviewed = '2027-02-01';
					})
				)
			)['yaml']!,
			/has not come/
		);
		assert.equal(scalar(house.db, 'SELECT count(*) AS n FROM book_version'), 0);
		assert.equal(
			(await saveBook(house.as('okafor'), { yaml: text(), reason: 'x' })).ok,
			false,
			'not for counsel'
		);
	});
	it('is made from a plain form: an anchor and the days around it', async () => {
		const item = good(
			await writeTimeline(house.as('castellan'), {
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
		assert.equal(item.book, 'own.annual-filings');
		const event = shelfOf(house).book(item.book).events.get('fiscal-year-ends')!;
		assert.deepEqual(
			event.rules.map((x) => [x.title, x.authority, x.owner]),
			[
				['Draft report', 'set by the department (Annual filings)', 'Paralegal'],
				['File report', 'Ports Code 12', undefined]
			]
		);
		assert.match(
			bad(
				await writeTimeline(house.as('castellan'), {
					name: 'X',
					sort: 'compliance',
					counts: 'us-agency',
					anchor: 'Anchor',
					rows: [{ title: 'Draft', count: 'later', owner: '', authority: '' }]
				})
			)['rows.0']!,
			/-14d/
		);
		assert.equal(
			good(
				await writeTimeline(house.as('castellan'), {
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
	it('says on every date when it was not reviewed for a year', async () => {
		assert.equal(staleWarning({ reviewed: '2025-11-24' }, '2026-11-23'), null);
		assert.match(staleWarning({ reviewed: '2025-11-23' }, '2026-11-23')!, /more than a year ago/);
		good(
			await save(
				text((b) => {
					b.reviewed = '2025-01-05';
				})
			)
		);
		good(addMatterBook(house.as('okafor'), { matterId, book: 'own.closing' }));
		good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'own.closing|signing',
				date: '2026-12-14',
				docket: ['deliver-the-disclosure-letter']
			})
		);
		assert.match(listDeadlines(house, house.staff('okafor'), {}).rows[0]!.stale!, /2025-01-05/);
	});
});
