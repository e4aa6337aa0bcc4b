import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { safePath } from './safe-path.ts';

describe('the way after signing in', () => {
	it('leads to a page of the house, with its question', () => {
		for (const path of ['/', '/matters?who=all&q=a%20b', '/docket'])
			assert.equal(safePath(path), path);
	});
	it('leads nowhere else, however it is written', () => {
		for (const path of [
			...['', 'evil.example', 'https://evil.example', '//evil.example', '/\\evil.example'],
			...['/\t/evil.example', '/\n/evil.example', '\t//evil.example', 'javascript:alert(1)']
		])
			assert.equal(safePath(path), '/', JSON.stringify(path));
	});
});
