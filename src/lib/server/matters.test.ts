import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import ExcelJS from 'exceljs';
import { addDays, date } from '#core/dates/plain.ts';
import { addTask, finishTask } from './agenda/commands.ts';
import { docketDeadline, enterEvent } from './docket/commands.ts';
import { docket, horizon } from './docket/queries.ts';
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
	sheetFields,
	writeNote
} from './matters/commands.ts';
import { overview } from './matters/charts.ts';
import { factsOf, sayFacts } from './matters/facts.ts';
import { addKind, findKind, kindOf, kinds, saveKind } from './matters/kinds.ts';
import { matterList, readFilter, savedViews } from './matters/list.ts';
import {
	bulkChange,
	bulkPreview,
	dropView,
	harmless,
	listCsv,
	listXlsx,
	saveView
} from './matters/listing.ts';
import { askedOf, besides, caption, logbook, logTags, near } from './matters/queries.ts';
import { closeMatter, reopenMatter, setStatus, stillOpen } from './matters/status.ts';
import {
	addExhibit,
	addWitness,
	changeExhibit,
	changeWitness,
	dropExhibit,
	nextExhibit,
	trial
} from './matters/trial.ts';
import { remind } from './jobs/reminders.ts';
import { logTime } from './time/commands.ts';
import { findMatter } from './trust/scope.ts';
import { addRole } from './people/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

let h: TestHouse;
beforeEach(async () => {
	h = await testHouse();
});
const io = () => h.staff('okafor');
const sheet = (number: string) => sheetFields(h, findMatter(h.db, io(), { number })!);
const cap = (number: string) => caption(h, io(), number)!;
const words = (matterId: string) =>
	logbook(h, io(), matterId)
		.rows.map((r) => r.text)
		.join('\n');

describe('opening', () => {
	it('lays out what the kind says: facts, first tasks, split, title, an interest check', () => {
		const { version, active: _, ...kind } = kindOf(h, 'claims');
		good(
			saveKind(h.as('harrowgate'), {
				kindId: 'claims',
				version,
				active: true,
				body: {
					...kind,
					title: '{vessel}, {place}',
					split: [
						{ unit: 'unit_1', share: 600_000 },
						{ unit: 'unit_2', share: 400_000 }
					]
				}
			})
		);
		const m = good(
			openMatter(h.as('abernathy'), {
				kind: 'claims',
				title: '',
				unitId: 'unit_0',
				responsibleId: 'stf_okafor',
				opponentName: 'Tidewrack Towage LLC',
				facts: {
					'fact:vessel': 'Ferry Nine',
					'fact:place': 'Pier 4',
					'fact:loss': '12,500',
					'fact:limitation': '1 March 2028',
					'group:policies': '[{"policy":"P-1","limit":"1,000,000"}]'
				}
			})
		);
		const c = cap(m.number);
		assert.equal(c.title, 'Ferry Nine, Pier 4');
		assert.deepEqual(
			c.split.map((s) => [s.unit, s.share]),
			[
				['Freight', 600_000],
				['Terminals', 400_000]
			]
		);
		assert.equal(c.counts.tasks, 2);
		assert.deepEqual(
			c.strip.find((s) => s.name === 'Our loss'),
			{ key: 'loss', name: 'Our loss', said: '12,500.00' }
		);
		assert.deepEqual(c.missing, ['date of loss']);
		assert.ok(m.checkId);
		assert.deepEqual(sayFacts(h, kindOf(h, 'claims'), factsOf(h, m.matterId)).groups[0]!.rows, [
			['', 'P-1', '1,000,000.00', '']
		]);
		assert.equal(
			h.db.prepare("SELECT 1 FROM mail_out WHERE subject LIKE '%opened for you'").all().length,
			1
		);
		assert.equal(c.members.find((x) => x.name === 'Joss Abernathy')?.owner, true);
	});
	it('saves nothing where one fact is wrong, and loses no number', () => {
		const e = bad(
			openMatter(h.as('okafor'), {
				kind: 'claims',
				title: 'T',
				unitId: 'unit_0',
				responsibleId: 'stf_okafor',
				facts: { 'fact:loss': 'plenty' }
			})
		);
		assert.match(e['fact:loss']!, /“plenty” is not an amount/);
		assert.equal(
			h.db.prepare('SELECT 1 FROM matter').all().length +
				h.db.prepare('SELECT 1 FROM number_series').all().length,
			0
		);
		assert.match(
			bad(
				openMatter(h.as('okafor'), {
					kind: 'litigation',
					title: '',
					unitId: 'unit_0',
					responsibleId: 'stf_okafor'
				})
			).title!,
			/missing/
		);
	});
	it('takes a title of 500 characters with every sign, and refuses 501', () => {
		const title = `<b>"' & % _ \\ ${'Ω'.repeat(600)}`.slice(0, 500);
		const m = good(
			openMatter(h.as('okafor'), {
				kind: 'litigation',
				title,
				unitId: 'unit_0',
				responsibleId: 'stf_okafor'
			})
		);
		assert.equal(cap(m.number).title, title);
		assert.match(
			bad(editMatter(h.as('okafor'), { matterId: m.matterId, fields: { title: `${title}x` } }))
				.title!,
			/longer than 500/
		);
	});
});

