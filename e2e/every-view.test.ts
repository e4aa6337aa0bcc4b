/** Every main view of the demo house can be read by everyone, and fits the screens people have. */
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
async function listFaults(desk: Desk): Promise<string[]> {
	if (!(await desk.page.evaluate(() => 'axe' in window)))
		await desk.page.addScriptTag({ path: axe });
	const found = (await desk.page.evaluate(async () => {
		type Axe = { run(context: object, options: object): Promise<{ violations: unknown[] }> };
		const { axe } = window as unknown as { axe: Axe };
		// The stylesheets are not read once more: only the rule for a screen held upright needs it.
		// A timeline's marks stand where their day is; the list has the same dates in rows.
		const context = { exclude: ['.tl-mark'] };
		const { violations } = await axe.run(context, {
			resultTypes: ['violations'],
			preload: false,
			rules: { 'target-size': { enabled: true } }
		});
		return violations;
	})) as Found[];
	const where = ({ nodes }: Found) =>
		nodes
			.slice(0, 3)
			.map(({ target, failureSummary }) => `${target.join(' ')} ${failureSummary}`)
			.join(' | ');
	return found
		.filter(({ impact }) => impact === 'serious' || impact === 'critical')
		.map((fault) => `${fault.id}: ${where(fault)}`);
}

/** What names the rows of a list: it must be wide enough to be read on a telephone too. */
const ROW = 'td:has(> a[data-row])';
const TITLES: Readonly<Record<string, string>> = {
	'/': '[data-title]',
	'/matters?who=all': ROW,
	'/docket': ROW
};
const WIDE_ENOUGH = 130;

/** Where the page does not fit a screen 1024 wide, or a telephone. */
async function listOverflows(desk: Desk, path: string): Promise<string[]> {
	const faults: string[] = [];
	for (const width of [1024, 390]) {
		await desk.page.setViewport({ width, height: 800 });
		const over = await desk.page.evaluate(() => {
			const { scrollWidth } = document.documentElement;
			const main = document.querySelector('main')?.scrollWidth ?? 0;
			return Math.max(scrollWidth, main) - window.innerWidth;
		});
		if (over > 1) faults.push(`${over} px too wide at ${width}`);
	}
	const titles = TITLES[path];
	if (titles) {
		const widths = await desk.page.$$eval(titles, (all) => all.map((one) => one.clientWidth));
		if (Math.min(...widths) < WIDE_ENOUGH) faults.push(`titles of ${widths.join()} px at 390`);
	}
	await desk.page.setViewport({ width: 1280, height: 800 });
	return faults;
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

	it('has nothing serious for axe to find, and fits a screen 1024 wide and a telephone', async () => {
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
				'/rulebooks/us-ca-superior',
				`${pier}/docket?view=list&when=all`,
				paper,
				`${paper}/sign`
			].map((text): [Desk, string] => [io, text]),
			...[
				'/costs',
				run,
				'/mail',
				'/kinds',
				'/kinds/litigation',
				'/imports',
				'/jobs',
				'/accounts',
				'/resources'
			].map((text): [Desk, string] => [ops, text]),
			[wes, '/'],
			[wes, '/requests'],
			[clerk, '/rulebooks/us-tx-district/edit?as=text'],
			[
				clerk,
				'/rulebooks/us-ca-superior/edit?event=complaint-filed&rule=serve-and-file-proof-of-service'
			],
			[clerk, '/rulebooks/new']
		];
		const all: string[] = [];
		const began = new Set<Desk>();
		for (const [desk, path] of views) {
			if (began.has(desk)) await desk.follow(path);
			else {
				await desk.page.setBypassCSP(true);
				await desk.go(path);
				began.add(desk);
			}
			const faults = [...(await listFaults(desk)), ...(await listOverflows(desk, path))];
			all.push(...faults.map((fault) => `${path}: ${fault}`));
		}
		assert.deepEqual(all, []);
	});
});
