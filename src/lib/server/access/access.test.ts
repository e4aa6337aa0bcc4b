import { saveView } from '#server/matters/views.ts';
import { writeMemo } from '#server/memos/commands.ts';
import { addLeave } from '#server/staff/commands.ts';
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { may } from '#core/access/table.ts';
import { listCommands } from '#server/app/command.ts';
import type { Result } from '#server/app/errors.ts';
import { all, insert, one, run, scalar, update } from '#server/db/sql.ts';
import { enterEvent } from '#server/docket/events.ts';
import { makeFeed } from '#server/docket/feeds.ts';
import { listDeadlines } from '#server/docket/list.ts';
import { listHorizon } from '#server/day-sheet/horizon.ts';
import { listMatterEvents } from '#server/docket/matter-docket.ts';
import { queueDocument } from '#server/papers/commands.ts';
import { uploadDocument } from '#server/documents/commands.ts';
import { makePdf } from '#server/files/pdf.ts';
import { countKindUses } from '#server/kinds/queries.ts';
import { openTransport, sendWaiting } from '#server/mail/send.ts';
import { listPost } from '#server/mail/queries.ts';
import { startPostRoom } from '#server/mail/post-room.ts';
import { saveTeam } from '#server/staff/teams.ts';
import { addMember } from '#server/matters/members.ts';
import { editMatter } from '#server/matters/edit.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { findCaption } from '#server/matters/caption.ts';
import { addPerson } from '#server/people/commands.ts';
import { writeRequest } from '#server/requests/commands.ts';
import { startRound } from '#server/signing/start.ts';
import { logTime } from '#server/time/commands.ts';
import { startTimer } from '#server/time/timers.ts';
import { addExhibit } from '#server/trial/exhibits.ts';
import { addWitness } from '#server/trial/witnesses.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { layOrder } from '#server/docket/orders.ts';
import { findDocument, listDocuments } from '#server/documents/queries.ts';
import { checkInterest } from '#server/interest/commands.ts';
import { listMatters } from '#server/matters/list.ts';
import { openMatter } from '#server/matters/open.ts';

import type { MatterMemberRow, MatterRow } from '#server/matters/rows.ts';

import { findPeople, findPersonCard } from '#server/people/queries.ts';

import { findMatterByNumber, search } from '#server/search/queries.ts';

import { addTask } from '#server/tasks/commands.ts';
import { listMatterTasks, listMyTasks } from '#server/tasks/queries.ts';
import { importAllCommands } from '#server/testing/all-commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';

import { PEOPLE } from '../../../../demo/house.ts';
import { signIn, signInDemo } from './accounts.ts';
import { findSessionStaff, signOut } from './sessions.ts';
import { planOwn } from '#server/testing/appointments.ts';
import { ELSEWHERE, isRefusedToReaders } from '#server/testing/elsewhere.ts';
import { appendAudit, verifyAudit } from './audit.ts';

await importAllCommands();
const PLACE = { address: '10.0.0.1', agent: 'x' };

const FROM = 'Legal <legal@larkhaven.example>';
describe('the audit trail', () => {
	let house: TestHouse;
	beforeEach(async () => {
		house = await testHouse();
	});
	it('has an entry for each change, and none for a refused one', async () => {
		const n = () => scalar(house.db, 'SELECT count(*) AS n FROM audit');
		const before = n();
		await newMatter(house);
		assert.equal(n(), before + 1);
		bad(
			await openMatter(house.as('okafor'), {
				kind: 'litigation',
				title: '',
				unitId: 'unit_0',
				responsibleId: 'stf_okafor'
			})
		);
		assert.equal(n(), before + 1);
		assert.deepEqual(verifyAudit(house.db).ok, true);
	});
	it('cannot be changed, and shows it where someone goes round the triggers', () => {
		for (const sql of ["UPDATE audit SET actor = 'x'", 'DELETE FROM audit'])
			assert.throws(() => house.db.exec(sql), /append-only/);
		for (let i = 0; i < 5; i++)
			appendAudit(house.db, {
				at: house.clock.now(),
				actor: 'x',
				action: 'y',
				matterId: null,
				detail: { i }
			});
		house.db.exec('DROP TRIGGER audit_no_update; DROP TRIGGER audit_no_delete');
		house.db.exec(`UPDATE audit SET detail = '{"i":99}' WHERE seq = 14`);
		assert.deepEqual(verifyAudit(house.db), {
			ok: false,
			seq: 14,
			why: 'its contents were changed'
		});
		house.db.exec('DELETE FROM audit WHERE seq = 14');
		assert.deepEqual(verifyAudit(house.db), { ok: false, seq: 14, why: 'an entry is missing' });
	});
});