describe('the sheet', () => {
	it('changes only what is given, and says it once in the logbook', () => {
		const m = newMatter(h);
		good(
			editMatter(h.as('wardle'), {
				matterId: m.matterId,
				fields: {
					'fact:court': 'N.D. Cal.',
					'fact:nature': 'PD',
					'more:nature': 'hull plates',
					'fact:exposure': '1.5',
					cautions: 'Never before ten\nOnly through counsel',
					priority: 'high'
				}
			})
		);
		const c = cap(m.number);
		assert.deepEqual(
			[c.priority, c.cautions, c.strip.map((s) => s.said)],
			['high', ['Never before ten', 'Only through counsel'], ['N.D. Cal.']]
		);
		assert.match(
			words(m.matterId),
			/Changed: .*court to “N\.D\. Cal\.”.*nature of the claim to “Property damage, hull plates”/
		);
		const n = logbook(h, io(), m.matterId).total;
		good(
			editMatter(h.as('wardle'), { matterId: m.matterId, fields: { 'fact:court': 'N.D. Cal.' } })
		);
		assert.equal(logbook(h, io(), m.matterId).total, n, 'nothing changed, nothing written');
		assert.match(
			Object.values(
				bad(editMatter(h.as('wardle'), { matterId: m.matterId, fields: { 'fact:nothing': 'x' } }))
			)[0]!,
			/no fact nothing/
		);
	});
	it('shows the second of two writers the difference, and puts together what only one touched', () => {
		const m = newMatter(h);
		const base = sheet(m.number),
			version = cap(m.number).version;
		good(
			editMatter(h.as('wardle'), {
				matterId: m.matterId,
				version,
				base,
				fields: { ...base, 'fact:court': 'S.D.N.Y.', 'fact:room': '4' }
			})
		);
		const r = editMatter(h.as('okafor'), {
			matterId: m.matterId,
			version,
			base,
			fields: { ...base, 'fact:court': 'N.D. Cal.', 'fact:judge': 'Hon. Q' }
		});
		assert.equal(r.ok, false);
		if (r.ok) return;
		assert.equal(r.status, 409);
		assert.deepEqual(r.conflict?.differences, [
			{ field: 'fact:court', name: 'Court', theirs: 'S.D.N.Y.', yours: 'N.D. Cal.' }
		]);
		assert.equal(r.conflict?.by, 'Tamsin Wardle');
		assert.equal(sheet(m.number)['fact:judge'], '', 'nothing was saved');
		good(
			editMatter(h.as('okafor'), {
				matterId: m.matterId,
				version: r.conflict!.version,
				base: sheet(m.number),
				fields: { ...base, 'fact:court': 'N.D. Cal.', 'fact:judge': 'Hon. Q', 'fact:room': '4' }
			})
		);
		good(
			editMatter(h.as('wardle'), {
				matterId: m.matterId,
				version,
				base,
				fields: { ...base, 'fact:venue': 'San Francisco' }
			})
		);
		assert.deepEqual(
			['fact:court', 'fact:judge', 'fact:room', 'fact:venue'].map((k) => sheet(m.number)[k]),
			['N.D. Cal.', 'Hon. Q', '4', 'San Francisco']
		);
	});
	it('is found by the numbers others use for it, and by its facts', () => {
		const m = newMatter(h);
		good(
			addReference(h.as('okafor'), {
				matterId: m.matterId,
				whose: 'insurer',
				number: 'INS 44-78123'
			})
		);
		good(
			editMatter(h.as('okafor'), {
				matterId: m.matterId,
				fields: { 'fact:case-number': '3:26-cv-04417' }
			})
		);
		for (const q of ['78123', '04417', 'Pier'])
			assert.equal(matterList(h, io(), { who: 'all', q }).total, 1, q);
		assert.match(
			bad(
				addReference(h.as('okafor'), {
					matterId: m.matterId,
					whose: 'insurer',
					number: 'INS 44-78123'
				})
			).number!,
			/already/
		);
		good(
			addReference(h.as('okafor'), {
				matterId: m.matterId,
				whose: 'insurer',
				number: 'INS 44-78123',
				remove: true
			})
		);
		assert.equal(matterList(h, io(), { who: 'all', q: '78123' }).total, 0);
	});
	it('keeps links and related matters, from both sides, and a restricted one’s name to itself', () => {
		const a = newMatter(h),
			b = newMatter(h, { title: 'Hidden reef', restricted: true });
		good(addLink(h.as('okafor'), { matterId: a.matterId, name: 'Docket', url: 'court.example/1' }));
		assert.match(
			bad(
				addLink(h.as('okafor'), { matterId: a.matterId, name: 'Bad', url: 'javascript:alert(1)' })
			).url!,
			/not the address/
		);
		good(
			relateMatters(h.as('okafor'), { matterId: a.matterId, number: b.number, how: 'appeal of' })
		);
		assert.match(
			bad(
				relateMatters(h.as('okafor'), { matterId: b.matterId, number: a.number, how: 'appeal of' })
			).number!,
			/related already/
		);
		assert.match(
			bad(
				relateMatters(h.as('okafor'), { matterId: a.matterId, number: a.number, how: 'appeal of' })
			).number!,
			/itself/
		);
		assert.match(
			bad(relateMatters(h.as('wardle'), { matterId: a.matterId, number: b.number, how: 'part of' }))
				.number!,
			/no matter .* that you may see/
		);
		assert.deepEqual(
			besides(h, io(), a.matterId).related.map((r) => r.title),
			['Hidden reef']
		);
		assert.deepEqual(
			[
				besides(h, h.staff('wardle'), a.matterId).related,
				besides(h, io(), a.matterId).links[0]!.url
			],
			[[], 'https://court.example/1']
		);
		assert.doesNotMatch(words(a.matterId), /Hidden reef/);
	});
	it('lets owners say who is on it, and nobody else', () => {
		const m = newMatter(h);
		assert.match(
			bad(addMember(h.as('wardle'), { matterId: m.matterId, staffId: 'stf_wardle' })).staffId!,
			/Only the responsible lawyer, an owner/
		);
		good(addMember(h.as('okafor'), { matterId: m.matterId, staffId: 'stf_wardle', owner: true }));
		good(addMember(h.as('wardle'), { matterId: m.matterId, staffId: 'stf_quiroga' }));
		good(restrictMatter(h.as('wardle'), { matterId: m.matterId, restricted: true }));
		assert.equal(caption(h, h.staff('reyes'), m.number), undefined);
		good(removeMember(h.as('wardle'), { matterId: m.matterId, staffId: 'stf_quiroga' }));
		assert.equal(caption(h, h.staff('quiroga'), m.number), undefined);
		good(
			editMatter(h.as('okafor'), { matterId: m.matterId, fields: { responsible: 'stf_wardle' } })
		);
		assert.ok(caption(h, io(), m.number), 'who hands over stays on it');
	});
	it('derives the next date and the next hearing, the moment an event is entered', () => {
		const m = newMatter(h);
		good(
			enterEvent(h.as('okafor'), {
				matterId: m.matterId,
				eventKey: 'complaint-filed',
				date: '2026-11-16',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: ['serve-each-defendant']
			})
		);
		good(
			enterEvent(h.as('okafor'), {
				matterId: m.matterId,
				eventKey: 'hearing-of-a-motion',
				date: '2026-12-10',
				time: '10:00',
				service: '',
				name: 'to strike',
				answers: {},
				docket: []
			})
		);
		const c = cap(m.number);
		assert.deepEqual([c.next?.date, c.hearing?.date], ['2027-02-16', '2026-12-10']);
		assert.ok(c.strip.some((s) => s.name === 'Next hearing' && s.said === 'Thu 10 Dec, 10:00'));
		assert.equal(
			matterList(h, io(), { who: 'all', cols: ['hearing', 'next'] }).rows[0]!.cells.hearing,
			'2026-12-10'
		);
	});
});

