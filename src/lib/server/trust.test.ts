import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { PEOPLE } from '../../../demo/house.ts';
import { addTask, finishTask } from './agenda/commands.ts';
import { matterTasks, myTasks } from './agenda/queries.ts';
import { commands, type Ctx, type Result } from './command.ts';
import { checkDeadline, docketDeadline, enterEvent, meetDeadline, moveEvent, vacateDeadline } from './docket/commands.ts';
import { docket, horizon, matterDocket } from './docket/queries.ts';
import { store, uploadDocument } from './documents/commands.ts';
import { document, documents } from './documents/queries.ts';
import { addMember, editMatter, openMatter, setSplit, writeNote } from './matters/commands.ts';
import { caption, matterList } from './matters/queries.ts';
import { mailTo, postRoom, sendWaiting, startPostRoom } from './outside/mail.ts';
import { addPerson, addRole } from './people/commands.ts';
import { findPeople, personCard } from './people/queries.ts';
import { matterByNumber, search } from './search/queries.ts';
import { startRound, withdrawRound } from './signing/commands.ts';
import { logTime, startTimer } from './time/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';
import { makePdf } from './documents/pdf.ts';
import { appendAudit, verifyAudit } from './trust/audit.ts';
import { sessionStaff, signIn, signInDemo, signOut } from './trust/accounts.ts';

describe('the audit trail', () => {
	let h: TestHouse;
	beforeEach(async () => { h = await testHouse(); });
	it('has an entry for each change, and none for a refused one', () => {
		const n = () => h.db.prepare<[], { n: number }>('SELECT count(*) AS n FROM audit').get()!.n;
		const before = n();
		newMatter(h);
		assert.equal(n(), before + 1);
		bad(openMatter(h.as('okafor'), { kind: 'litigation', title: '', unitId: 'unit_0', responsibleId: 'stf_okafor' }));
		assert.equal(n(), before + 1);
		assert.deepEqual(verifyAudit(h.db).ok, true);
	});
	it('cannot be changed, and shows it where someone goes round the triggers', () => {
		for (const sql of ["UPDATE audit SET actor = 'x'", 'DELETE FROM audit']) assert.throws(() => h.db.exec(sql), /append-only/);
		for (let i = 0; i < 5; i++) appendAudit(h.db, { at: h.clock.now(), actor: 'x', action: 'y', matterId: null, detail: { i } });
		h.db.exec('DROP TRIGGER audit_no_update; DROP TRIGGER audit_no_delete');
		h.db.exec(`UPDATE audit SET detail = '{"i":99}' WHERE seq = 14`);
		assert.deepEqual(verifyAudit(h.db), { ok: false, seq: 14, why: 'its contents were changed' });
		h.db.exec('DELETE FROM audit WHERE seq = 14');
		assert.deepEqual(verifyAudit(h.db), { ok: false, seq: 14, why: 'an entry is missing' });
	});
});

