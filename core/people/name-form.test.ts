import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { nameForm, tellingWords, wordsOf } from './name-form.ts';

describe('a name, prepared', () => {
	it('is told apart by the words that are not everyone’s', () => {
		assert.deepEqual(tellingWords(nameForm('Bremner Marine Services Inc.')), ['bremner']);
		assert.deepEqual(tellingWords(nameForm('Marine Services')), ['marine', 'services']);
	});
	it('loses a legal form, also one spelled letter by letter', () => {
		assert.deepEqual(nameForm('Bremner L L C').tokens, ['bremner']);
		assert.deepEqual(nameForm('Bremner, L.L.P.').tokens, ['bremner']);
		assert.deepEqual(nameForm('LLC').tokens, ['llc']);
	});
	it('of a text has the same words, read the quick way and the careful way', () => {
		for (const text of [
			"Bremner & Sons, Pier 9 (O'Dunmore) a_b",
			'',
			'  -- ',
			'UPPER lower 3:26-cv-1'
		])
			assert.deepEqual(wordsOf(text), wordsOf(`${text} ü`).slice(0, -1), text);
	});
});
