/** What was missed stands in the figures, settled or not, and each figure is the list behind it. */
import assert from 'node:assert/strict';
import { it } from 'node:test';
import { one } from '#server/db/sql.ts';
import { meetDeadline } from '#server/docket/deadlines.ts';
import { enterEvent } from '#server/docket/events.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { judgeLateDeadline } from '#server/docket/met-late.ts';
import { listDeadlines } from '#server/docket/list.ts';
import { parseDocketFilter } from '#server/docket/filter-words.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { good, newMatter, testHouse } from '#server/testing/house.ts';
import { makeFigures } from './figures.ts';

it('counts what was missed by month, settled or not, and hearings ahead', async () => {
	const house = await testHouse();
	const { matterId } = await newMatter(house);
	good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: 'summons-and-complaint-served-on-a-defendant',
			date: '2026-11-09',
			docket: ['answer-or-rule-12-motion']
		})
	);
	good(
		addDeadline(house.as('okafor'), {
			matterId,
			title: 'Case conference',
			date: '2026-12-10',
			what: 'conference'
		})
	);
	const deadlineId = one<{ id: string }>(
		house.db,
		"SELECT id FROM deadline WHERE title LIKE 'Answer or%'"
	).id;
	const figures = (login = 'okafor') => makeFigures(house, house.staff(login));
	const november = () => {
		const { name, open, settled } = figures().missed.find(({ name }) => name === 'Nov 2026')!;
		return [name, open.n, settled.n];
	};
	assert.deepEqual(november(), ['Nov 2026', 0, 0]);
	assert.equal(figures().hearings.n, 1);
	house.set('2026-12-02');
	assert.deepEqual(november(), ['Nov 2026', 1, 0]);
	good(
		meetDeadline(house.as('okafor'), {
			deadlineId,
			on: '2026-12-01',
			late: 'The courier was late.'
		})
	);
	assert.deepEqual(november(), ['Nov 2026', 1, 0], 'the second word is wanted');
	good(judgeLateDeadline(house.as('castellan'), { deadlineId, words: 'Accepted by the court' }));
	assert.deepEqual(november(), ['Nov 2026', 0, 1]);
	const { href } = figures().missed.find(({ name }) => name === 'Nov 2026')!.settled;
	const { filter } = parseDocketFilter(house, new URL(href, 'http://house').searchParams);
	assert.equal(filter.show, 'settled', 'the list behind it has no others');
	assert.equal(listDeadlines(house, house.staff('okafor'), filter).total, 1);
	good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
	assert.equal(figures('harrowgate').missed.at(-2)?.settled.n, 0, 'nothing of what is hidden');
});

it('counts open matters by kind, unit, lawyer, age and priority, and each sums to all', async () => {
	const house = await testHouse();
	for (const responsibleId of ['stf_okafor', 'stf_okafor', 'stf_reyes'])
		await newMatter(house, { responsibleId });
	const { matterId } = await newMatter(house, { priority: 'high' });
	const figures = (login = 'okafor') => makeFigures(house, house.staff(login));
	const { kind, unit, lawyer, age, open, high } = figures();
	assert.equal(open, 4);
	assert.equal(high, 1);
	for (const slices of [kind, unit, lawyer, age])
		assert.equal(
			slices.reduce((sum, { n }) => sum + n, 0),
			open
		);
	assert.deepEqual(
		lawyer.map(({ name, n }) => [name, n]),
		[
			['Ines Okafor', 3],
			['Sunniva Reyes', 1]
		]
	);
	assert.deepEqual(
		age.map(({ n }) => n),
		[4, 0, 0, 0, 0]
	);
	house.set('2027-03-01');
	assert.deepEqual(
		figures().age.map(({ n }) => n),
		[0, 4, 0, 0, 0]
	);
	good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
	assert.equal(figures('wardle').high, 0);
});