describe('a restricted matter', () => {
	let h: TestHouse;
	let hidden: { matterId: string; number: string };
	let deadlineId: string, eventId: string, taskId: string, documentId: string, roundId: string;
	beforeEach(async () => {
		h = await testHouse();
		hidden = newMatter(h, { title: 'Quayside whisper', restricted: true, opponentName: 'Halyard Staffing LLC', opponentKind: 'organization' });
		eventId = good(enterEvent(h.as('okafor'), { matterId: hidden.matterId, eventKey: 'complaint-filed', date: '2026-11-02', time: '', service: '', name: '', answers: {}, docket: ['serve-each-defendant'] })).eventId;
		deadlineId = h.db.prepare<[], { id: string }>('SELECT id FROM deadline').get()!.id;
		taskId = good(addTask(h.as('okafor'), { matterId: hidden.matterId, subject: 'Secret task', assigneeId: 'stf_okafor', due: '2026-11-25', deadlineId: null })).taskId;
		const pdf = await makePdf({ content: ['Quayside contents'] });
		documentId = good(uploadDocument(h.as('okafor'), { matterId: hidden.matterId, name: 'Secret paper', folder: 'Internal', mark: 'privileged', file: await store(h, 'a.pdf', pdf) })).documentId;
		roundId = good(startRound(h.as('okafor'), { documentId, title: 'Secret round', message: '', inOrder: true, wantedBy: null, expires: null, signers: [{ name: 'A B', email: 'a@mail.example' }], fields: [{ signer: 0, kind: 'signature', page: 0, x: 0.1, y: 0.1, w: 0.2, h: 0.05, label: '' }] })).roundId;
	});
	const outsiders = PEOPLE.filter(([login]) => login !== 'okafor').map(([login]) => login);

	it('is in no list, count, search, suggestion or card of anyone outside it, an administrator too', () => {
		for (const login of outsiders) {
			const me = h.staff(login);
			const seen = JSON.stringify([
				matterList(h, me, { who: 'all' }), caption(h, me, hidden.number), docket(h, me, { show: 'all' }), horizon(h, me), matterDocket(h, me, hidden.matterId).flatMap((e) => e.deadlines),
				documents(h, me), document(h, me, documentId), search(h, me, 'quayside'), search(h, me, 'secret'), matterByNumber(h, me, hidden.number), matterTasks(h, me, hidden.matterId), myTasks(h, me),
				findPeople(h, me, 'halyard').map((p) => p.roles), personCard(h, me, h.db.prepare<[], { id: string }>('SELECT id FROM person').get()!.id)?.matters
			]);
			assert.doesNotMatch(seen, /Quayside|Secret|LF-2026|opponent/, login);
			assert.equal(matterList(h, me, { who: 'all' }).total + docket(h, me, { show: 'all' }).total + documents(h, me).total, 0, login);
		}
		const me = h.staff('okafor');
		assert.equal(matterList(h, me, { who: 'all' }).total, 1);
		assert.equal(search(h, me, 'quayside').length, 2);
	});

	it('refuses every command of everyone outside it as if it were not there', () => {
		const id = hidden.matterId;
		const tries: Record<string, (c: Ctx) => Result<unknown>> = {
			'edit matter': (c) => editMatter(c, { matterId: id, title: 'x', court: '', caseNumber: '', judge: '', caution: '', rulebook: '', responsibleId: 'stf_wardle' }),
			'add member': (c) => addMember(c, { matterId: id, staffId: 'stf_wardle' }), 'write note': (c) => writeNote(c, { matterId: id, words: 'x' }),
			'set split': (c) => setSplit(c, { matterId: id, from: '2026-11-01', shares: [{ unit: 'unit_1', costCenter: null, share: 1_000_000 }] }),
			'add role': (c) => addRole(c, { matterId: id, personId: h.db.prepare<[], { id: string }>('SELECT id FROM person').get()!.id, role: 'witness', note: '' }),
			'enter event': (c) => enterEvent(c, { matterId: id, eventKey: 'complaint-filed', date: '2026-11-02', time: '', service: '', name: '', answers: {} }),
			'docket deadline': (c) => docketDeadline(c, { deadlineId }), 'check deadline': (c) => checkDeadline(c, { deadlineId }), 'meet deadline': (c) => meetDeadline(c, { deadlineId, on: '2026-11-20', proof: '' }),
			'vacate deadline': (c) => vacateDeadline(c, { deadlineId, reason: 'x' }), 'move event': (c) => moveEvent(c, { eventId, to: '2026-11-03', reason: 'x', version: 1 }),
			'add task': (c) => addTask(c, { matterId: id, subject: 'x', assigneeId: 'stf_wardle', due: null, deadlineId: null }), 'finish task': (c) => finishTask(c, { taskId, done: true }),
			'upload document': (c) => uploadDocument(c, { matterId: id, name: 'x', folder: 'Internal', mark: '', file: { sha256: '0'.repeat(64), type: 'text/plain', fileName: 'x', size: 1, text: '' } }),
			'start signing round': (c) => startRound(c, { documentId, title: 'x', message: '', inOrder: true, wantedBy: null, expires: null, signers: [{ name: 'A', email: 'b@mail.example' }], fields: [{ signer: 0, kind: 'signature', page: 0, x: 0, y: 0, w: 0.1, h: 0.1, label: '' }] }),
			'withdraw signing round': (c) => withdrawRound(c, { roundId }), 'log time': (c) => logTime(c, { matterId: id, day: '2026-11-20', hours: '1', narrative: 'x' }), 'start timer': (c) => startTimer(c, { matterId: id, words: '' })
		};
		// Commands that touch no matter, or check their own door. A new command must be added above or here.
		const elsewhere = ['open matter', 'add person', 'assemble document', 'change time', 'delete time', 'release time', 'take time back', 'pause timer', 'resume timer', 'stop timer', 'make cost run', 'discard cost run', 'send cost run for approval', 'approve cost run', 'reverse cost run', 'open for signing', 'sign', 'decline to sign', 'seal document', 'add closure', 'add staff'];
		assert.deepEqual(commands().map((c) => c.name).filter((n) => !(n in tries) && !elsewhere.includes(n)), []);
		const rows = () => JSON.stringify(['matter', 'matter_member', 'matter_role', 'event', 'deadline', 'task', 'document', 'signing_round', 'time_entry', 'timer', 'split_share', 'logbook', 'mail_out'].map((t) => h.db.prepare(`SELECT * FROM ${t}`).all()));
		const before = rows();
		for (const [name, go] of Object.entries(tries))
			for (const login of outsiders) {
				const r = go(h.as(login));
				assert.equal(r.ok, false, `${login} could ${name}`);
				assert.doesNotMatch(JSON.stringify(r), /Quayside|Secret/);
				if (!r.ok) assert.ok(r.status === 404 || r.status === 403, `${name} by ${login}: ${r.status}`);
			}
		assert.equal(rows(), before, 'nothing was half done');
	});

	it('is not in the Post room of others', async () => {
		const room = await startPostRoom(h);
		const transport = mailTo(room.url);
		h.db.prepare("UPDATE mail_out SET sent_at = NULL").run();
		await sendWaiting(h, transport, 'Legal <legal@larkhaven.example>');
		assert.equal(h.db.prepare('SELECT 1 FROM post').all().length, 1);
		assert.equal(postRoom(h, h.staff('haddad')).total, 0);
		assert.equal(postRoom(h, h.staff('okafor')).total, 1);
		transport.close();
		await room.close();
	});
});

