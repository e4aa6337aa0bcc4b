/** Where somebody is led after signing in: a place in this house, whatever the address says. */

const HOUSE = 'http://house.invalid';

/**
 * The path, with its query, where it is one of this house; the Day sheet where it is anything else.
 * It is read as a browser reads it: "/\t/evil.example" and "/\evil.example" lead outside there.
 */
export function safePath(to: string): string {
	if (!to.startsWith('/')) return '/';
	try {
		const url = new URL(to, HOUSE);
		return url.origin === HOUSE ? url.pathname + url.search : '/';
	} catch {
		return '/';
	}
}
