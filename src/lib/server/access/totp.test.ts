import assert from 'node:assert/strict';
import test from 'node:test';
import { generateSync, stringToBytes } from 'otplib';
import { makeCode, makeSecret, secretAddress, stepOfCode } from './totp.ts';

test('a code of now, and of one step to either side, is taken; of two it is not', () => {
	const secret = makeSecret();
	for (const steps of [-1, 0, 1]) assert.ok(stepOfCode(secret, makeCode(secret, steps), 0));
	assert.equal(stepOfCode(secret, makeCode(secret, -3), 0), undefined);
	assert.equal(stepOfCode(secret, makeCode(secret, 3), 0), undefined);
});

test('a code is taken once', () => {
	const secret = makeSecret();
	const step = stepOfCode(secret, makeCode(secret), 0)!;
	assert.equal(stepOfCode(secret, makeCode(secret), step), undefined);
});

test('it is typed with or without a space, and is of six digits', () => {
	const secret = makeSecret();
	const code = makeCode(secret);
	assert.ok(stepOfCode(secret, `${code.slice(0, 3)} ${code.slice(3)}`, 0));
	for (const typed of ['', '12345', '1234567', 'abcdef'])
		assert.equal(stepOfCode(secret, typed, 0), undefined, typed);
});

test('the codes are those of the standard', () => {
	// RFC 6238, appendix B, SHA-1: at 59 seconds 94287082, of which the last six digits.
	const secret = stringToBytes('12345678901234567890');
	assert.equal(generateSync({ secret, epoch: 59 }), '287082');
	assert.match(
		secretAddress('ABC', 'Kite Pen', 'okafor'),
		/^otpauth:\/\/totp\/Kite%20Pen:okafor\?/
	);
});
