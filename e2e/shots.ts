/** `npm run shots`: one picture of each main view from the demo data, into docs/screenshots (or the folder named). */
import { mkdirSync } from 'node:fs';
import { openBrowser, openHouse, sit, type Desk } from './house.ts';

const folder = process.argv[2] ?? 'docs/screenshots';
const only = process.argv[3] ? new Set(process.argv[3].split(',')) : null;
const size = { width: Number(process.argv[4] ?? 1280), height: 800 };
mkdirSync(folder, { recursive: true });
const house = await openHouse('demo/make.ts');
const browser = await openBrowser();
const shot = async (d: Desk, name: string) => {
	if (!only || only.has(name)) await d.shot(`${folder}/${name}.png`);
};
try {
	const guest = await sit(browser, house.origin, undefined, size);
	await guest.go('/sign-in');
	await shot(guest, 'sign-in');
	const io = await sit(browser, house.origin, 'okafor', size);
	await shot(io, 'day-sheet');
	await io.go('/matters?who=all');
	await shot(io, 'matters');
	const pier = (await io.page.$$eval('a[data-row]', (all) => all.find((a) => a.textContent!.includes('Pier 9'))!.getAttribute('href')))!;
	await io.go(pier);
	await shot(io, 'matter-overview');
	await io.go(`${pier}/docket`);
	await io.press('Answer or Rule 12 motion');
	await shot(io, 'matter-docket');
	await io.page.evaluate(() => [...document.querySelectorAll<HTMLButtonElement>('section[data-event="trial-date"] button')].find((b) => b.textContent!.includes('change the date'))!.click());
	await io.fill('to', '15 Nov 2027');
	await io.sees('15 Oct');
	await shot(io, 'what-if');
	await io.go(`${pier}/docket`);
	await io.press('Enter an event');
	await io.choose('What happened', 'interrog', 'Interrogatories served');
	await io.fill('On', '20 Nov 2026');
	await io.select('Served by', 'By mail');
	await io.fill('Name it', 'First set, to Larkhaven');
	await io.sees('24 Dec');
	await shot(io, 'enter-event');
	await io.go(`${pier}/tasks`);
	await shot(io, 'matter-tasks');
	await io.go(`${pier}/logbook`);
	await shot(io, 'logbook');
	await io.go(`${pier}/time`);
	await shot(io, 'matter-time');
	await io.go('/docket');
	await shot(io, 'docket');
	await io.go('/documents');
	await shot(io, 'documents');
	const signed = await io.page.evaluate(() => [...document.querySelectorAll('tr')].find((t) => t.textContent!.includes('signed, sealed'))!.querySelector('a')!.getAttribute('href'));
	await io.go(signed!);
	await io.page.waitForSelector('canvas[data-drawn="yes"]');
	await shot(io, 'document');
	await io.go('/time');
	await shot(io, 'time');
	const post = await sit(browser, house.origin, 'haddad', size);
	await post.go('/costs');
	await shot(post, 'costs');
	const run = await post.page.evaluate(() => document.querySelector('table a[href^="/costs/"]')!.getAttribute('href'));
	await post.go(run!);
	await shot(post, 'cost-run');
	await post.go('/post');
	await post.page.evaluate(() => [...document.querySelectorAll<HTMLButtonElement>('li button')].find((b) => b.textContent!.includes('signer1@'))?.click());
	await shot(post, 'post-room');
	const link = await post.page.evaluate(() => [...document.querySelectorAll<HTMLAnchorElement>('article a')].find((a) => a.href.includes('/sign/'))?.pathname ?? null);
	if (link) {
		await guest.go(link);
		await guest.page.waitForSelector('canvas[data-drawn="yes"]').catch(() => undefined);
		await shot(guest, 'signing');
	}
	await io.go('/');
	await io.page.keyboard.press('/');
	await io.page.keyboard.type('bremner');
	await shot(io, 'pen-line');
} finally {
	await browser.close();
	await house.stop();
}
