/** What the department sets for everyone. */
import assert from 'node:assert/strict';
import { it } from 'node:test';
import { plainDate } from '#core/dates/plain.ts';
import { parseTypedDate } from '#core/dates/typed.ts';
import { findDateOrder } from '#server/app/department.ts';
import { parseDocketFilter } from '#server/docket/filter-words.ts';
import { bad, good, testHouse } from '#server/testing/house.ts';
import { setDateOrder } from './department.ts';

it('reads dates in figures as the department says, and asks while it has not', async () => {
	const house = await testHouse();
	const read = () => parseTypedDate('11/5/26', plainDate('2026-11-23'), findDateOrder(house));
	assert.ok('error' in read());
	good(setDateOrder(house.as('castellan'), { order: 'month' }));
	assert.deepEqual(read(), { date: '2026-11-05' });
	good(setDateOrder(house.as('castellan'), { order: 'day' }));
	assert.deepEqual(read(), { date: '2026-05-11' });
	bad(setDateOrder(house.as('okafor'), { order: 'month' }));
	good(setDateOrder(house.as('castellan'), { order: '' }));
	assert.equal(findDateOrder(house), null);
});

it('limits the docket by days as they are typed', async () => {
	const house = await testHouse();
	good(setDateOrder(house.as('castellan'), { order: 'month' }));
	const filter = (query: string) => parseDocketFilter(house, new URLSearchParams(query));
	assert.equal(filter('from=11/5/26&to=next%20fri').filter.from, '2026-11-05');
	assert.equal(filter('from=11/5/26&to=next%20fri').filter.to, '2026-11-27');
	assert.match(filter('from=2026-02-30').bad, /not a date that exists/);
});
