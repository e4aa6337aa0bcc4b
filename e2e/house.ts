/** A server of its own on a free port with its own data, and a browser, for the tests and the pictures. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

export const TODAY = '2026-11-23';
/** Every house opens at the same minute: no test depends on the hour it is run at. */
const NOW = `${TODAY}T15:00`;
const home = process.env.KITE_HOME ?? process.cwd();

const freePort = () =>
	new Promise<number>((resolve) => {
		const s = createServer().listen(0, '127.0.0.1', () => {
			const port = (s.address() as { port: number }).port;
			s.close(() => resolve(port));
		});
	});

export type House = { origin: string; data: string; port: number; stop(): Promise<number | null> };

/** Starts the built application. `seed`: the script that makes its data. */
export async function openHouse(seed: 'demo/make.ts' | 'e2e/empty.ts'): Promise<House> {
	const data = mkdtempSync(join(tmpdir(), 'kite-'));
	const port = await freePort();
	const origin = `http://localhost:${port}`;
	const env = {
		...process.env,
		KITE_DATA: data,
		KITE_HOME: home,
		KITE_TODAY: NOW,
		PORT: String(port),
		KITE_ORIGIN: origin,
		KITE_LOG: 'error'
	};
	const made = spawnSync(process.execPath, ['--import', 'tsx', join(home, seed)], {
		cwd: home,
		env,
		encoding: 'utf8'
	});
	if (made.status !== 0) throw new Error(`${seed} failed: ${made.stderr}`);
	const server: ChildProcess = spawn(process.execPath, [join(home, 'bin/demo.mjs')], {
		cwd: home,
		env,
		stdio: ['ignore', 'pipe', 'pipe']
	});
	let said = '';
	server.stdout!.on('data', (d: Buffer) => (said += d.toString()));
	server.stderr!.on('data', (d: Buffer) => {
		said += d.toString();
		process.stderr.write(d);
	});
	const ended = new Promise<number | null>((resolve) =>
		server.once('exit', (code) => resolve(code))
	);
	for (let i = 0; ; i++) {
		try {
			if ((await fetch(`${origin}/healthz`)).ok) break;
		} catch {
			/* not yet */
		}
		if (i > 1200 || server.exitCode !== null) throw new Error(`the server did not start: ${said}`);
		await new Promise((r) => setTimeout(r, 100));
	}
	return {
		origin,
		data,
		port,
		async stop() {
			server.kill('SIGTERM');
			const code = await ended;
			rmSync(data, { recursive: true, force: true });
			return code;
		}
	};
}

export async function openBrowser(): Promise<Browser> {
	return puppeteer.launch({
		executablePath: process.env.KITE_CHROMIUM ?? '/usr/bin/chromium',
		headless: true,
		userDataDir: mkdtempSync(join(tmpdir(), 'kite-chromium-')),
		args: [
			'--no-sandbox',
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync',
			'--lang=en-US'
		]
	});
}

