/**
 * Every route there is, for every demo person: nothing of a restricted matter comes to anyone
 * outside it, in any list, page, file or answer. A new route without an entry fails.
 */
import assert from 'node:assert/strict';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import Database from 'better-sqlite3';
import { PEOPLE } from '../demo/house.ts';
import { openHouse, type House } from './house.ts';
import { fillHiddenMatter, type Hidden, type HiddenMatter } from './hidden-matter.ts';
import { listRoutes } from './routes.ts';
import { stopsOf, type Walk } from './walk-stops.ts';
import { one, scalar } from '#server/db/sql.ts';

let house: House;
const cookies = new Map<string, string>();
let hidden: Hidden;
let run = '';
let walk: Walk;
const INSIDE = new Set(['okafor', 'castellan']);

const get = (login: string, path: string, init: RequestInit = {}) =>
	fetch(house.origin + path, {
		redirect: 'manual',
		...init,
		headers: {
			cookie: cookies.get(login) ?? '',
			...(init.headers as Record<string, string> | undefined)
		}
	});
const send = (login: string, path: string, body: FormData) =>
	get(login, path, {
		method: 'POST',
		body,
		headers: { origin: house.origin, 'x-sveltekit-action': 'true', accept: 'application/json' }
	});
const json = (login: string, method: string, path: string, body: unknown) =>
	get(login, path, {
		method,
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body)
	});

/** Routes on which each colleague is walked, not one of each role. */
const OWN_LISTS = [
	'/',
	'/matters',
	'/docket',
	'/docket/sign-off',
	'/api/pen',
	'/api/matters',
	'/time'
];

