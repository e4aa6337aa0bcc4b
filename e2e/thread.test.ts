/**
 * The whole thread through the real interface, from an empty house: from opening a matter to a
 * sealed document and a cost statement.
 */
import assert from 'node:assert/strict';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import Database from 'better-sqlite3';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let okafor: Desk, clerk: Desk, ops: Desk, second: Desk, outsider: Desk;
let number = '';
const scratch = mkdtempSync(join(tmpdir(), 'kite-out-'));

/** The bytes behind an address, with a desk's session. */
async function bytes(desk: Desk, path: string): Promise<Buffer> {
	const b64 = await desk.page.evaluate(async (text) => {
		const response = await fetch(text);
		const a = new Uint8Array(await response.arrayBuffer());
		let value = '';
		for (const x of a) value += String.fromCharCode(x);
		return `${response.status} ${btoa(value)}`;
	}, path);
	assert.match(b64, /^200 /, path);
	return Buffer.from(b64.slice(4), 'base64');
}
const db = <T>(sql: string, ...params: unknown[]): T[] => {
	const item = new Database(join(house.data, 'kite-pen.db'), { readonly: true });
	try {
		return item.prepare<unknown[], T>(sql).all(...params);
	} finally {
		item.close();
	}
};
const kite = (desk: Desk, title: string) =>
	desk.page.$eval(`[data-deadline="${title}"] [data-kite]`, (element) =>
		element.getAttribute('data-kite')
	);
const dateOf = (desk: Desk, title: string) =>
	desk.page.$eval(`[data-deadline="${title}"] [data-date]`, (element) =>
		element.getAttribute('data-date')
	);
function pdfsig(pdf: Buffer): string {
	const path = join(scratch, `${Math.random()}.pdf`);
	writeFileSync(path, pdf);
	const child = spawnSync('pdfsig', [path], { encoding: 'utf8' });
	return child.stdout + child.stderr;
}
const pdftotext = (pdf: Buffer) => {
	const path = join(scratch, `${Math.random()}.pdf`);
	writeFileSync(path, pdf);
	return execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
};