/** A person at a desk: a page of their own with a few plain verbs. */
export class Desk {
	readonly page: Page;
	readonly origin: string;
	constructor(page: Page, origin: string) {
		this.page = page;
		this.origin = origin;
	}
	async go(path: string) {
		await this.page.goto(this.origin + path, { waitUntil: 'load' });
		await this.settled();
	}
	/** The application's script has taken over, and no request is under way. */
	async settled() {
		await this.page.waitForFunction(() => document.readyState === 'complete');
		// A hint, not a test: a worker's request is now and then never reported as ended. What must be seen is asked for by name.
		await this.page.waitForNetworkIdle({ idleTime: 250, timeout: 6_000 }).catch(() => undefined);
	}
	/** Clicks the button or link whose name is, or begins with, these words. */
	async press(name: string, within = 'body') {
		await this.page
			.waitForFunction((n, w) => find(n, w) !== null, {}, name, within)
			.catch(async () => {
				throw new Error(
					`no button or link "${name}" on ${this.page.url()}:\n${(await this.text()).slice(0, 1500)}`
				);
			});
		const handle = await this.page.evaluateHandle((n, w) => find(n, w), name, within);
		await (handle.asElement() as import('puppeteer-core').ElementHandle<Element>).evaluate((e) =>
			e.scrollIntoView({ block: 'center' })
		);
		await (handle.asElement() as import('puppeteer-core').ElementHandle<Element>).click();
		await handle.dispose();
	}
	/** Opens the what-if of the last event of its sort on a matter's docket. */
	async change(event: string) {
		await this.page.waitForSelector(`section[data-event="${event}"]`);
		await this.page.$$eval(`section[data-event="${event}"] button`, (all) =>
			(all.filter((b) => b.textContent === 'move or correct').at(-1) as HTMLElement).click()
		);
	}
	async control(label: string) {
		const found = await this.page
			.waitForFunction((l) => control(l), {}, label)
			.catch(async () => {
				throw new Error(
					`no field "${label}" on ${this.page.url()}:\n${(await this.text()).slice(0, 1500)}`
				);
			});
		return found.asElement() as import('puppeteer-core').ElementHandle<HTMLInputElement>;
	}
	async fill(label: string, value: string) {
		const c = await this.control(label);
		await c.evaluate((e) => {
			e.scrollIntoView({ block: 'center' });
			e.focus();
			if ('select' in e) e.select();
		});
		await this.page.keyboard.press('Backspace');
		if (value) await c.type(value);
	}
	/** Chooses an option of a select by its words. */
	async select(label: string, option: string) {
		const c = await this.control(label);
		const value = await c.evaluate(
			(e, o) =>
				[...(e as unknown as HTMLSelectElement).options].find((x) => x.text.includes(o))?.value ??
				null,
			option
		);
		if (value === null) throw new Error(`"${label}" has no option "${option}"`);
		await c.select(value);
	}
	/** Types into a field that finds, and takes the first thing found that has these words. */
	async choose(label: string, typed: string, option = typed) {
		await this.fill(label, typed);
		await this.page.waitForFunction(
			(o) =>
				[...document.querySelectorAll('[role="option"]')].some((e) => e.textContent!.includes(o)),
			{},
			option
		);
		const h = await this.page.evaluateHandle(
			(o) =>
				[...document.querySelectorAll('[role="option"]')].find((e) => e.textContent!.includes(o))!,
			option
		);
		await (h.asElement() as import('puppeteer-core').ElementHandle<Element>).click();
	}
	text = () => this.page.evaluate(() => document.body.innerText);
	async sees(words: string | RegExp, timeout = 15_000) {
		const source =
			typeof words === 'string' ? words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&') : words.source;
		await this.page
			.waitForFunction(
				(s) => new RegExp(s).test(document.body.innerText.replace(/\s+/g, ' ')),
				{ timeout },
				source
			)
			.catch(async () => {
				throw new Error(
					`did not see ${String(words)} on ${this.page.url()}:\n${(await this.text()).slice(0, 2500)}`
				);
			});
	}
	/** Waits until the words are gone. */
	async misses(words: string) {
		await this.page.waitForFunction((s) => !document.body.innerText.includes(s), {}, words);
	}
	attribute = (selector: string, name: string) =>
		this.page.$eval(selector, (e, n) => e.getAttribute(n), name);
	async shot(path: string) {
		await this.settled();
		await this.page.screenshot({ path: path as `${string}.png` });
	}
}

declare function find(name: string, within: string): Element | null;
declare function control(label: string): HTMLElement | null;
const finders = `
function seen(e) { const r = e.getBoundingClientRect(); return r.width > 0 && r.height > 0; }
function nameOf(e) { return (e.getAttribute('aria-label') || e.innerText || e.value || '').replace(/\\s+/g, ' ').trim(); }
function find(name, within) {
	const open = document.querySelector('[role="dialog"]');
	const root = within !== 'body' ? document.querySelector(within) : open || document.body;
	if (!root) return null;
	const all = [...root.querySelectorAll('button, a, summary, [role="button"]')].filter((e) => seen(e) && !e.disabled);
	return all.find((e) => nameOf(e) === name) || all.find((e) => nameOf(e).startsWith(name)) || null;
}
function control(label) {
	const open = document.querySelector('[role="dialog"]');
	for (const root of [open, document.body]) {
		if (!root) continue;
		for (const l of root.querySelectorAll('label')) if (l.innerText.replace(/\\s+/g, ' ').trim().startsWith(label)) { const c = l.htmlFor ? document.getElementById(l.htmlFor) : l.querySelector('input,select,textarea'); if (c && (seen(c) || c.type === 'file')) return c; }
		for (const c of root.querySelectorAll('input,select,textarea')) if ((c.getAttribute('aria-label') || '').startsWith(label) && seen(c)) return c;
	}
	return null;
}`;

/** A desk whose pages know the finders. */
export async function sit(
	browser: Browser,
	origin: string,
	login?: string,
	size?: { width: number; height: number }
): Promise<Desk> {
	const context = await browser.createBrowserContext();
	const page = await context.newPage();
	await page.evaluateOnNewDocument(finders);
	await page.setViewport(size ?? { width: 1280, height: 800 });
	page.setDefaultTimeout(20_000);
	const desk = new Desk(page, origin);
	if (login) {
		await desk.go('/sign-in');
		await desk.fill('Name', login);
		await desk.fill('Password', 'larkhaven');
		await desk.press('Sign in');
		await page
			.waitForFunction(() => location.pathname === '/')
			.catch(async () => {
				throw new Error('not signed in: ' + (await desk.text()));
			});
		await desk.settled();
	}
	return desk;
}
