import assert from 'node:assert/strict';
import { it } from 'node:test';
import { scalar } from '#server/db/sql.ts';
import { testHouse } from '#server/testing/house.ts';
import { reading } from './reading.ts';
import { requireTask } from './task.ts';

const greet = reading(
	'greeting for a test',
	async () =>
		({ db, clock }, me, args: { word: string }) =>
			[
				args.word,
				me.name,
				clock.today(),
				clock.zone,
				scalar<string>(db, 'SELECT login FROM staff WHERE id = @id', { id: me.id })
			].join(' ')
);

it('a reading has a connection, who asks, and the clock as it stood when it was asked for', async () => {
	const house = await testHouse();
	const asked = greet(house, house.staff('okafor'), { word: 'Hello' });
	house.set('2027-01-04');
	assert.match(await asked, /^Hello .* 2026-11-23 America\/Los_Angeles okafor$/);
	assert.equal(requireTask('greeting for a test').lane, 'pages');
});
