/**
 * A server of its own on a free port with its own data, and a browser, for the tests and the
 * pictures.
 */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { startSession } from '#server/access/sessions.ts';
import { makeClock } from '#server/app/clock.ts';
import { openDb } from '#server/db/open.ts';
import { COOKIE } from '#server/http/cookie.ts';
import { copyDemo, TEST_NOW } from '../demo/once.ts';
import { findAtRest, finders } from './finders.ts';

export { openBrowser } from './browser.ts';
export const TODAY = TEST_NOW.slice(0, 10);
const home = fileURLToPath(new URL('..', import.meta.url));

const freePort = () =>
	new Promise<number>((resolve) => {
		const item = createServer().listen(0, '127.0.0.1', () => {
			const port = (item.address() as { port: number }).port;
			item.close(() => resolve(port));
		});
	});

export type House = { origin: string; data: string; port: number; stop(): Promise<number | null> };

/** Houses by their address: their data is at hand where somebody sits down. */
const houses = new Map<string, House>();

/**
 * Starts the built application with the demo data, with the people alone, or with the data of a
 * folder that is kept.
 */
export async function openHouse(seed: 'demo' | 'empty' | { kept: string }): Promise<House> {
	const kept = typeof seed === 'object' ? seed.kept : undefined;
	const data = kept ?? mkdtempSync(join(tmpdir(), 'kite-'));
	const port = await freePort();
	const origin = `http://localhost:${port}`;
	const env = {
		...process.env,
		KITE_DATA: data,
		KITE_TODAY: TEST_NOW,
		PORT: String(port),
		KITE_ORIGIN: origin,
		KITE_LOG: 'error'
	};
	if (seed === 'demo') copyDemo(data);
	else if (seed === 'empty') makeEmpty(env);
	const server = spawn(process.execPath, [join(home, 'bin/demo.mjs')], {
		cwd: home,
		env,
		stdio: ['ignore', 'pipe', 'pipe']
	});
	const ended = new Promise<number | null>((resolve) =>
		server.once('exit', (code) => resolve(code))
	);
	await untilOpen(server, origin);
	const house: House = {
		origin,
		data,
		port,
		async stop() {
			server.kill('SIGTERM');
			const code = await ended;
			houses.delete(origin);
			if (kept === undefined) rmSync(data, { recursive: true, force: true });
			return code;
		}
	};
	houses.set(origin, house);
	return house;
}

function makeEmpty(env: NodeJS.ProcessEnv): void {
	const made = spawnSync(process.execPath, ['--import', 'tsx', join(home, 'e2e/empty.ts')], {
		cwd: home,
		env,
		encoding: 'utf8'
	});
	if (made.status !== 0) throw new Error(`the empty house could not be made: ${made.stderr}`);
}

async function untilOpen(server: ChildProcess, origin: string): Promise<void> {
	let said = '';
	server.stdout?.on('data', (part: Buffer) => (said += part.toString()));
	server.stderr?.on('data', (part: Buffer) => {
		said += part.toString();
		process.stderr.write(part);
	});
	for (let tries = 0; tries < 2400 && server.exitCode === null; tries++) {
		const open = await fetch(`${origin}/healthz`).then(
			(response) => response.ok,
			() => false
		);
		if (open) return;
		await new Promise((resolve) => setTimeout(resolve, 50));
	}
	throw new Error(`the server did not start: ${said}`);
}

/** A session of a colleague, without the form: one test of its own signs in through that. */
export function openSession({ data }: House, login: string): string {
	const clock = makeClock('America/Los_Angeles', TEST_NOW);
	const db = openDb(join(data, 'kite-pen.db'), () => clock.today());
	try {
		return startSession({ db, clock }, { id: `stf_${login}`, login });
	} finally {
		db.close();
	}
}

