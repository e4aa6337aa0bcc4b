import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { PEOPLE } from '../../../demo/house.ts';
import { addTask, finishTask } from './agenda/commands.ts';
import { matterTasks, myTasks } from './agenda/queries.ts';
import { commands, type Ctx, type Result } from './command.ts';
import {
	addDate,
	answerReturn,
	bringCalendar,
	checkDeadline,
	decideChanges,
	docketDeadline,
	editDeadline,
	inviteToDate,
	makeFeed,
	endOrder,
	enterEvent,
	layOrder,
	meetDeadline,
	moveDeadline,
	moveEvent,
	returnDeadline,
	setMatterBook,
	vacateDeadline
} from './docket/commands.ts';
import { docket, horizon, matterDocket } from './docket/queries.ts';
import { store, uploadDocument } from './documents/commands.ts';
import { document, documents } from './documents/queries.ts';
import { may, sees } from '#core/access/table.ts';
import { checkInterest, decideInterest } from './interest/commands.ts';
import './imports/commands.ts';
import './people/cards.ts';
import { muteMatter, setLadder } from './jobs/reminders.ts';
import './people/merge.ts';
import {
	addLink,
	addMember,
	addReference,
	editMatter,
	openMatter,
	pinMatter,
	relateMatters,
	removeMember,
	restrictMatter,
	setSplit,
	writeNote
} from './matters/commands.ts';
import { bulkChange } from './matters/listing.ts';
import { kindUses } from './matters/kinds.ts';
import { closeMatter, reopenMatter, setStatus } from './matters/status.ts';
import {
	addExhibit,
	addWitness,
	changeExhibit,
	changeWitness,
	dropExhibit
} from './matters/trial.ts';
import { mergeRequest, writeRequest } from './requests/commands.ts';
import { caption, matterList } from './matters/queries.ts';
import { mailTo, postRoom, sendWaiting, startPostRoom } from './outside/mail.ts';
import { addPerson, addRole, changeRole } from './people/commands.ts';
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
	beforeEach(async () => {
		h = await testHouse();
	});
	it('has an entry for each change, and none for a refused one', () => {
		const n = () => h.db.prepare<[], { n: number }>('SELECT count(*) AS n FROM audit').get()!.n;
		const before = n();
		newMatter(h);
		assert.equal(n(), before + 1);
		bad(
			openMatter(h.as('okafor'), {
				kind: 'litigation',
				title: '',
				unitId: 'unit_0',
				responsibleId: 'stf_okafor'
			})
		);
		assert.equal(n(), before + 1);
		assert.deepEqual(verifyAudit(h.db).ok, true);
	});
	it('cannot be changed, and shows it where someone goes round the triggers', () => {
		for (const sql of ["UPDATE audit SET actor = 'x'", 'DELETE FROM audit'])
			assert.throws(() => h.db.exec(sql), /append-only/);
		for (let i = 0; i < 5; i++)
			appendAudit(h.db, {
				at: h.clock.now(),
				actor: 'x',
				action: 'y',
				matterId: null,
				detail: { i }
			});
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
		hidden = newMatter(h, {
			title: 'Quayside whisper',
			restricted: true,
			opponentName: 'Halyard Staffing LLC',
			opponentKind: 'organization'
		});
		eventId = good(
			enterEvent(h.as('okafor'), {
				matterId: hidden.matterId,
				eventKey: 'complaint-filed',
				date: '2026-11-02',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: ['serve-each-defendant']
			})
		).eventId;
		deadlineId = h.db.prepare<[], { id: string }>('SELECT id FROM deadline').get()!.id;
		taskId = good(
			addTask(h.as('okafor'), {
				matterId: hidden.matterId,
				subject: 'Secret task',
				assigneeId: 'stf_okafor',
				due: '2026-11-25',
				deadlineId: null
			})
		).taskId;
		const pdf = await makePdf({ content: ['Quayside contents'] });
		documentId = good(
			uploadDocument(h.as('okafor'), {
				matterId: hidden.matterId,
				name: 'Secret paper',
				folder: 'Internal',
				mark: 'privileged',
				file: await store(h, 'a.pdf', pdf)
			})
		).documentId;
		roundId = good(
			startRound(h.as('okafor'), {
				documentId,
				title: 'Secret round',
				message: '',
				inOrder: true,
				wantedBy: null,
				expires: null,
				signers: [{ name: 'A B', email: 'a@mail.example' }],
				fields: [
					{ signer: 0, kind: 'signature', page: 0, x: 0.1, y: 0.1, w: 0.2, h: 0.05, label: '' }
				]
			})
		).roundId;
	});
	const outsiders = PEOPLE.filter(([login]) => login !== 'okafor').map(([login]) => login);

	it('is in no list, count, search, suggestion or card of anyone outside it, an administrator too', () => {
		for (const login of outsiders) {
			const me = h.staff(login);
			const seen = JSON.stringify([
				matterList(h, me, { who: 'all' }),
				caption(h, me, hidden.number),
				docket(h, me, { show: 'all' }),
				horizon(h, me),
				matterDocket(h, me, hidden.matterId).flatMap((e) => e.deadlines),
				documents(h, me),
				document(h, me, documentId),
				search(h, me, 'quayside'),
				search(h, me, 'secret'),
				matterByNumber(h, me, hidden.number),
				matterTasks(h, me, hidden.matterId),
				myTasks(h, me),
				findPeople(h, me, 'halyard').map((p) => p.roles),
				personCard(h, me, h.db.prepare<[], { id: string }>('SELECT id FROM person').get()!.id)
			]);
			assert.doesNotMatch(seen, /Quayside|Secret|LF-2026|opponent/, login);
			assert.equal(
				matterList(h, me, { who: 'all' }).total +
					docket(h, me, { show: 'all' }).total +
					documents(h, me).total,
				0,
				login
			);
		}
		for (const login of outsiders)
			assert.equal(kindUses(h, h.staff(login)).size, 0, `${login} counts kinds`);
		const me = h.staff('okafor');
		assert.equal(kindUses(h, me).get('litigation'), 1);
		assert.equal(matterList(h, me, { who: 'all' }).total, 1);
		assert.equal(search(h, me, 'quayside').length, 2);
	});

	it('is for every command, role by role, on the matter or not, restricted or not, as the table says', () => {
		const id = hidden.matterId,
			n = hidden.number;
		const person = h.db.prepare<[], { id: string }>('SELECT id FROM person').get()!.id;
		const role = h.db.prepare<[], { id: string }>('SELECT id FROM matter_role').get()!.id;
		const one = (sql: string) => h.db.prepare<[], { id: string }>(sql).get()!.id;
		const exhibitId = good(
			addExhibit(h.as('okafor'), { matterId: id, title: 'Secret exhibit', side: 'ours' })
		).exhibitId;
		good(addWitness(h.as('okafor'), { matterId: id, personId: person, side: 'ours' }));
		const witnessId = one('SELECT id FROM witness');
		const logId = good(writeNote(h.as('okafor'), { matterId: id, words: 'Secret note' })).logId;
		const checkId = good(
			checkInterest(h.as('okafor'), { names: 'Secret Name', matterId: id })
		).checkId;
		const requestId = good(
			writeRequest(h.as('tarrant'), { about: 'Help', unitId: 'unit_0', send: true })
		).requestId;
		const open = newMatter(h, { title: 'In the open' }).number;
		const order = {
			matterId: id,
			book: 'us-federal.ca-nd',
			sort: 'standing order' as const,
			title: 'Secret order',
			dated: '2026-11-10',
			lines: [
				{
					do: 'replace' as const,
					event: 'complaint-filed',
					rule: 'serve-each-defendant',
					count: '+60d'
				}
			]
		};
		const orderId = good(layOrder(h.as('okafor'), order)).orderId;
		const changeId = one("SELECT id FROM date_change WHERE state = 'waits'");
		// Of each command on a matter: one try.
		const tries: Record<string, (c: Ctx) => Result<unknown>> = {
			'edit matter': (c) => editMatter(c, { matterId: id, fields: { title: 'x' } }),
			'add member': (c) => addMember(c, { matterId: id, staffId: 'stf_wardle' }),
			'remove member': (c) => removeMember(c, { matterId: id, staffId: 'stf_wardle' }),
			'restrict matter': (c) => restrictMatter(c, { matterId: id, restricted: false }),
			'write note': (c) => writeNote(c, { matterId: id, words: 'x', answers: logId }),
			'set split': (c) =>
				setSplit(c, {
					matterId: id,
					from: '2026-11-01',
					shares: [{ unit: 'unit_1', costCenter: null, share: 1_000_000 }]
				}),
			'add reference': (c) => addReference(c, { matterId: id, whose: 'court', number: '1' }),
			'add link': (c) => addLink(c, { matterId: id, name: 'x', url: 'court.example' }),
			'relate matters': (c) => relateMatters(c, { matterId: id, number: open, how: 'part of' }),
			'pin matter': (c) => pinMatter(c, { matterId: id, pin: true }),
			'set status': (c) => setStatus(c, { matterId: id, status: 'on hold', reason: 'x' }),
			'close matter': (c) => closeMatter(c, { matterId: id, reason: 'x' }),
			'reopen matter': (c) => reopenMatter(c, { matterId: id, reason: 'x' }),
			'add role': (c) => addRole(c, { matterId: id, personId: person, role: 'witness', note: '' }),
			'change role': (c) => changeRole(c, { roleId: role, note: 'x' }),
			'check interest': (c) => checkInterest(c, { names: 'Anna Quill', matterId: id }),
			'decide interest check': (c) =>
				decideInterest(c, { checkId, decision: 'clear', reason: 'x' }),
			'add exhibit': (c) => addExhibit(c, { matterId: id, title: 'x', side: 'ours' }),
			'change exhibit': (c) => changeExhibit(c, { exhibitId, offered: '2026-11-20' }),
			'drop exhibit': (c) => dropExhibit(c, { exhibitId }),
			'add witness': (c) => addWitness(c, { matterId: id, personId: person, side: 'theirs' }),
			'change witness': (c) => changeWitness(c, { witnessId, move: 'up' }),
			'enter event': (c) =>
				enterEvent(c, {
					matterId: id,
					eventKey: 'complaint-filed',
					date: '2026-11-02',
					time: '',
					service: '',
					name: '',
					answers: {}
				}),
			'docket deadline': (c) => docketDeadline(c, { deadlineId }),
			'check deadline': (c) => checkDeadline(c, { deadlineId }),
			'meet deadline': (c) => meetDeadline(c, { deadlineId, on: '2026-11-20', proof: '' }),
			'vacate deadline': (c) => vacateDeadline(c, { deadlineId, reason: 'x' }),
			'move event': (c) => moveEvent(c, { eventId, to: '2026-11-03', reason: 'x', version: 1 }),
			'return deadline': (c) => returnDeadline(c, { deadlineId, reason: 'x' }),
			'answer returned deadline': (c) => answerReturn(c, { deadlineId, words: 'x' }),
			'move deadline': (c) =>
				moveDeadline(c, { deadlineId, how: 'order', by: '+7d', reason: 'x', version: 1 }),
			'edit deadline': (c) => editDeadline(c, { deadlineId, short: 'x', version: 1 }),
			'bring in calendar': (c) =>
				bringCalendar(c, { matterId: id, items: [{ title: 'Hearing', date: '2026-12-01' }] }),
			'mute matter': (c) => muteMatter(c, { matterId: id, mute: true }),
			'set ladder': (c) => setLadder(c, { matterId: id, ladder: '7, 1, 0' }),
			'make feed': (c) => makeFeed(c, { sort: 'matter', matterId: id }),
			'invite to date': (c) =>
				inviteToDate(c, { deadlineId, name: 'A B', email: 'ab@mail.example' }),
			'add date by hand': (c) => addDate(c, { matterId: id, title: 'By hand', date: '2026-12-01' }),
			'decide date changes': (c) => decideChanges(c, { changeIds: [changeId], apply: true }),
			'lay order over rules': (c) => layOrder(c, order),
			'end order': (c) => endOrder(c, { orderId, reason: 'x' }),
			'set matter book': (c) => setMatterBook(c, { matterId: id, book: 'us-agency', on: true }),
			'add task': (c) =>
				addTask(c, {
					matterId: id,
					subject: 'x',
					assigneeId: 'stf_okafor',
					due: null,
					deadlineId: null
				}),
			'finish task': (c) => finishTask(c, { taskId, done: true }),
			'upload document': (c) =>
				uploadDocument(c, {
					matterId: id,
					name: 'x',
					folder: 'Internal',
					mark: '',
					file: { sha256: '0'.repeat(64), type: 'text/plain', fileName: 'x', size: 1, text: '' }
				}),
			'start signing round': (c) =>
				startRound(c, {
					documentId,
					title: 'x',
					message: '',
					inOrder: true,
					wantedBy: null,
					expires: null,
					signers: [{ name: 'A', email: 'b@mail.example' }],
					fields: [{ signer: 0, kind: 'signature', page: 0, x: 0, y: 0, w: 0.1, h: 0.1, label: '' }]
				}),
			'withdraw signing round': (c) => withdrawRound(c, { roundId }),
			'log time': (c) =>
				logTime(c, { matterId: id, day: '2026-11-20', hours: '1', narrative: 'x' }),
			'start timer': (c) => startTimer(c, { matterId: id, words: '' })
		};
		// A restricted matter named to these is refused in their own words, not as something that is hidden.
		const named: Record<string, (c: Ctx) => Result<unknown>> = {
			'merge request': (c) => mergeRequest(c, { requestId, number: n }),
			'bulk change': (c) =>
				bulkChange(c, { numbers: [n], what: 'priority', value: 'high', reason: '' })
		};
		// Commands that touch no matter, or check their own door. A new command must be added above or here.
		const elsewhere = [
			'open matter',
			'add person',
			'edit person',
			'merge people',
			'undo merge',
			'save kind',
			'add kind',
			'save view',
			'drop view',
			'import rows',
			'undo import',
			'import vcards',
			'write request',
			'drop request draft',
			'answer request',
			'withdraw request',
			'take request',
			'ask back on request',
			'turn down request',
			'assemble document',
			'change time',
			'delete time',
			'release time',
			'take time back',
			'pause timer',
			'resume timer',
			'stop timer',
			'make cost run',
			'discard cost run',
			'send cost run for approval',
			'approve cost run',
			'reverse cost run',
			'open for signing',
			'sign',
			'decline to sign',
			'seal document',
			'add closure',
			'drop closure',
			'save rulebook',
			'write timeline',
			'set leave',
			'drop leave',
			'revoke feed',
			'mail docket report',
			'see reminder',
			'set supervisor',
			'add staff'
		];
		assert.deepEqual(
			commands()
				.map((c) => c.name)
				.filter((x) => !(x in tries) && !(x in named) && !elsewhere.includes(x)),
			[]
		);
		const rows = () =>
			JSON.stringify(
				h.db
					.prepare<[], { name: string }>(
						"SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'search%' AND name NOT LIKE 'sqlite%'"
					)
					.all()
					.map((t) => h.db.prepare(`SELECT * FROM ${t.name}`).all())
			);
		const before = rows();
		class Back extends Error {}
		/** The answer, and everything put back as it was. */
		const attempt = (prepare: () => void, go: () => Result<unknown>): Result<unknown> => {
			let r: Result<unknown> | undefined;
			try {
				h.db.transaction(() => {
					prepare();
					r = go();
					throw new Back();
				})();
			} catch (e) {
				if (!(e instanceof Back)) throw e;
			}
			return r!;
		};
		const actionOf = new Map(commands().map((c) => [c.name, c.action]));
		let walked = 0;
		for (const [login, , roleName] of PEOPLE) {
			if (login === 'okafor') continue;
			for (const restricted of [0, 1])
				for (const member of [false, true]) {
					const prepare = () => {
						h.db.prepare('UPDATE matter SET restricted = ? WHERE id = ?').run(restricted, id);
						if (member)
							h.db
								.prepare(
									"INSERT INTO matter_member (matter_id, staff_id, role) VALUES (?, ?, 'owner')"
								)
								.run(id, `stf_${login}`);
					};
					for (const [name, go] of Object.entries({ ...tries, ...named })) {
						const r = attempt(prepare, () => go(h.as(login)));
						const where: string = `${name} by ${login}, ${member ? 'on it' : 'not on it'}, ${restricted ? 'restricted' : 'open'}`;
						walked++;
						if (!may(roleName, actionOf.get(name)!)) assert.equal(!r.ok && r.status, 403, where);
						else if (restricted && !member) {
							assert.equal(r.ok, false, where);
							if (!r.ok)
								assert.equal(r.status, name in named && name !== 'bulk change' ? 400 : 404, where);
							assert.doesNotMatch(JSON.stringify(r), /Quayside|Secret/, where);
						} else if (!r.ok) assert.equal(r.status, 400, `${where}: ${JSON.stringify(r.errors)}`);
					}
				}
			for (const c of commands()) {
				const r = attempt(
					() => undefined,
					() => c.call(h.as(login), {})
				);
				if (c.action && !may(roleName, c.action))
					assert.equal(!r.ok && r.status, 403, `${c.name} by ${login}`);
				else assert.ok(r.ok || r.status !== 403, `${c.name} by ${login}`);
			}
		}
		assert.ok(walked > 1500, `${walked} tries`);
		assert.equal(rows(), before, 'nothing was half done');
		assert.ok(
			sees({ restricted: true, responsible: 'a', members: ['b'] }, { id: 'b', role: 'counsel' }) &&
				!sees(
					{ restricted: true, responsible: 'a', members: ['b'] },
					{ id: 'c', role: 'administrator' }
				)
		);
	});

	it('answers no sooner and no later than for a matter that never was', () => {
		// Both take the same way: one indexed row by its id, and the same words. Counted in statements, not in time.
		const seen = (matterId: string) => {
			const r = editMatter(h.as('haddad'), { matterId, fields: { title: 'x' } });
			return r.ok ? '' : JSON.stringify([r.status, r.errors]);
		};
		assert.equal(seen(hidden.matterId), seen('mat_0000000000000000'));
		const plan = h.db
			.prepare<[string, string], { detail: string }>(
				`EXPLAIN QUERY PLAN SELECT m.* FROM matter m WHERE m.id = ? AND (m.restricted = 0 OR m.responsible_id = ?)`
			)
			.all('a', 'b')
			.map((r) => r.detail)
			.join();
		assert.match(plan, /USING INDEX/);
	});

	it('is not in the Post room of others', async () => {
		const room = await startPostRoom(h);
		const transport = mailTo(room.url);
		h.db.prepare('UPDATE mail_out SET sent_at = NULL').run();
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
		const put = h.db.prepare(
			'INSERT INTO mail_out (id, recipient, subject, text, attachment_sha256, attachment_name, queued_at) VALUES (?, ?, ?, ?, ?, ?, ?)'
		);
		put.run(
			'mal_1',
			'Zoë <zoe@mail.example>',
			'Grüße',
			'Line one\n\nline two',
			h.files.put(Buffer.from('%PDF-1.4 x')),
			'a b.pdf',
			h.clock.now()
		);
		const dead = mailTo('smtp://127.0.0.1:1');
		assert.equal(await sendWaiting(h, dead, 'Legal <legal@larkhaven.example>'), 0);
		const row = h.db
			.prepare<[], { tries: number; error: string; next_try: string }>(
				'SELECT tries, error, next_try FROM mail_out'
			)
			.get()!;
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
		assert.deepEqual(
			[rows[0]!.subject, rows[0]!.text, rows[0]!.attachments.map((a) => a.name)],
			['Grüße', 'Line one\n\nline two', ['a b.pdf']]
		);
		transport.close();
		await room.close();
	});
});

