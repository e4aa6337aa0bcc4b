/**
 * Every room of the demo house: one-click sign-in, accessibility, narrow screens, bad input, keys,
 * headers.
 */
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

const scratch = mkdtempSync(join(tmpdir(), 'kite-in-'));
let house: House;
let browser: Browser;
let io: Desk;
let pier = '';

describe('the demo house', { timeout: 600_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});

	it('lets one in as a demo person with one click, and shows a lived-in house', async () => {
		io = await sit(browser, house.origin);
		await io.go('/');
		assert.equal(new URL(io.page.url()).pathname, '/sign-in');
		await io.press('IO Ines Okafor');
		await io.sees('Monday 23 November');
		await io.sees('Answer or Rule 12 motion');
		await io.go('/matters?who=all');
		const rows = await io.page.$$eval('a[data-row]', (all) =>
			all.map((a) => [a.textContent, a.getAttribute('href')])
		);
		assert.ok(rows.length === 30, `${rows.length} matters`);
		pier = rows.find((row) => row[0] === 'Pier 9 passenger fall')![1]!;
		await io.go('/docket');
		assert.ok((await io.page.$$('[data-deadline]')).length >= 25);
		await io.go('/documents');
		await io.sees(/14\d, newest first/);
	});

	it('begins another page at its top, and comes back to where one was', async () => {
		const topOf = () => io.page.$eval('#sheet', (sheet) => Math.round(sheet.scrollTop));
		await io.go('/docket');
		await io.page.$eval('#sheet', (sheet) => sheet.scrollTo(0, 900));
		const was = await topOf();
		assert.ok(was > 500, `scrolled to ${was}`);
		await io.page.$$eval('#sheet a[href^="/matters/"]', (all) => all.at(-1)!.click());
		await io.page.waitForFunction(() => location.pathname.startsWith('/matters/'));
		await io.settled();
		assert.equal(await topOf(), 0);
		await io.page.goBack();
		await io.page.waitForFunction(
			(top) => Math.abs(document.querySelector('#sheet')!.scrollTop - top) < 5,
			{},
			was
		);
	});

	it('opens a row by a click anywhere on it, and keeps the other filters in a search', async () => {
		const desk = await sit(browser, house.origin, 'okafor');
		await desk.go('/matters?who=all&status=open');
		await desk.fill('Find by title or number', 'pier 9');
		await desk.page.keyboard.press('Enter');
		await desk.page.waitForFunction(() => location.search.includes('q=pier'));
		const query = new URL(desk.page.url()).searchParams;
		assert.equal(query.get('status'), 'open');
		assert.equal(query.get('who'), 'all');
		const cell = await desk.page.$('tr.link td:last-child');
		await cell!.click();
		await desk.page.waitForFunction(() => /^\/matters\/LF/.test(location.pathname));
		await desk.page.browserContext().close();
	});

	it('opens a matter with the keyboard alone, and keeps a draft when Escape is pressed', async () => {
		await io.go('/matters');
		await io.page.keyboard.press('n');
		await io.page.waitForSelector('[role="dialog"]');
		const item = io.page.keyboard;
		for (
			let i = 0;
			i < 10 &&
			!(await io.page.evaluate(
				() => (document.activeElement as HTMLInputElement).name === 'title'
			));
			i++
		)
			await item.press('Tab');
		await item.type('Gangway camera request');
		await item.press('Escape');
		await io.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
		await io.page.reload();
		await io.settled();
		await item.press('n');
		await io.page.waitForSelector('[role="dialog"]');
		assert.equal(
			await (await io.control('Title')).evaluate((input) => input.value),
			'Gangway camera request'
		);
		const reach = async (name: string) => {
			for (
				let i = 0;
				i < 20 &&
				!(await io.page.evaluate(
					(n) => (document.activeElement as HTMLInputElement).name === n,
					name
				));
				i++
			)
				await item.press('Tab');
		};
		await reach('unitId');
		await item.type('Term');
		await item.press('Enter').catch(() => undefined);
		for (
			let i = 0;
			i < 30 &&
			!(await io.page.evaluate(
				() => document.activeElement!.textContent!.trim() === 'Open the matter'
			));
			i++
		)
			await item.press('Tab');
		await item.press('Enter');
		await io.page.waitForFunction(() => /^\/matters\/LF-/.test(location.pathname));
		await io.sees('Gangway camera request');
		await item.press('?');
		await io.sees('to the pen line');
		await item.press('?');
	});

	it('refuses files that are not what they say, and too large ones, beside the field', async () => {
		await io.go(`${pier}/documents`);
		const put = async (name: string, data: Buffer) => {
			writeFileSync(join(scratch, name), data);
			await (await io.control('File')).uploadFile(join(scratch, name));
			await io.press('File it');
		};
		await io.press('Add a file');
		await io.fill('Name', 'Kept name');
		await put('fake.docx', Buffer.from('this is not a DOCX'));
		await io.sees('fake.docx is not a DOCX file, whatever its name says.');
		await put(
			'big.pdf',
			Buffer.concat([Buffer.from('%PDF-1.7\n'), Buffer.alloc(60 * 1024 * 1024)])
		);
		await io.sees('a file may have at most 50 MB');
		assert.equal(await (await io.control('Name')).evaluate((input) => input.value), 'Kept name');
		// The server itself refuses, too, when the form's own look is gone round.
		const status = await io.page.evaluate(async (path) => {
			const data = new FormData();
			const { value } = document.querySelector<HTMLInputElement>('input[name="matterId"]')!;
			data.set('matterId', value);
			data.set('folder', 'Internal');
			data.set('mark', '');
			data.set('file', new File(['%PDF-1.7', new Uint8Array(60 * 1024 * 1024)], 'big.pdf'));
			return (
				await (
					await fetch(`${path}/documents?/upload`, {
						method: 'POST',
						body: data,
						headers: { 'x-sveltekit-action': 'true', accept: 'application/json' }
					})
				).text()
			).slice(0, 300);
		}, pier);
		assert.match(status, /at most 50 MB/);
		await put('note.txt', Buffer.from('A deckhand heard the bell.'));
		await io.sees('Kept name');
		await io.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
	});

	it('says in plain words what is wrong with dates, texts and a move of someone else’s', async () => {
		await io.go(`${pier}/docket`);
		await io.press('Enter an event');
		await io.choose('What happened', 'complaint filed', 'Complaint filed');
		await io.fill('On', '2026-02-30');
		await io.sees('2026-02-30 is not a date that exists.');
		await io.fill('On', '24 Dec 2026');
		await io.sees('has not come yet');
		await io.fill('On', '1 May 2001');
		await io.sees('Is the year right?');
		await io.page.click('input[name="sure"]');
		await io.sees('Serve each defendant');
		await io.page.click('input[name="sure"]');
		await io.sees('Is the year right?');
		await io.page.keyboard.press('Escape');
		await io.go(`${pier}`);
		await io.press('Change');
		await io.fill('Title', 'x'.repeat(510));
		await io.press('Save the facts');
		await io.sees('The title is longer than 500 characters.');
		assert.equal(
			(await (await io.control('Title')).evaluate((input) => input.value)).length,
			510,
			'what was typed is kept'
		);
		await io.fill('Title', 'Pier 9 <script>alert(1)</script> “fall” & more');
		await io.press('Save the facts');
		await io.sees('Pier 9 <script>alert(1)</script> “fall” & more');
		await io.press('Change');
		await io.fill('Title', 'Pier 9 passenger fall');
		await io.press('Save the facts');
		await io.page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
	});

	it('gives a business partner nothing but what waits for their signature', async () => {
		const wes = await sit(browser, house.origin, 'tarrant');
		await wes.sees('Ask the legal department');
		for (const path of [
			'/matters',
			'/docket',
			'/documents',
			'/time',
			'/costs',
			'/mail',
			'/people',
			'/interest',
			'/figures',
			'/kinds',
			'/imports',
			pier,
			`${pier}/docket`,
			'/people/x'
		]) {
			await wes.go(path);
			await wes.sees('There is no such page, or it is not yours to see.');
		}
		for (const path of ['/api/pen?line=pier', '/api/people?q=a'])
			assert.equal(await wes.page.evaluate(async (text) => (await fetch(text)).status, path), 404);
	});

	it('lets nobody in without a session, and no other site speak for one', async () => {
		const get = async (path: string, init: RequestInit = {}) =>
			fetch(house.origin + path, { redirect: 'manual', ...init });
		for (const path of ['/', '/matters', pier, '/docket', '/documents', '/time', '/costs', '/mail'])
			assert.equal((await get(path)).status, 303, path);
		assert.equal((await get('/api/pen?line=x')).status, 401);
		const cookie = (await io.page.browserContext().cookies()).find(
			(cooky) => cooky.name === 'kite'
		)!;
		const forged = await get('/matters?/open', {
			method: 'POST',
			headers: {
				cookie: `kite=${cookie.value}`,
				origin: 'https://elsewhere.example',
				'content-type': 'application/x-www-form-urlencoded'
			},
			body: 'title=x'
		});
		assert.equal(forged.status, 403);
		const page = await get('/sign-in');
		const csp = page.headers.get('content-security-policy')!;
		assert.match(csp, /default-src 'self'/);
		assert.match(csp, /frame-ancestors 'none'/);
		assert.doesNotMatch(csp, /script-src[^;]*unsafe/);
		assert.equal(page.headers.get('x-content-type-options'), 'nosniff');
		const health = await get('/healthz');
		assert.deepEqual([health.status, await health.json()], [200, { ok: true, failingJobs: [] }]);
	});

	it('does not start for real with a setting missing or unsafe, and says which', () => {
		const start = (env: Record<string, string>) =>
			spawnSync(process.execPath, ['bin/start.mjs'], {
				env: { PATH: process.env.PATH!, ...env },
				encoding: 'utf8',
				timeout: 20_000
			});
		const none = start({});
		assert.equal(none.status, 1);
		for (const name of [
			'KITE_DATA',
			'KITE_ORIGIN',
			'KITE_SMTP_URL',
			'KITE_MAIL_FROM',
			'KITE_SEAL_P12',
			'KITE_SEAL_PASSWORD',
			'KITE_VAULT_KEY'
		])
			assert.match(none.stderr, new RegExp(`${name} is missing`));
		const unsafe = start({
			KITE_DATA: scratch,
			KITE_ORIGIN: 'http://legal.example.com',
			KITE_SMTP_URL: 'smtp://x',
			KITE_MAIL_FROM: 'x@x',
			KITE_SEAL_P12: '/no/such',
			KITE_SEAL_PASSWORD: 'short',
			KITE_VAULT_KEY: 'not hexadecimal',
			KITE_TODAY: '2026-01-01',
			KITE_ZONE: 'Atlantis/Harbor',
			PORT: '99999'
		});
		assert.equal(unsafe.status, 1);
		for (const words of [
			/must begin with https/,
			/fewer than 12 characters/,
			/a file that is not there/,
			/KITE_VAULT_KEY is not of 64/,
			/KITE_TODAY is for the demo/,
			/KITE_ZONE is no time zone/,
			/PORT is not a number of a port/,
			/nothing answers at x/
		])
			assert.match(unsafe.stderr, words);
	});

	it('does not start for real on the demo, behind a proxy it does not know, or with a wrong key', () => {
		const { stderr, status } = spawnSync(process.execPath, ['bin/start.mjs'], {
			env: {
				PATH: process.env.PATH!,
				...{ KITE_DATA: house.data, KITE_ORIGIN: 'https://legal.example.com' },
				...{ KITE_SMTP_URL: 'http://mail.example.com', KITE_MAIL_FROM: 'nobody' },
				KITE_SEAL_P12: join(house.data, 'seal.p12'),
				KITE_SEAL_PASSWORD: 'not the password of it'
			},
			encoding: 'utf8',
			timeout: 20_000
		});
		assert.equal(status, 1);
		for (const words of [
			/KITE_DATA holds the demo/,
			/ADDRESS_HEADER is missing/,
			/does not open the key/,
			/KITE_SMTP_URL is no address/,
			/KITE_MAIL_FROM is no sender/
		])
			assert.match(stderr, words);
	});

	it('keeps its data to the user who runs it', () => {
		const modeOf = (path: string) => (statSync(path).mode & 0o777).toString(8);
		assert.equal(modeOf(house.data), '700');
		for (const name of ['kite-pen.db', 'kite-pen.db-wal'])
			assert.equal(modeOf(join(house.data, name)), '600', name);
	});

	it('backs up while it runs, and the copy opens', () => {
		const to = join(scratch, 'copy');
		const env = { ...process.env, KITE_DATA: house.data };
		const child = spawnSync(process.execPath, ['--import', 'tsx', 'bin/backup.ts', to], {
			env,
			encoding: 'utf8'
		});
		assert.equal(child.status, 0, child.stderr);
		const audit = spawnSync(process.execPath, ['--import', 'tsx', 'bin/audit.ts'], {
			env: { ...process.env, KITE_DATA: to },
			encoding: 'utf8'
		});
		assert.match(audit.stdout, /The audit trail holds/);
		assert.match(
			spawnSync(process.execPath, ['--import', 'tsx', 'bin/backup.ts', to], {
				env,
				encoding: 'utf8'
			}).stderr,
			/holds a backup already/
		);
	});
});
