import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { placeBlocks, SHORTEST_MINUTES } from './lanes.ts';

const at = (from: number, to: number) => ({ from, to });
const lanes = (blocks: { from: number; to: number }[]) =>
	placeBlocks(blocks).map(({ lane, lanes: of }) => `${lane + 1} of ${of}`);

describe('appointments that overlap', () => {
	it('stand beside one another, and alone where they do not', () => {
		assert.deepEqual(lanes([at(540, 600), at(600, 660)]), ['1 of 1', '1 of 1']);
		assert.deepEqual(lanes([at(540, 600), at(570, 660), at(600, 660)]), [
			'1 of 2',
			'2 of 2',
			'1 of 2'
		]);
	});
	it('have room to be read, though they are short', () => {
		assert.deepEqual(lanes([at(540, 545), at(550, 555)]), ['1 of 2', '2 of 2']);
	});
	it('never lie over one another', () => {
		const block = fc.tuple(fc.integer({ min: 0, max: 1400 }), fc.integer({ min: 1, max: 600 }));
		fc.assert(
			fc.property(fc.array(block, { maxLength: 30 }), (pairs) => {
				const placed = placeBlocks(pairs.map(([from, length]) => at(from, from + length)));
				assert.equal(placed.length, pairs.length);
				for (const one of placed) {
					assert.ok(one.lane < one.lanes);
					for (const other of placed) {
						if (one === other || one.lane !== other.lane) continue;
						const [first, second] =
							one.item.from <= other.item.from ? [one.item, other.item] : [other.item, one.item];
						assert.ok(Math.max(first.to, first.from + SHORTEST_MINUTES) <= second.from);
					}
				}
			}),
			{ seed: 7 }
		);
	});
});
