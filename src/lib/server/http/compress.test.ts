import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { chooseEncoding, compressResponse } from './compress.ts';

const page = 'A date that must not slip. '.repeat(200);
const ask = (accepted: string, method = 'GET') =>
	new Request('http://localhost/', { method, headers: { 'accept-encoding': accepted } });
const answer = (body: string, type: string) =>
	new Response(body, { headers: { 'content-type': type } });

describe('compressing answers', () => {
	it('prefers brotli, takes gzip, and refuses what the browser refuses', () => {
		assert.equal(chooseEncoding('gzip, deflate, br'), 'br');
		assert.equal(chooseEncoding('gzip;q=0.8, br;q=0'), 'gzip');
		assert.equal(chooseEncoding('identity'), null);
		assert.equal(chooseEncoding(null), null);
	});
	it('makes a page a tenth and says so', async () => {
		const open = { br: brotliDecompressSync, gzip: gunzipSync };
		for (const encoding of ['br', 'gzip'] as const) {
			const small = await compressResponse(ask(encoding), answer(page, 'text/html'));
			assert.equal(small.headers.get('content-encoding'), encoding);
			assert.match(small.headers.get('vary') ?? '', /accept-encoding/);
			const bytes = Buffer.from(await small.arrayBuffer());
			assert.ok(bytes.length < page.length / 10);
			assert.equal(open[encoding](bytes).toString(), page);
		}
	});
	it('leaves alone what is small, or compressed by its kind', async () => {
		const short = await compressResponse(ask('br'), answer('short', 'text/html'));
		assert.equal(short.headers.get('content-encoding'), null);
		assert.equal(await short.text(), 'short');
		const pdf = await compressResponse(ask('br'), answer(page, 'application/pdf'));
		assert.equal(pdf.headers.get('content-encoding'), null);
	});
});
