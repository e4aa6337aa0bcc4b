/** A newer reading of the books, met by a house whose dates were counted by an earlier one. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, run, scalar } from '#server/db/sql.ts';
import { saveBook } from '#server/docket/book-effects.ts';
import { findBookText } from '#server/rulebooks/queries.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { decideChanges } from './changes.ts';
import { enterEvent } from './events.ts';
import { countNewReadings, markNewHouse } from './new-readings.ts';
import type { CountedBookRow, DateChangeRow, DeadlineRow } from './rows.ts';

const BOOK = 'us-federal.ca-nd';
let house: TestHouse;
let matterId: string;
const changes = () =>
	all<DateChangeRow>(house.db, "SELECT * FROM date_change WHERE state = 'waits' ORDER BY id");
const answer = () =>
	one<DeadlineRow>(
		house.db,
		"SELECT * FROM deadline WHERE matter_id = @matterId AND rule = 'answer-or-rule-12-motion'",
		{ matterId }
	);
const versionOf = (book: string) =>
	one<CountedBookRow>(house.db, 'SELECT * FROM counted_book WHERE book = @book', { book }).version;
/** As a house of an earlier version of the program left it: nothing but SQL can do that. */
function makeOlder(version: string | null) {
	if (version === null) run(house.db, 'DELETE FROM counted_book');
	else run(house.db, 'UPDATE counted_book SET version = @version', { version });
	run(
		house.db,
		`UPDATE deadline
		SET date = '2026-12-01', book_version = '2026-11+2026-11'
		WHERE rule = 'answer-or-rule-12-motion'`
	);
}

describe('a newer reading of the books', () => {
	beforeEach(async () => {
		house = await testHouse();
		markNewHouse(house);
		({ matterId } = await newMatter(house));
		good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'summons-and-complaint-served-on-a-defendant',
				date: '2026-11-09',
				docket: ['answer-or-rule-12-motion']
			})
		);
	});

	it('changes nothing in a house that was made with it', async () => {
		const audits = scalar(house.db, 'SELECT count(*) FROM audit');
		assert.deepEqual(await countNewReadings(house), { worked: 0, failed: [] });
		assert.deepEqual(changes(), []);
		assert.equal(scalar(house.db, 'SELECT count(*) FROM audit'), audits, 'and is not written down');
	});

	for (const [words, version] of [
		['an earlier version', '2026-11+2026-11'],
		['no version that was noted', null]
	] as const)
		it(`lets what differs wait for a decision, once, where there was ${words}`, async () => {
			makeOlder(version);
			assert.deepEqual(await countNewReadings(house), { worked: 1, failed: [] });
			const [change, ...others] = changes();
			assert.deepEqual(others, []);
			assert.deepEqual(
				[change?.was, change?.becomes, change?.cause, change?.deadline_id],
				['2026-12-01', '2026-11-30', 'book', answer().id]
			);
			assert.match(
				change?.why ?? '',
				/Northern District of California.*inaccessible clerk's office/
			);
			assert.equal(answer().date, '2026-12-01', 'nothing moves by itself');
			assert.match(
				one<{ text: string }>(house.db, 'SELECT text FROM logbook ORDER BY rowid DESC').text,
				/one date would change and waits for a decision/i
			);
			assert.equal(
				scalar(
					house.db,
					"SELECT count(*) FROM mail_out WHERE subject LIKE 'Dates would change: %version 2026-11.4+2026-11'"
				),
				1,
				'the responsible lawyer is told'
			);
			assert.deepEqual(await countNewReadings(house), { worked: 0, failed: [] });
			assert.equal(changes().length, 1);
			good(decideChanges(house.as('okafor'), { changeIds: [change!.id], apply: true }));
			assert.equal(answer().date, '2026-11-30');
			assert.equal(answer().book_version, versionOf(BOOK));
		});

	it('is in the audit trail with both versions', async () => {
		makeOlder('2026-11+2026-11');
		await countNewReadings(house);
		const { actor, detail } = one<{ actor: string; detail: string }>(
			house.db,
			"SELECT actor, detail FROM audit WHERE action = 'read rulebooks anew'"
		);
		assert.equal(actor, 'guest rulebooks');
		assert.match(detail, /"was":"2026-11\+2026-11"/);
	});

	it('is not asked again of a version that the department saved itself', async () => {
		const yaml = findBookText(house, 'us-federal')!
			.yaml.replace(/^version: .*$/m, 'version: "2027-01"')
			.replace('count: "+21d"', 'count: "+21d"');
		good(
			await saveBook(house.as('castellan'), {
				yaml,
				reason: 'Reviewed',
				base: 0,
				expect: 'us-federal'
			})
		);
		assert.match(versionOf(BOOK), /^2027-01\+/);
		assert.deepEqual(await countNewReadings(house), { worked: 0, failed: [] });
	});
});
