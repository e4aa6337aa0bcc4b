/** What a month and a timeline draw is what the list lists, with less of each. */
import assert from 'node:assert/strict';
import { it } from 'node:test';
import { restrictMatter } from '#server/matters/members.ts';
import { good, newMatter, testHouse } from '#server/testing/house.ts';
import { addDeadline } from './by-hand.ts';
import { listDrawnDates } from './drawn.ts';
import { enterEvent } from './events.ts';
import { listDeadlines } from './list.ts';

const YEAR = { from: '2026-01-01', to: '2027-12-31' };

it('dates are drawn as they are listed, and hidden as they are hidden', async () => {
	const house = await testHouse();
	const { matterId } = await newMatter(house);
	const eventKey = 'summons-and-complaint-served-on-a-defendant';
	const docket = ['answer-or-rule-12-motion'];
	good(enterEvent(house.as('okafor'), { matterId, eventKey, date: '2026-11-02', docket }));
	const byHand = { title: 'Call back', date: '2026-11-26', time: '10:00' };
	good(addDeadline(house.as('okafor'), { matterId, ...byHand }));
	good(addDeadline(house.as('okafor'), { matterId, what: 'hearing', ...byHand, title: 'Sitting' }));
	house.set('2026-11-25');
	const me = house.staff('okafor');
	for (const show of ['open', 'all', 'missed', 'hearings', 'unchecked'] as const) {
		const listed = listDeadlines(house, me, { ...YEAR, show }).rows;
		const drawn = listDrawnDates(house, me, { ...YEAR, show });
		assert.deepEqual(
			drawn.map(({ id, date, sort, state, checked, adrift }) => [
				...[id, date, sort, state],
				...[checked, adrift]
			]),
			listed.map(({ id, date, sort, state, checked, left }) => [
				...[id, date, sort, state],
				...[checked, left !== null]
			]),
			show
		);
	}
	const titles = listDrawnDates(house, me, { ...YEAR, show: 'open' }).map(({ title }) => title);
	assert.deepEqual(titles, [
		'Answer or Rule 12 motion (Summons and complaint served on a defendant)',
		'Call back',
		'Sitting'
	]);
	good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
	assert.deepEqual(listDrawnDates(house, house.staff('wardle'), YEAR), []);
});
