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
import { listRoutes } from './routes.ts';
import { exists, one, scalar } from '#server/db/sql.ts';

let house: House;
const cookies = new Map<string, string>();
type Hidden = {
	id: string;
	number: string;
	title: string;
	deadline: string;
	document: string;
	mail: string;
	post: string;
	signer: string;
	event: string;
	person: string;
	card: string;
	check: string;
	request: string;
	paper: string;
	paperIn: string;
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

const roomOf = (room: string) => `/matters/${hidden.number}/${room}`;

/**
 * Where each route is walked; null: it has its own test for who may enter (a signing link, signing
 * in and out, health).
 */
type Stop = string | [path: string, body: unknown];
const plain = (...paths: string[]) => Object.fromEntries(paths.map((path) => [path, () => [path]]));
const WALK: Record<string, (() => Stop[]) | null> = {
	'/': () => ['/'],
	'/matters': () => ['/matters?who=all', '/matters?who=all&q=Heron', '/matters?who=all&closed=1'],
	'/matters/[number]': () => [`/matters/${hidden.number}`],
	'/matters/[number]/docket': () =>
		['', '?view=list&when=all', '?view=timeline', '?view=month'].map(
			(x) => `/matters/${hidden.number}/docket${x}`
		),
	'/matters/[number]/docket/schedule': () => [roomOf('docket/schedule')],
	'/matters/[number]/mail/[id]': () => [roomOf(`mail/${hidden.mail}`)],
	'/matters/[number]/tasks': () => [`/matters/${hidden.number}/tasks`],
	'/matters/[number]/documents': () => [`/matters/${hidden.number}/documents`],
	'/matters/[number]/logbook': () => [`/matters/${hidden.number}/logbook?q=Heron`],
	'/matters/[number]/logbook/more': () => [`/matters/${hidden.number}/logbook/more`],
	'/matters/[number]/trial': () => [`/matters/${hidden.number}/trial`],
	'/matters/export': () => [
		'/matters/export?who=all&closed=1&as=csv&cols=number,title,opponent,references,fact:entity',
		'/matters/export?who=all&closed=1&as=csv&q=Heron'
	],
	'/figures': () => ['/figures'],
	'/people': () => [
		'/people',
		'/people?q=Heron',
		'/people?role=counterparty',
		'/people?page=2',
		'/people?page=3'
	],
	'/people/export': () => ['/people/export', '/people/export?as=csv'],
	'/people/[id]/vcard': () => [`/people/${hidden.card}/vcard`],
	'/people/[id]/merge': () => [`/people/${hidden.person}/merge?with=${hidden.card}`],
	'/interest': () => ['/interest'],
	'/interest/[id]': () => [`/interest/${hidden.check}`],
	'/requests': () => ['/requests', '/requests?show=done', '/requests?show=mine'],
	'/requests/[id]': () => [`/requests/${hidden.request}`],
	'/requests/[id]/file/[file]': () => [`/requests/${hidden.request}/file/${hidden.paper}`],
	'/kinds/[id]': () => ['/kinds/corporate'],
	'/kinds/[id]/yaml': () => ['/kinds/corporate/yaml'],
	'/imports': () => ['/imports'],
	'/imports/[id]': () => ['/imports/wrk_nothing'],
	'/imports/sample': () => ['/imports/sample?what=matters&as=csv'],
	'/api/matter-forms': () => ['/api/matter-forms'],
	'/api/matters': () => ['/api/matters?q=heron', `/api/matters?q=${hidden.number}`],
	'/matters/[number]/time': () => [roomOf('time')],
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
	'/docket/authority/[id]': () => [`/docket/authority/${hidden.deadline}`],
	'/docket/reconcile': () => ['/docket/reconcile'],
	'/docket/sign-off': () => ['/docket/sign-off', '/docket/sign-off?week=2026-11-16'],
	'/docket/papers/[id]': () => [`/docket/papers/${hidden.paperIn}`],
	'/docket/check': () => ['/docket/check', `/docket/check?deadline=${hidden.deadline}`],
	'/docket/changes': () => ['/docket/changes'],
	'/docket/closures': () => ['/docket/closures'],
	'/docket/report': () => [
		'/docket/report?go=1&show=all',
		'/docket/report?go=1&show=all&order=matter&long=1'
	],
	'/docket/report/export': () =>
		['csv', 'ics'].map((as) => `/docket/report/export?go=1&show=all&as=${as}`),
	'/rulebooks': () => ['/rulebooks'],
	'/rulebooks/new': () => ['/rulebooks/new', '/rulebooks/new?as=rules', '/rulebooks/new?as=yaml'],
	'/rulebooks/[id]': () => ['/rulebooks/us-federal.ca-nd'],
	'/rulebooks/[id]/edit': () => ['/rulebooks/us-federal/edit'],
	'/rulebooks/[id]/yaml': () => ['/rulebooks/us-federal/yaml'],
	'/docket/calculator': () => ['/docket/calculator?court=us-federal&amount=21'],
	...plain('/notes', '/staff', '/account', '/accounts', '/jobs', '/kinds', '/docket/papers'),
	'/password/[token]': null,
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
	'/mail': () => ['/mail', '/mail?q=Heron', '/mail?page=2'],
	'/mail/[id]/[n]': () => [`/mail/${hidden.post}/0`],
	'/people/[id]': () => [`/people/${hidden.person}`, `/people/${hidden.card}`],
	'/api/pen': () => [
		'/api/pen?line=heron',
		`/api/pen?line=${encodeURIComponent(`0.4 ${hidden.number} call`)}`,
		`/api/pen?line=${encodeURIComponent(`event ${hidden.number} complaint filed yesterday`)}`,
		'/api/pen?line=secret+paper'
	],
	'/api/people': () => ['/api/people?q=a'],
	'/api/counts/[id]': () => [`/api/counts/${hidden.deadline}`],
	'/api/preview/event': () => [
		['/api/preview/event', { matterId: hidden.id, eventKey: 'complaint-filed', date: '2026-11-16' }]
	],
	'/api/preview/move': () => [['/api/preview/move', { eventId: hidden.event, to: '2026-11-20' }]],
	'/api/preview/reschedule': () => [
		['/api/preview/reschedule', { deadlineId: hidden.deadline, how: 'order', by: '+7d' }]
	],
	'/api/preview/day': () => [['/api/preview/day', { matterId: hidden.id, date: '2026-12-12' }]],
	'/api/preview/schedule': () => [
		['/api/preview/schedule', { matterId: hidden.id, title: 'An order', dated: '2026-11-16' }]
	],
	'/api/preview/order': () => [
		[
			'/api/preview/order',
			{
				...{ matterId: hidden.id, title: 'An order', dated: '2026-11-16' },
				...{ book: 'us-federal.ca-nd', sort: 'standing order' },
				lines: [{ do: 'off', event: 'complaint-filed', rule: 'serve-each-defendant' }]
			}
		]
	],
	'/api/preview/closure': () => [
		[
			'/api/preview/closure',
			{ book: 'us-federal', date: '2027-02-16', kind: 'holiday', name: 'Closed' }
		]
	],
	'/api/preview/book': () => [['/api/preview/book', { yaml: 'book: own.x' }]],
	'/api/preview/book-shape': () => [['/api/preview/book-shape', { below: 'us-federal' }]],
	'/sign/[token]': null,
	'/sign/[token]/file': null,
	...{ '/sign-in': null, '/sign-in/second': null },
	'/sign-out': null,
	'/healthz': null
};

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
		// Something of every sort on the restricted matter, made by those who are on it.
		const db = new Database(join(house.data, 'kite-pen.db'));
		const item = one<{ id: string; number: string; title: string }>(
			db,
			"SELECT id, number, title FROM matter WHERE title = 'Project Heron'"
		);
		const form = (path: string, fields: Record<string, string>) => {
			const data = new FormData();
			for (const [key, value] of Object.entries(fields)) data.set(key, value);
			return send('okafor', path, data);
		};
		const other = new FormData();
		for (const [key, value] of Object.entries({
			matterId: item.id,
			folder: 'Internal',
			mark: 'privileged',
			name: 'Secret paper'
		}))
			other.set(key, value);
		other.set('file', new File(['Heron contents'], 'secret.txt'));
		await send('okafor', `/matters/${item.number}/documents?/upload`, other);
		await form(`/matters/${item.number}?/edit`, {
			matterId: item.id,
			fields: JSON.stringify({ rulebook: 'us-federal.ca-nd', 'fact:entity': 'Heron Entity' })
		});
		await form(`/matters/${item.number}?/role`, {
			matterId: item.id,
			personId: '',
			newName: 'Heron Holdings',
			newKind: 'organization',
			role: 'counterparty'
		});
		await form('/interest?/check', { names: 'Heron Holdings', matterId: item.id });
		// A request that went into the restricted matter.
		const asked = new FormData();
		for (const [key, value] of Object.entries({
			send: '1',
			about: 'Heron question',
			unitId: 'unit_0',
			words: 'About Heron'
		}))
			asked.set(key, value);
		asked.set('files', new File(['Heron words'], 'heron.txt'));
		await send('tarrant', '/requests?/write', asked);
		await form(
			`/requests/${scalar<string>(db, "SELECT id FROM request WHERE about = 'Heron question'")}?/merge`,
			{ number: item.number }
		);
		await form(`/matters/${item.number}/docket?/enter`, {
			matterId: item.id,
			eventKey: 'complaint-filed',
			date: '2026-11-16',
			docket: 'serve-each-defendant',
			name: 'Heron filing'
		});
		const came = new FormData();
		came.set('files', new File([`Heron order, ${item.number}`], 'heron-order.txt'));
		await send('okafor', '/docket/papers?/receive', came);
		await form(`/matters/${item.number}/tasks?/add`, {
			matterId: item.id,
			subject: 'Heron task',
			assigneeId: 'stf_castellan',
			by: 'day',
			due: '2026-11-25'
		});
		for (
			let i = 0;
			i < 30 &&
			!exists(db, 'SELECT 1 FROM post WHERE subject LIKE @subject', {
				subject: `%${item.number}%`
			});
			i++
		)
			await new Promise((each) => setTimeout(each, 500));
		const idOf = (sql: string, ...params: unknown[]) =>
			db.prepare<unknown[], { id: string }>(sql).get(...params)!.id;
		hidden = {
			...item,
			deadline: idOf('SELECT id FROM deadline WHERE matter_id = ?', item.id),
			event: idOf('SELECT id FROM event WHERE matter_id = ?', item.id),
			document: idOf("SELECT id FROM document WHERE name = 'Secret paper'"),
			mail: idOf('SELECT id FROM mail_out WHERE matter_id = ?', item.id),
			post: idOf('SELECT id FROM post WHERE subject LIKE ?', `%${item.number}%`),
			signer: idOf("SELECT id FROM signer WHERE staff_id = 'stf_okafor' LIMIT 1"),
			person: idOf('SELECT person_id AS id FROM matter_role LIMIT 1'),
			card: idOf("SELECT id FROM person WHERE name = 'Heron Holdings'"),
			check: idOf("SELECT id FROM interest_check WHERE names LIKE '%Heron%'"),
			request: idOf("SELECT id FROM request WHERE about = 'Heron question'"),
			paperIn: idOf("SELECT id FROM paper WHERE file_name = 'heron-order.txt'"),
			paper: idOf("SELECT id FROM request_file WHERE file_name = 'heron.txt'")
		};
		run = idOf('SELECT id FROM cost_run ORDER BY made_at DESC LIMIT 1');
		db.close();
	});
	after(async () => void (await house?.stop()));

	it('has an entry for every route', () => {
		assert.deepEqual(
			[...new Set(listRoutes())].filter((route) => !(route in WALK)),
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
			for (const [route, paths] of Object.entries(WALK)) {
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
