/** Accounts: who may sign in and how, sessions, passwords, and what becomes of what one held. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { signIn } from '#server/access/accounts.ts';
import { findHead, verifyAudit } from '#server/access/audit.ts';
import { findSessionStaff, listSessions, signOut } from '#server/access/sessions.ts';
import { all, scalar } from '#server/db/sql.ts';
import { makeFeed } from '#server/docket/feeds.ts';
import { addMember } from '#server/matters/members.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { saveTeam } from '#server/staff/teams.ts';
import { addTask } from '#server/tasks/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import {
	addAccount,
	changeAccount,
	endAccountSessions,
	endOwnSessions,
	makePasswordLink
} from './commands.ts';
import { countHeld, endAccount } from './leave.ts';
import { changePassword, findLinkStaff, setPasswordByLink } from './password.ts';
import { listAccounts } from './queries.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

const HERE = { address: '10.0.0.1', agent: 'Firefox' };
const THERE = { address: '10.0.0.2', agent: 'Safari' };
const GOOD = 'tide table under oath';
const enter = async (login: string, password = 'larkhaven', from = HERE): Promise<string> => {
	const result = await signIn(house, login, password, from);
	assert.ok('token' in result, JSON.stringify(result));
	return result.token;
};
const refused = async (login: string, password: string, from = HERE): Promise<string> => {
	const result = await signIn(house, login, password, from);
	return 'error' in result ? result.error : '';
};
const audited = (action: string) =>
	all<{ actor: string; detail: string }>(
		house.db,
		'SELECT actor, detail FROM audit WHERE action = @action ORDER BY seq',
		{ action }
	).map(({ actor, detail }) => `${actor} ${detail}`);
const admin = () => house.as('harrowgate');
const guest = () => ({ ...house, actor: { guest: 'link' } }) as never;

describe('signing in', () => {
	it('counts a try before it compares: of sixty at once six are tried', async () => {
		const answers = await Promise.all(Array.from({ length: 60 }, () => refused('okafor', 'wrong')));
		assert.equal(answers.filter((answer) => /not right/.test(answer)).length, 6);
		assert.equal(answers.filter((answer) => /Too many tries from here/.test(answer)).length, 54);
	});
	it('shuts one place out of a name, and not the person out of another place', async () => {
		for (let tries = 0; tries < 8; tries++) await refused('okafor', 'wrong');
		assert.match(await refused('okafor', 'larkhaven'), /Too many/);
		assert.ok(await enter('okafor', 'larkhaven', THERE));
		assert.ok(await enter('wardle'), 'nor others out of this place');
	});
	it('shuts a place out that tries many names', async () => {
		for (let tries = 0; tries < 45; tries++) await refused(`name${tries}`, 'wrong');
		assert.match(await refused('wardle', 'larkhaven'), /Too many/);
		house.set('2026-11-23', 10);
		assert.ok(await enter('wardle'), 'for a quarter of an hour');
	});
	it('is in the audit trail, refused or not, and a name that is nobody is not kept', async () => {
		await refused('okafor', 'wrong');
		await refused('my-password-by-mistake', 'x');
		const token = await enter('okafor');
		signOut(house, token);
		assert.deepEqual(audited('sign-in refused'), [
			'okafor {"address":"10.0.0.1","why":"wrong password"}',
			'nobody known {"address":"10.0.0.1","why":"no such name"}'
		]);
		assert.equal(audited('sign in').length, 1);
		assert.equal(audited('sign out').length, 1);
	});
});

describe('a session', () => {
	it('ends when nobody used it for three hours, and after twelve in any case', async () => {
		const token = await enter('okafor');
		for (const hour of [11, 13, 15, 17, 19]) {
			house.set('2026-11-23', hour);
			assert.ok(findSessionStaff(house, token), `used at ${hour}`);
		}
		house.set('2026-11-23', 21);
		assert.equal(findSessionStaff(house, token), undefined, 'twelve hours have gone');
		house.set('2026-11-24', 9);
		const other = await enter('okafor');
		house.set('2026-11-24', 12);
		house.set('2026-11-24', 13);
		assert.equal(findSessionStaff(house, other), undefined, 'idle');
	});
	it('is seen and ended by whose it is, and by an administrator', async () => {
		const [own, other] = [await enter('okafor'), await enter('okafor', 'larkhaven', THERE)];
		const listed = listSessions(house, 'stf_okafor', own);
		assert.deepEqual(listed.map(({ agent, own: isOwn }) => `${agent} ${isOwn}`).sort(), [
			'Firefox true',
			'Safari false'
		]);
		const sessionId = listed.find((one) => !one.own)!.id;
		assert.equal(bad(endOwnSessions(house.as('wardle'), { sessionId }))[''] !== undefined, true);
		assert.equal(good(endOwnSessions(house.as('okafor'), { sessionId })).ended, 1);
		assert.equal(findSessionStaff(house, other), undefined);
		await enter('okafor', 'larkhaven', THERE);
		assert.equal(good(endOwnSessions(house.as('okafor'), { sessionId: '', token: own })).ended, 1);
		assert.ok(findSessionStaff(house, own), 'the one that asks goes on');
		good(endAccountSessions(admin(), { staffId: 'stf_okafor' }));
		assert.equal(findSessionStaff(house, own), undefined);
	});
});

describe('a password', () => {
	it('is changed with the old one, is not weak, and ends the other sessions', async () => {
		const [own, other] = [await enter('okafor'), await enter('okafor')];
		const change = (more: object) =>
			changePassword(house.as('okafor'), {
				...{ old: 'larkhaven', password: GOOD, again: GOOD, token: own },
				...more
			});
		assert.match(bad(await change({ old: 'wrong' })).old!, /not the password/);
		assert.match(bad(await change({ again: 'x' })).again!, /not the same/);
		assert.match(bad(await change({ password: 'short', again: 'short' })).password!, /fewer/);
		const name = 'inesokafor123';
		assert.match(bad(await change({ password: name, again: name })).password!, /your name/);
		assert.equal(good(await change({})).ended, 1);
		assert.ok(findSessionStaff(house, own));
		assert.equal(findSessionStaff(house, other), undefined);
		assert.ok(await enter('okafor', GOOD));
	});
	it('cannot be guessed from a session that was left open', async () => {
		const wrong = { old: 'wrong', password: GOOD, again: GOOD };
		for (let tries = 0; tries < 6; tries++) await changePassword(house.as('okafor'), wrong);
		const right = { ...wrong, old: 'larkhaven' };
		assert.match(bad(await changePassword(house.as('okafor'), right)).old!, /Too many/);
	});
	it('is set by a link, once, while it is young; a newer link ends the older', async () => {
		const link = () => good(makePasswordLink(admin(), { staffId: 'stf_reyes' })).link;
		const tokenOf = (address: string) => address.split('/').at(-1)!;
		const [old, token] = [tokenOf(link()), tokenOf(link())];
		const session = await enter('reyes');
		assert.equal(findLinkStaff(house, old), undefined);
		const set = (by: string) =>
			setPasswordByLink(guest(), { token: by, password: GOOD, again: GOOD });
		assert.match(bad(await set(old))['']!, /used or is too old/);
		assert.equal(good(await set(token)).login, 'reyes');
		assert.equal(findSessionStaff(house, session), undefined);
		assert.ok(await enter('reyes', GOOD));
		assert.match(bad(await set(token))['']!, /used or is too old/);
		const late = tokenOf(link());
		house.set('2026-11-26');
		assert.equal(findLinkStaff(house, late), undefined, 'after two days');
		assert.equal(
			scalar(house.db, 'SELECT count(*) FROM mail_out WHERE text LIKE @x', { x: '%/password/%' }),
			0,
			'it is in no mail'
		);
	});
});

describe('an account', () => {
	const person = { name: 'Ada Merriweather', email: 'ada@larkhaven.example' };
	it('is added by an administrator alone, with a link for its password', async () => {
		const add = (more: object = {}, by = admin()) =>
			addAccount(by, {
				...{ login: 'Merriweather', ...person, role: 'counsel', level: 'senior' },
				...more
			} as never);
		const { staffId, link } = good(await add());
		const token = link.split('/').at(-1)!;
		good(await setPasswordByLink(guest(), { token, password: GOOD, again: GOOD }));
		assert.ok(await enter('merriweather', GOOD));
		assert.match(bad(await add()).login!, /taken/);
		assert.match(bad(await add({ login: 'Ü x' })).login!, /small letters/);
		assert.match(bad(await add({ login: 'other', email: 'x' })).email!, /mail address/);
		assert.equal((await add({ login: 'other' }, house.as('castellan'))).ok, false);
		assert.equal(listAccounts(house).find(({ id }) => id === staffId)?.role, 'counsel');
	});
	it('gets another role, which ends its sessions; there is always an administrator', async () => {
		const session = await enter('reyes');
		const change = (staffId: string, role: string, by = admin()) =>
			changeAccount(by, { staffId, ...person, role, level: 'senior' } as never);
		good(change('stf_reyes', 'paralegal'));
		assert.equal(findSessionStaff(house, session), undefined);
		await newMatter(house, {});
		assert.match(bad(change('stf_okafor', 'paralegal')).role!, /hand those over/);
		assert.match(bad(change('stf_harrowgate', 'counsel')).role!, /Another administrator/);
		good(change('stf_haddad', 'administrator'));
		const haddad = { ...house.staff('haddad'), role: 'administrator' as const };
		const second = { ...house, actor: { staff: haddad } };
		good(change('stf_harrowgate', 'counsel', second));
		assert.match(bad(change('stf_haddad', 'counsel', second)).role!, /Another/);
	});
	it('ends, and what it held is handed over; what it did stays under its name', async () => {
		const open = await newMatter(house, { title: 'Open' });
		const secret = await newMatter(house, { title: 'Secret', responsibleId: 'stf_wardle' });
		const own = await newMatter(house, { title: 'Own secret' });
		const okafor = house.as('okafor');
		good(addMember(house.as('wardle'), { matterId: secret.matterId, staffId: 'stf_okafor' }));
		const task = { subject: 'Read', assigneeId: 'stf_okafor' };
		good(addTask(okafor, { ...task, matterId: secret.matterId }));
		good(addTask(okafor, { ...task, matterId: open.matterId }));
		for (const { matterId } of [secret, own])
			good(
				restrictMatter(house.as(matterId === secret.matterId ? 'wardle' : 'okafor'), {
					...{ matterId, restricted: true }
				})
			);
		good(makeFeed(okafor, { sort: 'person' }));
		good(saveTeam(admin(), { name: 'All', members: [{ staffId: 'stf_okafor' }] }));
		const session = await enter('okafor');
		const held = countHeld(house, 'stf_okafor');
		assert.equal(held.matters, 2);
		const end = (toId: string, witnessId = '') =>
			endAccount(admin(), { staffId: 'stf_okafor', toId, witnessId });
		assert.match(bad(end('')).toId!, /Choose who takes over/);
		assert.match(bad(end('stf_castellan')).toId!, /need a lawyer/);
		const third = /choose a third colleague/;
		assert.match(bad(end('stf_reyes')).witnessId!, third);
		assert.match(bad(end('stf_reyes', 'stf_reyes')).witnessId!, third);
		assert.match(bad(end('stf_reyes', 'stf_harrowgate')).witnessId!, third);
		good(end('stf_reyes', 'stf_wardle'));
		const told = all<{ recipient: string; text: string }>(
			house.db,
			"SELECT recipient, text FROM mail_out WHERE text LIKE '%ended the account%'"
		);
		assert.deepEqual(
			told.map(({ recipient }) => recipient),
			['Tamsin Wardle <wardle@larkhaven.example>']
		);
		assert.match(told[0]!.text, /made .*Reyes responsible for the restricted matter LF-/);
		assert.doesNotMatch(told[0]!.text, /Own secret/);
		assert.deepEqual(countHeld(house, 'stf_okafor'), {
			...{ matters: 0, restricted: 0, tasks: 0, dates: 0, papers: 0 }
		});
		assert.equal(findSessionStaff(house, session), undefined);
		assert.match(await refused('okafor', 'larkhaven'), /not right/);
		const assignee = (matterId: string) =>
			scalar<string>(
				house.db,
				"SELECT assignee_id FROM task WHERE matter_id = @matterId AND subject = 'Read'",
				{ matterId }
			);
		assert.equal(assignee(open.matterId), 'stf_reyes');
		assert.equal(assignee(secret.matterId), 'stf_wardle', 'not to who may not see the matter');
		assert.equal(scalar(house.db, 'SELECT count(*) FROM feed WHERE revoked_at IS NULL'), 0);
		assert.equal(scalar(house.db, 'SELECT count(*) FROM team_member'), 0);
		const mails = all<{ matter_id: string | null; body: string }>(
			house.db,
			"SELECT matter_id, text AS body FROM mail_out WHERE subject LIKE '%yours now'"
		);
		assert.equal(mails.length, 2, 'a restricted matter has a mail of its own');
		assert.doesNotMatch(mails.find((mail) => mail.matter_id === null)!.body, /Own secret/);
		const words = all<{ text: string }>(house.db, 'SELECT text FROM logbook').map(
			({ text }) => text
		);
		assert.ok(words.includes('Ines Okafor left the department.'));
		assert.match(bad(end('stf_reyes'))['']!, /not in use/);
	});
});

describe('the head of the audit trail', () => {
	it('is found while its entry is there, and not where the end was cut off', async () => {
		await enter('okafor');
		const trail = verifyAudit(house.db);
		assert.ok(trail.ok);
		await enter('wardle');
		const found = findHead(house.db, trail.head.slice(0, 20).toUpperCase());
		assert.ok(found && found !== 'short' && found.seq === trail.entries);
		assert.equal(findHead(house.db, trail.head.slice(0, 8)), 'short');
		assert.equal(findHead(house.db, '0'.repeat(64)), undefined);
		house.db.exec('DROP TRIGGER audit_no_delete');
		house.db.exec(`DELETE FROM audit WHERE seq >= ${trail.entries}`);
		assert.ok(verifyAudit(house.db).ok, 'the chain alone does not see it');
		assert.equal(findHead(house.db, trail.head), undefined);
	});
});
