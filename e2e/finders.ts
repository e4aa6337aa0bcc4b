/** What a page of a desk knows: finds buttons and fields by their words, as people do. */
export const finders = `
let underWay = 0;
const plainFetch = window.fetch;
window.fetch = (...of) => { underWay++; return plainFetch(...of).finally(() => setTimeout(() => underWay--, 0)); };
function requests() { return underWay; }
let hit = [];
addEventListener('pointerdown', (event) => { hit = event.composedPath(); }, true);
function wasPressed(e) { return hit.includes(e); }
function forgetPressed() { hit = []; }
function seen(e) { const r = e.getBoundingClientRect(); return r.width > 0 && r.height > 0; }
function nameOf(e) { return (e.getAttribute('aria-label') || e.innerText || e.value || '').replace(/\\s+/g, ' ').trim(); }
function find(name, within) {
	const open = document.querySelector('[role="dialog"]');
	const root = within !== 'body' ? document.querySelector(within) : open || document.body;
	if (!root) return null;
	const all = [...root.querySelectorAll('button, a, summary, [role="button"]')].filter((e) => seen(e) && !e.disabled);
	return all.find((e) => nameOf(e) === name) || all.find((e) => nameOf(e).startsWith(name)) || null;
}
function boxOf(e) { const r = e && e.getBoundingClientRect(); return r ? [r.x, r.y, r.width, r.height].join() : ''; }
function isOnTop(e) { const r = e.getBoundingClientRect(); return e.contains(document.elementFromPoint(r.x + r.width / 2, r.y + r.height / 2)); }
function option(words) { return [...document.querySelectorAll('[role="option"]')].find((e) => e.textContent.includes(words)) || null; }
function control(label) {
	const open = document.querySelector('[role="dialog"]');
	for (const root of [open, document.body]) {
		if (!root) continue;
		for (const l of root.querySelectorAll('label')) if (l.innerText.replace(/\\s+/g, ' ').trim().startsWith(label)) { const c = l.htmlFor ? document.getElementById(l.htmlFor) : l.querySelector('input,select,textarea'); if (c && (seen(c) || c.type === 'file')) return c; }
		for (const c of root.querySelectorAll('input,select,textarea')) if ((c.getAttribute('aria-label') || '').startsWith(label) && seen(c)) return c;
	}
	return null;
}`;

declare global {
	function find(name: string, within: string): Element | null;
	function control(label: string): HTMLElement | null;
	/** What a field that finds has found, by its words. */
	function option(words: string): Element | null;
	/** Where an element is, as words. */
	function boxOf(element: Element | null): string;
	/** Nothing lies over its middle. */
	function isOnTop(element: Element): boolean;
	/** How many requests are under way. */
	function requests(): number;
	/** Whether the last press of the pointer went to an element, or into it. */
	function wasPressed(element: Element): boolean;
	function forgetPressed(): void;
}

/** In the page: what one of its finders finds, in sight, once it stood still for two pictures. */
export async function findAtRest(
	finder: 'find' | 'option',
	...words: [string, string?]
): Promise<Element | null> {
	let before = '';
	for (let picture = 0; picture < 60; picture++) {
		const element = finder === 'find' ? find(words[0], words[1] ?? 'body') : option(words[0]);
		element?.scrollIntoView({ block: finder === 'find' ? 'center' : 'nearest' });
		const now = boxOf(element);
		// What lies over it, a list that is still open, would be pressed in its stead.
		if (element && now === before && isOnTop(element)) return element;
		before = now;
		await new Promise(requestAnimationFrame);
	}
	return finder === 'find' ? find(words[0], words[1] ?? 'body') : option(words[0]);
}
