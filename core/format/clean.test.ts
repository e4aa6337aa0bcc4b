import assert from 'node:assert/strict';
import { it } from 'node:test';
import { cleanText } from './clean.ts';

it('takes controls and direction marks out, and leaves what is read', () => {
	assert.equal(cleanText('Iris\u0000 Oka\u202efor\u200b'), 'Iris Okafor');
	assert.equal(cleanText('\ufeffMr.\u2066 Lee\u2069\u200f\u0085'), 'Mr. Lee');
	assert.equal(cleanText('first\r\nsecond\rthird\n\tfourth'), 'first\nsecond\nthird\n\tfourth');
	const kept = 'Ole Ödegård, 李 · می‌خواهم 👩‍⚖️';
	assert.equal(cleanText(kept), kept);
});