describe('the thread', { timeout: 600_000 }, () => {
	before(async () => {
		house = await openHouse('empty');
		browser = await openBrowser();
	});
	after(async () => {
		await browser?.close();
		assert.equal(await house?.stop(), 0, 'the server ends cleanly on SIGTERM');
	});

	it('1. signs in, refuses a wrong password, and offers no demo people without demo data', async () => {
		const desk = await sit(browser, house.origin);
		await desk.go('/sign-in');
		assert.doesNotMatch(await desk.text(), /Demo people/);
		await desk.fill('Name', 'okafor');
		await desk.fill('Password', 'wrong');
		await desk.press('Sign in');
		await desk.sees('The name or the password is not right.');
		assert.equal(
			await desk.page.$eval('#login', (element) => (element as HTMLInputElement).value),
			'okafor'
		);
		await desk.fill('Password', 'larkhaven');
		await desk.press('Sign in');
		await desk.page.waitForFunction(() => location.pathname === '/');
		okafor = desk;
		const cookie = (await okafor.page.browserContext().cookies()).find(
			(cooky) => cooky.name === 'kite'
		)!;
		assert.ok(cookie.httpOnly && cookie.sameSite === 'Lax');
		clerk = await sit(browser, house.origin, 'castellan');
		await okafor.sees('No dates are docketed');
	});

	it('2. opens a matter in one drawer, with an opponent made in place', async () => {
		await okafor.press('Open a matter');
		await okafor.press('Open the matter');
		await okafor.sees('The title is missing.');
		await okafor.sees('Choose a business unit.');
		await okafor.fill('Title', 'Pier 9 passenger fall');
		await okafor.select('Business unit', 'Passenger');
		await okafor.fill('Opponent', 'Halyard Staffing LLC');
		await okafor.sees('A new card is made');
		await okafor.fill('Court', 'N.D. Cal., San Francisco');
		await okafor.press('Open the matter');
		await okafor.sees(/LF-2026-\d{4}/);
		await okafor.sees('Open 0 days');
		number = /LF-2026-\d{4}/.exec(await okafor.text())![0];
		assert.equal(number, 'LF-2026-0001');
		await okafor.sees('Halyard Staffing LLC');
		await okafor.sees('Matter opened as litigation, Ines Okafor responsible.');
		// A second matter finds the card instead of making another.
		await okafor.press('Matters');
		await okafor.settled();
		await okafor.press('Open a matter');
		await okafor.fill('Title', 'Staffing invoice');
		await okafor.select('Business unit', 'Freight');
		await okafor.choose('Opponent', 'halyard', 'Halyard Staffing LLC');
		await okafor.press('Open the matter');
		await okafor.sees('LF-2026-0002');
		await okafor.settled();
		assert.equal(db('SELECT id FROM person').length, 1);
	});

	it('3. enters the service of the summons and dockets two dates with their counts', async () => {
		await okafor.go(`/matters/${number}/docket`);
		await okafor.press('Enter an event');
		await okafor.choose(
			'What happened',
			'summons and',
			'Summons and complaint served on a defendant'
		);
		await okafor.fill('On', '30 Feb 2026');
		await okafor.sees('30 Feb 2026 is not a date that exists.');
		await okafor.fill('On', '30 Oct 2026');
		await okafor.select('Served by', 'leaving with the clerk');
		await okafor.sees('Fed. R. Civ. P. 12(a)(1)(A)(i), 12(a)(2)');
		await okafor.sees('The 21st day is Friday 20 November 2026');
		await okafor.sees('Service by leaving with the clerk adds nothing to this date.');
		await okafor.sees('in the past');
		// The picture and the sentences come from one trace: the strip's last cell of the count is the
		// 21st.
		assert.equal(
			await okafor.page.$eval('[data-count] .cell.result i', (element) => element.textContent),
			'21'
		);
		await okafor.fill('On', '9 Nov 2026');
		await okafor.sees('Monday 30 November 2026');
		await okafor.fill('Name it', 'Larkhaven Ferries');
		await okafor.page.click('input[aria-label="Docket start on the answer"]');
		await okafor.press('Docket 2 dates');
		await okafor.sees('A second person is asked to check');
		await okafor.misses('What follows');
		await okafor.settled();
		assert.equal(await dateOf(okafor, 'Answer or Rule 12 motion'), '2026-11-30');
		assert.equal(await dateOf(okafor, 'Start on the answer'), '2026-11-23');
		assert.equal(await kite(okafor, 'Answer or Rule 12 motion'), 'half');
		await okafor.go('/docket');
		assert.equal(await kite(okafor, 'Answer or Rule 12 motion'), 'half');
		await okafor.go('/');
		assert.ok(
			await okafor.page.$('.horizon a[title^="Answer or Rule 12 motion"] [data-kite="half"]')
		);
		await okafor.sees('needs a second check');
	});

	it('4. has another person do the second check; the kite changes everywhere', async () => {
		await okafor.go(`/matters/${number}/docket`);
		await okafor.sees('second check');
		assert.equal(
			(await okafor.page.$$('form[action="?/check"]')).length,
			0,
			'who docketed a date cannot check it'
		);
		await clerk.go('/docket?show=unchecked');
		await clerk.press('check it', '[data-deadline="Answer or Rule 12 motion"]');
		await clerk.sees('Counted anew just now: the same day');
		await clerk.press('Confirm', '[data-confirm-one]');
		await clerk.sees('Answer or Rule 12 motion: confirmed.');
		await okafor.go(`/matters/${number}/docket`);
		assert.equal(await kite(okafor, 'Answer or Rule 12 motion'), 'solid');
		await okafor.sees('checked by DC');
		await okafor.go('/');
		assert.ok(
			await okafor.page.$('.horizon a[title^="Answer or Rule 12 motion"] [data-kite="solid"]')
		);
	});

	it('5. hangs a task on the date, sees what would move, and moves it', async () => {
		await okafor.go(`/matters/${number}/tasks`);
		await okafor.press('Add a task');
		await okafor.fill('What is to be done', 'Draft the answer');
		await okafor.select('For', 'Tamsin Wardle');
		await okafor.fill('How many', '2');
		await okafor.select('The date it hangs on', 'Answer or Rule 12 motion');
		await okafor.press('Add the task', '[role="dialog"]');
		await okafor.sees('2 court days before Answer or Rule 12 motion');
		assert.equal(
			await okafor.attribute('[data-task="Draft the answer"] [data-due]', 'data-due'),
			'2026-11-25'
		);
		await okafor.go(`/matters/${number}/docket`);
		await okafor.press('move or correct');
		await okafor.fill('to', '16 Nov 2026');
		await okafor.sees('nothing is saved yet');
		await okafor.sees(/Answer or Rule 12 motion 30 Nov 7 Dec \+7/);
		await okafor.sees(/task: Draft the answer, TW 25 Nov 3 Dec \+8/);
		assert.equal(
			db<{ date: string }>("SELECT date FROM deadline WHERE title LIKE 'Answer%'")[0]!.date,
			'2026-11-30',
			'looking saves nothing'
		);
		await okafor.press('Move all');
		await okafor.sees('The reason is missing.');
		await okafor.fill('Reason', 'Proof of service corrected');
		await okafor.press('Move all');
		await okafor.misses('nothing is saved yet');
		await okafor.settled();
		assert.equal(await dateOf(okafor, 'Answer or Rule 12 motion'), '2026-12-07');
		assert.equal(
			await kite(okafor, 'Answer or Rule 12 motion'),
			'half',
			'a moved date is checked anew'
		);
		await okafor.go(`/matters/${number}/tasks`);
		assert.equal(
			await okafor.attribute('[data-task="Draft the answer"] [data-due]', 'data-due'),
			'2026-12-03'
		);
		await okafor.go(`/matters/${number}/logbook`);
		await okafor.sees(
			/moved from Monday 9 November 2026 to Monday 16 November 2026: Proof of service corrected\. Moved: .*Answer or Rule 12 motion from Mon 30 Nov to Mon 7 Dec.*task “Draft the answer” to Thu 3 Dec/
		);
		assert.match(
			db<{ detail: string }>("SELECT detail FROM audit WHERE action = 'move event'")[0]!.detail,
			/"from":"2026-11-09","to":"2026-11-16"/
		);
	});

	it('6. assembles a letter, asking only for what is missing, as DOCX and PDF', async () => {
		await okafor.go(`/matters/${number}/documents`);
		await okafor.press('Assemble a letter');
		await okafor.select('Template', 'Letter on the matter');
		await okafor.sees('Recipient, name');
		const asked = await okafor.page.$$eval('input[name^="values."]', (all) =>
			all.map((each) => each.getAttribute('name'))
		);
		assert.deepEqual(asked, [
			'values.recipient.name',
			'values.recipient.address',
			'values.matter.caseNumber',
			'values.purpose'
		]);
		await okafor.fill('Recipient, name', 'Zofia Müllersen');
		await okafor.fill('Recipient, address', '12 Harbor Street');
		await okafor.fill('Purpose', 'We ask for two more weeks.');
		await okafor.press('Assemble as DOCX and PDF');
		await okafor.page.waitForFunction(() => location.pathname.startsWith('/documents/'));
		await okafor.page.waitForSelector('canvas[data-drawn="yes"]');
		const text = pdftotext(await bytes(okafor, (await okafor.attribute('a[download]', 'href'))!));
		for (const words of [
			'Zofia Müllersen',
			'23 November 2026',
			'N.D. Cal., San Francisco',
			'[matter.caseNumber]',
			'Monday 7 December 2026: Answer or Rule 12 motion',
			'Halyard Staffing LLC',
			'We ask for two more weeks.',
			'These dates are on our docket'
		])
			assert.ok(text.includes(words), `${words} in\n${text}`);
		assert.doesNotMatch(text, /\{\{|\}\}/);
		await okafor.go(`/matters/${number}/documents`);
		await okafor.sees('Letter on the matter (DOCX)');
	});

	it('7. is signed by oneself, then by someone outside, and carries the certificate and the seal', async () => {
		await okafor.press('Letter on the matter');
		await okafor.page.waitForFunction(() => location.pathname.startsWith('/documents/'));
		await okafor.settled();
		const address = new URL(okafor.page.url()).pathname;
		const place = async (x: number, y: number) => {
			await okafor.page.waitForSelector('canvas[data-drawn="yes"]');
			const page = (await okafor.page.$('button[aria-label="Place the field on page 1"]'))!;
			await page.evaluate((button, at) => {
				const item = button.getBoundingClientRect();
				button.closest('main')!.scrollTop += item.top + item.height * at - 400;
			}, y);
			const box = (await page.boundingBox())!;
			await okafor.page.mouse.click(box.x + box.width * x, box.y + box.height * y);
		};
		await okafor.press('Sign it myself');
		await okafor.sees('Sign it yourself');
		await okafor.press('Go on to sign');
		await okafor.sees('Place a signature for Ines Okafor');
		await place(0.12, 0.86);
		await okafor.press('Go on to sign');
		await okafor.sees('I agree to sign this document electronically');
		await okafor.press('Sign', 'form[action="?/sign"]');
		await okafor.sees('Tick that you agree');
		await okafor.page.click('input[name="consent"]');
		await okafor.press('Sign', 'form[action="?/sign"]');
		await okafor.sees('You signed this');
		await okafor.go(address);
		await okafor.sees('finished');
		const own = await bytes(okafor, `${address}/file`);
		assert.match(pdfsig(own), /Signature is Valid/);

		await okafor.press('Send for signing');
		await okafor.page.waitForFunction(() => location.pathname.endsWith('/sign'));
		await okafor.settled();
		await okafor.fill('Name', 'Zofia Müllersen');
		await okafor.fill('Mail', 'zofia@mail.example');
		await place(0.55, 0.86);
		await okafor.press('Text', '[aria-label="Kind of field"]');
		await okafor.fill('What is to be filled in', 'Place');
		await place(0.55, 0.92);
		await okafor.fill('Message', 'With thanks.');
		await okafor.press('Send to the signer');
		await okafor.page.waitForFunction((a) => location.pathname === a, {}, address);
		await okafor.sees('with signers');

		await clerk.go('/mail');
		for (let i = 0; i < 20 && !(await clerk.text()).includes('Please sign'); i++) {
			await new Promise((item) => setTimeout(item, 500));
			await clerk.go('/mail');
		}
		await clerk.press('Please sign: Letter on the matter');
		const link = (await clerk.page.$eval(
			'article a[href*="/sign/"]',
			(item) => (item as HTMLAnchorElement).href
		))!;
		outsider = await sit(browser, house.origin);
		await outsider.go(new URL(link).pathname);
		await outsider.sees('Ines Okafor asks you, Zofia Müllersen, to sign this.');
		await outsider.page.click('input[name="consent"]');
		await outsider.press('Sign', 'form[action="?/sign"]');
		await outsider.sees('Place is missing.');
		await outsider.fill('Place', 'Gdańsk');
		await outsider.press('Draw');
		const canvas = (await (await outsider.page.$(
			'canvas[aria-label^="Draw your signature"]'
		))!.boundingBox())!;
		await outsider.page.mouse.move(canvas.x + 30, canvas.y + 60);
		await outsider.page.mouse.down();
		for (let i = 0; i < 12; i++)
			await outsider.page.mouse.move(canvas.x + 30 + i * 12, canvas.y + 60 + (i % 2 ? -22 : 22));
		await outsider.page.mouse.up();
		await outsider.press('Sign', 'form[action="?/sign"]');
		await outsider.sees('You signed this on Monday 23 November 2026');
		await outsider.page.reload();
		await outsider.sees('You signed this on Monday 23 November 2026');
		assert.equal((await outsider.page.$$('form')).length, 0, 'a link is used once');
		await outsider.go('/sign/guessedguessedguessedguessed');
		await outsider.sees('This link does not exist.');

		await okafor.go(address);
		await okafor.sees('finished');
		const sealed = await bytes(okafor, `${address}/file`);
		const verdict = pdfsig(sealed);
		assert.match(verdict, /Signature is Valid/, verdict);
		assert.match(verdict, /Total document signed/, verdict);
		assert.equal(verdict.match(/Signature #/g)!.length, 1, 'one seal over everything');
		const broken = Buffer.from(sealed);
		const at = broken.indexOf('stream') + 20;
		broken[at] = broken[at]! ^ 1;
		assert.doesNotMatch(pdfsig(broken), /Signature is Valid/);
		const text = pdftotext(sealed);
		for (const words of [
			'Certificate of signing',
			'Zofia Müllersen',
			'Ines Okafor',
			'zofia@mail.example',
			'I agree to sign',
			'Gdańsk',
			'Fingerprint (SHA-256)'
		])
			assert.ok(text.includes(words), words);
		const version = db<{ sha256: string }>('SELECT sha256 FROM document_version WHERE n = 2')[0]!;
		assert.ok(text.includes(version.sha256), 'the fingerprint is of the version that was shown');
		for (
			let i = 0;
			i < 20 && db("SELECT 1 FROM post WHERE subject LIKE 'Signed:%'").length < 2;
			i++
		)
			await new Promise((item) => setTimeout(item, 500));
		assert.equal(
			db("SELECT 1 FROM post WHERE subject LIKE 'Signed:%' AND attachments LIKE '%signed.pdf%'")
				.length,
			2,
			'both have their copy'
		);
	});

	it('8. logs time by the pen line and the Time screen, runs a timer, and releases the entries', async () => {
		await okafor.go('/');
		await okafor.page.keyboard.press('/');
		await okafor.page.keyboard.type(`0.4 ${number} call with claims adjuster`);
		await okafor.sees('0.4 h');
		await okafor.sees('Pier 9 passenger fall');
		await okafor.page.keyboard.press('Enter');
		await okafor.sees('0.4 h logged on Pier 9 passenger fall.');
		await okafor.page.keyboard.press('/');
		await okafor.page.keyboard.type('26 LF-2026-0001 much too long');
		await okafor.sees('A day has 24 hours.');
		await okafor.page.keyboard.press('Escape');
		await okafor.go('/time');
		await okafor.sees('call with claims adjuster');
		await okafor.fill('Day', '30 Oct 2026');
		await okafor.choose('Matter', 'Pier 9', number);
		await okafor.fill('Hours', '-2');
		await okafor.fill('What was done', 'Interview of the deck crew');
		await okafor.press('Log', 'main');
		await okafor.sees('Time cannot be negative.');
		await okafor.fill('Hours', '1:20');
		await okafor.press('Log', 'main');
		await okafor.sees('1.4 h logged on Friday 30 October 2026.');
		await okafor.fill('Hours', '23.5');
		await okafor.fill('What was done', 'A very long day');
		await okafor.press('Log', 'main');
		await okafor.sees('a day has 24');
		assert.deepEqual(
			db<{ minutes: number }>('SELECT minutes FROM time_entry ORDER BY id').map(
				(item) => item.minutes
			),
			[24, 84],
			'rounded up to six minutes'
		);

		await okafor.go(`/matters/${number}/time`);
		await okafor.fill('What are you doing?', 'Answer, first draft');
		await okafor.press('Start', 'aside');
		await okafor.page.waitForSelector('[role="timer"]');
		await okafor.press('Pause', 'footer');
		await okafor.page.waitForFunction(() =>
			document.querySelector('footer')!.textContent!.includes('Resume')
		);
		await okafor.press('Resume', 'footer');
		await okafor.page.waitForFunction(() =>
			document.querySelector('footer')!.textContent!.includes('Pause')
		);
		await okafor.go('/time');
		await okafor.press('Stop and log');
		await okafor.page.waitForFunction(() => !document.querySelector('[role="timer"]'));
		await okafor.sees('Answer, first draft');
		await okafor.go('/time');
		await okafor.press('Release 3 drafts');
		await okafor.sees('Released 3 entries.');
		assert.equal(db('SELECT 1 FROM time_entry WHERE released_at IS NULL').length, 0);
	});

	it('9. shares the month 70 to 30, to the cent, approved by a second person, and reverses it', async () => {
		await okafor.go(`/matters/${number}`);
		await okafor.press('Change', 'aside section:nth-of-type(4)');
		await okafor.sees('Split the cost');
		await okafor.fill('From', '1 Oct 2026');
		await okafor.fill('Share 1 in percent', '70');
		await okafor.select('Business unit 2', 'Terminals');
		await okafor.fill('Share 2 in percent', '20');
		await okafor.press('Set the split');
		await okafor.sees('The shares add up to 90 %, not 100 %.');
		await okafor.fill('Share 2 in percent', '30');
		await okafor.press('Set the split');
		await okafor.sees('The split is set.');
		ops = await sit(browser, house.origin, 'haddad');
		second = await sit(browser, house.origin, 'oyelaran');
		await ops.go('/costs');
		await ops.press('Make a cost run');
		await ops.press('Gather and share');
		await ops.sees('October 2026 cost run');
		await ops.sees('Lines, matters, business units and total agree to the cent');
		// 84 minutes at 495.00 an hour: 693.00; 70 to 30.
		assert.equal(await ops.attribute('[data-total]', 'data-total'), '69300');
		assert.equal(await ops.attribute('[data-unit="Passenger"]', 'data-cents'), '48510');
		assert.equal(await ops.attribute('[data-unit="Terminals"]', 'data-cents'), '20790');
		await ops.press('Send for approval');
		await ops.sees('A second person approves.');
		const run = new URL(ops.page.url()).pathname;
		await second.go(run);
		await second.press('Approve 693.00');
		await second.sees('CR-2026-01, approved');
		const statement = pdftotext(await bytes(second, `${run}/statement-unit_0`));
		for (const words of [
			'Statement of legal cost, Passenger',
			number,
			'70 %',
			'485.10',
			'Interview of the deck crew',
			'CR-2026-01'
		])
			assert.ok(statement.includes(words), `${words} in ${statement}`);
		const csv = (await bytes(second, `${run}/journal`)).toString('utf8');
		const rows = csv
			.trim()
			.split('\r\n')
			.slice(1)
			.map((line) => line.split(','));
		const sum = (i: number) =>
			rows.reduce((a, row) => a + Math.round(Number(row[i] || 0) * 100), 0);
		assert.equal(sum(6), 69300);
		assert.equal(sum(7), 69300);
		await okafor.go('/time?week=2026-10-30');
		await okafor.sees('allocated');
		await second.press('Reverse it');
		await second.press('Reverse 693.00');
		await second.sees('The reason is missing.');
		await second.fill('Reason', 'Split was agreed differently');
		await second.press('Reverse 693.00');
		await second.sees('Every entry is free again.');
		await okafor.go('/time?week=2026-10-30');
		await okafor.sees('released');
		assert.equal(db('SELECT 1 FROM cost_line WHERE holds = 1').length, 0);
		await ops.go('/costs');
		await ops.press('Make a cost run');
		await ops.press('Gather and share');
		await ops.sees('October 2026 cost run');
		assert.equal(await ops.attribute('[data-total]', 'data-total'), '69300', 'everything is back');
	});

	it('10. finds matters, people and documents, and nothing of a restricted matter for others', async () => {
		await okafor.go('/matters');
		await okafor.press('Open a matter');
		await okafor.fill('Title', 'Quayside whisper');
		await okafor.select('Business unit', 'Corporate');
		await (await okafor.page.waitForSelector('input[name="restricted"]'))!.click();
		await okafor.press('Open the matter');
		await okafor.page.waitForFunction(() => /^\/matters\/LF-/.test(location.pathname));
		await okafor.sees('Restricted');
		const hidden = /LF-2026-\d{4}/.exec(new URL(okafor.page.url()).pathname)![0];
		const look = async (desk: Desk, words: string) => {
			await desk.go('/');
			await desk.page.keyboard.press('/');
			await desk.page.keyboard.type(words);
			await desk.page.waitForSelector('[role="listbox"][aria-busy="false"]');
			await desk.settled();
			return desk.page.$eval('[role="listbox"]', (element) => (element as HTMLElement).innerText);
		};
		assert.match(await look(okafor, 'quayside'), /Quayside whisper/);
		assert.match(await look(okafor, 'halyard'), /Halyard Staffing LLC/);
		assert.match(
			await look(okafor, 'two more weeks'),
			/Letter on the matter/,
			'documents are found by what is in them'
		);
		assert.match(await look(clerk, 'pier 9'), /Pier 9 passenger fall/);
		assert.match(await look(clerk, 'quayside'), /Nothing found/);
		for (const path of [
			`/matters/${hidden}`,
			`/matters/${hidden}/docket`,
			`/matters/${hidden}/documents`,
			`/matters/${hidden}/logbook`,
			`/matters/${hidden}/time`
		]) {
			await clerk.go(path);
			await clerk.sees('There is no such matter, or it is not yours to see.');
		}
		await clerk.go('/matters/LF-2026-9999');
		await clerk.sees('There is no such matter, or it is not yours to see.');
		await clerk.go('/matters?who=all&q=Quayside');
		await clerk.sees('No matter fits.');
		await okafor.press('IO');
		await okafor.press('Sign out');
		await okafor.sees('Sign in');
		await okafor.go('/matters');
		await okafor.page.waitForFunction(() => location.pathname === '/sign-in');
		const out = execFileSync(process.execPath, ['--import', 'tsx', 'bin/audit.ts'], {
			env: { ...process.env, KITE_DATA: house.data },
			encoding: 'utf8'
		});
		assert.match(out, /The audit trail holds: \d+ entries[^]*Every row is as the trail says/);
	});
});