describe('mail', () => {
	it('goes over SMTP to the Post room with its attachment, once, and waits where no one listens', async () => {
		const h = await testHouse();
		const put = h.db.prepare('INSERT INTO mail_out (id, recipient, subject, text, attachment_sha256, attachment_name, queued_at) VALUES (?, ?, ?, ?, ?, ?, ?)');
		put.run('mal_1', 'Zoë <zoe@mail.example>', 'Grüße', 'Line one\n\nline two', h.files.put(Buffer.from('%PDF-1.4 x')), 'a b.pdf', h.clock.now());
		const dead = mailTo('smtp://127.0.0.1:1');
		assert.equal(await sendWaiting(h, dead, 'Legal <legal@larkhaven.example>'), 0);
		const row = h.db.prepare<[], { tries: number; error: string; next_try: string }>('SELECT tries, error, next_try FROM mail_out').get()!;
		assert.equal(row.tries, 1);
		assert.ok(row.next_try > h.clock.now());
		h.db.prepare('UPDATE mail_out SET next_try = NULL').run();
		const room = await startPostRoom(h);
		const transport = mailTo(room.url);
		assert.equal(await sendWaiting(h, transport, 'Legal <legal@larkhaven.example>'), 1);
		h.db.prepare('UPDATE mail_out SET sent_at = NULL').run(); // as after a crash between sending and noting it
		await sendWaiting(h, transport, 'Legal <legal@larkhaven.example>');
		const { rows } = postRoom(h, h.staff('haddad'));
		assert.equal(rows.length, 1);
		assert.deepEqual([rows[0]!.subject, rows[0]!.text, rows[0]!.attachments.map((a) => a.name)], ['Grüße', 'Line one\n\nline two', ['a b.pdf']]);
		transport.close();
		await room.close();
	});
});

