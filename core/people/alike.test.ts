import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { alike, editDistance, formsOf } from './alike.ts';

describe('words of names', () => {
	it('know a slip from another word', () => {
		assert.equal(editDistance('okafor', 'okafro'), 1);
		assert.equal(editDistance('abc', 'xyz', 1), 2);
		assert.equal(alike('okafor', 'okafur')?.reason, 'misspelled');
		assert.equal(alike('holt', 'colt'), null);
		assert.equal(alike('2026', '2025'), null);
		assert.equal(alike('i', 'ines')?.reason, 'initial');
	});
	it('know the forms of a given name', () => {
		assert.deepEqual(formsOf('bill'), ['william', 'will', 'billy', 'willy']);
		assert.deepEqual(formsOf('okafor'), []);
	});
});
