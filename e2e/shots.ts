/**
 * `npm run shots`: one picture of each main view from the demo data, into docs/screenshots (or the
 * folder named).
 */
import { mkdirSync } from 'node:fs';
import { openBrowser, openHouse, sit, type Desk } from './house.ts';

const folder = process.argv[2] ?? 'docs/screenshots';
const only = process.argv[3] ? new Set(process.argv[3].split(',')) : null;
const size = { width: Number(process.argv[4] ?? 1280), height: 800 };
const all = folder !== 'docs/screenshots';
mkdirSync(folder, { recursive: true });
const house = await openHouse('demo');
const browser = await openBrowser();
const ORDER = `1. Fact discovery shall be completed by March 12, 2027.
2. Expert reports must be served no later than April 9, 2027; rebuttal reports by May 7, 2027.
3. The note of issue shall be filed by June 18, 2027.
4. A pretrial conference is set for August 24, 2027 at 9:30 a.m. in Room 442.
5. Jury trial will commence on September 13, 2027 at 9:30 a.m.
Dated: November 20, 2026`;
const wants = (...names: string[]) => !only || names.some((n) => only.has(n));
const shot = async (desk: Desk, name: string) => {
	if (wants(name)) await desk.shot(`${folder}/${name}.png`);
};
const matter = async (desk: Desk, title: string) => {
	await desk.go(`/matters?who=all&closed=1&q=${encodeURIComponent(title)}`);
	return (await desk.page.$$eval(
		'a[data-row]',
		(rows, index) => rows.find((a) => a.textContent!.includes(index))!.getAttribute('href'),
		title
	))!;
};
try {
	const io = await sit(browser, house.origin, 'okafor', size);
	await shot(io, 'day-sheet');
	if (wants('matters')) {
		await io.go('/matters?who=all');
		await shot(io, 'matters');
	}
	if (wants('calendar')) {
		await io.go('/calendar?view=week&who=stf_okafor,stf_lindqvist');
		await shot(io, 'calendar');
	}
	const pier = await matter(io, 'Pier 9');
	if (wants('matter-litigation')) {
		await io.go(pier);
		await shot(io, 'matter-litigation');
	}
	if (all && wants('matter-claims')) {
		await io.go(await matter(io, 'Quay wall'));
		await shot(io, 'matter-claims');
	}
	if (all && wants('matter-agreement')) {
		await io.go(await matter(io, 'Fuel supply'));
		await shot(io, 'matter-agreement');
	}
	if (wants('sheet-edit')) {
		await io.go(await matter(io, 'Quay wall'));
		await io.press('Change');
		await io.sees('Facts of');
		if (all) await shot(io, 'sheet-edit');
	}
	if (wants('matter-docket')) {
		await io.go(`${pier}/docket`);
		await io.press('Answer or Rule 12 motion');
		await shot(io, 'matter-docket');
	}
	if (wants('what-if')) {
		await io.go(`${pier}/docket`);
		await io.change('trial-date');
		await io.fill('to', '15 Nov 2027');
		await io.sees('15 Oct');
		await shot(io, 'what-if');
	}
	if (all && wants('timeline')) {
		await io.go(`${pier}/docket?view=timeline`);
		await shot(io, 'timeline');
	}
	if (wants('check')) {
		await io.go('/docket/check');
		await shot(io, 'check');
	}
	if (all && wants('schedule')) {
		await io.go(`${await matter(io, 'Slip 4')}/docket/schedule`);
		await io.paste("The order's table or its text", ORDER);
		await io.press('Read it into rows');
		await io.sees('rows read');
		await new Promise((done) => setTimeout(done, 900));
		await shot(io, 'schedule');
	}
	if (wants('papers')) {
		await io.go('/docket/papers');
		await shot(io, 'papers');
	}
	if (wants('sign-off')) {
		await io.go('/docket/sign-off');
		await shot(io, 'sign-off');
	}
	if (wants('calculator')) {
		await io.go(
			'/docket/calculator?court=us-ca-superior&from=2027-01-25&amount=16&unit=cd&way=before&service=electronic'
		);
		await shot(io, 'calculator');
	}
	if (wants('editor', 'closure', 'staff', 'timeline-form')) {
		const clerk = await sit(browser, house.origin, 'castellan', size);
		if (wants('editor')) {
			await clerk.go(
				'/rulebooks/own.vessel-purchase/edit?event=closing-of-the-purchase&rule=condition-survey-report'
			);
			await clerk.fill('How many', '28');
			await clerk.sees(/28 days before/);
			await clerk.settled();
			await new Promise((item) => setTimeout(item, 900));
			await shot(clerk, 'editor');
		}
		if (wants('timeline-form') && all) {
			await clerk.go('/rulebooks/new');
			await shot(clerk, 'timeline-form');
		}
		if (wants('staff') && all) {
			await clerk.go('/staff');
			await shot(clerk, 'staff');
		}
		if (wants('closure') && all) {
			await clerk.go('/docket/closures');
			await shot(clerk, 'closure');
		}
	}
	if (all) {
		const look = async (name: string, path: string, then?: () => Promise<void>) => {
			if (!wants(name)) return;
			await io.go(path);
			await then?.();
			await shot(io, name);
		};
		await look('month', `${pier}/docket?view=month`);
		await look('matter-list', `${pier}/docket?view=list&when=all`);
		await look('docket-timeline', '/docket?view=timeline');
		await look('docket-month', '/docket?view=month');
		await look('changes', '/docket/changes');
		await look('report', '/docket/report');
		await look('rulebooks', '/rulebooks');
		await look('rulebook', '/rulebooks/us-ca-superior');
		await look('order', `${pier}/docket`, async () => {
			await io.press('Lay an order over the rules');
			await io.sees('What it says');
		});
		await look('shift', `${pier}/docket`, async () => {
			await io.page.evaluate(() =>
				(
					document.querySelector(
						'[data-deadline="Pretrial disclosures"] button[aria-expanded]'
					) as HTMLButtonElement
				).click()
			);
			await io.press('Move it');
			await io.page.type('input[name="by"]', '+14d');
			await io.sees("the rule's own day");
		});
		await look('by-hand', `${pier}/docket`, async () => {
			await io.press('By hand');
			await io.sees('Authority');
		});
		await look('details', `${pier}/docket`, async () => {
			await io.press('Pretrial disclosures');
			await io.press('Details');
			await io.sees('Exhibits');
		});
		await look('correct', `${await matter(io, 'Slip 4')}/docket`, async () => {
			await io.press('move or correct');
			await io.fill('to', '9 Nov 2026');
			await io.sees('Reason');
		});
		await look('enter', `${await matter(io, 'Slip 4')}/docket?enter`, async () => {
			await io.choose('What happened', 'motion return', 'Motion return date');
			await io.fill('On', '25 Jan 2027');
			await io.sees('Serve motion papers');
		});
	}
	if (wants('logbook')) {
		await io.go(`${pier}/logbook`);
		await shot(io, 'logbook');
	}
	if (wants('trial')) {
		await io.go(`${pier}/trial`);
		await shot(io, 'trial');
	}
	if (wants('docket')) {
		await io.go('/docket');
		await shot(io, 'docket');
	}
	if (wants('people')) {
		await io.go('/people');
		await shot(io, 'people');
	}
	if (wants('person') && all) {
		await io.go('/people?q=group');
		await io.page.evaluate(() => (document.querySelector('tbody a') as HTMLAnchorElement).click());
		await io.sees('On matters');
		await shot(io, 'person');
	}
	if (wants('interest')) {
		await io.go('/interest');
		await io.page.evaluate(() =>
			(document.querySelector('main section a[href^="/interest/"]') as HTMLAnchorElement).click()
		);
		await io.sees('Decision');
		await shot(io, 'interest');
	}
	if (all && wants('figures')) {
		await io.go('/figures');
		await shot(io, 'figures');
	}
	if (all && wants('opening')) {
		await io.go('/requests');
		await io.press('Film crew');
		await io.press('Open a matter', 'aside');
		await io.sees('From request');
		await shot(io, 'opening');
	}
	if (wants('triage')) {
		await io.go('/requests');
		await shot(io, 'triage');
	}
	if (wants('request-detail') && all) {
		await io.go('/requests');
		await io.press('Coffee');
		await io.sees('To and fro');
		await shot(io, 'request-detail');
	}
	if (wants('closing') && all) {
		await io.go(`${pier}`);
		await io.press('Hold or close');
		await io.sees('open dates');
		await shot(io, 'closing');
	}
	if (all && wants('request')) {
		const wes = await sit(browser, house.origin, 'tarrant', size);
		await shot(wes, 'request');
	}
	if (all && wants('kind', 'imports', 'kinds')) {
		const ops = await sit(browser, house.origin, 'haddad', size);
		await ops.go('/kinds/litigation');
		await shot(ops, 'kind');
		if (all) {
			await ops.go('/kinds');
			await shot(ops, 'kinds');
			await ops.go('/imports');
			await shot(ops, 'imports');
		}
	}
	if (wants('signing')) {
		await io.go('/');
		const mail = await sit(browser, house.origin, 'haddad', size);
		// Mail goes out by a job, a batch at a time.
		for (let i = 0; i < 30; i++) {
			await mail.go('/mail?q=signer1');
			if ((await mail.text()).includes('signer1@')) break;
			await new Promise((item) => setTimeout(item, 1000));
		}
		await mail.page.evaluate(() =>
			[...document.querySelectorAll<HTMLButtonElement>('li button')]
				.find((b) => b.textContent!.includes('signer1@'))
				?.click()
		);
		await mail.settled();
		const link = await mail.page.evaluate(
			() =>
				[...document.querySelectorAll<HTMLAnchorElement>('article a')].find((a) =>
					a.href.includes('/sign/')
				)?.pathname ?? null
		);
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
		await ops.go(
			(await ops.page.evaluate(() =>
				document.querySelector('table a[href^="/costs/"]')!.getAttribute('href')
			))!
		);
		await shot(ops, 'cost-run');
	}
} finally {
	await browser.close();
	await house.stop();
}
