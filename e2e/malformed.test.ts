/**
 * Three thousand questions, forms and files that nobody would send, over every route and form:
 * each is answered with words and a 4xx, or as if it had been asked properly; none with a 5xx.
 */
import assert from 'node:assert/strict';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import { COOKIE } from '#server/http/cookie.ts';
import { Chance } from '../demo/chance.ts';
import { openHouse, openSession, type House } from './house.ts';
import { listRoutes } from './routes.ts';

const SEED = 20_261_127;
const REQUESTS = 3_200;
const AT_ONCE = 6;
const LOGINS = ['okafor', 'castellan', 'haddad', 'harrowgate', 'tarrant', ''] as const;

/** What stands where a value should. */
const ODD = [
	...['', ' ', '0', '-1', '1.5', '1e300', 'NaN', 'Infinity', '99999999999999999999', 'null'],
	...['__proto__', 'constructor', 'toString', 'hasOwnProperty', '[object Object]', 'undefined'],
	...['9999-12', '0000-00', '2026-02-30', '9999-12-31', '10000-01-01', '-2026-01-01', '24:60'],
	...[
		"' OR 1=1 --",
		'"; DROP TABLE matter; --',
		'%',
		'_',
		'*',
		'"',
		'""',
		'()',
		'NEAR(a b)',
		'a AND'
	],
	...['<script>alert(1)</script>', '../../etc/passwd', '..%2f..%2f', '\\\\host\\x', 'file:///x'],
	...['\u0000', 'a\u0000b', '\u202Eabc', '\uD800', '\uFEFF', 'a\r\nb: c', '\u{1F600}'.repeat(40)],
	...['x'.repeat(5_000), '9'.repeat(400), '('.repeat(2_000), '['.repeat(500), '{"a":'.repeat(300)],
	...['[]', '{}', '[null]', '{"a":null}', '[[[]]]', 'true', '{"__proto__":{"x":1}}', '[1e999]']
];
const BODIES: readonly unknown[] = [
	...[null, true, 0, 1e300, '', 'text', [], [null], {}, { line: null }, { line: 5 }, { line: [] }],
	...[{ __proto__: null, constructor: 1 }, { matterId: {} }, { date: 20261201 }, { rows: 'x' }],
	...[{ line: '+'.repeat(4_000) }, { lines: [[[]]] }, { answers: { __proto__: 'x' } }, { yaml: 7 }]
];

let house: House;
let matter = '';
const cookies = new Map<string, string>();
const random = new Chance(SEED);

/** Every form action of a route, by the names in its file. */
function actionsOf(route: string): string[] {
	const file = ['src/routes', 'src/routes/(app)']
		.map((base) => join(base, route, '+page.server.ts'))
		.find((path) => existsSync(path));
	const source = file ? readFileSync(file, 'utf8') : '';
	const [, block = ''] = /export const actions = \{([\s\S]*?)\n\};/.exec(source) ?? [];
	return [...block.matchAll(/^\t(\w+):/gm)].map(([, name]) => name!);
}

