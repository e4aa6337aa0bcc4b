/**
 * What becomes of dates, through the real interface: missed and met late, taken back, set aside, a
 * hearing held, continued, off, an event withdrawn.
 */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let io: Desk, clerk: Desk;

const address = async (desk: Desk, title: string): Promise<string> => {
	await desk.go(`/matters?who=all&q=${encodeURIComponent(title)}`);
	return (await desk.page.$eval('a[data-row]', (row) => row.getAttribute('href')))!;
};
const rowOf = (title: string, state = '') =>
	`[data-deadline="${title}"]${state && `[data-state="${state}"]`}`;
const until = (desk: Desk, selector: string) => desk.page.waitForSelector(selector);
/** Opens a date's line, where it is not open. */
async function open(desk: Desk, title: string, state = '') {
	const row = rowOf(title, state);
	await until(desk, row);
	const button = `${row} button[aria-expanded]`;
	await desk.page.$eval(button, (one) => {
		if (one.getAttribute('aria-expanded') === 'false') (one as HTMLElement).click();
	});
	await until(desk, `${row} button[aria-expanded="true"]`);
}

describe('what becomes of dates', { timeout: 600_000 }, () => {
	let luggage = '';
	let pier = '';
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		io = await sit(browser, house.origin, 'okafor');
		clerk = await sit(browser, house.origin, 'castellan');
		luggage = await address(clerk, 'Left luggage robbery');
		pier = await address(io, 'Pier 9');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('a missed date is met late, with a reason and another person’s word, and stays listed', async () => {
		await io.go(`${luggage}/docket`);
		await until(io, rowOf('Notice of appeal', 'missed'));
		await open(io, 'Notice of appeal', 'missed');
		await io.press('It was met');
		await io.sees('it is recorded as met late');
		await io.press('Record it as met late');
		await io.sees('say why it was met later');
		await io.fill('Why it was late', 'Extended by the court of appeals.');
		await io.press('Record it as met late');
		await until(io, rowOf('Notice of appeal', 'late'));
		await clerk.go('/docket?show=missed');
		await clerk.sees('word wanted');
		await clerk.press('Notice of appeal');
		await clerk.sees('waits for a second person');
		await clerk.press('Give your word');
		await clerk.fill('Your word', 'Order of 19 November seen.');
		await clerk.press('Keep your word');
		await clerk.sees('Order of 19 November seen.');
		await clerk.go('/docket?show=missed');
		await clerk.sees('settled, DC');
		await clerk.misses('word wanted');
	});

	it('what was settled by mistake is taken back, with a reason', async () => {
		await io.go(`${luggage}/docket`);
		await open(io, 'Notice of appeal', 'late');
		await io.press('Take it back');
		await io.press('Take it back', '[role="dialog"]');
		await io.sees('The reason is missing.');
		await io.fill('Reason', 'The order was of another case');
		await io.press('Take it back', '[role="dialog"]');
		await until(io, rowOf('Notice of appeal', 'missed'));
		await io.go(`${luggage}/logbook`);
		await io.sees('stands again, it was met: The order was of another case');
		await io.sees('Extended by the court of appeals.');
	});

	it('proposals are set aside together, with a reason', async () => {
		await io.go(`${pier}/docket`);
		await io.page.click('[aria-label="Choose Start on the answer"]');
		await io.press('Set 1 date aside');
		await io.sees('The reason is missing.');
		await io.fill('Or why they do not matter here', 'The answer is drafted');
		await io.press('Set 1 date aside');
		await until(io, rowOf('Start on the answer', 'vacated'));
		await io.sees('set aside: The answer is drafted');
	});

	it('a hearing is continued without a day, gets a new one, and is taken off', async () => {
		const title = 'Hearing of a motion, motion to strike';
		await io.go(`${pier}/docket`);
		await open(io, title);
		await io.press('Continue it');
		await io.fill('Reason', 'The judge is away');
		await io.press('Continue it, no day yet');
		await io.sees('continued, no new day yet');
		await until(io, rowOf(title, 'vacated'));
		await io.change('hearing-of-a-motion');
		await io.fill('to', '14 Jan 2027');
		await io.fill('Reason', 'Notice of the clerk');
		await io.press('Move', 'aside[aria-label="If the event moves"]');
		await until(io, `${rowOf(title, 'docketed')} [data-date="2027-01-14"]`);
		await io.press('Take it off');
		await io.fill('Reason', 'Withdrawn by the other side');
		await io.press('Take it off', '[role="dialog"]');
		await until(io, rowOf(title, 'vacated'));
		await io.sees('taken off, Withdrawn by the other side');
	});

	it('a hearing by hand says that the court does not sit that day, and is held', async () => {
		await io.go(`${pier}/docket`);
		await io.press('By hand');
		await io.page.click('input[name="what"][value="conference"]');
		await io.fill('Title', 'Case conference');
		await io.fill('On', '22 Nov 2026');
		await io.sees('Falls on a day the court does not sit: Sunday');
		await io.press('Docket the conference');
		await until(io, rowOf('Case conference', 'passed'));
		await io.sees('the court does not sit that day: Sunday');
		await io.go('/docket?show=passed');
		await io.press('Case conference');
		await io.press('It was held');
		await io.press('Record it as held');
		await io.sees('The outcome is missing.');
		await io.fill('What came of it', 'Schedule agreed.');
		await io.fill('Who appeared', 'Okafor, Haddad');
		await io.press('Record it as held');
		await until(io, rowOf('Case conference', 'met'));
		await io.sees('Appeared: Okafor, Haddad');
		await io.sees('Enter what follows');
	});

	it('an event entered by mistake is withdrawn with its dates, and brought back', async () => {
		await io.go(`${pier}/docket`);
		const event = 'section[data-event="summons-and-complaint-served-on-a-defendant"]';
		await io.page.click(`${event} button[aria-label^="withdraw"]`);
		await io.press('Withdraw the event and its dates', event);
		await io.sees('The reason is missing.');
		await io.fill('Why it was entered by mistake', 'Another defendant');
		await io.press('Withdraw the event and its dates', event);
		await io.sees('Withdrawn by IO: Another defendant');
		await until(io, rowOf('Answer or Rule 12 motion', 'vacated'));
		await io.press('bring it back', event);
		await io.fill('Why it stands after all', 'It was ours');
		await io.press('Bring it back', event);
		await until(io, rowOf('Answer or Rule 12 motion', 'docketed'));
		assert.equal(await io.page.$('[data-withdrawn]'), null);
	});

	it('a date left behind says so in each list, and is let follow', async () => {
		await io.go(`${pier}/docket`);
		await io.change('trial-date');
		await io.fill('to', '15 Nov 2027');
		await io.sees('15 Oct');
		await io.press('Choose', 'aside[aria-label="If the event moves"]');
		await io.page.$$eval('input[name="only"]', (all) =>
			all.forEach((one) => (one as HTMLInputElement).checked && (one as HTMLElement).click())
		);
		await io.sees('and no longer follows its event');
		await io.fill('Reason', 'Continued');
		await io.press('Move', 'aside[aria-label="If the event moves"]');
		await io.sees('no longer follows its event: the rule now gives');
		const title = (await io.page.$eval('[data-kite="adrift"]', (mark) =>
			mark.closest('[data-deadline]')?.getAttribute('data-deadline')
		))!;
		await io.go('/docket?from=2027-06-01');
		await io.sees('no longer follows its event');
		await io.go(`${pier}/docket`);
		await open(io, title);
		await io.press('Let it follow');
		await until(io, `${rowOf(title)} [data-kite="half"]`);
	});
});
