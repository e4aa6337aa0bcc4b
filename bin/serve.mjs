/** The HTTP server around the built application; SIGTERM and SIGINT end it cleanly. */
import { existsSync } from 'node:fs';
import { createServer } from 'node:http';

/**
 * The built application: this folder where this file lies in a build, `build` beside it in the
 * source tree.
 */
export const builtFolder = ['./', '../build/']
	.map((path) => new URL(path, import.meta.url))
	.find((folder) => existsSync(new URL('handler.js', folder)));

/**
 * @param {{port: number, host: string, plain: boolean}} o `plain`: no TLS in front, any host name
 * of this machine (the demo).
 */
export async function serve(o) {
	process.env.BODY_SIZE_LIMIT ??= '72M';
	if (o.plain) {
		process.env.PROTOCOL_HEADER = 'x-kite-protocol';
		process.env.HOST_HEADER = 'host';
	}
	const { handler } = await import(new URL('handler.js', builtFolder).href);
	const server = createServer((req, res) => {
		if (o.plain) req.headers['x-kite-protocol'] = 'http';
		handler(req, res, () => {
			res.statusCode = 404;
			res.end();
		});
	});
	await new Promise((resolve, reject) => {
		server.once('error', reject);
		server.listen(o.port, o.host, resolve);
	});
	let ending = false;
	const end = (signal) => {
		if (ending) return;
		ending = true;
		server.close(() => process.emit('sveltekit:shutdown', signal));
		server.closeIdleConnections();
		setTimeout(() => server.closeAllConnections(), 5000).unref();
		setTimeout(() => process.exit(0), 9000).unref();
	};
	for (const s of ['SIGTERM', 'SIGINT']) process.on(s, () => end(s));
	return server;
}
