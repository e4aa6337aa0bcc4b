/** `npm run shots`: one picture of each main view from the demo data, into docs/screenshots (or the folder named). */
import { mkdirSync } from 'node:fs';
import { openBrowser, openHouse, sit, type Desk } from './house.ts';

const folder = process.argv[2] ?? 'docs/screenshots';
const only = process.argv[3] ? new Set(process.argv[3].split(',')) : null;
const size = { width: Number(process.argv[4] ?? 1280), height: 800 };
const all = folder !== 'docs/screenshots';
mkdirSync(folder, { recursive: true });
const house = await openHouse('demo/make.ts');
const browser = await openBrowser();
const wants = (...names: string[]) => !only || names.some((n) => only.has(n));
const shot = async (d: Desk, name: string) => {
	if (wants(name)) await d.shot(`${folder}/${name}.png`);
};
const matter = async (d: Desk, title: string) => { await d.go(`/matters?who=all&closed=1&q=${encodeURIComponent(title)}`); return (await d.page.$$eval('a[data-row]', (rows, t) => rows.find((a) => a.textContent!.includes(t))!.getAttribute('href'), title))!; };
try {
	const io = await sit(browser, house.origin, 'okafor', size);
	await shot(io, 'day-sheet');
	if (wants('matters')) { await io.go('/matters?who=all'); await shot(io, 'matters'); }
	const pier = await matter(io, 'Pier 9');
	if (wants('matter-litigation')) { await io.go(pier); await shot(io, 'matter-litigation'); }
	if (wants('matter-claims')) { await io.go(await matter(io, 'Quay wall')); await shot(io, 'matter-claims'); }
	if (wants('matter-agreement')) { await io.go(await matter(io, 'Fuel supply')); await shot(io, 'matter-agreement'); }
	if (wants('sheet-edit')) { await io.go(await matter(io, 'Quay wall')); await io.press('Change'); await io.sees('Facts of'); if (all) await shot(io, 'sheet-edit'); }
	if (wants('matter-docket')) { await io.go(`${pier}/docket`); await io.press('Answer or Rule 12 motion'); await shot(io, 'matter-docket'); }
	if (wants('what-if')) {
		await io.go(`${pier}/docket`);
		await io.page.evaluate(() => [...document.querySelectorAll<HTMLButtonElement>('section[data-event="trial-date"] button')].find((b) => b.textContent!.includes('change the date'))!.click());
		await io.fill('to', '15 Nov 2027');
		await io.sees('15 Oct');
		await shot(io, 'what-if');
	}
	if (wants('logbook')) { await io.go(`${pier}/logbook`); await shot(io, 'logbook'); }
	if (wants('trial')) { await io.go(`${pier}/trial`); await shot(io, 'trial'); }
	if (wants('docket')) { await io.go('/docket'); await shot(io, 'docket'); }
	if (wants('people')) { await io.go('/people'); await shot(io, 'people'); }
	if (wants('person') && all) { await io.go('/people?q=group'); await io.page.evaluate(() => (document.querySelector('tbody a') as HTMLAnchorElement).click()); await io.sees('On matters'); await shot(io, 'person'); }
	if (wants('interest')) { await io.go('/interest'); await io.page.evaluate(() => (document.querySelector('main section a[href^="/interest/"]') as HTMLAnchorElement).click()); await io.sees('Decision'); await shot(io, 'interest'); }
	if (wants('figures')) { await io.go('/overview'); await shot(io, 'figures'); }
	if (wants('opening')) {
		await io.go('/requests');
		await io.press('Film crew');
		await io.press('Open a matter', 'aside');
		await io.sees('From request');
		await shot(io, 'opening');
	}
	if (wants('triage')) { await io.go('/requests'); await shot(io, 'triage'); }
	if (wants('request-detail') && all) { await io.go('/requests'); await io.press('Coffee'); await io.sees('To and fro'); await shot(io, 'request-detail'); }
	if (wants('closing') && all) { await io.go(`${pier}`); await io.press('Hold or close'); await io.sees('open dates'); await shot(io, 'closing'); }
	if (wants('request')) { const wes = await sit(browser, house.origin, 'tarrant', size); await shot(wes, 'request'); }
	if (wants('kind', 'imports', 'kinds')) {
		const ops = await sit(browser, house.origin, 'haddad', size);
		await ops.go('/kinds/litigation');
		await shot(ops, 'kind');
		if (all) { await ops.go('/kinds'); await shot(ops, 'kinds'); await ops.go('/imports'); await shot(ops, 'imports'); }
	}
	if (wants('signing')) {
		await io.go('/');
		const mail = await sit(browser, house.origin, 'haddad', size);
		// Mail goes out by a job, a batch at a time.
		for (let i = 0; i < 30; i++) { await mail.go('/post?q=signer1'); if ((await mail.text()).includes('signer1@')) break; await new Promise((r) => setTimeout(r, 1000)); }
		await mail.page.evaluate(() => [...document.querySelectorAll<HTMLButtonElement>('li button')].find((b) => b.textContent!.includes('signer1@'))?.click());
		await mail.settled();
		const link = await mail.page.evaluate(() => [...document.querySelectorAll<HTMLAnchorElement>('article a')].find((a) => a.href.includes('/sign/'))?.pathname ?? null);
		if (link) {
			const guest = await sit(browser, house.origin, undefined, size);
			await guest.go(link);
			await guest.page.waitForSelector('canvas[data-drawn="yes"]').catch(() => undefined);
			await shot(guest, 'signing');
		}
	}
	if (wants('cost-run')) {
		const ops = await sit(browser, house.origin, 'haddad', size);
		await ops.go('/costs');
		await ops.go((await ops.page.evaluate(() => document.querySelector('table a[href^="/costs/"]')!.getAttribute('href')))!);
		await shot(ops, 'cost-run');
	}
} finally {
	await browser.close();
	await house.stop();
}
