/**
 * Every route there is, for every demo person: nothing of a restricted matter comes to anyone outside it, in any list, page,
 * file or answer. A new route without an entry fails.
 */
import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import Database from 'better-sqlite3';
import { PEOPLE } from '../demo/house.ts';
import { openHouse, type House } from './house.ts';

let house: House;
const cookies = new Map<string, string>();
type Hidden = {
	id: string;
	number: string;
	title: string;
	deadline: string;
	document: string;
	post: string;
	signer: string;
	event: string;
	person: string;
	card: string;
	check: string;
	request: string;
	paper: string;
};
let hidden: Hidden;
let run = '';
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
const json = (login: string, method: string, path: string, body: unknown) =>
	get(login, path, {
		method,
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(body)
	});

function routes(dir = 'src/routes', at = ''): string[] {
	return readdirSync(dir, { withFileTypes: true }).flatMap((e) =>
		e.isDirectory()
			? routes(join(dir, e.name), /^\(.*\)$/.test(e.name) ? at : `${at}/${e.name}`)
			: /^\+(page\.server|page|server)\.(ts|svelte)$/.test(e.name)
				? [at || '/']
				: []
	);
}

/** Where each route is walked; null: it has its own test for who may enter (a signing link, signing in and out, health). */
const WALK: Record<string, (() => string[]) | null> = {
	'/': () => ['/'],
	'/matters': () => ['/matters?who=all', '/matters?who=all&q=Heron', '/matters?who=all&closed=1'],
	'/matters/[number]': () => [`/matters/${hidden.number}`],
	'/matters/[number]/docket': () =>
		['', '?view=list&when=all', '?view=timeline', '?view=month'].map(
			(x) => `/matters/${hidden.number}/docket${x}`
		),
	'/matters/[number]/tasks': () => [`/matters/${hidden.number}/tasks`],
	'/matters/[number]/documents': () => [`/matters/${hidden.number}/documents`],
	'/matters/[number]/logbook': () => [`/matters/${hidden.number}/logbook?q=Heron`],
	'/matters/[number]/logbook/more': () => [`/matters/${hidden.number}/logbook/more`],
	'/matters/[number]/trial': () => [`/matters/${hidden.number}/trial`],
	'/matters/export': () => [
		'/matters/export?who=all&closed=1&as=csv&cols=number,title,opponent,references,fact:entity',
		'/matters/export?who=all&closed=1&as=csv&q=Heron'
	],
	'/overview': () => ['/overview'],
	'/people': () => [
		'/people',
		'/people?q=Heron',
		'/people?role=counterparty',
		'/people?page=2',
		'/people?page=3'
	],
	'/people/export': () => ['/people/export', '/people/export?as=csv'],
	'/people/[id]/vcard': () => [`/people/${hidden.card}/vcard`],
	'/interest': () => ['/interest'],
	'/interest/[id]': () => [`/interest/${hidden.check}`],
	'/requests': () => ['/requests', '/requests?show=done', '/requests?show=mine'],
	'/requests/[id]': () => [`/requests/${hidden.request}`],
	'/requests/[id]/file/[file]': () => [`/requests/${hidden.request}/file/${hidden.paper}`],
	'/kinds': () => ['/kinds'],
	'/kinds/[id]': () => ['/kinds/corporate'],
	'/kinds/[id]/yaml': () => ['/kinds/corporate/yaml'],
	'/imports': () => ['/imports'],
	'/imports/[id]': () => ['/imports/wrk_nothing'],
	'/imports/sample': () => ['/imports/sample?what=matters&as=csv'],
	'/api/matters': () => ['/api/matters?q=heron', `/api/matters?q=${hidden.number}`],
	'/matters/[number]/time': () => [`/matters/${hidden.number}/time`],
	'/docket': () => [
		'/docket?show=all',
		'/docket?show=open',
		'/docket?show=unchecked',
		'/docket?show=proposed',
		'/docket?show=all&page=2',
		'/docket?show=all&view=timeline',
		'/docket?view=month',
		'/docket?show=all&matter=' + hidden.number
	],
	'/docket/check': () => ['/docket/check', `/docket/check?date=${hidden.deadline}`],
	'/docket/changes': () => ['/docket/changes'],
	'/docket/closures': () => ['/docket/closures'],
	'/docket/report': () => [
		'/docket/report?go=1&show=all',
		'/docket/report?go=1&show=all&order=matter&long=1'
	],
	'/docket/report/export': () =>
		['csv', 'ics'].map((as) => `/docket/report/export?go=1&show=all&as=${as}`),
	'/rulebooks': () => ['/rulebooks'],
	'/rulebooks/new': () => ['/rulebooks/new', '/rulebooks/new?as=yaml'],
	'/rulebooks/[id]': () => ['/rulebooks/us-federal.ca-nd'],
	'/rulebooks/[id]/edit': () => ['/rulebooks/us-federal/edit'],
	'/rulebooks/[id]/yaml': () => ['/rulebooks/us-federal/yaml'],
	'/count': () => ['/count?court=us-federal&n=21'],
	'/api/book': null,
	'/staff': () => ['/staff'],
	'/feed/[token]': null,
	'/documents': () => ['/documents', '/documents?q=Heron'],
	'/documents/[id]': () => [`/documents/${hidden.document}`],
	'/documents/[id]/file': () => [
		`/documents/${hidden.document}/file`,
		`/documents/${hidden.document}/file?version=1&download=1`
	],
	'/documents/[id]/sign': () => [`/documents/${hidden.document}/sign`],
	'/signing/[id]': () => [`/signing/${hidden.signer}`],
	'/signing/[id]/file': () => [`/signing/${hidden.signer}/file`],
	'/time': () => ['/time'],
	'/costs': () => ['/costs'],
	'/costs/[id]': () => [`/costs/${run}`],
	'/costs/[id]/journal': () => [`/costs/${run}/journal`],
	'/costs/[id]/statement-[unit]': () => [`/costs/${run}/statement-unit_5`],
	'/post': () => ['/post', '/post?q=Heron', '/post?page=2'],
	'/post/[id]/[n]': () => [`/post/${hidden.post}/0`],
	'/people/[id]': () => [`/people/${hidden.person}`, `/people/${hidden.card}`],
	'/api/pen': () => [
		'/api/pen?line=heron',
		`/api/pen?line=${encodeURIComponent(`0.4 ${hidden.number} call`)}`,
		`/api/pen?line=${encodeURIComponent(`event ${hidden.number} complaint filed yesterday`)}`,
		'/api/pen?line=secret+paper'
	],
	'/api/people': () => ['/api/people?q=a'],
	'/api/propose': null,
	'/api/moves': () => [
		`/api/moves?event=${hidden.event}&to=2026-11-20`,
		`/api/moves?deadline=${hidden.deadline}&by=%2B7d&how=order`
	],
	'/sign/[token]': null,
	'/sign/[token]/file': null,
	'/sign-in': null,
	'/sign-out': null,
	'/healthz': null
};

