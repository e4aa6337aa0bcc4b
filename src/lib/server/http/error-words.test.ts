import assert from 'node:assert/strict';
import { it } from 'node:test';
import { Refused } from '#server/app/errors.ts';
import { errorWords } from './error-words.ts';

it('a page that was refused says why; a fault of the program says nothing of itself', () => {
	assert.equal(errorWords(new Refused('This takes too long.'), 500), 'This takes too long.');
	assert.equal(
		errorWords(new Error('SELECT secret FROM x'), 500),
		'Something went wrong here. Nothing was saved.'
	);
	assert.match(errorWords(new Error('x'), 413), /at most 50 MB/);
});
