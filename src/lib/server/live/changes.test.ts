import assert from 'node:assert/strict';
import { after, it } from 'node:test';
import { writeMemo } from '#server/memos/commands.ts';
import { good, testHouse } from '#server/testing/house.ts';
import { endStreams, streamChanges } from './stream.ts';

/** The clock of the streams keeps no process alive; a test waits for it. */
const waiting = setInterval(() => undefined, 1000);
after(() => clearInterval(waiting));

it('a change is told as it happens, and nothing of what it is', async () => {
	const house = await testHouse();
	const response = streamChanges(house, new AbortController().signal);
	assert.equal(response.headers.get('content-type'), 'text/event-stream');
	const reader = response.body!.getReader();
	const read = async () => new TextDecoder().decode((await reader.read()).value);
	const [first] = /\w{16}$/.exec((await read()).trim()) ?? [];
	assert.ok(first);
	good(writeMemo(house.as('okafor'), { text: 'Barnacles' }));
	const heard = await read();
	assert.match(heard, /^data: \w{16}\n\n$/);
	assert.doesNotMatch(heard, new RegExp(first));
	endStreams();
	assert.equal((await reader.read()).done, true);
});

it('whoever leaves is told no more', async () => {
	const house = await testHouse();
	const left = new AbortController();
	const reader = streamChanges(house, left.signal).body!.getReader();
	await reader.read();
	left.abort();
	good(writeMemo(house.as('okafor'), { text: 'Barnacles' }));
	assert.equal((await reader.read()).done, true);
});
