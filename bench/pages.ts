/**
 * What pages take over HTTP in houses of different size, as ratios: in a house ten times the demo
 * against the demo, and in the house of a large department against the time of its own SQL.
 */
import { get } from 'node:http';
import { openHouse, openSession, type House } from '../e2e/house.ts';
import { COOKIE } from '#server/http/cookie.ts';
import { houseOf, LARGE, TENFOLD } from './houses.ts';

/** Whose pages: the lead, who is on most matters, and the clerk. */
const PAGES: readonly [path: string, login: string][] = [
	['/', 'okafor'],
	['/', 'castellan'],
	['/docket', 'okafor'],
	['/docket?show=missed', 'okafor'],
	['/docket?view=month', 'okafor'],
	['/docket?view=timeline', 'okafor'],
	['/docket/check', 'castellan'],
	['/docket/sign-off', 'castellan'],
	['/docket/papers', 'castellan'],
	['/docket/changes', 'castellan'],
	['/docket/closures', 'castellan'],
	['/docket/reconcile', 'castellan'],
	['/docket/report', 'okafor'],
	['/figures', 'okafor'],
	['/matters', 'okafor'],
	['/matters?who=all', 'okafor'],
	['/matters/LF-2026-0010', 'okafor'],
	['/matters/LF-2026-0010/docket', 'okafor']
];
/** Quick pages are asked for so often before they are measured, and then so often: a server at work
 * is warm, and a millisecond more or less is chance. */
const WARM_RUNS = 30;
const QUICK_RUNS = 31;
const RUNS = 5;
const QUICK_MS = 100;
const KEPT_MS = 1;

type Measured = { path: string; ms: number; sql: number; kilobytes: number };

/** The bytes as they travel: `fetch` would unpack them. */
const ask = (url: string, headers: Record<string, string>) =>
	new Promise<{ bytes: number; timing: string }>((resolve, reject) => {
		get(url, { headers }, (response) => {
			let bytes = 0;
			response.on('data', (chunk: Buffer) => (bytes += chunk.length));
			response.on('end', () => {
				if (response.statusCode !== 200) reject(new Error(`${url}: ${response.statusCode}`));
				resolve({ bytes, timing: String(response.headers['server-timing'] ?? '') });
			});
		}).on('error', reject);
	});

type Run = { ms: number; sql: number; bytes: number };
async function askOnce(house: House, path: string, cookie: string): Promise<Run> {
	const headers = { cookie, 'accept-encoding': 'br' };
	const began = performance.now();
	const { bytes, timing } = await ask(house.origin + path, headers);
	const sql = Number(/sql;dur=([\d.]+)/.exec(timing)?.[1]);
	return { ms: performance.now() - began, sql, bytes };
}

const middleOf = (values: readonly number[]): number =>
	[...values].sort((one, other) => one - other)[Math.floor(values.length / 2)]!;

/**
 * Each page in each house. The houses are asked by turns, so that what else the machine does falls
 * on all of them alike.
 */
async function measure(houses: readonly House[]): Promise<Measured[][]> {
	const cookieOf = (house: House, login: string) => `${COOKIE}=${openSession(house, login)}`;
	const measured: Measured[][] = houses.map(() => []);
	for (const [path, login] of PAGES) {
		const doors = houses.map((house) => ({ house, cookie: cookieOf(house, login) }));
		const round = () =>
			doors.reduce<Promise<Run[]>>(
				async (before, { house, cookie }) => [
					...(await before),
					await askOnce(house, path, cookie)
				],
				Promise.resolve([])
			);
		let quick = true;
		for (let warm = 0; warm < WARM_RUNS && quick; warm++)
			quick = (await round()).every(({ ms }) => ms < QUICK_MS);
		const rounds: Run[][] = [];
		while (rounds.length < (quick ? QUICK_RUNS : RUNS)) rounds.push(await round());
		for (const [at, pages] of measured.entries()) {
			const runs = rounds.map((one) => one[at]!);
			pages.push({
				path: `${path} ${login}`,
				ms: middleOf(runs.map(({ ms }) => ms)),
				sql: middleOf(runs.map(({ sql }) => sql)),
				kilobytes: runs[0]!.bytes / 1024
			});
		}
	}
	return measured;
}
/** The jobs of each house's morning are done before anything is measured. */
const SETTLE_MS = 20_000;
const settle = (houses: number) =>
	new Promise((resolve) => setTimeout(resolve, SETTLE_MS * houses));

async function measureAt(
	seeds: readonly ('demo' | { kept: string })[]
): Promise<{ start: number; pages: Measured[][] }> {
	const began = performance.now();
	const houses: House[] = [];
	for (const seed of seeds) houses.push(await openHouse(seed));
	const start = performance.now() - began;
	try {
		await settle(houses.length);
		return { start, pages: await measure(houses) };
	} finally {
		for (const house of houses) await house.stop();
	}
}

const print = (what: string, value: number, goal: string) =>
	console.log(what.padEnd(78), value.toFixed(2).padStart(8), '', goal);

/** Prints each page of a house ten times the demo against the demo's. */
export async function printTenfold(): Promise<void> {
	const { pages } = await measureAt(['demo', { kept: houseOf(TENFOLD) }]);
	const [demo = [], tenfold = []] = pages;
	for (const [index, { path, ms }] of tenfold.entries())
		print(`at ten times the demo: ${path}`, ms / demo[index]!.ms, 'at most 1.3');
}

/** Prints each page of a large department's house: against its own SQL, and what is sent. */
export async function printLarge(): Promise<void> {
	const { start, pages: all } = await measureAt([{ kept: houseOf(LARGE) }]);
	const [pages = []] = all;
	print('a large department: seconds until the server answers', start / 1000, 'under 10');
	for (const { path, ms, sql, kilobytes } of pages) {
		// Where the figures themselves are kept there is next to no SQL to compare with.
		if (sql < KEPT_MS) print(`a large department: ${path}, its SQL is kept; milliseconds`, ms, '');
		else print(`a large department: ${path}, against its SQL`, ms / sql, 'at most 3');
		print(`    milliseconds, and kilobytes as they travel: ${kilobytes.toFixed(0)}`, ms, '');
	}
}
