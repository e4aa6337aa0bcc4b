import assert from 'node:assert/strict';
import test from 'node:test';
import { readIdentityNumber, tailOf } from './identity.ts';

test('a social security number is kept in its groups, however it is written', () => {
	for (const typed of ['512449087', '512-44-9087', ' 512 44 9087 '])
		assert.deepEqual(readIdentityNumber('social security', typed), { number: '512-44-9087' });
});

test('one that was never given out is refused, and so is one of eight digits', () => {
	for (const typed of ['000-44-9087', '666-44-9087', '912-44-9087', '512-00-9087', '512-44-0000'])
		assert.match(JSON.stringify(readIdentityNumber('social security', typed)), /look at it again/);
	assert.match(JSON.stringify(readIdentityNumber('social security', '51244908')), /nine digits/);
});

test('other numbers are kept as written, in capitals, within their limits', () => {
	assert.deepEqual(readIdentityNumber('passport', 'x  1234567'), { number: 'X 1234567' });
	for (const typed of ['12', 'a'.repeat(41), '<script>', '   '])
		assert.ok('error' in readIdentityNumber('other', typed), typed);
});

test('only the end of a long number tells it', () => {
	assert.equal(tailOf('512-44-9087'), '9087');
	assert.equal(tailOf('AB 1234'), '', 'a short one would be told whole');
});