/** A person at a desk: a page of their own with a few plain verbs. */
export class Desk {
	readonly page: Page;
	readonly origin: string;
	/** What the page's script threw. */
	readonly thrown: string[] = [];
	/** What a job takes: what is clicked, and what is typed or chosen. */
	readonly effort = { clicks: 0, entries: 0 };
	constructor(page: Page, origin: string) {
		this.page = page;
		this.origin = origin;
		page.on('pageerror', (error) => this.thrown.push(String(error)));
	}
	async go(path: string) {
		await this.page.goto(this.origin + path, { waitUntil: 'load' });
		await this.settled();
	}
	/** Goes there by a link, as people do: the page's script stays. */
	async follow(path: string) {
		await this.page.evaluate((href) => {
			const link = document.createElement('a');
			link.href = href;
			document.body.append(link);
			link.click();
			link.remove();
		}, path);
		await this.page.waitForFunction(
			(href) => location.pathname + location.search === href,
			{},
			path
		);
		await this.settled();
	}
	/**
	 * The application's script has taken over, the page is where it goes, no form and no request is
	 * under way.
	 */
	async settled() {
		await this.page
			.waitForFunction(
				() =>
					document.documentElement.dataset.ready === 'yes' &&
					document.querySelector('form[aria-busy="true"]') === null &&
					requests() === 0
			)
			.catch(() => {
				const thrown = this.thrown.join('; ') || 'its script threw nothing';
				throw new Error(`${this.page.url()} does not come to rest: ${thrown}`);
			});
	}
	/** Clicks the button or link whose name is, or begins with, these words. */
	async press(name: string, within = 'body') {
		this.effort.clicks++;
		await this.page
			.waitForFunction((n, word) => find(n, word) !== null, {}, name, within)
			.catch(async () => {
				throw new Error(
					`no button or link "${name}" on ${this.page.url()}:\n${(await this.text()).slice(0, 1500)}`
				);
			});
		await this.clickAtRest('find', name, within);
	}
	private async clickAtRest(...finder: Parameters<typeof findAtRest>) {
		for (let attempt = 1; ; attempt++) {
			const handle = await this.page.evaluateHandle(findAtRest, ...finder);
			const element = handle.asElement() as ElementHandle<Element> | null;
			const outcome = element ? await this.clickOn(element) : 'nothing like it is left';
			await handle.dispose().catch(() => {});
			if (outcome === 'pressed') return;
			if (attempt === 4) throw new Error(`"${finder[1]}" on ${this.page.url()}: ${outcome}`);
		}
	}
	/** Clicks where an element is; says if the page moved meanwhile and was clicked beside it. */
	private async clickOn(element: ElementHandle<Element>) {
		await this.page.evaluate(() => void forgetPressed());
		try {
			await element.click();
		} catch (error) {
			return (error as Error).message;
		}
		// Where the page is another one by now, something was pressed that leads there.
		const wasHit = await element.evaluate((wanted) => wasPressed(wanted)).catch(() => true);
		return wasHit ? 'pressed' : 'the click went beside it';
	}
	/** Clicks the first thing that a selector finds. */
	async click(selector: string) {
		this.effort.clicks++;
		await this.page.waitForSelector(selector);
		await this.page.$eval(selector, (element) => (element as HTMLElement).click());
	}
	/** Gives a file to the field that a selector finds. */
	async give(selector: string, path: string) {
		this.effort.entries++;
		const field = await this.page.waitForSelector(selector);
		await (field as ElementHandle<HTMLInputElement>).uploadFile(path);
	}
	/** Pastes a long text into a field. */
	async paste(label: string, text: string) {
		this.effort.entries++;
		const field = await this.control(label);
		await field.evaluate((input, words) => {
			input.value = words;
			input.dispatchEvent(new Event('input', { bubbles: true }));
		}, text);
	}
	/** Opens the what-if of the last event of its sort on a matter's docket. */
	async change(event: string) {
		this.effort.clicks++;
		await this.page.waitForSelector(`section[data-event="${event}"]`);
		await this.page.$$eval(`section[data-event="${event}"] button`, (all) =>
			(all.filter((b) => b.textContent === 'move or correct').at(-1) as HTMLElement).click()
		);
	}
	async control(label: string) {
		const found = await this.page
			.waitForFunction((text) => control(text), {}, label)
			.catch(async () => {
				throw new Error(
					`no field "${label}" on ${this.page.url()}:\n${(await this.text()).slice(0, 1500)}`
				);
			});
		return found.asElement() as ElementHandle<HTMLInputElement>;
	}
	async fill(label: string, value: string) {
		this.effort.entries++;
		const item = await this.control(label);
		await item.evaluate((input) => {
			input.scrollIntoView({ block: 'center' });
			input.focus();
			if ('select' in input) input.select();
		});
		await this.page.keyboard.press('Backspace');
		if (value) await item.type(value);
	}
	/** Chooses an option of a select by its words. */
	async select(label: string, option: string) {
		this.effort.entries++;
		const item = await this.control(label);
		const value = await item.evaluate(
			(input, text) =>
				[...(input as unknown as HTMLSelectElement).options].find((x) => x.text.includes(text))
					?.value ?? null,
			option
		);
		if (value === null) throw new Error(`"${label}" has no option "${option}"`);
		await item.select(value);
	}
	/** Types into a field that finds, and takes the first thing found that has these words. */
	async choose(label: string, typed: string, wanted = typed) {
		await this.settled();
		await this.fill(label, typed);
		await this.page.waitForFunction((text) => option(text) !== null, {}, wanted);
		await this.clickAtRest('option', wanted);
	}
	text = () => this.page.evaluate(() => document.body.innerText);
	async sees(words: string | RegExp, timeout = 15_000) {
		const source =
			typeof words === 'string'
				? words
						.replace(/\s+/g, ' ')
						.trim()
						.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
				: words.source;
		await this.page
			.waitForFunction(
				(text) => new RegExp(text).test(document.body.innerText.replace(/\s+/g, ' ')),
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
		await this.page.waitForFunction((text) => !document.body.innerText.includes(text), {}, words);
	}
	attribute = (selector: string, name: string) =>
		this.page.$eval(selector, (element, n) => element.getAttribute(n), name);
	async shot(path: string) {
		await this.settled();
		await this.page.screenshot({ path: path as `${string}.png` });
	}
}

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
	await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
	await page.setViewport(size ?? { width: 1280, height: 800 });
	page.setDefaultTimeout(20_000);
	const desk = new Desk(page, origin);
	if (login) {
		const house = houses.get(origin);
		if (!house) throw new Error(`no house is open at ${origin}`);
		const value = openSession(house, login);
		await context.setCookie({ name: COOKIE, value, domain: 'localhost', path: '/' });
		await desk.go('/');
	}
	return desk;
}
