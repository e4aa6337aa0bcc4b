import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { plainDate } from '../dates/plain.ts';
import { formatCents, parseCents } from '../format/money.ts';
import { formatFact, parseFact, type Fact } from './fact.ts';

const today = plainDate('2026-11-23');
const fact = (type: Fact['type'], more: Partial<Fact> = {}): Fact => ({
	key: 'f',
	name: 'Loss',
	type,
	...more
});
/** The value that is kept, with its free text where it has one; or the fault. */
const read = (asked: Fact, typed: string, free = '') => {
	const reading = parseFact(asked, typed, free, today);
	if ('error' in reading) return reading.error;
	if (!reading.value?.more) return reading.value?.value ?? null;
	return [reading.value.value, reading.value.more];
};

describe('facts', () => {
	it('are read as people type them and kept plain', () => {
		assert.equal(read(fact('money'), '$1,250.5'), '125050');
		assert.equal(read(fact('number'), '12,500.25'), '12500.25');
		assert.equal(read(fact('number'), '-007'), '-7');
		assert.equal(read(fact('date'), '30 Oct 2026'), '2026-10-30');
		assert.equal(read(fact('yesno'), 'Y'), 'yes');
		assert.equal(read(fact('choice', { options: ['Ours', 'Theirs'] }), 'ours'), 'Ours');
		assert.equal(read(fact('web'), 'court.example/case?id=1'), 'https://court.example/case?id=1');
		assert.deepEqual(
			read(fact('coded', { codes: [{ code: 'IN', label: 'Injury' }] }), 'injury', 'left knee'),
			['IN', 'left knee']
		);
		assert.deepEqual(
			read(fact('coded', { codes: [{ code: 'IN', label: 'Injury' }] }), '', 'something new'),
			['', 'something new']
		);
		assert.equal(read(fact('text'), '  a   b '), 'a b');
		assert.equal(read(fact('long'), 'a\n\n  b'), 'a\n\n  b');
		assert.equal(read(fact('person'), 'per_0abc'), 'per_0abc');
		for (const type of ['text', 'money', 'date', 'person'] as const)
			assert.equal(read(fact(type), '  '), null);
	});
	it('are refused in plain words', () => {
		assert.match(String(read(fact('money'), 'a lot')), /Loss: “a lot” is not an amount/);
		assert.match(String(read(fact('money'), '1.234.5')), /not an amount/);
		assert.match(String(read(fact('money'), '99999999999999999')), /not an amount/);
		assert.match(String(read(fact('number'), 'seven')), /not a number/);
		assert.match(
			String(read(fact('date'), '30 Feb 2026')),
			/Loss: 30 Feb 2026 is not a date that exists/
		);
		assert.match(String(read(fact('yesno'), 'maybe')), /yes or no/);
		assert.match(String(read(fact('choice', { options: ['A', 'B'] }), 'C')), /not one of A, B/);
		assert.match(
			String(read(fact('coded', { codes: [{ code: 'X', label: 'Y' }] }), 'Q')),
			/no code of the list/
		);
		assert.match(String(read(fact('web'), 'javascript:alert(1)')), /not the address/);
		assert.match(String(read(fact('person'), 'Bob')), /choose a person/);
		assert.match(String(read(fact('text'), 'x'.repeat(301))), /longer than 300/);
	});
	it('are formatted as people write them', () => {
		const format = (asked: Fact, value: string, more = '') =>
			formatFact(asked, { value, more }, (id) => (id === 'per_1' ? 'Halina Ironwood' : undefined));
		assert.deepEqual(
			[
				format(fact('money'), '125050'),
				format(fact('number'), '1234567.5'),
				format(fact('date'), '2026-10-30'),
				format(fact('person'), 'per_1'),
				format(fact('person'), 'per_2')
			],
			[
				'1,250.50',
				'1,234,567.5',
				'30 October 2026',
				'Halina Ironwood',
				'someone whose card is gone'
			]
		);
		assert.equal(
			format(fact('coded', { codes: [{ code: 'IN', label: 'Injury' }] }), 'IN', 'left knee'),
			'Injury, left knee'
		);
	});
	it('of money come back from what was said, any amount', () => {
		fc.assert(
			fc.property(fc.integer({ min: -1e12, max: 1e12 }), (cents) =>
				assert.equal(parseCents(formatCents(cents)), cents)
			)
		);
	});
});
