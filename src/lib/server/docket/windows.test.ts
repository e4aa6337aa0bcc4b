/** What a closure reads of the house is enough: the same changes as when everything is counted. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { addDays, plainDate, type PlainDate } from '#core/dates/plain.ts';
import { all, insert } from '#server/db/sql.ts';
import { listBooks, shelfOf } from '#server/rulebooks/shelf.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { saveBook } from './book-effects.ts';
import { docketDeadlines } from './deadlines.ts';
import { findEffects, type Alteration } from './effects.ts';
import { enterEvent } from './events.ts';
import { moveDeadline } from './reschedule.ts';
import type { ClosureRow } from './rows.ts';

/** Every event of every book on a day of its own, with all its dates docketed, three moved. */
async function fill(house: TestHouse): Promise<void> {
	let shift = 0;
	for (const book of listBooks(house)) {
		const { matterId } = await newMatter(house, { title: book.title, rulebook: book.id });
		for (const event of book.events.values()) {
			const first = plainDate(event.ahead ? '2027-03-01' : '2026-10-05');
			const { eventId } = good(
				enterEvent(house.as('okafor'), {
					matterId,
					eventKey: `${book.id}|${event.id}`,
					date: addDays(first, shift++ % 40),
					time: '10:00',
					service: '',
					sure: true,
					docket: []
				})
			);
			const deadlineIds = all<{ id: string }>(
				house.db,
				"SELECT id FROM deadline WHERE event_id = @eventId AND sort = 'deadline'",
				{ eventId }
			).map(({ id }) => id);
			if (deadlineIds.length) good(docketDeadlines(house.as('okafor'), { deadlineIds }));
		}
	}
	const moved = all<{ id: string; version: number }>(
		house.db,
		"SELECT id, version FROM deadline WHERE sort = 'deadline' AND suggested = 0 ORDER BY id LIMIT 3"
	);
	for (const { id: deadlineId, version } of moved)
		good(
			moveDeadline(house.as('okafor'), {
				deadlineId,
				how: 'order',
				by: '+14cd',
				reason: 'By order',
				version
			})
		);
}

const told = (house: TestHouse, alteration: Omit<Alteration, 'shelf' | 'fresh'>) =>
	findEffects(house, { ...alteration, shelf: shelfOf(house), fresh: false })
		.map(({ eventId, rule, was, fresh }) => `${eventId} ${rule} ${was} ${fresh?.date}`)
		.sort();

const TOWARDS = `
book: own.lease
title: Lease
short: Lease
version: "1"
sort: transaction
reviewed: "2026-11-01"
counts: us-agency
events:
  - event: lease ends
    ahead: date
    deadlines:
      - title: give notice
        authority: Lease, 9
        act: serve
        count: -30d towards
`;

describe('a closure', () => {
	it('changes the same dates whether it reads those near it or all of them', async () => {
		const house = await testHouse();
		await fill(house);
		const days = all<{ date: PlainDate }>(
			house.db,
			`SELECT DISTINCT date FROM event
			UNION
			SELECT DISTINCT date FROM deadline WHERE date < '2028-01-01'
			ORDER BY 1`
		).map(({ date }) => date);
		let changed = 0;
		for (const book of ['us-federal', 'us-ca-superior', 'us-ny-supreme', 'gb-ew-cpr'])
			for (const date of days.filter((_, index) => index % 4 === 0))
				for (const kind of ['holiday', 'office'] as const) {
					const closures = [date, addDays(date, 1)].map((day) => ({
						book,
						date: day,
						kind,
						name: 'x'
					}));
					const books = shelfOf(house).using(book);
					const near = told(house, { books, closures });
					assert.deepEqual(
						near,
						told(house, { books, closures, everything: true }),
						`${book} ${date} ${kind}`
					);
					changed += near.length;
				}
		assert.ok(changed > 150, `${changed} dates changed`);
	});
	it('that is taken away changes the same dates, near or all', async () => {
		const house = await testHouse();
		for (const book of ['us-federal', 'us-ca-superior', 'us-ny-supreme', 'us-tx-district'])
			for (let day = 0; day < 150; day += 4)
				insert<ClosureRow>(house.db, 'closure', {
					id: `clo_${book}_${day}`,
					book,
					date: addDays(plainDate('2026-10-19'), day),
					kind: 'holiday',
					name: 'Snow'
				});
		await fill(house);
		let changed = 0;
		for (const without of all<ClosureRow>(house.db, 'SELECT * FROM closure')) {
			const books = shelfOf(house).using(without.book);
			const near = told(house, { books, without });
			assert.deepEqual(near, told(house, { books, without, everything: true }), without.date);
			changed += near.length;
		}
		assert.ok(changed > 20, `${changed} dates changed`);
	});
	it('from which a date rolled towards its event is found though it does not lie between them', async () => {
		const house = await testHouse();
		good(
			await saveBook(house.as('castellan'), {
				yaml: TOWARDS,
				reason: 'A notice that may not be late',
				base: 0,
				expect: null
			})
		);
		const without: ClosureRow = {
			id: 'clo_1',
			book: 'us-agency',
			date: plainDate('2027-03-01'),
			kind: 'holiday',
			name: 'Snow'
		};
		insert<ClosureRow>(house.db, 'closure', without);
		const { matterId } = await newMatter(house, { title: 'Lease', rulebook: 'own.lease' });
		good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'own.lease|lease-ends',
				date: '2027-03-31',
				docket: ['give-notice']
			})
		);
		const books = shelfOf(house).using('us-agency');
		const near = told(house, { books, without });
		assert.match(near.join(), /give-notice 2027-03-02 2027-03-01/);
		assert.deepEqual(near, told(house, { books, without, everything: true }));
	});
});
