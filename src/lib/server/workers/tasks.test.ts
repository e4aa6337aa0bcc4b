/** A task that the worker does not know fails only in the running house: each is declared. */
import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { it } from 'node:test';

it('every area that has tasks is known to the workers', () => {
	const server = fileURLToPath(new URL('..', import.meta.url));
	const areas = readdirSync(server, { recursive: true, encoding: 'utf8' })
		.filter((path) => /^[\w-]+\/tasks\.ts$/.test(path) && !path.startsWith('workers/'))
		.map((path) => path.split('/')[0])
		.filter((area) => /\btask\(/.test(readFileSync(`${server}/${area}/tasks.ts`, 'utf8')));
	const known = readFileSync(new URL('tasks.ts', import.meta.url), 'utf8');
	assert.ok(areas.length > 8);
	for (const area of areas) assert.match(known, new RegExp(`'\\.\\./${area}/tasks\\.ts'`));
});
