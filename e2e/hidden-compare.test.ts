/**
 * A house with one restricted matter more than another answers everybody outside it as the other
 * does, word by word: not only its words may not be there, nothing may be missing, counted or moved
 * by it either.
 */
import assert from 'node:assert/strict';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import Database from 'better-sqlite3';
import type { Context } from '#server/app/application.ts';
import type { Result } from '#server/app/errors.ts';
import { one, scalar } from '#server/db/sql.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { openMatter } from '#server/matters/open.ts';
import { relateMatters } from '#server/matters/relations.ts';
import { openApplication } from '#server/open.ts';
import { addRole } from '#server/people/roles.ts';
import { readSettings } from '#server/settings.ts';
import { findStaff } from '#server/staff/queries.ts';
import { logTime } from '#server/time/commands.ts';
import { PEOPLE } from '../demo/house.ts';
import { copyDemo, TEST_NOW } from '../demo/once.ts';
import { fillHiddenMatter, type Hidden, type HiddenMatter } from './hidden-matter.ts';
import { openHouse, openSession, type House } from './house.ts';
import { COOKIE } from '#server/http/cookie.ts';
import { stopsOf } from './walk-stops.ts';

const INSIDE = new Set(['okafor', 'castellan']);
/** Not compared, each with its reason. */
const LEFT_OUT: Readonly<Record<string, string>> = {
	'/jobs': 'when each job ran last, to the second',
	'/account': 'when one’s session began',
	'/accounts': 'when each session was used last'
};

const folders: string[] = [];
const newFolder = (): string => {
	const folder = mkdtempSync(join(tmpdir(), 'kite-compare-'));
	folders.push(folder);
	copyDemo(folder);
	return folder;
};
const good = <Value>(result: Result<Value>): Value => {
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
};

/** A matter that everybody sees. */
const BESIDE = 'LF-2026-0010';

/** A card everybody sees. */
const findCard = (db: Database.Database): string =>
	scalar(
		db,
		`SELECT r.person_id
		FROM matter_role r
		JOIN matter m ON m.id = r.matter_id
		WHERE m.number = '${BESIDE}'
		ORDER BY r.person_id
		LIMIT 1`
	);

/** The matter, on people and beside a matter that everybody sees. */
async function openHiddenMatter(data: string): Promise<HiddenMatter> {
	const env = { ...process.env, KITE_DATA: data, KITE_TODAY: TEST_NOW };
	const app = openApplication(readSettings(env));
	try {
		const ctx: Context = { ...app, actor: { staff: findStaff(app, 'stf_okafor')! } };
		const { matterId, number } = good(
			await openMatter(ctx, {
				kind: 'corporate',
				title: 'Project Kestrel',
				unitId: 'unit_0',
				responsibleId: 'stf_okafor',
				restricted: 'on',
				members: [{ staffId: 'stf_castellan', part: 'clerk' }]
			} as Parameters<typeof openMatter>[1])
		);
		good(addRole(ctx, { matterId, personId: findCard(app.db), role: 'counterparty' }));
		good(relateMatters(ctx, { matterId, number: BESIDE, how: 'same facts as' }));
		for (const [title, date] of [
			['Kestrel vote', '2026-11-20'],
			['Kestrel signing', '2026-11-24'],
			['Kestrel closing', '2026-12-08']
		] as const)
			good(addDeadline(ctx, { matterId, title, date }));
		good(
			addDeadline(ctx, {
				matterId,
				what: 'hearing',
				title: 'Kestrel hearing',
				date: '2026-12-01'
			})
		);
		good(writeNote(ctx, { matterId, words: 'Kestrel: nobody outside is to know. #kestrel' }));
		const entry = { matterId, hours: '2', narrative: 'Kestrel papers' };
		good(logTime(ctx, { ...entry, day: '2026-11-20', activity: 'DRAFT' }));
		return { id: matterId, number, title: 'Project Kestrel' };
	} finally {
		app.db.close();
	}
}

const cookieOf = (house: House, login: string) => `${COOKIE}=${openSession(house, login)}`;
const inDatabase = <Value>(house: House, read: (db: Database.Database) => Value): Value => {
	const db = new Database(join(house.data, 'kite-pen.db'), { readonly: true });
	try {
		return read(db);
	} finally {
		db.close();
	}
};

async function untilQuiet(house: House): Promise<void> {
	const waiting = () =>
		inDatabase(house, (db) => scalar(db, 'SELECT count(*) FROM mail_out WHERE sent_at IS NULL'));
	for (let tries = 0; tries < 120 && waiting() > 0; tries++)
		await new Promise((resolve) => setTimeout(resolve, 250));
	assert.equal(waiting(), 0);
}

/** Minutes of the hour in which the test plays. */
const MINUTE = new RegExp(`\\b${TEST_NOW.slice(11, 13)}:\\d\\d\\b`, 'g');

