/** No main view of the demo house has anything serious for axe to find. */
import assert from 'node:assert/strict';
import { createRequire } from 'node:module';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';
import { listViews } from './views.ts';

const axe = createRequire(import.meta.url).resolve('axe-core/axe.min.js');
let house: House;
let browser: Browser;

type Found = { id: string; impact: string; nodes: { target: string[]; failureSummary: string }[] };
/**
 * What axe finds on the page a desk is at. The page's own policy allows no foreign script:
 * `setBypassCSP` comes first.
 */
async function faults(desk: Desk): Promise<string[]> {
	await desk.page.addScriptTag({ path: axe });
	const found = (await desk.page.evaluate(
		async () =>
			(
				await (
					window as unknown as { axe: { run(item: object): Promise<{ violations: unknown[] }> } }
				).axe.run({ resultTypes: ['violations'] })
			).violations
	)) as Found[];
	return found
		.filter((item) => item.impact === 'serious' || item.impact === 'critical')
		.map(
			(item) =>
				`${item.id}: ${item.nodes
					.slice(0, 3)
					.map((n) => `${n.target.join(' ')} ${n.failureSummary}`)
					.join(' | ')}`
		);
}

describe('every main view', { timeout: 600_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('has nothing serious for axe to find', async () => {
		const io = await sit(browser, house.origin, 'okafor');
		await io.go('/matters?who=all');
		const pier = await io.page.$$eval('a[data-row]', (all) =>
			all.find((link) => link.textContent === 'Pier 9 passenger fall')!.getAttribute('href')!
		);
		const ops = await sit(browser, house.origin, 'haddad');
		const guest = await sit(browser, house.origin);
		const wes = await sit(browser, house.origin, 'tarrant');
		const clerk = await sit(browser, house.origin, 'castellan');
		await io.go('/documents');
		const paper = await io.page.evaluate(() =>
			[...document.querySelectorAll('tr')]
				.find((element) => element.textContent!.includes('signed, sealed'))!
				.querySelector('a')!
				.getAttribute('href')!
		);
		await ops.go('/costs');
		const run = await ops.page.evaluate(() =>
			document.querySelector('table a[href^="/costs/"]')!.getAttribute('href')!
		);
		const views: [Desk, string][] = [
			[guest, '/sign-in'],
			...[
				...listViews(pier),
				`${pier}/tasks`,
				`${pier}/documents`,
				`${pier}/time`,
				'/people?q=group',
				'/rulebooks/us-ny-supreme',
				`${pier}/docket?view=list&when=all`,
				paper,
				`${paper}/sign`
			].map((text): [Desk, string] => [io, text]),
			...['/costs', run, '/mail', '/kinds', '/kinds/litigation', '/imports', '/jobs'].map(
				(text): [Desk, string] => [ops, text]
			),
			[wes, '/'],
			[wes, '/requests'],
			[clerk, '/rulebooks/us-tx-district/edit'],
			[clerk, '/rulebooks/new']
		];
		const all: string[] = [];
		for (const desk of [io, ops, guest, wes, clerk]) await desk.page.setBypassCSP(true);
		for (const [desk, path] of views) {
			await desk.go(path);
			for (const fault of await faults(desk)) all.push(`${path}: ${fault}`);
		}
		assert.deepEqual(all, []);
	});
});
