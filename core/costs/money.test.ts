import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { plainDate } from '../dates/plain.ts';
import { parseShare, formatCents, formatShare } from '../format/money.ts';
import { priceMinutes, shareCents } from './money.ts';
import { rateFor, type Rate } from './rates.ts';
import {
	agree,
	journal,
	shareItems,
	findSplitFault,
	splitOn,
	totals,
	type Item,
	type Split
} from './run.ts';

describe('sharing', () => {
	it('conserves every cent and stays within a cent of the exact part', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: -1e12, max: 1e12 }),
				fc
					.array(fc.integer({ min: 0, max: 1_000_000 }), { minLength: 1, maxLength: 12 })
					.filter((item) => item.some((x) => x > 0)),
				(cents, weights) => {
					const parts = shareCents(cents, weights);
					const total = weights.reduce((a, b) => a + b, 0);
					assert.equal(
						parts.reduce((a, b) => a + b, 0),
						cents
					);
					parts.forEach((part, i) =>
						assert.ok(Math.abs(part - (cents * weights[i]!) / total) < 1.001)
					);
				}
			)
		);
	});
	it('gives the odd cent to the larger remainder', () => {
		assert.deepEqual(shareCents(100, [1, 1, 1]), [34, 33, 33]);
		assert.deepEqual(shareCents(10_001, [700_000, 300_000]), [7001, 3000]);
		assert.throws(() => shareCents(1, [0, 0]), RangeError);
		assert.throws(() => shareCents(1.5, [1]), RangeError);
	});
	it('reads and says amounts', () => {
		assert.equal(formatCents(-123_456_05), '−123,456.05');
		assert.equal(parseShare('33.3333'), 333_333);
		assert.equal(parseShare('100.1'), undefined);
		assert.equal(parseShare('-5'), undefined);
		assert.equal(formatShare(333_333), '33.3333 %');
		assert.equal(priceMinutes(24, 42_500), 17_000);
		assert.equal(priceMinutes(1, 30), 1);
	});
});

const split = (shares: [string, number][], from = '2026-01-01', matter = 'm'): Split => ({
	matter,
	from: plainDate(from),
	shares: shares.map(([unit, number]) => ({ unit, costCenter: null, share: number }))
});

describe('a cost run', () => {
	it('agrees over lines, matters, units and total, and its journal balances', () => {
		const items = fc.array(
			fc.record({
				entry: fc.uuid(),
				matter: fc.constantFrom('m', 'n'),
				day: fc.constant(plainDate('2026-10-05')),
				minutes: fc.integer({ min: 1, max: 1440 }),
				centsPerHour: fc.integer({ min: 1, max: 100_000 })
			}),
			{ minLength: 1, maxLength: 40 }
		);
		fc.assert(
			fc.property(items, fc.integer({ min: 0, max: 10_000_000 }), (list, agreed) => {
				const splits = [
					split([
						['a', 700_000],
						['b', 300_000]
					]),
					split(
						[
							['a', 333_333],
							['b', 333_333],
							['c', 333_334]
						],
						'2026-01-01',
						'n'
					)
				];
				const { lines } = shareItems(list as Item[], splits);
				const item = totals(lines);
				assert.ok(item.agrees);
				const other = journal(lines, 'legal');
				assert.equal(
					other.reduce((a, line) => a + line.debit, 0),
					item.total
				);
				assert.equal(
					other.reduce((a, line) => a + line.credit, 0),
					item.total
				);
				if (item.total > 0) assert.equal(totals(agree(lines, agreed)).total, agreed);
				assert.ok(item.total === 0 || totals(agree(lines, agreed)).agrees);
			}),
			{ numRuns: 200 }
		);
	});
	it('sees a sum that does not agree', () => {
		const { lines } = shareItems(
			[
				{ entry: 'e', matter: 'm', day: plainDate('2026-10-05'), minutes: 60, centsPerHour: 10_000 }
			],
			[split([['a', 1_000_000]])]
		);
		lines[0]!.shares[0]!.cents--;
		assert.equal(totals(lines).agrees, false);
	});
	it('takes the split in force on the day, and holds back what has none', () => {
		const splits = [
			split([['a', 1_000_000]], '2026-01-01'),
			split([['b', 1_000_000]], '2026-07-01')
		];
		assert.equal(splitOn(splits, 'm', plainDate('2026-06-30'))!.shares[0]!.unit, 'a');
		assert.equal(splitOn(splits, 'm', plainDate('2026-07-01'))!.shares[0]!.unit, 'b');
		assert.deepEqual(
			shareItems(
				[{ entry: 'e', matter: 'm', day: plainDate('2025-12-31'), minutes: 6, centsPerHour: 1 }],
				splits
			).held,
			[{ entry: 'e', matter: 'm', why: 'no-split' }]
		);
	});
	it('says what is wrong with a split', () => {
		const item = (unit: string, n: number) => ({ unit, costCenter: null, share: n });
		assert.equal(findSplitFault([item('a', 700_000), item('b', 300_000)]), undefined);
		assert.match(findSplitFault([item('a', 700_000), item('b', 200_000)])!, /90 %, not 100 %/);
		assert.match(findSplitFault([item('a', 500_000), item('a', 500_000)])!, /twice/);
		assert.match(findSplitFault([])!, /at least one/);
		assert.match(findSplitFault([item('a', 1_000_000), item('b', 0)])!, /more than 0/);
	});
});

describe('rates', () => {
	const rate = (id: string, over: Partial<Rate>): Rate => ({
		id,
		staff: null,
		level: null,
		matter: null,
		unit: null,
		from: plainDate('2026-01-01'),
		centsPerHour: 1,
		...over
	});
	const item = {
		staff: 's',
		level: 'senior',
		matter: 'm',
		unit: 'u',
		day: plainDate('2026-10-05')
	};
	it('prefer the more particular, then the later', () => {
		const all = [
			rate('dep', {}),
			rate('lev', { level: 'senior' }),
			rate('own', { staff: 's' }),
			rate('own2', { staff: 's', from: plainDate('2026-05-01') }),
			rate('later', { staff: 's', from: plainDate('2027-01-01') })
		];
		assert.equal(rateFor(all, item)!.rate.id, 'own2');
		assert.equal(rateFor([...all, rate('unit', { unit: 'u' })], item)!.rate.id, 'unit');
		assert.equal(
			rateFor(
				[...all, rate('mat', { matter: 'm' }), rate('matown', { matter: 'm', staff: 's' })],
				item
			)!.rate.id,
			'matown'
		);
		assert.equal(rateFor([rate('x', { staff: 'other' })], item), undefined);
	});
});