/**
 * What differs with every answer: moments, one-time numbers, the house's own port, and the ids of
 * the morning's mail, which each house makes for itself. The clocks of the two run from the moment
 * each was started: on a busy machine the minute that a screen shows is another.
 */
const plain = (body: string, { origin }: House): string =>
	body
		.replaceAll(/\r\n /g, '')
		.replaceAll(origin, '')
		.replaceAll(/nonce="[^"]*"|nonce-[\w+/=-]+/g, '')
		.replaceAll(/__sveltekit_\w+/g, '')
		.replaceAll(/\b(?:mal|pst)_\w+/g, 'mail')
		.replaceAll(/\d{4}-\d\d-\d\dT[\d:.]+Z/g, 'T')
		.replaceAll(MINUTE, 'now')
		.replaceAll(/DTSTAMP:\w+|\(D:\d{14}Z\)|\/ID \[[^\]]*\]/g, '');

describe('a house with one hidden matter more', { timeout: 600_000 }, () => {
	let withIt: House;
	let without: House;
	let hidden: Hidden;
	let run = '';
	/** A card that the hidden matter has a part for, and another matter too. */
	let card = '';
	/** What lies beside the hidden matter, and its words asked for. */
	const beside = (): string[] => [
		...['', '/docket', '/docket?view=timeline', '/logbook', '/tasks', '/documents', '/time'].map(
			(room) => `/matters/${BESIDE}${room}`
		),
		`/people/${card}`,
		`/people/${card}/vcard`,
		...['/people', '/documents', '/matters', '/mail'].map((list) => `${list}?q=Kestrel`),
		'/matters?who=all&group=kind',
		'/docket?show=missed',
		'/docket?show=open&person=stf_okafor',
		'/api/pen?line=kestrel',
		'/api/people?q=kestrel'
	];
	before(async () => {
		const [more, less] = [newFolder(), newFolder()];
		const item = await openHiddenMatter(more);
		withIt = await openHouse({ kept: more });
		without = await openHouse({ kept: less });
		const cookies = new Map(PEOPLE.map(({ login }) => [login, cookieOf(withIt, login)]));
		const db = new Database(join(more, 'kite-pen.db'), { readonly: true });
		hidden = await fillHiddenMatter(db, item, {
			send: (login, path, body) =>
				fetch(withIt.origin + path, {
					method: 'POST',
					body,
					redirect: 'manual',
					headers: {
						cookie: cookies.get(login)!,
						origin: withIt.origin,
						'x-sveltekit-action': 'true',
						accept: 'application/json'
					}
				})
		});
		card = findCard(db);
		run = one<{ id: string }>(db, 'SELECT id FROM cost_run ORDER BY made_at DESC LIMIT 1').id;
		db.close();
		await Promise.all([untilQuiet(withIt), untilQuiet(without)]);
	});
	after(async () => {
		await withIt?.stop();
		await without?.stop();
		for (const folder of folders) rmSync(folder, { recursive: true, force: true });
	});

	/** Asks both houses the same, as one colleague. */
	function askers(login: string) {
		const houses = [withIt, without].map((house) => ({ house, cookie: cookieOf(house, login) }));
		return (path: string, body?: unknown): Promise<string[]> =>
			Promise.all(
				houses.map(async ({ house, cookie }) => {
					const response = await fetch(house.origin + path, {
						redirect: 'manual',
						headers: { cookie, 'content-type': 'application/json' },
						...(body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) })
					});
					return `${response.status} ${plain(await response.text(), house)}`;
				})
			);
	}

	it('answers those on it otherwise, which the comparison sees', async () => {
		const ask = askers('castellan');
		for (const path of ['/matters?who=all', '/docket?show=all', '/', `/people/${card}`]) {
			const [one, other] = await ask(path);
			assert.ok(one !== other, path);
		}
	});

	it('answers everybody outside it as the house without it does', async () => {
		const differing: string[] = [];
		let compared = 0;
		for (const { login } of PEOPLE.filter((person) => !INSIDE.has(person.login))) {
			// The business partner asked the question that went into the matter.
			if (login === 'tarrant') continue;
			const ask = askers(login);
			const stops = Object.entries(stopsOf(hidden, run))
				.filter(([route]) => !(route in LEFT_OUT))
				.flatMap(([, list]) => list?.() ?? []);
			for (const stop of [...stops, ...beside()]) {
				const [path, body] = typeof stop === 'string' ? [stop, undefined] : stop;
				const [one = '', other = ''] = await ask(path, body);
				compared++;
				if (one !== other) differing.push(`${login} ${path}: ${firstDifference(one, other)}`);
			}
		}
		assert.ok(compared > 500, `${compared} answers were compared`);
		assert.deepEqual(differing, []);
	});
});

function firstDifference(one: string, other: string): string {
	let at = 0;
	while (at < one.length && one[at] === other[at]) at++;
	const around = (text: string) => text.slice(Math.max(0, at - 120), at + 120);
	return `…${around(one)}… / …${around(other)}…`;
}
