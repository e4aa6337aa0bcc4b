/**
 * A page that shows what others change: it hears that something changed and asks anew. While nobody
 * sees the page it does not listen, and while nobody has touched it for long it does not ask: a
 * forgotten screen keeps no session alive.
 */
const ADDRESS = '/api/live';
/** Where streams do not pass, it asks. */
const ASK_MS = 5000;
/** Not oftener than this, however much changes. */
const LEAST_MS = 1200;
const IDLE_MS = 15 * 60_000;

/** Calls when something may have changed; gives what ends it. */
export function listenForChanges(onchange: () => Promise<void> | void): () => void {
	let source: EventSource | undefined;
	let asking: ReturnType<typeof setInterval> | undefined;
	let waiting: ReturnType<typeof setTimeout> | undefined;
	let mark = '';
	let last = 0;
	let touched = Date.now();
	let isStale = false;

	function tell(): void {
		if (Date.now() - touched > IDLE_MS) {
			isStale = true;
			return;
		}
		isStale = false;
		clearTimeout(waiting);
		waiting = setTimeout(
			() => {
				last = Date.now();
				void onchange();
			},
			Math.max(0, last + LEAST_MS - Date.now())
		);
	}
	/** What was there when one began to listen is not news. */
	function hear(next: string): void {
		const isNews = mark !== '' && next !== mark;
		mark = next;
		if (isNews) tell();
	}
	async function ask(): Promise<void> {
		const response = await fetch(ADDRESS).catch(() => undefined);
		if (response?.ok) hear(((await response.json()) as { mark: string }).mark);
	}
	function open(): void {
		if (source || asking || document.visibilityState === 'hidden') return;
		source = new EventSource(ADDRESS);
		source.onmessage = ({ data }) => hear(String(data));
		source.onerror = () => {
			// It comes back by itself, unless it was refused.
			if (source?.readyState !== EventSource.CLOSED) return;
			source = undefined;
			asking = setInterval(() => void ask(), ASK_MS);
		};
	}
	function close(): void {
		source?.close();
		source = undefined;
		clearInterval(asking);
		asking = undefined;
	}
	const look = () => (document.visibilityState === 'hidden' ? close() : open());
	function touch(): void {
		touched = Date.now();
		if (isStale) tell();
	}
	open();
	document.addEventListener('visibilitychange', look);
	for (const name of ['pointermove', 'keydown'] as const) window.addEventListener(name, touch);
	return () => {
		close();
		clearTimeout(waiting);
		document.removeEventListener('visibilitychange', look);
		for (const name of ['pointermove', 'keydown'] as const) window.removeEventListener(name, touch);
	};
}
