/** What a page of a desk knows: finds buttons and fields by their words, as people do. */
export const finders = `
let underWay = 0;
const plainFetch = window.fetch;
window.fetch = (...of) => { underWay++; return plainFetch(...of).finally(() => setTimeout(() => underWay--, 0)); };
function requests() { return underWay; }
function seen(e) { const r = e.getBoundingClientRect(); return r.width > 0 && r.height > 0; }
function nameOf(e) { return (e.getAttribute('aria-label') || e.innerText || e.value || '').replace(/\\s+/g, ' ').trim(); }
function find(name, within) {
	const open = document.querySelector('[role="dialog"]');
	const root = within !== 'body' ? document.querySelector(within) : open || document.body;
	if (!root) return null;
	const all = [...root.querySelectorAll('button, a, summary, [role="button"]')].filter((e) => seen(e) && !e.disabled);
	return all.find((e) => nameOf(e) === name) || all.find((e) => nameOf(e).startsWith(name)) || null;
}
function control(label) {
	const open = document.querySelector('[role="dialog"]');
	for (const root of [open, document.body]) {
		if (!root) continue;
		for (const l of root.querySelectorAll('label')) if (l.innerText.replace(/\\s+/g, ' ').trim().startsWith(label)) { const c = l.htmlFor ? document.getElementById(l.htmlFor) : l.querySelector('input,select,textarea'); if (c && (seen(c) || c.type === 'file')) return c; }
		for (const c of root.querySelectorAll('input,select,textarea')) if ((c.getAttribute('aria-label') || '').startsWith(label) && seen(c)) return c;
	}
	return null;
}`;
