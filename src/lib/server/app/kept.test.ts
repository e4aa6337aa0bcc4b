import assert from 'node:assert/strict';
import test from 'node:test';
import { good, newMatter, testHouse } from '#server/testing/house.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { makeFigures } from '#server/reports/figures.ts';
import type { Reader, Staff } from './application.ts';
import { keep } from './kept.ts';

test('a count is kept until something is written or the day ends, and is each person’s own', async () => {
	const house = await testHouse();
	let counted = 0;
	const figures = keep('figures', (reader: Reader, me: Staff, _: null) => {
		counted++;
		return makeFigures(reader, me);
	});
	const open = (login: string) => figures(house, house.staff(login), null).open;
	assert.deepEqual([open('okafor'), open('okafor'), counted], [0, 0, 1]);
	const { matterId } = await newMatter(house);
	assert.deepEqual([open('okafor'), open('haddad'), counted], [1, 1, 3]);
	good(restrictMatter(house.as('okafor'), { matterId, restricted: true }));
	assert.deepEqual([open('okafor'), open('haddad'), counted], [1, 0, 5]);
	house.set('2026-12-24');
	assert.deepEqual([open('okafor'), counted], [1, 6]);
});
