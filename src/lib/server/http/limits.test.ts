/** Doors that are used too often ask one to wait. */
import assert from 'node:assert/strict';
import { it } from 'node:test';
import { findDraw, takeDraw } from './limits.ts';

const asked = {
	path: '/documents',
	method: 'POST',
	contentType: 'multipart/form-data; boundary=x',
	contentLength: 0,
	staffId: 'stf_okafor',
	address: () => '10.0.0.1'
};

it('what is uploaded counts by its size, for each person', async () => {
	assert.equal(findDraw(asked)?.points, 1);
	assert.equal(findDraw({ ...asked, contentLength: 40_000_001 })?.points, 41);
	assert.equal(findDraw({ ...asked, contentType: 'application/json' }), undefined);
	assert.equal(findDraw({ ...asked, method: 'GET' }), undefined);
	const draw = { door: 'upload', key: 'stf_one', points: 1990 } as const;
	assert.equal(await takeDraw(draw), undefined);
	assert.equal(await takeDraw({ ...draw, points: 10 }), undefined);
	const wait = await takeDraw({ ...draw, points: 1 });
	assert.ok(wait !== undefined && wait > 0 && wait <= 600);
	assert.equal(await takeDraw({ ...draw, key: 'stf_other' }), undefined);
});
it('links of guests count by the address, not for colleagues', async () => {
	const guest = { ...asked, path: '/sign/abc', method: 'GET', staffId: undefined };
	assert.deepEqual(findDraw(guest), { door: 'link', key: '10.0.0.1', points: 1 });
	assert.equal(findDraw({ ...guest, path: '/password/abc' })?.door, 'link');
	assert.equal(findDraw({ ...guest, staffId: 'stf_okafor' }), undefined);
	for (let time = 0; time < 300; time++)
		assert.equal(await takeDraw({ door: 'link', key: '10.0.0.2', points: 1 }), undefined);
	assert.ok(await takeDraw({ door: 'link', key: '10.0.0.2', points: 1 }));
});
it('a calendar address counts by itself, whoever asks', () => {
	const feed = { ...asked, path: '/feed/abc.ics', method: 'GET' };
	assert.deepEqual(findDraw(feed), { door: 'feed', key: '/feed/abc.ics', points: 1 });
});