describe('accounts', () => {
	it('throttle wrong passwords, and say no more than that', async () => {
		const h = await testHouse();
		const words = new Set<string>();
		for (let i = 0; i < 6; i++)
			words.add(
				((await signIn(h, i % 2 ? 'okafor' : 'nobody', 'wrong', '10.0.0.1')) as { error: string })
					.error
			);
		assert.deepEqual([...words], ['The name or the password is not right.']);
		for (let i = 0; i < 3; i++) await signIn(h, 'okafor', 'wrong', '10.0.0.1');
		assert.match(
			((await signIn(h, 'okafor', 'larkhaven', '10.0.0.1')) as { error: string }).error,
			/Too many tries/
		);
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
		const open = (more: object) =>
			bad(
				openMatter(h.as('okafor'), {
					kind: 'litigation',
					title: 'T',
					unitId: 'unit_0',
					responsibleId: 'stf_okafor',
					...more
				})
			);
		assert.match(open({ title: 'x'.repeat(501) }).title!, /longer than 500/);
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
		good(
			addPerson(h.as('okafor'), {
				kind: 'person',
				name: 'Zoë Müllersen',
				email: '',
				phone: '',
				note: '',
				formerNames: 'Zoë Abelard'
			})
		);
		assert.deepEqual(
			findPeople(h, h.staff('okafor'), 'zoe abel').map((p) => p.name),
			['Zoë Müllersen']
		);
		assert.match(
			Object.values(
				bad(
					addPerson(h.as('okafor'), {
						kind: 'person',
						name: 'ZOE MULLERSEN',
						email: '',
						phone: '',
						note: '',
						formerNames: ''
					})
				)
			)[0]!,
			/card for Zoë Müllersen already/
		);
		assert.match(
			bad(
				addPerson(h.as('okafor'), {
					kind: 'person',
					name: 'A',
					email: 'nonsense',
					phone: '',
					note: '',
					formerNames: ''
				})
			).email!,
			/not a mail address/
		);
	});
	it('let only the responsible lawyer or an administrator change who is on a matter', async () => {
		const h = await testHouse();
		const { matterId } = newMatter(h);
		assert.match(
			bad(addMember(h.as('wardle'), { matterId, staffId: 'stf_wardle' })).staffId!,
			/Only the responsible lawyer/
		);
		good(addMember(h.as('harrowgate'), { matterId, staffId: 'stf_wardle' }));
		assert.match(
			bad(addMember(h.as('okafor'), { matterId, staffId: 'stf_tarrant' })).staffId!,
			/colleague of the department/
		);
	});
});