describe('the walk through every route', { timeout: 600_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		for (const { login } of PEOPLE) {
			const response = await fetch(`${house.origin}/sign-in?/demo`, {
				method: 'POST',
				redirect: 'manual',
				headers: {
					origin: house.origin,
					accept: 'text/html',
					'content-type': 'application/x-www-form-urlencoded'
				},
				body: `login=${login}&to=/`
			});
			assert.equal(response.status, 303, login);
			cookies.set(login, response.headers.get('set-cookie')!.split(';')[0]!);
		}
		const db = new Database(join(house.data, 'kite-pen.db'));
		const item = one<HiddenMatter>(
			db,
			"SELECT id, number, title FROM matter WHERE title = 'Project Heron'"
		);
		hidden = await fillHiddenMatter(db, item, { send });
		run = scalar(db, 'SELECT id FROM cost_run ORDER BY made_at DESC LIMIT 1');
		walk = stopsOf(hidden, run);
		db.close();
	});
	after(async () => void (await house?.stop()));

	it('has an entry for every route', () => {
		assert.deepEqual(
			[...new Set(listRoutes())].filter((route) => !(route in walk)),
			[]
		);
	});

	it('shows a restricted matter to those on it', async () => {
		for (const login of INSIDE) {
			for (const path of [
				`/matters/${hidden.number}`,
				`/matters/${hidden.number}/docket`,
				`/documents/${hidden.document}`
			])
				assert.equal((await get(login, path)).status, 200, `${login} ${path}`);
			assert.match(await (await get(login, '/api/pen?line=heron')).text(), /Project Heron/);
		}
		assert.match(await (await get('castellan', '/mail')).text(), new RegExp(hidden.number));
	});

	it('shows nothing of it to anyone else, on any route', async () => {
		const leak = new RegExp(
			['Heron', 'Secret paper', hidden.id, hidden.document, hidden.deadline].join('|')
		);
		const outside = PEOPLE.filter(({ login }) => !INSIDE.has(login));
		/** What one role is shown does not differ by colleague but in their own lists. */
		const first = new Map([...outside].reverse().map(({ role, login }) => [role, login]));
		for (const { login, role } of outside)
			for (const [route, paths] of Object.entries(walk)) {
				if (!paths || (first.get(role) !== login && !OWN_LISTS.includes(route))) continue;
				// The business partner asked it: the request is theirs, and only theirs.
				if (login === 'tarrant' && (route === '/' || route.startsWith('/requests'))) continue;
				for (const stop of paths()) {
					const [path, asked] = typeof stop === 'string' ? [stop] : stop;
					const response = await (asked === undefined
						? get(login, path)
						: json(login, 'POST', path, asked));
					const body = await response.text();
					// The words of one's own question may come back in the field one typed them into.
					const seen = body
						.replaceAll(decodeURIComponent(path.split('q=')[1]?.split('&')[0] ?? '\u0000'), '')
						.replaceAll(/line=[^"&]*/g, '');
					assert.doesNotMatch(seen, leak, `${login} ${route} ${path}`);
					assert.ok(
						[200, 303, 400, 401, 403, 404].includes(response.status),
						`${login} ${path} ${response.status}`
					);
					// A number one asks for in a filter finds nothing; a page of the matter itself is not
					// there.
					if (
						path.includes(hidden.number) &&
						!path.startsWith('/api') &&
						!path.startsWith('/docket?')
					)
						assert.equal(response.status, 404, `${login} ${path}`);
				}
			}
	});

	it('shows the business partner their request, and nothing of the matter it went to', async () => {
		for (const path of ['/', '/requests', `/requests/${hidden.request}`]) {
			const body = await (await get('tarrant', path)).text();
			assert.match(body, /Heron question/);
			assert.doesNotMatch(
				body,
				new RegExp(
					[
						'Project Heron',
						'Heron Holdings',
						'Heron Entity',
						hidden.id,
						hidden.number,
						'LF-20'
					].join('|')
				),
				path
			);
		}
		assert.equal(
			(await get('tarrant', `/requests/${hidden.request}/file/${hidden.paper}`)).status,
			200
		);
	});

	it('answers the same for what is hidden and for what never was', async () => {
		const words = async (path: string) => {
			const response = await get('haddad', path);
			return [
				response.status,
				(await response.text())
					.replace(/LF-2026-\d{4}|nonce="[^"]*"|doc_\w+|evt_\w+/g, '')
					.match(/There is no such[^<"]*/)?.[0]
			];
		};
		for (const [a, b] of [
			[`/matters/${hidden.number}`, '/matters/LF-2026-9998'],
			[`/documents/${hidden.document}`, '/documents/doc_nothing'],
			[`/documents/${hidden.document}/file`, '/documents/doc_nothing/file'],
			[`/people/${hidden.card}`, '/people/per_nothing'],
			[`/interest/${hidden.check}`, '/interest/chk_nothing'],
			[`/requests/${hidden.request}`, '/requests/req_nothing'],
			[`/matters/${hidden.number}/logbook/more`, '/matters/LF-2026-9998/logbook/more'],
			[`/api/counts/${hidden.deadline}`, '/api/counts/due_nothing']
		] as const)
			assert.deepEqual(await words(a), await words(b), a);
		const preview = async (what: string, body: object) => {
			const response = await json('abernathy', 'POST', `/api/preview/${what}`, body);
			return [response.status, await response.text()];
		};
		const event = { eventKey: 'complaint-filed', date: '2026-11-16' };
		assert.deepEqual(
			await preview('event', { ...event, matterId: hidden.id }),
			await preview('event', { ...event, matterId: 'mat_nothing' })
		);
		const move = { to: '2026-11-20' };
		assert.deepEqual(
			await preview('move', { ...move, eventId: hidden.event }),
			await preview('move', { ...move, eventId: 'evt_nothing' })
		);
		const line = async (number: string) => {
			const response = await json('abernathy', 'POST', '/api/pen', { line: `0.4 ${number} call` });
			return [response.status, (await response.text()).replace(number, '')];
		};
		assert.deepEqual(await line(hidden.number), await line('LF-2026-9998'));
	});

	it('commits, refuses and takes back lines of the pen line', async () => {
		const say = async (line: string, current = '') => {
			const response = await json('okafor', 'POST', '/api/pen', { line, current });
			return [
				response.status,
				(await response.json()) as {
					message: string;
					undo?: { entryId: string };
					errors: Record<string, string>;
				}
			] as const;
		};
		const [ok, logged] = await say('0.4 LF-2026-0010 call with the surveyor');
		assert.equal(ok, 200);
		assert.match(logged.message, /0\.4 h logged on Pier 9 passenger fall/);
		assert.equal(
			(await json('wardle', 'DELETE', '/api/pen', logged.undo)).status,
			404,
			'only one’s own'
		);
		assert.equal((await json('okafor', 'DELETE', '/api/pen', logged.undo)).status, 200);
		assert.equal((await json('okafor', 'DELETE', '/api/pen', logged.undo)).status, 404);
		assert.equal((await say('note LF-2026-0010 the surveyor comes on Monday'))[0], 200);
		assert.equal(
			(await say('0.2 read the file', 'LF-2026-0010'))[0],
			200,
			'the matter on screen is meant'
		);
		assert.match(
			(await say('0.4 LF-2026-9999 call'))[1].errors['']!,
			/no matter LF-2026-9999 that you may see/
		);
		assert.match((await say('26 LF-2026-0010 call'))[1].errors['']!, /24 hours/);
		assert.match((await say('bremner'))[1].errors['']!, /nothing to commit/);
		assert.equal(
			(
				await get('okafor', '/api/pen', {
					method: 'POST',
					body: 'not json',
					headers: { 'content-type': 'application/json' }
				})
			).status,
			400
		);
		const found = (await (await get('okafor', '/api/pen?line=bremner+wage')).json()) as {
			hits: { kind: string; title: string; href: string }[];
		};
		assert.deepEqual([found.hits[0]!.kind, found.hits[0]!.title], ['matter', 'Bremner wage claim']);
		assert.equal((await get('okafor', found.hits[0]!.href)).status, 200);
	});
});