describe('kinds', () => {
	const save = (id: string, change: (b: Record<string, unknown>) => void, by = 'haddad') => {
		const { version, active: _, ...body } = findKind(h, id)!;
		const b = structuredClone(body) as Record<string, unknown>;
		change(b);
		return saveKind(h.as(by), { kindId: id, version, active: true, body: b });
	};
	it('ship as nine, and are for operations and administrators to change', () => {
		assert.equal(kinds(h).length, 9);
		assert.match(bad(save('litigation', () => undefined, 'okafor'))['']!, /role/);
	});
	it('show a new fact on their matters at once, and keep the values of one taken away', () => {
		const m = newMatter(h, { facts: { 'fact:room': '12' } });
		good(
			save('litigation', (b) => {
				b.facts = [
					...(b.facts as { key: string }[]).filter((f) => f.key !== 'room'),
					{ key: 'tide', name: 'Tide', type: 'choice', options: ['ebb', 'flood'] }
				];
				b.keyFacts = ['court', 'tide'];
			})
		);
		good(editMatter(h.as('okafor'), { matterId: m.matterId, fields: { 'fact:tide': 'Ebb' } }));
		assert.deepEqual(
			cap(m.number).strip.map((s) => [s.name, s.said]),
			[['Tide', 'ebb']]
		);
		const f = sayFacts(h, kindOf(h, 'litigation'), factsOf(h, m.matterId)).facts;
		assert.deepEqual(f.at(-1), {
			key: 'room',
			name: 'Room',
			said: '12',
			type: 'text',
			value: '12',
			wanted: false,
			retired: true
		});
		assert.match(
			Object.values(
				bad(editMatter(h.as('okafor'), { matterId: m.matterId, fields: { 'fact:room': '13' } }))
			)[0]!,
			/no fact room/
		);
	});
	it('refuse what does not hold together', () => {
		newMatter(h, { facts: { 'fact:exposure': '10' } });
		assert.match(
			bad(
				save('litigation', (b) => {
					(b.facts as { key: string; type: string }[]).find((f) => f.key === 'exposure')!.type =
						'date';
				})
			).facts!,
			/filled on matters already/
		);
		assert.match(
			Object.values(
				bad(
					save('litigation', (b) => {
						b.rulebook = 'mars';
					})
				)
			)[0]!,
			/no such rulebook/
		);
		assert.match(
			Object.values(
				bad(
					save('litigation', (b) => {
						b.name = 'Trademark';
					})
				)
			)[0]!,
			/Another kind has this name/
		);
		assert.match(
			Object.values(
				bad(saveKind(h.as('haddad'), { kindId: 'litigation', version: 99, active: true, body: {} }))
			)[0]!,
			/Someone else changed/
		);
	});
	it('can be added like another, and matters of a kind out of use stay', () => {
		const m = newMatter(h);
		const { kindId } = good(addKind(h.as('haddad'), { name: 'Wage claim', like: 'employment' }));
		assert.equal(kindId, 'wage-claim');
		good(
			openMatter(h.as('okafor'), {
				kind: kindId,
				title: 'T',
				unitId: 'unit_0',
				responsibleId: 'stf_okafor'
			})
		);
		const { version, active: _, ...body } = findKind(h, 'litigation')!;
		good(saveKind(h.as('haddad'), { kindId: 'litigation', version, active: false, body }));
		assert.match(
			bad(
				openMatter(h.as('okafor'), {
					kind: 'litigation',
					title: 'T',
					unitId: 'unit_0',
					responsibleId: 'stf_okafor'
				})
			).kind!,
			/Choose a kind/
		);
		assert.equal(cap(m.number).kindName, 'Litigation');
	});
});