describe('accounts', () => {
	it('throttle wrong passwords, and say no more than that', async () => {
		const h = await testHouse();
		const words = new Set<string>();
		for (let i = 0; i < 6; i++) words.add(((await signIn(h, i % 2 ? 'okafor' : 'nobody', 'wrong', '10.0.0.1')) as { error: string }).error);
		assert.deepEqual([...words], ['The name or the password is not right.']);
		for (let i = 0; i < 3; i++) await signIn(h, 'okafor', 'wrong', '10.0.0.1');
		assert.match(((await signIn(h, 'okafor', 'larkhaven', '10.0.0.1')) as { error: string }).error, /Too many tries/);
		assert.ok('token' in (await signIn(h, 'wardle', 'larkhaven', '10.0.0.1')));
	});
	it('keep only a hash of a session, end it, and have no demo door outside the demo', async () => {
		const h = await testHouse();
		const s = (await signIn(h, 'Okafor ', 'larkhaven', '10.0.0.1')) as { token: string };
		assert.equal(sessionStaff(h, s.token)?.login, 'okafor');
		assert.equal(h.db.prepare('SELECT 1 FROM session WHERE token_hash = ?').all(s.token).length, 0);
		signOut(h, s.token);
		assert.equal(sessionStaff(h, s.token), undefined);
		assert.ok('error' in signInDemo(h, 'okafor'));
		const t = (await signIn(h, 'okafor', 'larkhaven', '10.0.0.1')) as { token: string };
		h.set('2026-11-24');
		assert.equal(sessionStaff(h, t.token), undefined, 'ends after twelve hours');
	});
});

describe('matters and people', () => {
	it('refuse bad fields in plain words', async () => {
		const h = await testHouse();
		const open = (more: object) => bad(openMatter(h.as('okafor'), { kind: 'litigation', title: 'T', unitId: 'unit_0', responsibleId: 'stf_okafor', ...more }));
		assert.match(open({ title: 'x'.repeat(301) }).title!, /longer than 300/);
		assert.match(open({ kind: 'poem' }).kind!, /Choose a kind/);
		assert.match(open({ unitId: 'unit_9' }).unitId!, /business unit/);
		assert.match(open({ responsibleId: 'stf_tarrant' }).responsibleId!, /responsible lawyer/);
		assert.match(open({ rulebook: 'mars' }).rulebook!, /no such rulebook/);
		assert.match(open({ opponentName: '!!!' }).name!, /letters or digits/);
		assert.equal(h.db.prepare('SELECT 1 FROM matter').all().length, 0);
		assert.equal(h.db.prepare('SELECT 1 FROM number_series').all().length, 0, 'no number is lost');
	});
	it('number by the year, and find a former name before making a second card', async () => {
		const h = await testHouse();
		assert.equal(newMatter(h).number, 'LF-2026-0001');
		assert.equal(newMatter(h).number, 'LF-2026-0002');
		h.set('2027-01-04');
		assert.equal(newMatter(h).number, 'LF-2027-0001');
		good(addPerson(h.as('okafor'), { kind: 'person', name: 'Zoë Müllersen', email: '', phone: '', note: '', formerNames: 'Zoë Abelard' }));
		assert.deepEqual(findPeople(h, h.staff('okafor'), 'zoe abel').map((p) => p.name), ['Zoë Müllersen']);
		assert.match(Object.values(bad(addPerson(h.as('okafor'), { kind: 'person', name: 'ZOE MULLERSEN', email: '', phone: '', note: '', formerNames: '' })))[0]!, /card for Zoë Müllersen already/);
		assert.match(bad(addPerson(h.as('okafor'), { kind: 'person', name: 'A', email: 'nonsense', phone: '', note: '', formerNames: '' })).email!, /not a mail address/);
	});
	it('let only the responsible lawyer or an administrator change who is on a matter', async () => {
		const h = await testHouse();
		const { matterId } = newMatter(h);
		assert.match(bad(addMember(h.as('wardle'), { matterId, staffId: 'stf_wardle' })).staffId!, /Only the responsible lawyer/);
		good(addMember(h.as('harrowgate'), { matterId, staffId: 'stf_wardle' }));
		assert.match(bad(addMember(h.as('okafor'), { matterId, staffId: 'stf_tarrant' })).staffId!, /colleague of the department/);
	});
});
