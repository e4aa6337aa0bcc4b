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

async function measure(house: House): Promise<Measured[]> {
	const cookies = new Map<string, string>();
	for (const login of new Set(PAGES.map(([, one]) => one)))
		cookies.set(login, `${COOKIE}=${openSession(house, login)}`);
	const measured: Measured[] = [];
	for (const [path, login] of PAGES) {
		const headers = { cookie: cookies.get(login)!, 'accept-encoding': 'br' };
		const times: { ms: number; sql: number }[] = [];
		let bytes = 0;
		let quick = true;
		for (let run = 0; run < WARM_RUNS && quick; run++) {
			const began = performance.now();
			await ask(house.origin + path, headers);
			quick = performance.now() - began < QUICK_MS;
		}
		for (let run = 0; run < (quick ? QUICK_RUNS : RUNS); run++) {
			const began = performance.now();
			const answer = await ask(house.origin + path, headers);
			bytes = answer.bytes;
			const sql = Number(/sql;dur=([\d.]+)/.exec(answer.timing)?.[1]);
			times.push({ ms: performance.now() - began, sql });
		}
		const middle = (of: 'ms' | 'sql') =>
			times.map((one) => one[of]).sort((one, other) => one - other)[Math.floor(times.length / 2)]!;
		measured.push({
			path: `${path} ${login}`,
			ms: middle('ms'),
			sql: middle('sql'),
			kilobytes: bytes / 1024
		});
	}
	return measured;
}
/** The jobs of the morning are done before anything is measured. */
const settle = () => new Promise((resolve) => setTimeout(resolve, 15_000));

async function measureAt(
	seed: 'demo' | { kept: string }
): Promise<{ start: number; pages: Measured[] }> {
	const began = performance.now();
	const house = await openHouse(seed);
	const start = performance.now() - began;
	try {
		await settle();
		return { start, pages: await measure(house) };
	} finally {
		await house.stop();
	}
}

const print = (what: string, value: number, goal: string) =>
	console.log(what.padEnd(78), value.toFixed(2).padStart(8), '', goal);

/** Prints each page of a house ten times the demo against the demo's. */
export async function printTenfold(): Promise<void> {
	const demo = await measureAt('demo');
	const tenfold = await measureAt({ kept: houseOf(TENFOLD) });
	for (const [index, { path, ms }] of tenfold.pages.entries())
		print(`at ten times the demo: ${path}`, ms / demo.pages[index]!.ms, 'at most 1.3');
}

/** Prints each page of a large department's house: against its own SQL, and what is sent. */
export async function printLarge(): Promise<void> {
	const { start, pages } = await measureAt({ kept: houseOf(LARGE) });
	print('a large department: seconds until the server answers', start / 1000, 'under 10');
	for (const { path, ms, sql, kilobytes } of pages) {
		print(`a large department: ${path}, against its SQL`, ms / sql, 'at most 3');
		print(`    milliseconds, and kilobytes as they travel: ${kilobytes.toFixed(0)}`, ms, '');
	}
}