describe('the logbook', () => {
	it('tells who is mentioned, once, and keeps tags, questions and answers', () => {
		const m = newMatter(h);
		const q = good(
			writeNote(h.as('okafor'), {
				matterId: m.matterId,
				words: '@Tamsin Wardle @wardle do we have the camera pictures? #evidence',
				asks: true
			})
		);
		assert.equal(
			h.db
				.prepare(
					"SELECT 1 FROM mail_out WHERE recipient LIKE 'Tamsin%' AND subject LIKE '%asks you'"
				)
				.all().length,
			1
		);
		assert.deepEqual(
			askedOf(h, h.staff('wardle')).map((x) => x.id),
			[q.logId]
		);
		assert.equal(logbook(h, io(), m.matterId, { show: 'questions' }).total, 1);
		const a = good(
			writeNote(h.as('wardle'), {
				matterId: m.matterId,
				words: 'Yes, for ninety days.',
				answers: q.logId
			})
		);
		good(
			writeNote(h.as('okafor'), { matterId: m.matterId, words: 'Thank you.', answers: a.logId })
		);
		assert.deepEqual(
			[
				logbook(h, io(), m.matterId, { show: 'questions' }).total,
				askedOf(h, h.staff('wardle')).length
			],
			[0, 0]
		);
		const rows = logbook(h, io(), m.matterId).rows;
		assert.deepEqual(
			rows.slice(0, 2).map((r) => r.answers?.id),
			[q.logId, q.logId],
			'an answer to an answer belongs to the question'
		);
		assert.equal(rows.find((r) => r.id === q.logId)!.answered, 2);
		assert.deepEqual(logTags(h, m.matterId), [{ tag: 'evidence', n: 1 }]);
		assert.deepEqual(
			[
				logbook(h, io(), m.matterId, { tag: 'evidence' }).total,
				logbook(h, io(), m.matterId, { person: 'stf_wardle' }).total,
				logbook(h, h.staff('wardle'), m.matterId, { show: 'me' }).total
			],
			[1, 1, 1]
		);
	});
	it('mentions nobody into a restricted matter', () => {
		const m = newMatter(h, { restricted: true });
		assert.match(
			bad(writeNote(h.as('okafor'), { matterId: m.matterId, words: 'See @wardle' })).words!,
			/not on this restricted matter/
		);
		assert.equal(h.db.prepare('SELECT 1 FROM mail_out').all().length, 0);
	});
});