/** The names of fields that any command reads. */
function fieldNames(folder = 'src/lib/server'): string[] {
	return readdirSync(folder, { withFileTypes: true, recursive: true })
		.filter((file) => file.isFile() && /(?<!\.test)\.ts$/.test(file.name))
		.flatMap((file) => {
			const source = readFileSync(join(file.parentPath ?? file.path, file.name), 'utf8');
			return [...source.matchAll(/^\t\t?(\w+): (?:z\.|text\(|id\(|maybe|day\(|flag)/gm)].map(
				([, name]) => name!
			);
		});
}

const odd = () => random.pick(ODD);
const pathOf = (route: string): string =>
	route.replace(/\[[^\]]+\]/g, () =>
		encodeURIComponent(random.yes(0.3) ? matter : odd().toWellFormed().slice(0, 300) || 'x')
	);
const queryOf = (names: readonly string[]): string => {
	const query = new URLSearchParams();
	for (let more = random.int(0, 4); more > 0; more--) query.append(random.pick(names), odd());
	return query.size ? `?${query}` : '';
};

type Sent = { path: string; init: RequestInit; told: string };

function makeForm(path: string, actions: readonly string[], names: readonly string[]): Sent {
	const body = new FormData();
	const told: string[] = [];
	for (let more = random.int(0, 7); more > 0; more--) {
		const name = random.yes(0.1) ? odd().slice(0, 40) || 'x' : random.pick(names);
		if (random.yes(0.1))
			body.append(name, new File([odd()], odd().toWellFormed().slice(0, 60) || 'x'));
		else body.append(name, random.yes(0.2) ? matter : odd());
		told.push(name);
	}
	const action = actions.length ? random.pick(actions) : odd().slice(0, 20);
	const init = { method: 'POST', body, headers: { 'x-sveltekit-action': 'true' } };
	return { path: `${path}?/${encodeURIComponent(action.toWellFormed())}`, init, told: told.join() };
}

/** What calls itself a form, and is none. */
function makeBroken(path: string): Sent {
	const type = random.pick([
		...['multipart/form-data; boundary=x', 'multipart/form-data', 'text/plain'],
		...['application/json', 'application/x-www-form-urlencoded', 'image/png', 'x']
	]);
	const body = random.pick(['', '--x', '--x\r\nContent-Disposition: form-data; name="a"', odd()]);
	const init = { method: 'POST', body, headers: { 'content-type': type } };
	return { path: `${path}?/${random.pick(['default', 'x', 'save'])}`, init, told: type };
}

function makeJson(path: string): Sent {
	const body = random.yes(0.3) ? odd() : JSON.stringify(random.pick(BODIES));
	const method = random.pick(['POST', 'POST', 'DELETE', 'PUT', 'PATCH']);
	const init = { method, body, headers: { 'content-type': 'application/json' } };
	return { path, init, told: body.slice(0, 80) };
}

function makeOne(routes: readonly string[], names: readonly string[]): Sent {
	const route = random.pick(routes);
	const path = pathOf(route);
	const sort = random.int(0, 9);
	if (route.startsWith('/api') && sort < 6) return makeJson(path);
	if (sort < 4) return { path: path + queryOf(names), init: {}, told: '' };
	if (sort < 5) return { path: `${path}/__data.json${queryOf(names)}`, init: {}, told: '' };
	if (sort < 6) return makeBroken(path);
	return makeForm(path, actionsOf(route), names);
}

async function send(sent: Sent): Promise<string> {
	const login = random.pick(LOGINS);
	const { path, init, told } = sent;
	const what = `${login} ${init.method ?? 'GET'} ${path.slice(0, 200)} ${told}`;
	const answer = await ask(login, sent).catch((error: Error) => `${error.cause ?? error}`);
	return answer && `${answer} ${what}`;
}

/** What is wrong with the answer; nothing where nothing is. */
async function ask(login: string, { path, init }: Sent): Promise<string> {
	const response = await fetch(house.origin + path, {
		redirect: 'manual',
		...init,
		headers: {
			cookie: cookies.get(login) ?? '',
			origin: house.origin,
			accept: 'application/json',
			...(init.headers as Record<string, string>)
		}
	});
	const text = await response.text();
	const isFault = response.status >= 500 || /"type":"error".*"status":5\d\d/s.test(text);
	return isFault ? String(response.status) : '';
}

describe('what nobody would send', { timeout: 600_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		matter = 'LF-2026-0010';
		for (const login of LOGINS)
			if (login) cookies.set(login, `${COOKIE}=${openSession(house, login)}`);
	});
	after(async () => void (await house?.stop()));

	it(`is answered ${REQUESTS} times without a fault of the server`, async () => {
		const routes = [...new Set(listRoutes())].filter((route) => !route.startsWith('/sign-out'));
		assert.ok(routes.length > 60, `${routes.length} routes`);
		const names = [
			...new Set(fieldNames()),
			...['page', 'q', 'month', 'week', 'sort', 'group', 'cols', 'show', 'view', 'as', 'from', 'to']
		];
		assert.ok(names.length > 100, `${names.length} names of fields`);
		const all = Array.from({ length: REQUESTS }, () => makeOne(routes, names));
		const faults: string[] = [];
		const next = all[Symbol.iterator]();
		await Promise.all(
			Array.from({ length: AT_ONCE }, async () => {
				for (const one of next) {
					const fault = await send(one);
					if (fault) faults.push(fault);
				}
			})
		);
		const shown = [...new Set(faults.map((fault) => fault.slice(0, 260)))].sort();
		assert.deepEqual(shown.slice(0, 40), [], `${faults.length} faults`);
		const health = await fetch(`${house.origin}/healthz`);
		assert.equal(health.status, 200);
	});
});
