import assert from 'node:assert/strict';
import test from 'node:test';
import fc from 'fast-check';
import { putTogether } from './two-writers.ts';

const labels = { title: 'Title', note: 'Note' };

test('what only one of two people changed is taken from who changed it', () => {
	const { fields, differences } = putTogether({
		labels,
		base: { title: 'Lease', note: 'old' },
		now: { title: 'Lease', note: 'theirs' },
		yours: { title: 'Sublease', note: 'old' }
	});
	assert.deepEqual(fields, { title: 'Sublease', note: 'theirs' });
	assert.deepEqual(differences, []);
});

test('what both changed is a difference, in words and as the form has it', () => {
	const { differences } = putTogether({
		labels,
		base: { title: 'Lease', note: '' },
		now: { title: 'Charter', note: '' },
		yours: { title: 'Sublease', note: '' },
		format: (_, value) => `“${value}”`
	});
	assert.deepEqual(differences, [
		{
			field: 'title',
			name: 'Title',
			theirs: '“Charter”',
			yours: '“Sublease”',
			values: { theirs: 'Charter', yours: 'Sublease' }
		}
	]);
});

test('both wrote the same: there is nothing to choose', () => {
	const sides = { labels, base: { title: 'a', note: '' }, now: { title: 'b', note: '' } };
	assert.deepEqual(putTogether({ ...sides, yours: sides.now }).differences, []);
});

test('who saw no form says what holds', () => {
	const { fields } = putTogether({
		labels,
		base: undefined,
		now: { title: 'a', note: 'b' },
		yours: { title: 'c', note: '' }
	});
	assert.deepEqual(fields, { title: 'c', note: '' });
});

test('nothing of the other is ever overwritten that the form did not show', () => {
	const value = fc.constantFrom('', 'a', 'b', 'c');
	const card = fc.record({ title: value, note: value });
	fc.assert(
		fc.property(card, card, card, (base, now, yours) => {
			const { fields, differences } = putTogether({ labels, base, now, yours });
			for (const field of ['title', 'note'] as const) {
				const isTheirs = now[field] !== base[field];
				const isAsked = differences.some((one) => one.field === field);
				if (isTheirs && !isAsked) assert.equal(fields[field], now[field]);
				if (!isTheirs) assert.equal(fields[field], yours[field]);
			}
		})
	);
});