describe('closing and reopening', () => {
	const setup = () => {
		const m = newMatter(h);
		const eventId = good(
			enterEvent(h.as('okafor'), {
				matterId: m.matterId,
				eventKey: 'complaint-filed',
				date: '2026-11-02',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: ['serve-each-defendant']
			})
		).eventId;
		good(
			enterEvent(h.as('okafor'), {
				matterId: m.matterId,
				eventKey: 'hearing-of-a-motion',
				date: '2026-12-01',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: []
			})
		);
		const first = h.db
			.prepare<[string], { id: string }>('SELECT id FROM task WHERE matter_id = ?')
			.all(m.matterId);
		for (const t of first) good(finishTask(h.as('okafor'), { taskId: t.id, done: true }));
		const taskId = good(
			addTask(h.as('okafor'), {
				matterId: m.matterId,
				subject: 'Order survey',
				assigneeId: 'stf_okafor',
				due: null,
				deadlineId: null
			})
		).taskId;
		good(
			logTime(h.as('wardle'), {
				matterId: m.matterId,
				day: '2026-11-20',
				hours: '1',
				narrative: 'read file'
			})
		);
		return { ...m, eventId, taskId, open: stillOpen(h, m.matterId) };
	};
	it('is refused until everything open is settled, and closes nothing halfway', () => {
		const m = setup();
		assert.match(
			bad(closeMatter(h.as('okafor'), { matterId: m.matterId, reason: 'Settled' }))['']!,
			/Not settled yet: \d+ dates?, 1 task/
		);
		assert.match(
			Object.values(
				bad(
					closeMatter(h.as('okafor'), {
						matterId: m.matterId,
						reason: 'Settled',
						deadlines: Object.fromEntries(m.open.deadlines.map((d) => [d.id, 'vacate'])),
						tasks: { [m.taskId]: 'LF-2026-9999' }
					})
				)
			)[0]!,
			/no open matter LF-2026-9999/
		);
		assert.deepEqual(
			[cap(m.number).status, stillOpen(h, m.matterId).deadlines.length],
			['open', m.open.deadlines.length]
		);
	});
	it('takes dates off every calendar, tells whose time is a draft, keeps the file for its years; reopening brings all back', () => {
		const m = setup();
		const before = docket(h, io(), {}).rows.map((d) => [d.id, d.state, d.date]);
		assert.ok(
			before.length && horizon(h, io()).some((d) => d.marks.some((x) => x.kind === 'hearing'))
		);
		good(
			closeMatter(h.as('okafor'), {
				matterId: m.matterId,
				reason: 'Settled',
				deadlines: Object.fromEntries(m.open.deadlines.map((d) => [d.id, 'vacate'])),
				tasks: { [m.taskId]: 'drop' }
			})
		);
		const c = cap(m.number);
		assert.deepEqual(
			[c.status, c.closedOn, c.retainUntil, c.next, c.hearing],
			['closed', '2026-11-23', '2033-11-23', null, null]
		);
		assert.equal(docket(h, io(), { show: 'all' }).total, 0);
		assert.ok(!horizon(h, io()).some((d) => d.marks.length));
		assert.ok(
			h.db
				.prepare(
					"SELECT 1 FROM mail_out WHERE recipient LIKE 'Tamsin%' AND subject LIKE '%release your time'"
				)
				.get()
		);
		assert.match(
			bad(
				enterEvent(h.as('okafor'), {
					matterId: m.matterId,
					eventKey: 'complaint-filed',
					date: '2026-11-02',
					time: '',
					service: '',
					name: '',
					answers: {}
				})
			)['']!,
			/closed/
		);
		assert.match(
			bad(closeMatter(h.as('okafor'), { matterId: m.matterId, reason: 'again' }))['']!,
			/closed already/
		);
		assert.match(words(m.matterId), /Closed: Settled\nSettled: .*vacated/);
		good(reopenMatter(h.as('okafor'), { matterId: m.matterId, reason: 'Appeal' }));
		assert.deepEqual(
			docket(h, io(), {}).rows.map((d) => [d.id, d.state, d.date]),
			before
		);
		assert.deepEqual(
			[cap(m.number).counts.tasks, cap(m.number).retainUntil, cap(m.number).status],
			[1, null, 'open']
		);
		assert.ok(horizon(h, io()).some((d) => d.marks.some((x) => x.kind === 'hearing')));
		assert.match(
			bad(reopenMatter(h.as('okafor'), { matterId: m.matterId, reason: 'x' }))['']!,
			/not closed/
		);
	});
	it('hands tasks to another matter, and holds a matter with a reason', () => {
		const m = setup(),
			other = newMatter(h, { title: 'Appeal' });
		good(
			closeMatter(h.as('okafor'), {
				matterId: m.matterId,
				reason: 'Done',
				deadlines: Object.fromEntries(m.open.deadlines.map((d) => [d.id, 'vacate'])),
				tasks: { [m.taskId]: other.number }
			})
		);
		assert.equal(
			h.db
				.prepare<[string], { matter_id: string }>('SELECT matter_id FROM task WHERE id = ?')
				.get(m.taskId)!.matter_id,
			other.matterId
		);
		good(
			setStatus(h.as('okafor'), {
				matterId: other.matterId,
				status: 'on hold',
				reason: 'Waiting for the insurer'
			})
		);
		assert.deepEqual(
			[cap(other.number).status, cap(other.number).statusReason],
			['on hold', 'Waiting for the insurer']
		);
		assert.match(
			bad(setStatus(h.as('okafor'), { matterId: m.matterId, status: 'open', reason: 'x' })).status!,
			/reopen/
		);
	});
});