describe('the walk through every route', { timeout: 600_000 }, () => {
	before(async () => {
		house = await openHouse('demo/make.ts');
		for (const [login] of PEOPLE) {
			const r = await fetch(`${house.origin}/sign-in?/demo`, {
				method: 'POST',
				redirect: 'manual',
				headers: {
					origin: house.origin,
					accept: 'text/html',
					'content-type': 'application/x-www-form-urlencoded'
				},
				body: `login=${login}&to=/`
			});
			assert.equal(r.status, 303, login);
			cookies.set(login, r.headers.get('set-cookie')!.split(';')[0]!);
		}
		// Something of every sort on the restricted matter, made by those who are on it.
		const db = new Database(join(house.data, 'kite-pen.db'));
		const m = db
			.prepare<[], { id: string; number: string; title: string }>(
				"SELECT id, number, title FROM matter WHERE title = 'Project Heron'"
			)
			.get()!;
		const form = (path: string, fields: Record<string, string>) => {
			const f = new FormData();
			for (const [k, v] of Object.entries(fields)) f.set(k, v);
			return get('okafor', path, {
				method: 'POST',
				body: f,
				headers: { origin: house.origin, 'x-sveltekit-action': 'true', accept: 'application/json' }
			});
		};
		const f = new FormData();
		for (const [k, v] of Object.entries({
			matterId: m.id,
			folder: 'Internal',
			mark: 'privileged',
			name: 'Secret paper'
		}))
			f.set(k, v);
		f.set('file', new File(['Heron contents'], 'secret.txt'));
		await get('okafor', `/matters/${m.number}/documents?/upload`, {
			method: 'POST',
			body: f,
			headers: { origin: house.origin, 'x-sveltekit-action': 'true', accept: 'application/json' }
		});
		await form(`/matters/${m.number}?/edit`, {
			matterId: m.id,
			fields: JSON.stringify({ rulebook: 'us-federal.ca-nd', 'fact:entity': 'Heron Entity' })
		});
		await form(`/matters/${m.number}?/role`, {
			matterId: m.id,
			personId: 'new',
			newName: 'Heron Holdings',
			newKind: 'organization',
			role: 'counterparty'
		});
		await form('/interest?/check', { names: 'Heron Holdings', matterId: m.id });
		// A request that went into the restricted matter.
		const asked = new FormData();
		for (const [k, v] of Object.entries({
			send: '1',
			about: 'Heron question',
			unitId: 'unit_0',
			words: 'About Heron'
		}))
			asked.set(k, v);
		asked.set('files', new File(['Heron words'], 'heron.txt'));
		await get('tarrant', '/requests?/write', {
			method: 'POST',
			body: asked,
			headers: { origin: house.origin, 'x-sveltekit-action': 'true', accept: 'application/json' }
		});
		await form(
			`/requests/${db.prepare<[], { id: string }>("SELECT id FROM request WHERE about = 'Heron question'").get()!.id}?/merge`,
			{ number: m.number }
		);
		await form(`/matters/${m.number}/docket?/enter`, {
			matterId: m.id,
			eventKey: 'complaint-filed',
			date: '2026-11-16',
			docket: 'serve-each-defendant',
			name: 'Heron filing'
		});
		await form(`/matters/${m.number}/tasks?/add`, {
			matterId: m.id,
			subject: 'Heron task',
			assigneeId: 'stf_castellan',
			by: 'day',
			due: '2026-11-25'
		});
		for (
			let i = 0;
			i < 30 && !db.prepare('SELECT 1 FROM post WHERE subject LIKE ?').get(`%${m.number}%`);
			i++
		)
			await new Promise((r) => setTimeout(r, 500));
		const one = (sql: string, ...p: unknown[]) =>
			db.prepare<unknown[], { id: string }>(sql).get(...p)!.id;
		hidden = {
			...m,
			deadline: one('SELECT id FROM deadline WHERE matter_id = ?', m.id),
			event: one('SELECT id FROM event WHERE matter_id = ?', m.id),
			document: one("SELECT id FROM document WHERE name = 'Secret paper'"),
			post: one('SELECT id FROM post WHERE subject LIKE ?', `%${m.number}%`),
			signer: one("SELECT id FROM signer WHERE staff_id = 'stf_okafor' LIMIT 1"),
			person: one('SELECT person_id AS id FROM matter_role LIMIT 1'),
			card: one("SELECT id FROM person WHERE name = 'Heron Holdings'"),
			check: one("SELECT id FROM interest_check WHERE names LIKE '%Heron%'"),
			request: one("SELECT id FROM request WHERE about = 'Heron question'"),
			paper: one("SELECT id FROM request_file WHERE file_name = 'heron.txt'")
		};
		run = one('SELECT id FROM cost_run ORDER BY made_at DESC LIMIT 1');
		db.close();
	});
	after(async () => void (await house?.stop()));

	it('has an entry for every route', () => {
		assert.deepEqual(
			[...new Set(routes())].filter((r) => !(r in WALK)),
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
		assert.match(await (await get('castellan', '/post')).text(), new RegExp(hidden.number));
	});

	it('shows nothing of it to anyone else, on any route', async () => {
		const leak = new RegExp(
			['Heron', 'Secret paper', hidden.id, hidden.document, hidden.deadline].join('|')
		);
		for (const [login] of PEOPLE)
			for (const [route, paths] of Object.entries(WALK)) {
				if (INSIDE.has(login) || !paths) continue;
				// The business partner asked it: the request is theirs, and only theirs.
				if (login === 'tarrant' && (route === '/' || route.startsWith('/requests'))) continue;
				for (const path of paths()) {
					const r = await get(login, path);
					const body = await r.text();
					// The words of one's own question may come back in the field one typed them into.
					const seen = body
						.replaceAll(decodeURIComponent(path.split('q=')[1]?.split('&')[0] ?? '\u0000'), '')
						.replaceAll(/line=[^"&]*/g, '');
					assert.doesNotMatch(seen, leak, `${login} ${route} ${path}`);
					assert.ok(
						[200, 303, 400, 401, 403, 404].includes(r.status),
						`${login} ${path} ${r.status}`
					);
					// A number one asks for in a filter finds nothing; a page of the matter itself is not there.
					if (
						path.includes(hidden.number) &&
						!path.startsWith('/api') &&
						!path.startsWith('/docket?')
					)
						assert.equal(r.status, 404, `${login} ${path}`);
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
			const r = await get('haddad', path);
			return [
				r.status,
				(await r.text())
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
			[
				`/api/moves?event=${hidden.event}&to=2026-11-20`,
				'/api/moves?event=evt_nothing&to=2026-11-20'
			]
		] as const)
			assert.deepEqual(await words(a), await words(b), a);
		const propose = async (matterId: string) => {
			const r = await json('abernathy', 'POST', '/api/propose', {
				matterId,
				eventKey: 'complaint-filed',
				date: '2026-11-16'
			});
			return [r.status, await r.text()];
		};
		assert.deepEqual(await propose(hidden.id), await propose('mat_nothing'));
		const line = async (number: string) => {
			const r = await json('abernathy', 'POST', '/api/pen', { line: `0.4 ${number} call` });
			return [r.status, (await r.text()).replace(number, '')];
		};
		assert.deepEqual(await line(hidden.number), await line('LF-2026-9998'));
	});

	it('commits, refuses and takes back lines of the pen line', async () => {
		const say = async (line: string, current = '') => {
			const r = await json('okafor', 'POST', '/api/pen', { line, current });
			return [r.status, (await r.json()) as { message: string; undo?: string }] as const;
		};
		const [ok, logged] = await say('0.4 LF-2026-0010 call with the surveyor');
		assert.equal(ok, 200);
		assert.match(logged.message, /0\.4 h logged on Pier 9 passenger fall/);
		assert.equal(
			(await json('wardle', 'DELETE', '/api/pen', { entry: logged.undo })).status,
			404,
			'only one’s own'
		);
		assert.equal((await json('okafor', 'DELETE', '/api/pen', { entry: logged.undo })).status, 200);
		assert.equal((await json('okafor', 'DELETE', '/api/pen', { entry: logged.undo })).status, 404);
		assert.equal((await say('note LF-2026-0010 the surveyor comes on Monday'))[0], 200);
		assert.equal(
			(await say('0.2 read the file', 'LF-2026-0010'))[0],
			200,
			'the matter on screen is meant'
		);
		assert.match(
			(await say('0.4 LF-2026-9999 call'))[1].message,
			/no matter LF-2026-9999 that you may see/
		);
		assert.match((await say('26 LF-2026-0010 call'))[1].message, /24 hours/);
		assert.match((await say('bremner'))[1].message, /nothing to commit/);
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
