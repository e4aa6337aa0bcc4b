/** Changes as server-sent events (WHATWG HTML, 9.2), for as long as the page is there. */
import type { Reader } from '#server/app/application.ts';
import { findMark, listenToChanges } from './changes.ts';

/** Whatever stands between does not take the silence for an end. */
const STILL_MS = 25_000;
/** Streams that are open: they end with the server, which waits for nobody. */
const open = new Set<() => void>();
/** Ends every stream. */
export function endStreams(): void {
	for (const end of open) end();
}

export function streamChanges(app: Pick<Reader, 'db'>, signal: AbortSignal): Response {
	const encoder = new TextEncoder();
	let end = (): void => undefined;
	const body = new ReadableStream<Uint8Array>({
		start(controller) {
			const send = (text: string) => controller.enqueue(encoder.encode(text));
			const stop = listenToChanges(app, (mark) => send(`data: ${mark}\n\n`));
			const still = setInterval(() => send(': still here\n\n'), STILL_MS);
			still.unref();
			end = () => {
				if (!open.delete(end)) return;
				clearInterval(still);
				stop();
				try {
					controller.close();
				} catch {
					// The other side has gone already.
				}
			};
			open.add(end);
			signal.addEventListener('abort', end);
			send(`retry: 3000\ndata: ${findMark(app)}\n\n`);
		},
		cancel: () => end()
	});
	return new Response(body, {
		headers: {
			'content-type': 'text/event-stream',
			'cache-control': 'no-store',
			'x-accel-buffering': 'no'
		}
	});
}