describe('the list', () => {
	it('filters, groups, sorts by any column, and pages', () => {
		for (let i = 0; i < 8; i++)
			newMatter(h, {
				kind: i % 2 ? 'agreement' : 'litigation',
				title: `M${i}`,
				unitId: `unit_${i % 3}`,
				rulebook: null,
				...(i === 4
					? { facts: { 'fact:exposure': '900' } }
					: i === 2
						? { facts: { 'fact:exposure': '1,000' } }
						: {})
			});
		const list = (q: string) => matterList(h, io(), readFilter(new URLSearchParams(q)));
		assert.deepEqual(
			list('group=kind')
				.groups.map((g) => [g.name, g.n])
				.sort(),
			[
				['Agreement review', 4],
				['Litigation', 4]
			]
		);
		assert.deepEqual(
			list('group=kind')
				.rows.map((r) => r.group)
				.filter((g, i, a) => a[i - 1] !== g),
			['Litigation', 'Agreement review']
		);
		assert.deepEqual(
			list('sort=-fact:exposure&cols=title,fact:exposure')
				.rows.slice(0, 3)
				.map((r) => [r.title, r.cells['fact:exposure']]),
			[
				['M2', 100_000],
				['M4', 90_000],
				['M7', null]
			]
		);
		assert.deepEqual(
			list('sort=title&unit=unit_1').rows.map((r) => r.title),
			['M1', 'M4', 'M7']
		);
		assert.equal(list("sort=number;DROP TABLE matter&group=x'y&cols=zz&page=-3").rows.length, 8);
		good(
			setStatus(h.as('okafor'), {
				matterId: list('q=M3').rows[0]!.id,
				status: 'on hold',
				reason: 'x'
			})
		);
		assert.deepEqual(
			list('status=on%20hold').rows.map((r) => r.title),
			['M3']
		);
	});
	it('knows what has gone quiet and what is old by the kind’s own thresholds', () => {
		newMatter(h, { title: 'Talky' });
		newMatter(h, { title: 'Silent', kind: 'data-incident', rulebook: null });
		h.set('2026-12-05');
		assert.deepEqual(
			matterList(h, io(), { who: 'all', quiet: true }).rows.map((r) => r.title),
			['Silent']
		);
		h.set('2027-07-01');
		assert.deepEqual(
			matterList(h, io(), { who: 'all', old: true }).rows.map((r) => r.title),
			['Silent']
		);
	});
	it('counts the days of quiet from the department’s day, not from the day in UTC', async () => {
		h = await testHouse();
		h.set('2026-11-23', 20);
		newMatter(h, { title: 'Evening' });
		const days = kinds(h).find((k) => k.id === 'litigation')!.quietDays;
		const quiet = () => [
			matterList(h, io(), { who: 'all', quiet: true }).total,
			overview(h, io()).quiet
		];
		h.set(addDays(date('2026-11-23'), days));
		assert.deepEqual(quiet(), [0, 0]);
		h.set(addDays(date('2026-11-23'), days + 1));
		assert.deepEqual(quiet(), [1, 1]);
		const row = matterList(h, io(), { who: 'all', cols: ['activity'] }).rows[0]!;
		assert.deepEqual([row.lastActivity, row.cells.activity], ['2026-11-23', '2026-11-23']);
	});
	it('keeps views, own and shared', () => {
		good(saveView(h.as('okafor'), { name: 'High', query: 'priority=high&page=3', shared: true }));
		good(saveView(h.as('okafor'), { name: 'Own', query: 'quiet=1' }));
		good(saveView(h.as('okafor'), { name: 'Own', query: 'old=1' }));
		assert.deepEqual(
			savedViews(h, io()).map((v) => [v.name, v.query]),
			[
				['High', 'priority=high'],
				['Own', 'old=1']
			]
		);
		assert.deepEqual(
			savedViews(h, h.staff('wardle')).map((v) => v.name),
			['High']
		);
		bad(dropView(h.as('wardle'), { viewId: savedViews(h, io())[0]!.id }));
		good(dropView(h.as('okafor'), { viewId: savedViews(h, io())[0]!.id }));
	});
	it('changes many at once: shown before, all or none', () => {
		const a = newMatter(h),
			b = newMatter(h, {}, 'wardle'),
			c = newMatter(h, { restricted: true }, 'wardle');
		const i = { what: 'responsible' as const, value: 'stf_quiroga', reason: '' };
		const before = h.db.prepare('SELECT * FROM audit').all().length;
		assert.deepEqual(
			bulkPreview(h.as('okafor'), [a.number, b.number, c.number], i).map((p) => [p.was, p.fault]),
			[
				['Ines Okafor', null],
				[
					'Tamsin Wardle',
					'Only the responsible lawyer, an owner or an administrator hands the matter over.'
				],
				['', 'There is no such matter, or it is not yours to see.']
			]
		);
		assert.equal(
			h.db.prepare('SELECT * FROM audit').all().length,
			before,
			'a preview saves nothing'
		);
		assert.match(
			bad(bulkChange(h.as('okafor'), { numbers: [a.number, b.number], ...i }))['']!,
			/Nothing was changed/
		);
		assert.equal(cap(a.number).responsibleId, 'stf_okafor');
		good(bulkChange(h.as('harrowgate'), { numbers: [a.number, b.number], ...i }));
		assert.deepEqual(
			[cap(a.number).responsibleId, cap(b.number).responsibleId],
			['stf_quiroga', 'stf_quiroga']
		);
		good(
			bulkChange(h.as('okafor'), {
				numbers: [a.number, b.number],
				what: 'status',
				value: 'on hold',
				reason: 'Holidays'
			})
		);
		assert.equal(cap(a.number).status, 'on hold');
	});
	it('goes out as CSV and XLSX with typed cells and harmless texts', async () => {
		newMatter(h, { title: '=HYPERLINK("http://x")', facts: { 'fact:exposure': '1,250.50' } });
		const f = readFilter(new URLSearchParams('who=all&cols=number,title,opened,fact:exposure,age'));
		assert.match(
			listCsv(h, io(), f),
			/^\uFEFFNumber,Matter,Opened,Exposure,Age\r\nLF-2026-0001,"'=HYPERLINK\(""http:\/\/x""\)",2026-11-23,1250\.5,0\r\n$/
		);
		const book = new ExcelJS.Workbook();
		await book.xlsx.load((await listXlsx(h, io(), f)) as unknown as ArrayBuffer);
		const s = book.worksheets[0]!;
		assert.deepEqual(
			[
				s.getCell('B2').type,
				s.getCell('C2').value,
				s.getCell('D2').value,
				s.autoFilter !== undefined,
				s.views[0]!.state
			],
			[ExcelJS.ValueType.String, new Date('2026-11-23T00:00:00Z'), 1250.5, true, 'frozen']
		);
		assert.deepEqual([harmless('-1'), harmless('a=b')], ["'-1", 'a=b']);
	});
	it('feeds charts whose parts are lists', () => {
		newMatter(h);
		newMatter(h, { kind: 'agreement', rulebook: null, unitId: 'unit_2' });
		newMatter(h, { restricted: true }, 'wardle');
		const o = overview(h, io());
		assert.equal(o.open, 2);
		for (const part of [
			...o.kind,
			...o.age,
			...o.unit,
			...o.lawyer,
			...o.months.flatMap((m) => [m.opened, m.closed])
		])
			assert.equal(
				matterList(h, io(), readFilter(new URL(part.href, 'http://x').searchParams)).total,
				part.n,
				part.href
			);
		assert.equal(
			o.age.reduce((a, s) => a + s.n, 0),
			2
		);
	});
	it('has pinned matters and the latest at hand', () => {
		const a = newMatter(h),
			b = newMatter(h);
		good(pinMatter(h.as('okafor'), { matterId: a.matterId, pin: true }));
		h.db
			.prepare('INSERT INTO recent (staff_id, matter_id, at) VALUES (?, ?, ?), (?, ?, ?)')
			.run('stf_okafor', b.matterId, '2026-11-23', 'stf_okafor', a.matterId, '2026-11-22');
		assert.deepEqual(
			near(h, io()).map((m) => [m.number, m.pinned]),
			[
				[a.number, true],
				[b.number, false]
			]
		);
	});
});

