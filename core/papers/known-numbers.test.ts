import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { knownNumberFinder } from './known-numbers.ts';

const known = ['HM 26-40918', '4:26-cv-01422', 'CGC26601234', '42'].map((number) => ({ number }));
const find = knownNumberFinder(known);

describe('a known number', () => {
	it('is found in a text however its parts are divided', () => {
		for (const [text, number, written] of [
			['HM-26-40918 Mediation', 'HM 26-40918', 'HM-26-40918'],
			['Mediation, hm26 40918', 'HM 26-40918', 'hm26 40918'],
			['No. 4:26-cv-01422-JT, trial', '4:26-cv-01422', '4:26-cv-01422'],
			['CGC-26-601234: demurrer', 'CGC26601234', 'CGC-26-601234']
		] as const) {
			const result = find(text);
			assert.deepEqual(
				[result?.found.map((one) => one.number), result?.written],
				[[number], written]
			);
		}
	});
	it('is not part of a longer word, and never as short as a page', () => {
		assert.equal(find('HM 26-409187 and page 42 of 42'), undefined);
		assert.equal(find(''), undefined);
	});
	it('may be of two cases, and the longer one counts', () => {
		const of = knownNumberFinder([
			{ number: '26-40918', id: 1 },
			{ number: 'HM 26-40918', id: 2 },
			{ number: 'HM-26-40918', id: 3 }
		]);
		assert.deepEqual(
			of('HM 26-40918')?.found.map(({ id }) => id),
			[2, 3]
		);
	});
});
