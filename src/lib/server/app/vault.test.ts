import assert from 'node:assert/strict';
import { randomBytes } from 'node:crypto';
import test from 'node:test';
import { KEY_BYTES, openText, sealText } from './vault.ts';

const key = randomBytes(KEY_BYTES);

test('what is sealed opens again, and does not look like what it was', () => {
	const sealed = sealText(key, 'idn_1', '512-44-9087');
	assert.equal(openText(key, 'idn_1', sealed), '512-44-9087');
	assert.ok(!sealed.toString('latin1').includes('9087'));
	assert.notDeepEqual(sealed, sealText(key, 'idn_1', '512-44-9087'), 'never the same twice');
});

test('another key, another row or a changed byte opens nothing', () => {
	const sealed = sealText(key, 'idn_1', '512-44-9087');
	assert.throws(() => openText(randomBytes(KEY_BYTES), 'idn_1', sealed));
	assert.throws(() => openText(key, 'idn_2', sealed));
	const changed = Buffer.from(sealed);
	changed[sealed.length - 1] = changed[sealed.length - 1]! ^ 1;
	assert.throws(() => openText(key, 'idn_1', changed));
});