describe('a restricted matter', () => {
	let house: TestHouse;
	let hidden: { matterId: string; number: string };
	let deadlineId: string, eventId: string, taskId: string, documentId: string, roundId: string;
	beforeEach(async () => {
		house = await testHouse();
		hidden = await newMatter(house, {
			title: 'Quayside whisper',
			restricted: true,
			opponentName: 'Halyard Staffing LLC',
			opponentKind: 'organization'
		});
		eventId = good(
			enterEvent(house.as('okafor'), {
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
		deadlineId = scalar<string>(house.db, 'SELECT id FROM deadline');
		taskId = good(
			addTask(house.as('okafor'), {
				matterId: hidden.matterId,
				subject: 'Secret task',
				assigneeId: 'stf_okafor',
				due: '2026-11-25',
				deadlineId: null
			})
		).taskId;
		const pdf = await makePdf({ content: ['Quayside contents'] });
		documentId = good(
			await uploadDocument(house.as('okafor'), {
				matterId: hidden.matterId,
				name: 'Secret paper',
				folder: 'Internal',
				mark: 'privileged',
				file: new File([new Uint8Array(pdf)], 'a.pdf')
			})
		).documentId;
		roundId = good(
			await startRound(house.as('okafor'), {
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
	const outsiders = PEOPLE.map(({ login }) => login).filter((login) => login !== 'okafor');

	it('is in no list, count, search, suggestion or card of anyone outside it, an administrator too', async () => {
		for (const login of outsiders) {
			const me = house.staff(login);
			const seen = JSON.stringify([
				listMatters(house, me, { who: 'all' }),
				findCaption(house, me, hidden.number),
				listDeadlines(house, me, { show: 'all' }),
				listHorizon(house, me),
				listMatterEvents(house, me, hidden.matterId).flatMap((event) => event.deadlines),
				listDocuments(house, me),
				findDocument(house, me, documentId),
				search(house, me, 'quayside'),
				search(house, me, 'secret'),
				findMatterByNumber(house, me, hidden.number),
				listMatterTasks(house, me, hidden.matterId),
				listMyTasks(house, me),
				(await findPeople(house.as(login), 'halyard')).map((person) => person.roles),
				findPersonCard(house, me, scalar<string>(house.db, 'SELECT id FROM person'))
			]);
			assert.doesNotMatch(seen, /Quayside|Secret|LF-2026|opponent/, login);
			assert.equal(
				listMatters(house, me, { who: 'all' }).total +
					listDeadlines(house, me, { show: 'all' }).total +
					listDocuments(house, me).total,
				0,
				login
			);
		}
		for (const login of outsiders)
			assert.equal(countKindUses(house, house.staff(login)).size, 0, `${login} counts kinds`);
		const me = house.staff('okafor');
		assert.equal(countKindUses(house, me).get('litigation'), 1);
		assert.equal(listMatters(house, me, { who: 'all' }).total, 1);
		assert.equal(search(house, me, 'quayside').length, 2);
	});

	it('is for every command, role by role, on the matter or not, restricted or not, as the table says', async () => {
		const id = hidden.matterId;
		const n = hidden.number;
		const person = scalar<string>(house.db, 'SELECT id FROM person');
		const role = scalar<string>(house.db, 'SELECT id FROM matter_role');
		const first = (sql: string) => scalar<string>(house.db, sql);
		const exhibitId = good(
			addExhibit(house.as('okafor'), { matterId: id, title: 'Secret exhibit', side: 'ours' })
		).exhibitId;
		good(addWitness(house.as('okafor'), { matterId: id, personId: person, side: 'ours' }));
		const witnessId = first('SELECT id FROM witness');
		const logId = good(writeNote(house.as('okafor'), { matterId: id, words: 'Secret note' })).logId;
		const checkId = good(
			await checkInterest(house.as('okafor'), { names: 'Secret Name', matterId: id })
		).checkId;
		const requestId = good(
			await writeRequest(house.as('tarrant'), { about: 'Help', unitId: 'unit_0', send: true })
		).requestId;
		const open = (await newMatter(house, { title: 'In the open' })).number;
		const order = {
			matterId: id,
			book: 'us-federal.ca-nd',
			sort: 'standing order' as const,
			title: 'Secret order',
			dated: '2026-11-10',
			lines: [{ do: 'off' as const, event: 'complaint-filed', rule: 'serve-each-defendant' }]
		};
		const schedule = { ...order, rows: [{ title: 'Secret row', date: '2027-01-04' }] };
		const orderId = good(layOrder(house.as('okafor'), order)).orderId;
		const hearing = { matterId: id, what: 'hearing' as const, title: 'Secret hearing' };
		const hearingId = good(
			addDeadline(house.as('okafor'), { ...hearing, date: '2026-12-01' })
		).deadlineId;
		const changeId = first("SELECT id FROM date_change WHERE state = 'waits'");
		const reference = { matterId: id, whose: 'court', number: '1' };
		const link = { matterId: id, name: 'x', url: 'court.example' };
		const members = [{ staffId: 'stf_lindqvist' }];
		const { teamId } = good(saveTeam(house.as('castellan'), { name: 'Trials', members }));
		/** Of each command on a matter: one try. */
		const paperId = good(queueDocument(house.as('okafor'), { documentId })).paper;
		const tries: Record<string, unknown> = {
			'edit matter': { matterId: id, fields: { title: 'x' } },
			'add member': { matterId: id, staffId: 'stf_wardle' },
			'add team': { matterId: id, teamId },
			'set stage': { matterId: id, stage: 'Discovery' },
			'remove member': { matterId: id, staffId: 'stf_wardle' },
			'restrict matter': { matterId: id, restricted: false },
			'take back note': { noteId: logId },
			'write note': { matterId: id, words: 'x', answers: logId },
			'set split': {
				matterId: id,
				from: '2026-11-01',
				shares: [{ unit: 'unit_1', costCenter: null, share: 1_000_000 }]
			},
			'add reference': reference,
			'remove reference': reference,
			'add link': link,
			'remove link': link,
			'relate matters': { matterId: id, number: open, how: 'part of' },
			'unrelate matters': { matterId: id, number: open },
			'pin matter': { matterId: id },
			'unpin matter': { matterId: id },
			'set status': { matterId: id, status: 'on hold', reason: 'x' },
			'close matter': { matterId: id, reason: 'x' },
			'reopen matter': { matterId: id, reason: 'x' },
			'add role': { matterId: id, personId: person, role: 'witness', note: '' },
			'change role': { roleId: role, note: 'x' },
			'remove role': { roleId: role },
			'check interest': { names: 'Anna Quill', matterId: id },
			'decide interest check': { checkId, decision: 'clear', reason: 'x' },
			'add exhibit': { matterId: id, title: 'x', side: 'ours' },
			'change exhibit': { exhibitId, offered: '2026-11-20' },
			'remove exhibit': { exhibitId },
			'add witness': { matterId: id, personId: person, side: 'theirs' },
			'move witness': { witnessId, move: 'up' },
			'hear witness': { witnessId, heard: '2026-11-20' },
			'remove witness': { witnessId },
			'enter event': { matterId: id, eventKey: 'complaint-filed', date: '2026-11-02' },
			'docket deadlines': { deadlineIds: [deadlineId] },
			'check deadlines': { deadlineIds: [deadlineId] },
			'meet deadline': { deadlineId, on: '2026-11-20' },
			'vacate deadline': { deadlineId, reason: 'x' },
			'see reminder': { deadlineId },
			'move event': { eventId, to: '2026-11-03', reason: 'x', version: 1 },
			'let date follow its event': { deadlineId },
			'record hearing as held': { deadlineId: hearingId, outcome: 'x' },
			'take hearing off': { deadlineId: hearingId, reason: 'x' },
			'continue hearing without a day': { deadlineId: hearingId, reason: 'x' },
			'give word on late date': { deadlineId, words: 'x' },
			'take back settled date': { deadlineId, reason: 'x' },
			'withdraw event': { eventId, reason: 'x' },
			'bring event back': { eventId, reason: 'x' },
			'set proposals aside': { deadlineIds: [deadlineId], reason: 'x' },
			'assign deadlines': { deadlineIds: [deadlineId], assigneeId: '' },
			'add reminder': { deadlineIds: [deadlineId], days: '9' },
			'mark deadlines': { deadlineIds: [deadlineId], markId: '' },
			'batch deadlines': { deadlineIds: [deadlineId], act: 'reminder', value: '9' },
			'set stand-in': { matterId: id, staffId: 'stf_reyes' },
			'return deadline': { deadlineId, reason: 'x' },
			'answer returned deadline': { deadlineId, words: 'x' },
			'move deadline': { deadlineId, how: 'order', by: '+7d', reason: 'x', version: 1 },
			'edit deadline': { deadlineId, short: 'x' },
			'bring in calendar': { matterId: id, items: [{ title: 'Hearing', date: '2026-12-01' }] },
			'mute matter': { matterId: id },
			'unmute matter': { matterId: id },
			'set ladder': { matterId: id, ladder: '7, 1, 0' },
			'make feed': { sort: 'matter', matterId: id },
			'invite to date': { deadlineId, name: 'A B', email: 'ab@mail.example' },
			'add date by hand': { matterId: id, title: 'By hand', date: '2026-12-01' },
			'decide date changes': { changeIds: [changeId], apply: true },
			'lay order over rules': order,
			'enter scheduling order': schedule,
			'amend scheduling order': { ...schedule, scheduleId: eventId },
			'end order': { orderId, reason: 'x' },
			'add matter book': { matterId: id, book: 'us-agency' },
			'remove matter book': { matterId: id, book: 'us-agency' },
			'add appointment': { ...hearing, subject: 'x', day: '2026-12-01' },
			'add task': { matterId: id, subject: 'x', assigneeId: 'stf_okafor' },
			'finish task': { taskId, done: true },
			'take back task': { taskId },
			'upload document': {
				matterId: id,
				folder: 'Internal',
				file: new File(['x'], 'x.txt')
			},
			'assemble document': { matterId: id, templateId: first('SELECT id FROM template') },
			'start signing round': {
				documentId,
				title: 'x',
				signers: [{ name: 'A', email: 'b@mail.example' }],
				fields: [{ signer: 0, kind: 'signature', page: 0, x: 0, y: 0, w: 0.1, h: 0.1, label: '' }]
			},
			'withdraw signing round': { roundId },
			'queue document as paper': { documentId },
			'hand paper over': { paperId, staffId: 'stf_okafor' },
			'set paper aside': { paperId, reason: 'x' },
			'docket paper': {
				paperId,
				matterId: id,
				folder: 'x',
				eventKey: 'complaint-filed',
				date: '2026-11-16'
			},
			'log time': { matterId: id, day: '2026-11-20', hours: '1', narrative: 'x' },
			'start timer': { matterId: id, words: '' }
		};
		/**
		 * A restricted matter named to these is refused in their own words, not as something that is
		 * hidden.
		 */
		const named: Record<string, unknown> = {
			'merge request': { requestId, number: n },
			'bulk change': { numbers: [n], what: 'priority', value: 'high', reason: '' }
		};
		/** What is one person's own: nobody else can touch it, whatever their role. */
		const owned: Record<string, { owner: string; input: unknown }> = {};
		const own = (owner: string, input: unknown, ...names: string[]) => {
			for (const name of names) owned[name] = { owner, input };
		};
		const entry = { matterId: null, day: '2026-11-20', hours: '1', narrative: 'x' };
		const activity = first('SELECT code FROM activity_code WHERE matter_work = 0');
		const entryId = good(logTime(house.as('wardle'), { ...entry, activity })).entryId;
		own('wardle', { entryId, hours: '2', narrative: 'y' }, 'change time');
		own('wardle', { entryId }, 'delete time', 'take time back');
		good(startTimer(house.as('okafor'), { matterId: id, words: '' }));
		const timerId = first('SELECT id FROM timer');
		own('okafor', { timerId }, 'pause timer', 'resume timer', 'stop timer');
		good(saveView(house.as('okafor'), { name: 'Mine', query: 'who=all', shared: true }));
		own('okafor', { viewId: first('SELECT id FROM saved_view') }, 'remove view');
		const { memoId } = good(writeMemo(house.as('okafor'), { text: 'Mine' }));
		own('okafor', { memoId }, 'finish memo', 'remove memo');
		const { feedId } = good(makeFeed(house.as('okafor'), { sort: 'person' }));
		own('okafor', { feedId }, 'revoke feed');
		const leave = { staffId: 'stf_okafor', from: '2026-12-01', to: '2026-12-02' };
		good(addLeave(house.as('okafor'), leave));
		const draftId = good(await writeRequest(house.as('tarrant'), { about: 'Draft' })).requestId;
		own('tarrant', { requestId: draftId }, 'remove request draft');
		own('tarrant', { requestId, words: 'x' }, 'answer request');
		own('tarrant', { requestId }, 'withdraw request', 'see request');
		planOwn(house.as('okafor'), (input, name) => own('okafor', input, name));
		const commands = new Map(listCommands().map((command) => [command.commandName, command]));
		assert.deepEqual(
			[...Object.keys(tries), ...Object.keys(named), ...Object.keys(owned), ...ELSEWHERE].sort(),
			[...commands.keys()].sort(),
			'each command there is stands in one of the lists, and no other'
		);
		const rows = () =>
			JSON.stringify(
				all<{ name: string }>(
					house.db,
					`SELECT name
					FROM sqlite_master
					WHERE type = 'table' AND name NOT LIKE 'search%' AND name NOT LIKE 'sqlite%'`
				).map((row) => all(house.db, `SELECT * FROM ${row.name}`))
			);
		const before = rows();
		/** The answer of a command, and everything put back as it was. */
		const attempt = async (
			login: string,
			name: string,
			input: unknown,
			prepare: () => void = () => undefined
		): Promise<Result<unknown>> => {
			house.db.exec('BEGIN');
			try {
				prepare();
				return await commands.get(name)!.call(house.as(login), input);
			} finally {
				house.db.exec('ROLLBACK');
			}
		};
		const put = (login: string, set: Pick<MatterMemberRow, 'role' | 'access'>) =>
			insert<MatterMemberRow>(house.db, 'matter_member', {
				...{ matter_id: id, staff_id: `stf_${login}`, part: '', ...set }
			});
		let walked = 0;
		for (const { login, role: roleName } of PEOPLE) {
			const mayDo = (name: string) => {
				const { action } = commands.get(name)!;
				return action === null || may(roleName, action);
			};
			for (const [name, { owner, input }] of Object.entries(owned)) {
				// A feed is revoked by an administrator too, when somebody has left.
				if (owner === login || (name === 'revoke feed' && roleName === 'administrator')) continue;
				const result = await attempt(login, name, input);
				const where = `${name} by ${login}, of ${owner}`;
				assert.equal(result.ok, false, where);
				if (!result.ok)
					assert.ok((mayDo(name) ? [400, 404] : [403]).includes(result.status), where);
			}
			for (const name of commands.keys()) {
				const result = await attempt(login, name, {});
				const refused = !result.ok && result.status === 403;
				assert.equal(refused, !mayDo(name), `${name} by ${login}`);
			}
			if (login === 'okafor') continue;
			for (const [name, input] of Object.entries(tries)) {
				const result = await attempt(login, name, input, () =>
					put(login, { role: 'member', access: 'read' })
				);
				if (!mayDo(name) || !isRefusedToReaders(name)) continue;
				assert.match(JSON.stringify(result), /on this matter to read it/, `${name} by ${login}`);
			}
			for (const restricted of [0, 1] as const)
				for (const member of [false, true]) {
					const prepare = () => {
						update<MatterRow>(house.db, 'matter', { id }, { restricted });
						if (member) put(login, { role: 'owner', access: 'change' });
					};
					for (const [name, input] of Object.entries({ ...tries, ...named })) {
						const result = await attempt(login, name, input, prepare);
						const where = `${name} by ${login}, ${member ? 'on it' : 'not on it'}, ${restricted ? 'restricted' : 'open'}`;
						walked++;
						if (!mayDo(name)) assert.equal(!result.ok && result.status, 403, where);
						else if (restricted && !member) {
							assert.equal(result.ok, false, where);
							if (!result.ok)
								assert.equal(result.status, name === 'merge request' ? 400 : 404, where);
							assert.doesNotMatch(JSON.stringify(result), /Quayside|Secret/, where);
						} else if (!result.ok) {
							const gone = /^(remove|un|see reminder)/.test(name) ? [400, 404] : [400];
							assert.ok(gone.includes(result.status), `${where}: ${JSON.stringify(result.errors)}`);
						}
					}
				}
		}
		assert.ok(walked > 1500, `${walked} tries`);
		assert.equal(rows(), before, 'nothing was half done');
	});

	it('answers no sooner and no later than for a matter that never was', () => {
		// Both take the same way: one indexed row by its id, and the same words. Counted in statements,
		// not in time.
		const seen = (matterId: string) => {
			const result = editMatter(house.as('haddad'), { matterId, fields: { title: 'x' } });
			return result.ok ? '' : JSON.stringify([result.status, result.errors]);
		};
		assert.equal(seen(hidden.matterId), seen('mat_0000000000000000'));
		const plan = all<{ detail: string }>(
			house.db,
			`EXPLAIN QUERY PLAN SELECT m.* FROM matter m WHERE m.id = @id AND (m.restricted = 0 OR m.responsible_id = @responsibleId)`,
			{ id: 'a', responsibleId: 'b' }
		)
			.map((row) => row.detail)
			.join();
		assert.match(plan, /USING INDEX/);
	});

	it('is not in the Post room of others', async () => {
		const room = await startPostRoom(house);
		const transport = await openTransport(room.url);
		run(house.db, 'UPDATE mail_out SET sent_at = NULL');
		await sendWaiting(house, transport, FROM);
		assert.equal(all(house.db, 'SELECT 1 FROM post').length, 1);
		assert.equal(listPost(house, house.staff('haddad')).total, 0);
		assert.equal(listPost(house, house.staff('okafor')).total, 1);
		transport.close();
		await room.close();
	});
});

describe('mail', () => {
	it('goes over SMTP to the Post room with its attachment, once, and waits where no one listens', async () => {
		const house = await testHouse();
		const put = house.db.prepare(
			`INSERT INTO mail_out (
				id, recipient, subject, text, attachment_sha256, attachment_name, queued_at
			)
			VALUES (?, ?, ?, ?, ?, ?, ?)`
		);
		put.run(
			'mal_1',
			'Zoë <zoe@mail.example>',
			'Grüße',
			'Line one\n\nline two',
			house.files.put(Buffer.from('%PDF-1.4 x')),
			'a b.pdf',
			house.clock.now()
		);
		const dead = await openTransport('smtp://127.0.0.1:1');
		assert.equal((await sendWaiting(house, dead, FROM)).worked, 0);
		const row = one<{ tries: number; error: string; next_try: string }>(
			house.db,
			'SELECT tries, error, next_try FROM mail_out'
		);
		assert.equal(row.tries, 1);
		assert.ok(row.next_try > house.clock.now());
		run(house.db, 'UPDATE mail_out SET next_try = NULL');
		const room = await startPostRoom(house);
		const transport = await openTransport(room.url);
		assert.equal((await sendWaiting(house, transport, FROM)).worked, 1);
		run(house.db, 'UPDATE mail_out SET sent_at = NULL'); // as after a crash between sending and noting it
		await sendWaiting(house, transport, FROM);
		const { rows } = listPost(house, house.staff('haddad'));
		assert.equal(rows.length, 1);
		assert.deepEqual(
			[rows[0]!.subject, rows[0]!.text, rows[0]!.attachments.map((a) => a.name)],
			['Grüße', 'Line one\n\nline two', ['a b.pdf']]
		);
		transport.close();
		await room.close();
	});
});

const wordsOf = async (answer: ReturnType<typeof signIn>) =>
	((await answer) as { error: string }).error;
describe('accounts', () => {
	it('throttle wrong passwords, and say no more than that', async () => {
		const house = await testHouse();
		const words = new Set<string>();
		for (let i = 0; i < 6; i++)
			words.add(await wordsOf(signIn(house, i % 2 ? 'okafor' : 'nobody', 'wrong', PLACE)));
		assert.deepEqual([...words], ['The name or the password is not right.']);
		for (let i = 0; i < 3; i++) await signIn(house, 'okafor', 'wrong', PLACE);
		assert.match(await wordsOf(signIn(house, 'okafor', 'larkhaven', PLACE)), /Too many tries/);
		assert.ok('token' in (await signIn(house, 'wardle', 'larkhaven', PLACE)));
	});
	it('keep only a hash of a session, end it, and have no demo door outside the demo', async () => {
		const house = await testHouse();
		const item = (await signIn(house, 'Okafor ', 'larkhaven', PLACE)) as { token: string };
		assert.equal(findSessionStaff(house, item.token)?.login, 'okafor');
		assert.equal(
			all(house.db, 'SELECT 1 FROM session WHERE token_hash = @tokenHash', {
				tokenHash: item.token
			}).length,
			0
		);
		signOut(house, item.token);
		assert.equal(findSessionStaff(house, item.token), undefined);
		assert.ok('error' in signInDemo(house, 'okafor'));
		const other = (await signIn(house, 'okafor', 'larkhaven', PLACE)) as { token: string };
		house.set('2026-11-24');
		assert.equal(findSessionStaff(house, other.token), undefined, 'ends after twelve hours');
	});
});

describe('matters and people', () => {
	it('refuse bad fields in plain words', async () => {
		const house = await testHouse();
		const open = async (more: object) =>
			bad(
				await openMatter(house.as('okafor'), {
					kind: 'litigation',
					title: 'T',
					unitId: 'unit_0',
					responsibleId: 'stf_okafor',
					...more
				})
			);
		assert.match((await open({ title: 'x'.repeat(501) })).title!, /longer than 500/);
		assert.match((await open({ kind: 'poem' })).kind!, /Choose a kind/);
		assert.match((await open({ unitId: 'unit_9' })).unitId!, /business unit/);
		assert.match(
			(await open({ responsibleId: 'stf_tarrant' })).responsibleId!,
			/responsible lawyer/
		);
		assert.match((await open({ rulebook: 'mars' })).rulebook!, /no such rulebook/);
		assert.match((await open({ opponentName: '!!!' })).opponentName!, /letters or digits/);
		assert.equal(all(house.db, 'SELECT 1 FROM matter').length, 0);
		assert.equal(all(house.db, 'SELECT 1 FROM number_series').length, 0, 'no number is lost');
	});
	it('number by the year, and find a former name before making a second card', async () => {
		const house = await testHouse();
		assert.equal((await newMatter(house)).number, 'LF-2026-0001');
		assert.equal((await newMatter(house)).number, 'LF-2026-0002');
		house.set('2027-01-04');
		assert.equal((await newMatter(house)).number, 'LF-2027-0001');
		good(
			await addPerson(house.as('okafor'), {
				kind: 'person',
				name: 'Zoë Müllersen',
				email: '',
				phone: '',
				note: '',
				former: 'Zoë Abelard'
			})
		);
		assert.deepEqual(
			(await findPeople(house.as('okafor'), 'zoe abel')).map((person) => person.name),
			['Zoë Müllersen']
		);
		const zoe = { kind: 'person' as const, name: 'ZOE MULLERSEN' };
		const near = await addPerson(house.as('okafor'), zoe);
		assert.ok(!near.ok && near.errors.near);
		const { name } = (near.details as { near: { name: string }[] }).near[0]!;
		assert.equal(name, 'Zoë Müllersen');
		good(await addPerson(house.as('okafor'), { ...zoe, sure: true }));
		assert.match(
			bad(
				await addPerson(house.as('okafor'), {
					kind: 'person',
					name: 'A',
					email: 'nonsense',
					phone: '',
					note: '',
					former: ''
				})
			).email!,
			/not a mail address/
		);
	});
	it('let only the responsible lawyer or an administrator change who is on a matter', async () => {
		const house = await testHouse();
		const { matterId } = await newMatter(house);
		assert.match(
			bad(addMember(house.as('wardle'), { matterId, staffId: 'stf_wardle' })).staffId!,
			/Only the responsible lawyer/
		);
		good(addMember(house.as('harrowgate'), { matterId, staffId: 'stf_wardle' }));
		assert.match(
			bad(addMember(house.as('okafor'), { matterId, staffId: 'stf_tarrant' })).staffId!,
			/colleague of the department/
		);
	});
});
