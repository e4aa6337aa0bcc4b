/**
 * Pages and lists go out compressed: what is written by the server, that is; files of the build are
 * compressed when it is made.
 */
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

const toBrotli = promisify(brotliCompress);
const toGzip = promisify(gzip);

/** Below this, the head that says so costs more than it saves. */
const LEAST_BYTES = 1024;
/**
 * Whoever asks for a page waits while it is compressed. A short one goes out at brotli's quickest
 * with a window no larger than it needs, in a third of the time of 3 and a tenth larger; only a
 * long one is worth more.
 */
const SHORT_BYTES = 128 * 1024;
const LONG_BYTES = 512 * 1024;
const SHORT_WINDOW_BITS = 18;
const { BROTLI_PARAM_QUALITY, BROTLI_PARAM_LGWIN } = constants;
const paramsFor = ({ length }: Buffer): Record<number, number> =>
	length < SHORT_BYTES
		? { [BROTLI_PARAM_QUALITY]: 1, [BROTLI_PARAM_LGWIN]: SHORT_WINDOW_BITS }
		: { [BROTLI_PARAM_QUALITY]: length < LONG_BYTES ? 3 : 5 };

/** A stream of events has no end to wait for. */
const COMPRESSIBLE = /^(text\/(?!event-stream)|application\/(json|yaml|javascript)|image\/svg)/;

/** The way of compressing that a browser takes and the server prefers. */
export function chooseEncoding(accepted: string | null): 'br' | 'gzip' | null {
	const taken = (accepted ?? '')
		.split(',')
		.map((part) => part.trim().toLowerCase())
		.filter((part) => !/;\s*q=0(\.0*)?$/.test(part))
		.map((part) => part.split(';')[0]);
	if (taken.includes('br')) return 'br';
	return taken.includes('gzip') ? 'gzip' : null;
}

/**
 * The response, compressed where that helps. It is done in zlib's threads, not in the server's
 * loop.
 */
export async function compressResponse(request: Request, response: Response): Promise<Response> {
	const encoding = chooseEncoding(request.headers.get('accept-encoding'));
	const type = response.headers.get('content-type') ?? '';
	if (!encoding || !response.body || request.method === 'HEAD' || !COMPRESSIBLE.test(type))
		return response;
	if (response.headers.has('content-encoding') || response.status === 304) return response;
	const plain = Buffer.from(await response.arrayBuffer());
	const headers = new Headers(response.headers);
	headers.append('vary', 'accept-encoding');
	if (plain.length < LEAST_BYTES) return new Response(plain, { status: response.status, headers });
	const small =
		encoding === 'br' ? await toBrotli(plain, { params: paramsFor(plain) }) : await toGzip(plain);
	headers.set('content-encoding', encoding);
	headers.set('content-length', String(small.length));
	return new Response(small, { status: response.status, headers });
}
