import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import ExcelJS from 'exceljs';
import { addDays, plainDate } from '#core/dates/plain.ts';
import { findMatter } from '#server/access/visibility.ts';
import { all, exists, one, run, scalar } from '#server/db/sql.ts';
import { docketDeadlines } from '#server/docket/deadlines.ts';
import { enterEvent } from '#server/docket/events.ts';
import { listDeadlines } from '#server/docket/list.ts';
import { listHorizon } from '#server/day-sheet/horizon.ts';
import { addKind, saveKind } from '#server/kinds/commands.ts';
import { findKind, requireKind, listKinds } from '#server/kinds/queries.ts';
import { addRole } from '#server/people/roles.ts';
import { sendReminders } from '#server/reminders/send.ts';
import { addExhibit, changeExhibit, removeExhibit, nextExhibit } from '#server/trial/exhibits.ts';
import { addWitness } from '#server/trial/witnesses.ts';
import { hearWitness, moveWitness } from '#server/trial/witnesses.ts';
import { findTrialView } from '#server/trial/queries.ts';
import { addLink, addReference, removeReference, pinMatter, relateMatters } from './relations.ts';
import { addMember, removeMember, restrictMatter } from './members.ts';
import { editMatter } from './edit.ts';
import { sheetFields } from './sheet.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { listMatters } from './list.ts';
import { parseMatterFilter } from './filter.ts';
import { listSavedViews, findMatterSidebar, listNearMatters } from './queries.ts';
import { bulkChange, previewBulk } from './bulk.ts';
import { removeView, saveView } from './views.ts';
import { harmlessCell } from '#core/format/words.ts';
import { makeMattersCsv, makeMattersXlsx } from './export.ts';
import { listMentionsOf, listLogbook, listLogTags } from '#server/logbook/queries.ts';
import { findCaption } from './caption.ts';
import { closeMatter, reopenMatter, setStatus } from './status.ts';
import { listStillOpen } from './still-open.ts';

