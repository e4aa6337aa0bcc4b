import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { findMoved } from './moved.ts';

const moved = (address: string) => findMoved(new URL(address, 'http://localhost'));

describe('addresses of earlier versions', () => {
	it('lead to where the page is now, with what they asked', () => {
		assert.equal(moved('/overview'), '/figures');
		assert.equal(
			moved('/count?court=us-federal&amount=5'),
			'/docket/calculator?court=us-federal&amount=5'
		);
		assert.equal(moved('/post/mal_1/0'), '/mail/mal_1/0');
	});
	it('name a date by its word', () => {
		assert.equal(
			moved('/matters/LF-2026-0001/docket?view=list&count=due_1'),
			'/matters/LF-2026-0001/docket?view=list&deadline=due_1'
		);
		assert.equal(moved('/docket/check?date=due_1'), '/docket/check?deadline=due_1');
	});
	it('are left alone where they are right', () => {
		for (const address of ['/', '/postcards', '/docket?date=x', '/matters/1/docket?deadline=due_1'])
			assert.equal(moved(address), undefined, address);
	});
});
