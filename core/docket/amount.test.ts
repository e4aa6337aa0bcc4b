/** Amounts of days as people type them. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { CountError, normalizeAmount, normalizeSpan, parseAmount } from './amount.ts';

describe('an amount as it is typed', () => {
	for (const [typed, written] of [
		['+14d', '+14d'],
		['14 court days', '+14cd'],
		['+14 Court Days', '+14cd'],
		['-3 business days', '-3cd'],
		['− 1 day', '-1d'],
		['30 calendar days', '+30d'],
		['2 weeks', '+2w'],
		['1 month', '+1m'],
		['72 hours', '+72h'],
		['14cd', '+14cd']
	] as const)
		it(`“${typed}” is ${written}`, () => {
			assert.equal(normalizeAmount(typed), written);
			parseAmount(normalizeAmount(typed));
		});

	it('may have its direction behind it', () => {
		assert.equal(normalizeSpan('20 court days before'), '-20cd');
		assert.equal(normalizeSpan('1 month after'), '+1m');
		assert.equal(normalizeSpan('-2w'), '-2w');
		assert.equal(normalizeSpan('before'), 'before');
	});
	for (const typed of ['soon', '1.5 days', '14 moons', '', 'days'])
		it(`“${typed}” is none`, () =>
			assert.throws(() => parseAmount(normalizeAmount(typed)), CountError));
});