import { makeFigures } from '#server/reports/figures.ts';
import { addTask, finishTask } from '#server/tasks/commands.ts';
import { bad, ended, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { logTime } from '#server/time/commands.ts';

import { listFacts, viewFacts } from './facts.ts';

import { openMatter } from './open.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});
const io = () => house.staff('okafor');
const sheet = (number: string) => sheetFields(house, findMatter(house.db, io(), { number })!);
const cap = (number: string) => findCaption(house, io(), number)!;
const words = (matterId: string) =>
	listLogbook(house, io(), matterId)
		.rows.map((row) => row.text)
		.join('\n');

describe('opening', () => {
	it('lays out what the kind says: facts, first tasks, split, title, an interest check', async () => {
		const { version: _, active: __, ...kind } = requireKind(house, 'claims');
		good(
			saveKind(house.as('harrowgate'), {
				kindId: 'claims',
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
		const item = good(
			await openMatter(house.as('abernathy'), {
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
		const caption = cap(item.number);
		assert.equal(caption.title, 'Ferry Nine, Pier 4');
		assert.deepEqual(
			caption.split.map((other) => [other.unit, other.share]),
			[
				['Freight', 600_000],
				['Terminals', 400_000]
			]
		);
		assert.equal(caption.counts.tasks, 2);
		assert.deepEqual(
			caption.strip.find((other) => other.name === 'Our loss'),
			{ key: 'loss', name: 'Our loss', text: '12,500.00' }
		);
		assert.deepEqual(caption.missing, ['date of loss']);
		assert.ok(item.checkId);
		assert.deepEqual(
			viewFacts(house, requireKind(house, 'claims'), listFacts(house, item.matterId)).groups[0]!
				.rows,
			[['', 'P-1', '1,000,000.00', '']]
		);
		assert.equal(
			all(house.db, "SELECT 1 FROM mail_out WHERE subject LIKE '%opened for you'").length,
			1
		);
		assert.equal(caption.members.find((x) => x.name === 'Joss Abernathy')?.owner, true);
	});
	it('saves nothing where one fact is wrong, and loses no number', async () => {
		const record = bad(
			await openMatter(house.as('okafor'), {
				kind: 'claims',
				title: 'T',
				unitId: 'unit_0',
				responsibleId: 'stf_okafor',
				facts: { 'fact:loss': 'plenty' }
			})
		);
		assert.match(record['fact:loss']!, /“plenty” is not an amount/);
		assert.equal(
			all(house.db, 'SELECT 1 FROM matter').length +
				all(house.db, 'SELECT 1 FROM number_series').length,
			0
		);
		assert.match(
			bad(
				await openMatter(house.as('okafor'), {
					kind: 'litigation',
					title: '',
					unitId: 'unit_0',
					responsibleId: 'stf_okafor'
				})
			).title!,
			/missing/
		);
	});
	it('takes a title of 500 characters with every sign, and refuses 501', async () => {
		const title = `<b>"' & % _ \\ ${'Ω'.repeat(600)}`.slice(0, 500);
		const item = good(
			await openMatter(house.as('okafor'), {
				kind: 'litigation',
				title,
				unitId: 'unit_0',
				responsibleId: 'stf_okafor'
			})
		);
		assert.equal(cap(item.number).title, title);
		assert.match(
			bad(
				editMatter(house.as('okafor'), { matterId: item.matterId, fields: { title: `${title}x` } })
			).title!,
			/longer than 500/
		);
	});
});

describe('the sheet', () => {
	it('changes only what is given, and says it once in the logbook', async () => {
		const item = await newMatter(house);
		good(
			editMatter(house.as('wardle'), {
				matterId: item.matterId,
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
		const caption = cap(item.number);
		assert.deepEqual(
			[caption.priority, caption.cautions, caption.strip.map((other) => other.text)],
			['high', ['Never before ten', 'Only through counsel'], ['N.D. Cal.']]
		);
		assert.match(
			words(item.matterId),
			/Changed: .*court to “N\.D\. Cal\.”.*nature of the claim to “Property damage, hull plates”/
		);
		const n = listLogbook(house, io(), item.matterId).total;
		good(
			editMatter(house.as('wardle'), {
				matterId: item.matterId,
				fields: { 'fact:court': 'N.D. Cal.' }
			})
		);
		assert.equal(
			listLogbook(house, io(), item.matterId).total,
			n,
			'nothing changed, nothing written'
		);
		assert.match(
			Object.values(
				bad(
					editMatter(house.as('wardle'), {
						matterId: item.matterId,
						fields: { 'fact:nothing': 'x' }
					})
				)
			)[0]!,
			/no fact nothing/
		);
	});
	it('shows the second of two writers the difference, and puts together what only one touched', async () => {
		const item = await newMatter(house);
		const base = sheet(item.number);
		good(
			editMatter(house.as('wardle'), {
				matterId: item.matterId,
				base,
				fields: { ...base, 'fact:court': 'S.D.N.Y.', 'fact:room': '4' }
			})
		);
		const result = editMatter(house.as('okafor'), {
			matterId: item.matterId,
			base,
			fields: { ...base, 'fact:court': 'N.D. Cal.', 'fact:judge': 'Hon. Q' }
		});
		assert.equal(result.ok, false);
		if (result.ok) return;
		assert.equal(result.status, 409);
		assert.deepEqual(result.conflict?.differences, [
			{
				field: 'fact:court',
				name: 'Court',
				theirs: 'S.D.N.Y.',
				yours: 'N.D. Cal.',
				values: { theirs: 'S.D.N.Y.', yours: 'N.D. Cal.' }
			}
		]);
		assert.equal(result.conflict?.by, 'Tamsin Wardle');
		assert.equal(sheet(item.number)['fact:judge'], '', 'nothing was saved');
		good(
			editMatter(house.as('okafor'), {
				matterId: item.matterId,
				base: sheet(item.number),
				fields: { ...base, 'fact:court': 'N.D. Cal.', 'fact:judge': 'Hon. Q', 'fact:room': '4' }
			})
		);
		good(
			editMatter(house.as('wardle'), {
				matterId: item.matterId,
				base,
				fields: { ...base, 'fact:venue': 'San Francisco' }
			})
		);
		assert.deepEqual(
			['fact:court', 'fact:judge', 'fact:room', 'fact:venue'].map((key) => sheet(item.number)[key]),
			['N.D. Cal.', 'Hon. Q', '4', 'San Francisco']
		);
	});
	it('is found by the numbers others use for it, and by its facts', async () => {
		const item = await newMatter(house);
		good(
			addReference(house.as('okafor'), {
				matterId: item.matterId,
				whose: 'insurer',
				number: 'INS 44-78123'
			})
		);
		good(
			editMatter(house.as('okafor'), {
				matterId: item.matterId,
				fields: { 'fact:case-number': '3:26-cv-04417' }
			})
		);
		for (const query of ['78123', '04417', 'Pier'])
			assert.equal(listMatters(house, io(), { who: 'all', q: query }).total, 1, query);
		assert.match(
			bad(
				addReference(house.as('okafor'), {
					matterId: item.matterId,
					whose: 'insurer',
					number: 'INS 44-78123'
				})
			).number!,
			/already/
		);
		good(
			removeReference(house.as('okafor'), {
				matterId: item.matterId,
				whose: 'insurer',
				number: 'INS 44-78123'
			})
		);
		assert.equal(listMatters(house, io(), { who: 'all', q: '78123' }).total, 0);
	});
	it('keeps links and related matters, from both sides, and a restricted one’s name to itself', async () => {
		const a = await newMatter(house),
			b = await newMatter(house, { title: 'Hidden reef', restricted: true });
		good(
			addLink(house.as('okafor'), { matterId: a.matterId, name: 'Docket', url: 'court.example/1' })
		);
		assert.match(
			bad(
				addLink(house.as('okafor'), {
					matterId: a.matterId,
					name: 'Bad',
					url: 'javascript:alert(1)'
				})
			).url!,
			/not the address/
		);
		good(
			relateMatters(house.as('okafor'), {
				matterId: a.matterId,
				number: b.number,
				how: 'appeal of'
			})
		);
		assert.match(
			bad(
				relateMatters(house.as('okafor'), {
					matterId: b.matterId,
					number: a.number,
					how: 'appeal of'
				})
			).number!,
			/related already/
		);
		assert.match(
			bad(
				relateMatters(house.as('okafor'), {
					matterId: a.matterId,
					number: a.number,
					how: 'appeal of'
				})
			).number!,
			/itself/
		);
		assert.match(
			bad(
				relateMatters(house.as('wardle'), {
					matterId: a.matterId,
					number: b.number,
					how: 'part of'
				})
			).number!,
			/no matter .* that you may see/
		);
		assert.deepEqual(
			findMatterSidebar(house, io(), a.matterId).related.map((item) => item.title),
			['Hidden reef']
		);
		assert.deepEqual(
			[
				findMatterSidebar(house, house.staff('wardle'), a.matterId).related,
				findMatterSidebar(house, io(), a.matterId).links[0]!.url
			],
			[[], 'https://court.example/1']
		);
		assert.doesNotMatch(words(a.matterId), /Hidden reef/);
	});
	it('lets owners say who is on it, and nobody else', async () => {
		const item = await newMatter(house);
		assert.match(
			bad(addMember(house.as('wardle'), { matterId: item.matterId, staffId: 'stf_wardle' }))
				.staffId!,
			/Only the responsible lawyer, an owner/
		);
		good(
			addMember(house.as('okafor'), { matterId: item.matterId, staffId: 'stf_wardle', owner: true })
		);
		good(addMember(house.as('wardle'), { matterId: item.matterId, staffId: 'stf_quiroga' }));
		good(restrictMatter(house.as('wardle'), { matterId: item.matterId, restricted: true }));
		assert.equal(findCaption(house, house.staff('reyes'), item.number), undefined);
		good(removeMember(house.as('wardle'), { matterId: item.matterId, staffId: 'stf_quiroga' }));
		assert.equal(findCaption(house, house.staff('quiroga'), item.number), undefined);
		good(
			editMatter(house.as('okafor'), {
				matterId: item.matterId,
				fields: { responsible: 'stf_wardle' }
			})
		);
		assert.ok(findCaption(house, io(), item.number), 'who hands over stays on it');
	});
	it('derives the next date and the next hearing, the moment an event is entered', async () => {
		const item = await newMatter(house);
		good(
			enterEvent(house.as('okafor'), {
				matterId: item.matterId,
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
			enterEvent(house.as('okafor'), {
				matterId: item.matterId,
				eventKey: 'hearing-of-a-motion',
				date: '2026-12-10',
				time: '10:00',
				service: '',
				name: 'to strike',
				answers: {},
				docket: []
			})
		);
		const caption = cap(item.number);
		assert.deepEqual([caption.next?.date, caption.hearing?.date], ['2027-02-16', '2026-12-10']);
		assert.ok(
			caption.strip.some(
				(other) => other.name === 'Next hearing' && other.text === 'Thu 10 Dec, 10:00'
			)
		);
		assert.equal(
			listMatters(house, io(), { who: 'all', cols: ['hearing', 'next'] }).rows[0]!.cells.hearing,
			'2026-12-10'
		);
	});
});

describe('kinds', () => {
	const save = (id: string, change: (b: Record<string, unknown>) => void, by = 'haddad') => {
		const { version: _, active: __, ...body } = findKind(house, id)!;
		const b = structuredClone(body) as Record<string, unknown>;
		change(b);
		return saveKind(house.as(by), { kindId: id, active: true, body: b });
	};
	it('ship as nine, and are for operations and administrators to change', () => {
		assert.equal(listKinds(house).length, 9);
		assert.match(bad(save('litigation', () => undefined, 'okafor'))['']!, /role/);
	});
	it('show a new fact on their matters at once, and keep the values of one taken away', async () => {
		const item = await newMatter(house, { facts: { 'fact:room': '12' } });
		good(
			save('litigation', (b) => {
				b.facts = [
					...(b.facts as { key: string }[]).filter((fact) => fact.key !== 'room'),
					{ key: 'tide', name: 'Tide', type: 'choice', options: ['ebb', 'flood'] }
				];
				b.keyFacts = ['court', 'tide'];
			})
		);
		good(
			editMatter(house.as('okafor'), { matterId: item.matterId, fields: { 'fact:tide': 'Ebb' } })
		);
		assert.deepEqual(
			cap(item.number).strip.map((other) => [other.name, other.text]),
			[['Tide', 'ebb']]
		);
		const each = viewFacts(
			house,
			requireKind(house, 'litigation'),
			listFacts(house, item.matterId)
		).facts;
		assert.deepEqual(each.at(-1), {
			key: 'room',
			name: 'Room',
			text: '12',
			type: 'text',
			value: '12',
			wanted: false,
			retired: true
		});
		assert.match(
			Object.values(
				bad(
					editMatter(house.as('okafor'), { matterId: item.matterId, fields: { 'fact:room': '13' } })
				)
			)[0]!,
			/no fact room/
		);
	});
	it('refuse what does not hold together', async () => {
		await newMatter(house, { facts: { 'fact:exposure': '10' } });
		assert.match(
			bad(
				save('litigation', (b) => {
					(b.facts as { key: string; type: string }[]).find(
						(fact) => fact.key === 'exposure'
					)!.type = 'date';
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
	});
	it('can be added like another, and matters of a kind out of use stay', async () => {
		const item = await newMatter(house);
		const { kindId } = good(
			addKind(house.as('haddad'), { name: 'Wage claim', like: 'employment' })
		);
		assert.equal(kindId, 'wage-claim');
		good(
			await openMatter(house.as('okafor'), {
				kind: kindId,
				title: 'T',
				unitId: 'unit_0',
				responsibleId: 'stf_okafor'
			})
		);
		const { version: _, active: __, ...body } = findKind(house, 'litigation')!;
		good(saveKind(house.as('haddad'), { kindId: 'litigation', active: false, body }));
		assert.match(
			bad(
				await openMatter(house.as('okafor'), {
					kind: 'litigation',
					title: 'T',
					unitId: 'unit_0',
					responsibleId: 'stf_okafor'
				})
			).kind!,
			/Choose a kind/
		);
		assert.equal(cap(item.number).kindName, 'Litigation');
	});
});

describe('the logbook', () => {
	it('tells who is mentioned, once, and keeps tags, questions and answers', async () => {
		const item = await newMatter(house);
		const other = good(
			writeNote(house.as('okafor'), {
				matterId: item.matterId,
				words: '@Tamsin Wardle @wardle do we have the camera pictures? #evidence',
				asks: true
			})
		);
		assert.equal(
			all(
				house.db,
				"SELECT 1 FROM mail_out WHERE recipient LIKE 'Tamsin%' AND subject LIKE '%asks you'"
			).length,
			1
		);
		assert.deepEqual(
			listMentionsOf(house, house.staff('wardle')).map((x) => x.id),
			[other.logId]
		);
		assert.equal(listLogbook(house, io(), item.matterId, { show: 'questions' }).total, 1);
		const a = good(
			writeNote(house.as('wardle'), {
				matterId: item.matterId,
				words: 'Yes, for ninety days.',
				answers: other.logId
			})
		);
		good(
			writeNote(house.as('okafor'), {
				matterId: item.matterId,
				words: 'Thank you.',
				answers: a.logId
			})
		);
		assert.deepEqual(
			[
				listLogbook(house, io(), item.matterId, { show: 'questions' }).total,
				listMentionsOf(house, house.staff('wardle')).length
			],
			[0, 0]
		);
		const rows = listLogbook(house, io(), item.matterId).rows;
		assert.deepEqual(
			rows.slice(0, 2).map((row) => row.answers?.id),
			[other.logId, other.logId],
			'an answer to an answer belongs to the question'
		);
		assert.equal(rows.find((row) => row.id === other.logId)!.answered, 2);
		assert.deepEqual(listLogTags(house, item.matterId), [{ tag: 'evidence', n: 1 }]);
		assert.deepEqual(
			[
				listLogbook(house, io(), item.matterId, { tag: 'evidence' }).total,
				listLogbook(house, io(), item.matterId, { person: 'stf_wardle' }).total,
				listLogbook(house, house.staff('wardle'), item.matterId, { show: 'me' }).total
			],
			[1, 1, 1]
		);
	});
	it('mentions nobody into a restricted matter', async () => {
		const item = await newMatter(house, { restricted: true });
		assert.match(
			bad(writeNote(house.as('okafor'), { matterId: item.matterId, words: 'See @wardle' })).words!,
			/not on this restricted matter/
		);
		assert.equal(all(house.db, 'SELECT 1 FROM mail_out').length, 0);
	});
});

describe('closing and reopening', () => {
	const setup = async () => {
		const item = await newMatter(house);
		const eventId = good(
			enterEvent(house.as('okafor'), {
				matterId: item.matterId,
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
			enterEvent(house.as('okafor'), {
				matterId: item.matterId,
				eventKey: 'hearing-of-a-motion',
				date: '2026-12-01',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: []
			})
		);
		const first = all<{ id: string }>(house.db, 'SELECT id FROM task WHERE matter_id = @matterId', {
			matterId: item.matterId
		});
		for (const other of first)
			good(finishTask(house.as('okafor'), { taskId: other.id, done: true }));
		const taskId = good(
			addTask(house.as('okafor'), {
				matterId: item.matterId,
				subject: 'Order survey',
				assigneeId: 'stf_okafor',
				due: null,
				deadlineId: null
			})
		).taskId;
		good(
			logTime(house.as('wardle'), {
				matterId: item.matterId,
				day: '2026-11-20',
				hours: '1',
				narrative: 'read file'
			})
		);
		return { ...item, eventId, taskId, open: listStillOpen(house, item.matterId) };
	};
	it('is refused until everything open is settled, and closes nothing halfway', async () => {
		const item = await setup();
		assert.match(
			bad(closeMatter(house.as('okafor'), { ...ended(item), reason: 'Settled' }))['']!,
			/Not settled yet: \d+ dates?, 1 task/
		);
		assert.match(
			Object.values(
				bad(
					closeMatter(house.as('okafor'), {
						...ended(item),
						reason: 'Settled',
						deadlines: Object.fromEntries(
							item.open.deadlines.map((deadline) => [deadline.id, 'vacate'])
						),
						tasks: { [item.taskId]: 'LF-2026-9999' }
					})
				)
			)[0]!,
			/no open matter LF-2026-9999/
		);
		assert.deepEqual(
			[cap(item.number).status, listStillOpen(house, item.matterId).deadlines.length],
			['open', item.open.deadlines.length]
		);
	});
	it('takes dates off every calendar, tells whose time is a draft, keeps the file for its years; reopening brings all back', async () => {
		const item = await setup();
		const before = listDeadlines(house, io(), {}).rows.map((row) => [row.id, row.state, row.date]);
		assert.ok(
			before.length &&
				listHorizon(house, io()).some((day) => day.marks.some((x) => x.sort === 'hearing'))
		);
		good(
			closeMatter(house.as('okafor'), {
				...ended(item),
				reason: 'Settled',
				deadlines: Object.fromEntries(
					item.open.deadlines.map((deadline) => [deadline.id, 'vacate'])
				),
				tasks: { [item.taskId]: 'drop' }
			})
		);
		const caption = cap(item.number);
		assert.deepEqual(
			[caption.status, caption.closedOn, caption.retainUntil, caption.next, caption.hearing],
			['closed', '2026-11-23', '2033-11-23', null, null]
		);
		assert.equal(listDeadlines(house, io(), { show: 'all' }).total, 0);
		assert.ok(!listHorizon(house, io()).some((day) => day.marks.length));
		assert.ok(
			exists(
				house.db,
				`SELECT 1
				FROM mail_out
				WHERE recipient LIKE 'Tamsin%' AND subject LIKE '%release your time'`
			)
		);
		assert.match(
			bad(
				enterEvent(house.as('okafor'), {
					matterId: item.matterId,
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
			bad(closeMatter(house.as('okafor'), { ...ended(item), reason: 'again' }))['']!,
			/reopen it first/
		);
		assert.match(words(item.matterId), /Closed, settled: Settled\nSettled: .*vacated/);
		good(reopenMatter(house.as('okafor'), { matterId: item.matterId, reason: 'Appeal' }));
		assert.deepEqual(
			listDeadlines(house, io(), {}).rows.map((row) => [row.id, row.state, row.date]),
			before
		);
		assert.deepEqual(
			[cap(item.number).counts.tasks, cap(item.number).retainUntil, cap(item.number).status],
			[1, null, 'open']
		);
		assert.ok(listHorizon(house, io()).some((day) => day.marks.some((x) => x.sort === 'hearing')));
		assert.match(
			bad(reopenMatter(house.as('okafor'), { matterId: item.matterId, reason: 'x' }))['']!,
			/not closed/
		);
	});
	it('hands tasks to another matter, and holds a matter with a reason', async () => {
		const item = await setup(),
			other = await newMatter(house, { title: 'Appeal' });
		good(
			closeMatter(house.as('okafor'), {
				...ended(item),
				reason: 'Done',
				deadlines: Object.fromEntries(
					item.open.deadlines.map((deadline) => [deadline.id, 'vacate'])
				),
				tasks: { [item.taskId]: other.number }
			})
		);
		assert.equal(
			scalar<string>(house.db, 'SELECT matter_id FROM task WHERE id = @id', { id: item.taskId }),
			other.matterId
		);
		good(
			setStatus(house.as('okafor'), {
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
			bad(setStatus(house.as('okafor'), { matterId: item.matterId, status: 'open', reason: 'x' }))[
				''
			]!,
			/reopen/
		);
	});
});

describe('the list', () => {
	it('filters, groups, sorts by any column, and pages', async () => {
		for (let i = 0; i < 8; i++)
			await newMatter(house, {
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
		const list = (query: string) =>
			listMatters(house, io(), parseMatterFilter(new URLSearchParams(query)));
		assert.deepEqual(
			list('group=kind')
				.groups.map((group) => [group.name, group.n])
				.sort(),
			[
				['Agreement review', 4],
				['Litigation', 4]
			]
		);
		assert.deepEqual(
			list('group=kind')
				.rows.map((row) => row.group)
				.filter((text, i, a) => a[i - 1] !== text),
			['Litigation', 'Agreement review']
		);
		assert.deepEqual(
			list('sort=-fact:exposure&cols=title,fact:exposure')
				.rows.slice(0, 3)
				.map((row) => [row.title, row.cells['fact:exposure']]),
			[
				['M2', 100_000],
				['M4', 90_000],
				['M7', null]
			]
		);
		assert.deepEqual(
			list('sort=title&unit=unit_1').rows.map((row) => row.title),
			['M1', 'M4', 'M7']
		);
		assert.equal(list("sort=number;DROP TABLE matter&group=x'y&cols=zz&page=-3").rows.length, 8);
		good(
			setStatus(house.as('okafor'), {
				matterId: list('q=M3').rows[0]!.id,
				status: 'on hold',
				reason: 'x'
			})
		);
		assert.deepEqual(
			list('status=on%20hold').rows.map((row) => row.title),
			['M3']
		);
	});
	it('knows what has gone quiet and what is old by the kind’s own thresholds', async () => {
		await newMatter(house, { title: 'Talky' });
		await newMatter(house, { title: 'Silent', kind: 'data-incident', rulebook: null });
		house.set('2026-12-05');
		assert.deepEqual(
			listMatters(house, io(), { who: 'all', quiet: true }).rows.map((row) => row.title),
			['Silent']
		);
		house.set('2027-07-01');
		assert.deepEqual(
			listMatters(house, io(), { who: 'all', old: true }).rows.map((row) => row.title),
			['Silent']
		);
	});
	it('counts the days of quiet from the department’s day, not from the day in UTC', async () => {
		house = await testHouse();
		house.set('2026-11-23', 20);
		await newMatter(house, { title: 'Evening' });
		const days = listKinds(house).find((kind) => kind.id === 'litigation')!.quietDays;
		const quiet = () => [
			listMatters(house, io(), { who: 'all', quiet: true }).total,
			makeFigures(house, io()).quiet
		];
		house.set(addDays(plainDate('2026-11-23'), days));
		assert.deepEqual(quiet(), [0, 0]);
		house.set(addDays(plainDate('2026-11-23'), days + 1));
		assert.deepEqual(quiet(), [1, 1]);
		const row = listMatters(house, io(), { who: 'all', cols: ['activity'] }).rows[0]!;
		assert.deepEqual([row.lastActivity, row.cells.activity], ['2026-11-23', '2026-11-23']);
	});
	it('keeps views, own and shared', () => {
		good(
			saveView(house.as('okafor'), { name: 'High', query: 'priority=high&page=3', shared: true })
		);
		good(saveView(house.as('okafor'), { name: 'Own', query: 'quiet=1' }));
		good(saveView(house.as('okafor'), { name: 'Own', query: 'old=1' }));
		assert.deepEqual(
			listSavedViews(house, io()).map((view) => [view.name, view.query]),
			[
				['High', 'priority=high'],
				['Own', 'old=1']
			]
		);
		assert.deepEqual(
			listSavedViews(house, house.staff('wardle')).map((view) => view.name),
			['High']
		);
		bad(removeView(house.as('wardle'), { viewId: listSavedViews(house, io())[0]!.id }));
		good(removeView(house.as('okafor'), { viewId: listSavedViews(house, io())[0]!.id }));
	});
	it('changes many at once: shown before, all or none', async () => {
		const a = await newMatter(house),
			b = await newMatter(house, {}, 'wardle'),
			item = await newMatter(house, { restricted: true }, 'wardle');
		const i = { what: 'responsible' as const, value: 'stf_quiroga', reason: '' };
		const before = all(house.db, 'SELECT * FROM audit').length;
		assert.deepEqual(
			good(
				await previewBulk(house.as('okafor'), {
					numbers: [a.number, b.number, item.number],
					...i
				})
			).map((other) => [other.was, other.fault]),
			[
				['Ines Okafor', null],
				[
					'Tamsin Wardle',
					'Only the responsible lawyer, an owner or an administrator hands the matter over.'
				],
				['', 'There is no such matter, or it is not yours to see.']
			]
		);
		assert.equal(all(house.db, 'SELECT * FROM audit').length, before, 'a preview saves nothing');
		assert.match(
			bad(bulkChange(house.as('okafor'), { numbers: [a.number, b.number], ...i }))['']!,
			/Nothing was changed/
		);
		assert.equal(cap(a.number).responsibleId, 'stf_okafor');
		good(bulkChange(house.as('harrowgate'), { numbers: [a.number, b.number], ...i }));
		assert.deepEqual(
			[cap(a.number).responsibleId, cap(b.number).responsibleId],
			['stf_quiroga', 'stf_quiroga']
		);
		good(
			bulkChange(house.as('okafor'), {
				numbers: [a.number, b.number],
				what: 'status',
				value: 'on hold',
				reason: 'Holidays'
			})
		);
		assert.equal(cap(a.number).status, 'on hold');
	});
	it('goes out as CSV and XLSX with typed cells and harmless texts', async () => {
		await newMatter(house, {
			title: '=HYPERLINK("http://x")',
			facts: { 'fact:exposure': '1,250.50' }
		});
		const filter = parseMatterFilter(
			new URLSearchParams('who=all&cols=number,title,opened,fact:exposure,age')
		);
		assert.match(
			makeMattersCsv(house, io(), filter),
			/^\uFEFFNumber,Matter,Opened,Exposure,Age\r\nLF-2026-0001,"'=HYPERLINK\(""http:\/\/x""\)",2026-11-23,1250\.5,0\r\n$/
		);
		const book = new ExcelJS.Workbook();
		await book.xlsx.load(
			(await makeMattersXlsx(house.as('okafor'), filter)) as unknown as ArrayBuffer
		);
		const item = book.worksheets[0]!;
		assert.deepEqual(
			[
				item.getCell('B2').type,
				item.getCell('C2').value,
				item.getCell('D2').value,
				item.autoFilter !== undefined,
				item.views[0]!.state
			],
			[ExcelJS.ValueType.String, new Date('2026-11-23T00:00:00Z'), 1250.5, true, 'frozen']
		);
		assert.deepEqual([harmlessCell('-1'), harmlessCell('a=b')], ["'-1", 'a=b']);
	});
	it('feeds charts whose parts are lists', async () => {
		await newMatter(house);
		await newMatter(house, { kind: 'agreement', rulebook: null, unitId: 'unit_2' });
		await newMatter(house, { restricted: true }, 'wardle');
		const figures = makeFigures(house, io());
		assert.equal(figures.open, 2);
		for (const part of [
			...figures.kind,
			...figures.age,
			...figures.unit,
			...figures.lawyer,
			...figures.months.flatMap((month) => [month.opened, month.closed])
		])
			assert.equal(
				listMatters(house, io(), parseMatterFilter(new URL(part.href, 'http://x').searchParams))
					.total,
				part.n,
				part.href
			);
		assert.equal(
			figures.age.reduce((a, slice) => a + slice.n, 0),
			2
		);
	});
	it('has pinned matters and the latest at hand', async () => {
		const a = await newMatter(house),
			b = await newMatter(house);
		good(pinMatter(house.as('okafor'), { matterId: a.matterId }));
		run(
			house.db,
			`INSERT INTO recent (staff_id, matter_id, at)
			VALUES (@staffId, @matterId, @at), (@at2, @matterId2, @value)`,
			{
				staffId: 'stf_okafor',
				matterId: b.matterId,
				at: '2026-11-23',
				at2: 'stf_okafor',
				matterId2: a.matterId,
				value: '2026-11-22'
			}
		);
		assert.deepEqual(
			listNearMatters(house, io()).map((matter) => [matter.number, matter.pinned]),
			[
				[a.number, true],
				[b.number, false]
			]
		);
	});
});

describe('the trial view', () => {
	it('numbers exhibits, keeps what was offered and ruled, orders witnesses', async () => {
		const item = await newMatter(house);
		const ex = (side: 'ours' | 'theirs', title: string) =>
			good(addExhibit(house.as('okafor'), { matterId: item.matterId, side, title }));
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
		const [e1, e2] = findTrialView(house, item.matterId).exhibits;
		assert.match(
			bad(
				changeExhibit(house.as('okafor'), {
					exhibitId: e1!.id,
					offered: '2026-11-20',
					ruling: 'admitted',
					ruledOn: '2026-11-19'
				})
			).ruledOn!,
			/before it is offered/
		);
		assert.match(
			bad(changeExhibit(house.as('okafor'), { exhibitId: e1!.id, offered: '2026-11-24' })).offered!,
			/not come yet/
		);
		good(
			changeExhibit(house.as('okafor'), {
				exhibitId: e1!.id,
				offered: '2026-11-20',
				ruling: 'admitted',
				ruledOn: '2026-11-20'
			})
		);
		assert.match(
			bad(removeExhibit(house.as('okafor'), { exhibitId: e1!.id }))['']!,
			/stays in the record/
		);
		good(removeExhibit(house.as('okafor'), { exhibitId: e2!.id }));
		for (const n of ['Anna Quill', 'Bodil Quill']) {
			const { personId } = good(
				addRole(house.as('okafor'), { matterId: item.matterId, newName: n, role: 'witness' })
			);
			good(
				addWitness(house.as('okafor'), {
					matterId: item.matterId,
					personId,
					side: 'ours',
					about: 'Saw it',
					minutes: 20
				})
			);
		}
		good(
			moveWitness(house.as('okafor'), {
				witnessId: findTrialView(house, item.matterId).witnesses[1]!.id,
				move: 'up'
			})
		);
		good(
			hearWitness(house.as('okafor'), {
				witnessId: findTrialView(house, item.matterId).witnesses[0]!.id,
				heard: '2026-11-20'
			})
		);
		assert.deepEqual(
			findTrialView(house, item.matterId).witnesses.map((x) => [x.name, x.heard]),
			[
				['Bodil Quill', '2026-11-20'],
				['Anna Quill', null]
			]
		);
	});
});

describe('the reminder ladder of a kind', () => {
	it('tells each rung once, the nearest one after a pause, and none for a closed matter', async () => {
		const item = await newMatter(house);
		good(
			enterEvent(house.as('okafor'), {
				matterId: item.matterId,
				eventKey: 'complaint-filed',
				date: '2026-11-16',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: []
			})
		);
		const other = one<{ id: string; date: string }>(
			house.db,
			"SELECT id, date FROM deadline WHERE rule = 'serve-each-defendant'"
		);
		good(docketDeadlines(house.as('okafor'), { deadlineIds: [other.id] }));
		run(house.db, 'DELETE FROM mail_out');
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
			house.set(day);
			if ((await sendReminders(house)).worked) told.push(day);
		}
		assert.equal(other.date, '2027-02-16');
		assert.deepEqual(told, ['2027-01-17', '2027-02-10', '2027-02-16']);
	});
});
