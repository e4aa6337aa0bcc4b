import { readFileSync } from 'node:fs';
import Database from 'better-sqlite3';
import { openBrowser } from './house.ts';
import * as h from './house.ts';
import { randomBytes } from 'node:crypto';
export const { origin, data } = JSON.parse(readFileSync('/tmp/zz/house.json', 'utf8'));
const fake = { origin, data } as unknown as h.House;
export const browser = await openBrowser();
export async function desk(login: string, width = 1280, height = 800) {
	const { COOKIE } = await import('#server/http/cookie.ts');
	const d = await h.sit(browser, origin, undefined, { width, height });
	const value = h.openSession(fake, login);
	await (d.page.browserContext()).setCookie({ name: COOKIE, value, domain: 'localhost', path: '/' });
	await d.go('/');
	return d;
}
export const shot = async (d: h.Desk, name: string, full = false) => {
	await d.settled();
	await d.page.screenshot({ path: `/tmp/zz/${name}.png`, fullPage: full });
};
export const done = async () => { await browser.close(); process.exit(0); };