describe('the trial view', () => {
	it('numbers exhibits, keeps what was offered and ruled, orders witnesses', () => {
		const m = newMatter(h);
		const ex = (side: 'ours' | 'theirs', title: string) =>
			good(addExhibit(h.as('okafor'), { matterId: m.matterId, side, title }));
		assert.deepEqual(
			[
				ex('ours', 'Log').number,
				ex('ours', 'Chart').number,
				ex('theirs', 'Photo').number,
				ex('theirs', 'Bill').number
			],
			['1', '2', 'A', 'B']
		);
		assert.equal(
			nextExhibit(
				Array.from({ length: 26 }, (_, i) => String.fromCharCode(65 + i)),
				'theirs'
			),
			'AA'
		);
		const [e1, e2] = trial(h, m.matterId).exhibits;
		assert.match(
			bad(
				changeExhibit(h.as('okafor'), {
					exhibitId: e1!.id,
					offered: '2026-11-20',
					ruling: 'admitted',
					ruledOn: '2026-11-19'
				})
			).ruledOn!,
			/before it is offered/
		);
		assert.match(
			bad(changeExhibit(h.as('okafor'), { exhibitId: e1!.id, offered: '2026-11-24' })).offered!,
			/not come yet/
		);
		good(
			changeExhibit(h.as('okafor'), {
				exhibitId: e1!.id,
				offered: '2026-11-20',
				ruling: 'admitted',
				ruledOn: '2026-11-20'
			})
		);
		assert.match(
			bad(dropExhibit(h.as('okafor'), { exhibitId: e1!.id }))['']!,
			/stays in the record/
		);
		good(dropExhibit(h.as('okafor'), { exhibitId: e2!.id }));
		for (const n of ['Anna Quill', 'Bodil Quill']) {
			const { personId } = good(
				addRole(h.as('okafor'), { matterId: m.matterId, newName: n, role: 'witness' })
			);
			good(
				addWitness(h.as('okafor'), {
					matterId: m.matterId,
					personId,
					side: 'ours',
					about: 'Saw it',
					minutes: 20
				})
			);
		}
		good(
			changeWitness(h.as('okafor'), {
				witnessId: trial(h, m.matterId).witnesses[1]!.id,
				move: 'up'
			})
		);
		good(
			changeWitness(h.as('okafor'), {
				witnessId: trial(h, m.matterId).witnesses[0]!.id,
				heard: '2026-11-20'
			})
		);
		assert.deepEqual(
			trial(h, m.matterId).witnesses.map((x) => [x.name, x.heard]),
			[
				['Bodil Quill', '2026-11-20'],
				['Anna Quill', null]
			]
		);
	});
});

describe('the reminder ladder of a kind', () => {
	it('tells each rung once, the nearest one after a pause, and none for a closed matter', () => {
		const m = newMatter(h);
		good(
			enterEvent(h.as('okafor'), {
				matterId: m.matterId,
				eventKey: 'complaint-filed',
				date: '2026-11-16',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: []
			})
		);
		const d = h.db
			.prepare<[], { id: string; date: string }>(
				"SELECT id, date FROM deadline WHERE rule = 'serve-each-defendant'"
			)
			.get()!;
		good(docketDeadline(h.as('okafor'), { deadlineId: d.id }));
		h.db.prepare('DELETE FROM mail_out').run();
		const told: string[] = [];
		for (const day of [
			'2026-11-23',
			'2027-01-16',
			'2027-01-17',
			'2027-01-18',
			'2027-02-10',
			'2027-02-11',
			'2027-02-12',
			'2027-02-16',
			'2027-02-16'
		]) {
			h.set(day);
			if (remind(h)) told.push(day);
		}
		assert.equal(d.date, '2027-02-16');
		assert.deepEqual(told, ['2027-01-17', '2027-02-10', '2027-02-16']);
	});
});
