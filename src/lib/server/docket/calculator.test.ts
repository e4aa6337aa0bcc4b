import assert from 'node:assert/strict';
import { before, it } from 'node:test';
import { plainDate } from '#core/dates/plain.ts';
import { testHouse, type TestHouse } from '#server/testing/house.ts';
import { calculate, parseCalculation } from './calculator.ts';

let house: TestHouse;
before(async () => {
	house = await testHouse();
});
const ask = (fields: Record<string, string>) =>
	calculate(house, parseCalculation(new URLSearchParams(fields), plainDate('2026-11-23')));

it('reads a sign as the way, wherever it is written', () => {
	const on = { court: 'us-federal', from: '2026-11-23' };
	assert.equal(
		ask({ ...on, amount: '-5' }).result?.date,
		ask({ ...on, count: '-5d' }).result?.date
	);
	assert.equal(ask({ ...on, amount: '-5' }).result?.date, '2026-11-18');
	assert.equal(ask({ ...on, amount: '+7', way: 'before' }).result?.date, '2026-11-30');
});
it('says what it cannot count by', () => {
	for (const amount of ['1.5', 'abc', '5 days', '--5']) {
		const { errors, result } = ask({ court: 'us-federal', amount });
		assert.equal(result, null);
		assert.match(errors.amount ?? '', new RegExp(`“${amount.replace('.', '[.]')}” is no number`));
	}
});
it('says by name why a date before a Texas holiday moves back', () => {
	const { result } = ask({ court: 'us-tx-district', count: '-7d', from: '2026-12-31' });
	assert.match(result!.count.sentences.join(' '), /is Christmas Eve, so the date moves back/);
});
