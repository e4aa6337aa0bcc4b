import { removeMatterBook } from './orders.ts';
import { findEffectsOf } from './effects-query.ts';
import type { ClosureRow } from './rows.ts';
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { addDays, plainDate } from '#core/dates/plain.ts';
import { all, one, run, scalar } from '#server/db/sql.ts';
import { uploadDocument } from '#server/documents/commands.ts';
import { addMember } from '#server/matters/members.ts';
import { addExhibit, removeExhibit } from '#server/trial/exhibits.ts';
import { addClosure, removeClosure } from './closures.ts';
import { formatEffects } from './effect-views.ts';
import { findEffects } from './effects.ts';
import { listWaitingChanges, countWaitingChanges, decideChanges } from './changes.ts';
import {
	answerReturn,
	checkDeadlines,
	docketDeadlines,
	meetDeadline,
	returnDeadline,
	vacateDeadline
} from './deadlines.ts';
import { removeLeave, addLeave } from '#server/staff/commands.ts';
import { editDeadline } from './details.ts';
import { moveDeadline } from './reschedule.ts';
import { addDeadline } from './by-hand.ts';
import { enterEvent } from './events.ts';
import { moveEvent } from './move-event.ts';
import { previewMoves } from './moves.ts';
import { previewOrder, listOrders, endOrder, layOrder, addMatterBook } from './orders.ts';
import {
	findCheckItem,
	listDateDocuments,
	listDateExhibits,
	listMatterEvents
} from './matter-docket.ts';
import { listDeadlines } from './list.ts';
import { listHorizon } from '#server/day-sheet/horizon.ts';

import { shelfOf } from '#server/rulebooks/shelf.ts';
import { addTask } from '#server/tasks/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';

let house: TestHouse;
let matterId: string, number: string;
beforeEach(async () => {
	house = await testHouse();
	({ matterId, number } = await newMatter(house));
});
type Row = {
	id: string;
	rule: string;
	title: string;
	date: string;
	state: string;
	computed: string | null;
	checked_by: string | null;
	internal: string | null;
	version: number;
	event_id: string;
	reason: string;
};
const row = (title: string, of = matterId) =>
	one<Row>(house.db, 'SELECT * FROM deadline WHERE matter_id = @of AND lower(title) LIKE @value', {
		of,
		value: `${title.toLowerCase()}%`
	});
const event = (id: string) =>
	one<{ version: number; date: string }>(
		house.db,
		'SELECT version, date FROM event WHERE id = @id',
		{ id }
	);
const mails = (subject: string) =>
	scalar(house.db, 'SELECT count(*) AS n FROM mail_out WHERE subject LIKE @subject', {
		subject: `%${subject}%`
	});
/** The dates of law among them; a suggested early warning moves with its date. */
const legal = <T extends { title: string }>(all: T[]) =>
	all.filter((each) => !each.title.startsWith('Start on'));
const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
const summons = (day = '2026-11-09', of = matterId) =>
	good(
		enterEvent(house.as('okafor'), {
			matterId: of,
			eventKey: SUMMONS,
			date: day,
			docket: ['answer-or-rule-12-motion']
		})
	).eventId;
const paper = async (name = 'Order', of = matterId) =>
	good(
		await uploadDocument(house.as('okafor'), {
			matterId: of,
			name,
			folder: 'Internal',
			mark: '',
			file: new File([name], 'order.txt')
		})
	).documentId;

describe('a date moved by order or agreement', () => {
	it('keeps the computed date beside it, links the order, moves its tasks and is checked again', async () => {
		summons();
		const item = row('Answer');
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [item.id] }));
		good(
			addTask(house.as('okafor'), {
				matterId,
				subject: 'Draft',
				assigneeId: 'stf_okafor',
				deadlineId: item.id,
				offsetDays: 3,
				offsetUnit: 'cd'
			})
		);
		const documentId = await paper();
		const before = mails('a date moved');
		good(
			moveDeadline(house.as('okafor'), {
				deadlineId: item.id,
				how: 'order',
				by: '+14d',
				reason: 'Stipulated',
				documentId,
				version: row('Answer').version
			})
		);
		const now = row('Answer');
		assert.deepEqual([now.date, now.computed, now.checked_by], ['2026-12-14', '2026-11-30', null]);
		assert.equal(
			scalar<string>(house.db, "SELECT due FROM task WHERE subject = 'Draft'"),
			'2026-12-09'
		);
		assert.deepEqual(listDateDocuments(house, matterId)[item.id], [
			{ id: documentId, name: 'Order', role: 'order' }
		]);
		assert.equal(
			mails('a date moved') - before,
			scalar(house.db, 'SELECT count(*) AS n FROM matter_member WHERE matter_id = @matterId', {
				matterId
			})
		);
		// Its event moves: the order stands, the computed date changes.
		const move = good(
			await previewMoves(house.as('okafor'), { eventId: item.event_id, to: '2026-11-10' })
		).moves.find((other) => other.deadlineId === item.id)!;
		assert.deepEqual([move.held, move.to, move.warnings.length], [true, '2026-12-01', 1]);
		good(
			moveEvent(house.as('okafor'), {
				eventId: item.event_id,
				to: '2026-11-10',
				reason: 'slip',
				version: event(item.event_id).version
			})
		);
		assert.deepEqual([row('Answer').date, row('Answer').computed], ['2026-12-14', '2026-12-01']);
		good(
			moveDeadline(house.as('okafor'), {
				deadlineId: item.id,
				how: 'back',
				reason: 'Order vacated',
				version: row('Answer').version
			})
		);
		assert.deepEqual([row('Answer').date, row('Answer').computed], ['2026-12-01', null]);
	});
	it('counts court days, takes a plain date, and refuses what is neither', () => {
		summons();
		const item = row('Answer');
		const go = (more: object) =>
			moveDeadline(house.as('okafor'), {
				deadlineId: item.id,
				how: 'agreement',
				reason: 'x',
				version: row('Answer').version,
				...more
			});
		assert.match(bad(go({}))['by']!, /Give the days/);
		assert.match(bad(go({ by: 'soon' }))['by']!, /not a count/);
		assert.match(bad(go({ to: '2026-11-30' }))['to']!, /the date it has/);
		assert.match(bad(go({ by: '+1d', version: 99 }))['']!, /Someone else/);
		assert.match(
			bad(go({ by: '+1d', documentId: 'doc_none' }))['documentId']!,
			/document of this matter/
		);
		good(go({ by: '-3cd' }));
		assert.equal(row('Answer').date, '2026-11-24', 'back over Thanksgiving');
		good(go({ to: '2026-12-05' }));
		assert.equal(row('Answer').date, '2026-12-05', 'a date by hand is not rolled');
	});
});

describe('an internal date and what else belongs to a date', () => {
	it('is earlier than the legal one, and falls away where that moves before it', () => {
		const text = summons();
		const item = row('Answer');
		const edit = (more: object) =>
			editDeadline(house.as('okafor'), { deadlineId: item.id, ...more });
		assert.match(bad(edit({ internal: '2026-12-01' }))['internal']!, /after the date itself/);
		assert.match(bad(edit({ link: 'javascript:alert(1)' }))['link']!, /https/);
		good(
			edit({
				internal: '2026-11-27',
				time: '16:30',
				place: 'Courtroom 4',
				link: 'https://court.example/room',
				short: 'Answer',
				long: 'With counterclaims'
			})
		);
		const deadline = listDeadlines(house, house.staff('okafor'), {}).rows[0]!;
		assert.deepEqual(
			[deadline.internal, deadline.time, deadline.place, deadline.short],
			['2026-11-27', '16:30', 'Courtroom 4', 'Answer']
		);
		const result = edit({ short: 'Mine', base: { short: '' } });
		assert.equal(
			result.ok === false && result.status,
			409,
			'the second writer sees the difference'
		);
		good(
			moveEvent(house.as('okafor'), { eventId: text, to: '2026-11-02', reason: 'x', version: 1 })
		);
		assert.equal(row('Answer').internal, null);
	});
	it('is linked to exhibits of its matter, until they are taken off the list', async () => {
		summons();
		const ours = good(
			addExhibit(house.as('okafor'), { matterId, side: 'ours', title: 'Deck log' })
		).exhibitId;
		const elsewhere = good(
			addExhibit(house.as('okafor'), {
				matterId: (await newMatter(house, { title: 'Else' })).matterId,
				side: 'ours',
				title: 'Other'
			})
		).exhibitId;
		const edit = (exhibits: string[]) =>
			editDeadline(house.as('okafor'), {
				deadlineId: row('Answer').id,
				exhibits
			});
		assert.match(bad(edit([ours, elsewhere]))['exhibits']!, /of this matter/);
		good(edit([ours, ours]));
		assert.deepEqual(
			listDateExhibits(house, matterId).map((exhibit) => [exhibit.title, exhibit.dates]),
			[['Deck log', [row('Answer').id]]]
		);
		good(removeExhibit(house.as('okafor'), { exhibitId: ours }));
		assert.deepEqual(listDateExhibits(house, matterId), []);
	});
	it('keeps a document as proof that it was met', async () => {
		summons();
		const documentId = await paper('Filed answer');
		good(
			meetDeadline(house.as('okafor'), {
				deadlineId: row('Answer').id,
				on: '2026-11-20',
				documentId
			})
		);
		assert.deepEqual(listDateDocuments(house, matterId)[row('Answer').id], [
			{ id: documentId, name: 'Filed answer', role: 'proof' }
		]);
		const other = (await newMatter(house, { title: 'Other' })).matterId;
		const eventId = summons('2026-11-10', other);
		assert.ok(eventId);
		assert.match(
			bad(
				meetDeadline(house.as('okafor'), {
					deadlineId: row('Answer', other).id,
					on: '2026-11-20',
					documentId
				})
			)['documentId']!,
			/this matter/
		);
	});
});

describe('the second check', () => {
	it('shows the event, its source and the count beside a fresh one', async () => {
		const sourceId = await paper('Proof of service');
		good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: SUMMONS,
				date: '2026-11-09',
				answers: { defendant: 'united-states' },
				sourceId,
				docket: ['answer-or-rule-12-motion']
			})
		);
		const item = findCheckItem(house, house.staff('castellan'), row('Answer').id)!;
		assert.deepEqual(
			[
				item.eventDate,
				item.source?.name,
				item.fresh?.same,
				item.fresh?.date,
				item.answers[0]?.answer
			],
			[
				'2026-11-09',
				'Proof of service',
				true,
				'2027-01-08',
				'the United States, its agency or officer'
			]
		);
		assert.ok(item.count.strip.length > 5);
	});
	it('goes back with a reason where the second person does not agree, and is answered or mended', () => {
		summons();
		const id = row('Answer').id;
		assert.match(
			bad(returnDeadline(house.as('okafor'), { deadlineId: id, reason: 'x' }))['']!,
			/yourself/
		);
		good(
			returnDeadline(house.as('castellan'), { deadlineId: id, reason: 'Served by mail, I think' })
		);
		assert.equal(mails('does not agree'), 1);
		assert.equal(
			listDeadlines(house, house.staff('okafor'), {}).rows[0]!.returnedReason,
			'Served by mail, I think'
		);
		assert.match(bad(checkDeadlines(house.as('wardle'), { deadlineIds: [id] }))['']!, /returned/);
		assert.match(
			bad(answerReturn(house.as('castellan'), { deadlineId: id, words: 'x' }))['']!,
			/someone else/
		);
		good(answerReturn(house.as('okafor'), { deadlineId: id, words: 'Personally, see the proof' }));
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [id] }));
		good(returnDeadline(house.as('wardle'), { deadlineId: id, reason: 'Wrong year' }));
		assert.equal(row('Answer').checked_by, null, 'a disagreement takes the check away');
		good(
			moveEvent(house.as('okafor'), {
				eventId: row('Answer').event_id,
				to: '2026-11-10',
				reason: 'x',
				version: 1
			})
		);
		good(checkDeadlines(house.as('wardle'), { deadlineIds: [id] }));
	});
});

describe('an event corrected', () => {
	const SERVED = 'interrogatories-served';
	const enter = (eventKey: string, more: object = {}, of = matterId) =>
		good(
			enterEvent(house.as('okafor'), {
				matterId: of,
				eventKey,
				date: '2026-11-09',
				docket: [],
				...more
			})
		).eventId;
	const correct = (id: string, more: object) =>
		moveEvent(house.as('okafor'), {
			eventId: id,
			to: '2026-11-09',
			reason: 'Proof of service came',
			version: event(id).version,
			...more
		});
	const log = () =>
		scalar<string>(
			house.db,
			'SELECT text FROM logbook WHERE matter_id = @matterId ORDER BY id DESC',
			{ matterId }
		);
	it('counts anew as it was truly served, wants the check again, and says what was corrected', async () => {
		const id = enter(SERVED, { docket: ['answers-and-objections'] });
		const due = () =>
			one<Row>(house.db, "SELECT * FROM deadline WHERE event_id = @id AND state = 'docketed'", {
				id
			});
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [due().id] }));
		const before = due().date;
		assert.deepEqual(
			good(
				await previewMoves(house.as('okafor'), {
					eventId: id,
					to: '2026-11-09',
					...{ service: 'mail' }
				})
			).moves.map((move) => move.days),
			[7, 5],
			'its early warning too, which rolls back over a weekend where it fell'
		);
		assert.equal(due().date, before, 'looking moves nothing');
		good(correct(id, { service: 'mail' }));
		assert.equal(before, '2026-12-09');
		assert.deepEqual(
			[due().date, due().checked_by],
			['2026-12-14', null],
			'three days more end on Saturday the 12th, and roll'
		);
		assert.match(log(), /corrected.*served by mail/i);
		good(correct(id, {}));
		assert.equal(due().date, '2026-12-14', 'what is not said stays');
		good(correct(id, { service: '' }));
		assert.equal(due().date, before);
		assert.ok(bad(correct(id, { service: 'pigeon' }))['service']);
		assert.equal(due().date, before);
	});
	it('proposes what only the new answer sets, and leaves what no rule sets any more unchecked', async () => {
		const ny = (await newMatter(house, { title: 'New York', rulebook: 'us-ny-supreme' })).matterId;
		const id = enter('motion-return-date', { date: '2027-03-15', time: '10:00' }, ny);
		const move = (more: object) =>
			moveEvent(house.as('okafor'), {
				eventId: id,
				to: '2027-03-15',
				reason: 'Notice of motion read again',
				version: event(id).version,
				...more
			});
		const titles = () =>
			all<{ rule: string }>(
				house.db,
				'SELECT rule FROM deadline WHERE event_id = @id ORDER BY rule',
				{ id }
			).map((item) => item.rule);
		assert.ok(!titles().includes('reply-papers'));
		assert.deepEqual(
			good(
				await previewMoves(house.as('okafor'), {
					eventId: id,
					to: '2027-03-15',
					...{ answers: { seven: 'yes' } }
				})
			).born.map(({ title }) => title),
			['reply papers']
		);
		good(move({ answers: { seven: 'yes', other: 'ignored' } }));
		assert.equal(row('Reply papers', ny).state, 'proposed');
		assert.deepEqual(
			JSON.parse(scalar<string>(house.db, 'SELECT answers FROM event WHERE id = @id', { id })),
			{ seven: 'yes' }
		);
		good(docketDeadlines(house.as('okafor'), { deadlineIds: [row('Reply papers', ny).id] }));
		good(addMember(house.as('okafor'), { matterId: ny, staffId: 'stf_castellan' }));
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [row('Reply papers', ny).id] }));
		assert.equal(
			good(
				await previewMoves(house.as('okafor'), {
					eventId: id,
					to: '2027-03-15',
					...{ answers: {} }
				})
			).gone.length,
			1
		);
		good(move({ answers: {} }));
		assert.equal(
			row('Reply papers', ny).checked_by,
			null,
			'checked it was under a rule that set it'
		);
		assert.match(
			scalar<string>(
				house.db,
				`SELECT text
				FROM logbook
				WHERE matter_id = @ny AND text LIKE '%corrected%'
				ORDER BY id DESC`,
				{ ny }
			),
			/Reply papers left on Fri 12 Mar, no rule sets it any more/
		);
		const reply = row('Reply papers', ny);
		assert.equal(reply.state, 'docketed', 'a docketed date is not taken off behind one’s back');
		assert.match(
			bad(checkDeadlines(house.as('castellan'), { deadlineIds: [reply.id] }))['']!,
			/No rule sets this date any more/
		);
		assert.deepEqual(
			[
				findCheckItem(house, house.staff('castellan'), reply.id)!.fresh,
				findCheckItem(house, house.staff('castellan'), reply.id)!.byHand
			],
			[null, false]
		);
		good(vacateDeadline(house.as('okafor'), { deadlineId: reply.id, reason: 'No rule sets it' }));
		assert.deepEqual(
			good(await previewMoves(house.as('okafor'), { eventId: id, to: '2027-03-16' })).born,
			[],
			'a move alone brings nothing back that was taken off'
		);
		good(move({ answers: { seven: 'yes' } }));
		assert.deepEqual(
			[row('Reply papers', ny).id, row('Reply papers', ny).state, row('Reply papers', ny).reason],
			[reply.id, 'proposed', ''],
			'it is set again, and comes back as a proposal'
		);
		assert.equal(
			good(await previewMoves(house.as('okafor'), { eventId: id, to: '2027-03-15' })).moves.filter(
				(item) => item.deadlineId === reply.id
			).length,
			1
		);
	});
	it('does not set twice what an order adds and a correction has brought meanwhile', () => {
		const id = enter('motion-filed', { date: '2026-11-02' });
		good(
			layOrder(house.as('okafor'), {
				matterId,
				book: 'us-federal.ca-nd',
				sort: 'standing order',
				title: 'Standing order',
				dated: '2026-11-10',
				lines: [{ do: 'add', event: 'motion-filed', title: 'Joint letter', count: '+7d' }] as never
			})
		);
		good(
			moveEvent(house.as('okafor'), {
				eventId: id,
				to: '2026-11-03',
				reason: 'slip',
				version: event(id).version
			})
		);
		assert.equal(row('Joint letter').date, '2026-11-10');
		good(
			decideChanges(house.as('okafor'), {
				changeIds: listWaitingChanges(house, house.staff('okafor')).map((change) => change.id),
				apply: true
			})
		);
		assert.equal(
			scalar(
				house.db,
				"SELECT count(*) AS n FROM deadline WHERE event_id = @id AND title = 'Joint letter'",
				{ id }
			),
			1
		);
		assert.deepEqual(
			[row('Joint letter').date, row('Joint letter').state],
			['2026-11-10', 'proposed']
		);
		assert.match(log(), /there already/);
	});
	it('says in the logbook only what was corrected', () => {
		const id = enter(SUMMONS, { answers: { defendant: '' } });
		good(
			moveEvent(house.as('okafor'), {
				eventId: id,
				to: '2026-11-10',
				answers: {},
				reason: 'Stamp of the clerk',
				version: event(id).version
			})
		);
		assert.match(log(), /moved from Monday 9 November 2026 to Tuesday 10 November 2026: Stamp/);
	});
	it('refuses answers that contradict each other or are no date, beside the question', async () => {
		const ny = (await newMatter(house, { title: 'New York', rulebook: 'us-ny-supreme' })).matterId;
		const id = enter('action-commenced', {}, ny);
		assert.match(
			bad(correct(id, { answers: { 'limitation-ends': '2026-12-01' } }))[
				'answers.limitation-ends'
			]!,
			/contradict/
		);
		assert.match(
			bad(correct(id, { answers: { short: 'yes', 'limitation-ends': '2026-02-30' } }))[
				'answers.limitation-ends'
			]!,
			/not a date that exists/
		);
		good(correct(id, { answers: { short: 'yes', 'limitation-ends': '2026-12-01' } }));
	});
});

describe('dates by hand, many at once, several books', () => {
	it('are docketed without a rule, checked and moved like any other', () => {
		const { deadlineId } = good(
			addDeadline(house.as('okafor'), {
				matterId,
				title: 'Mediation statement',
				date: '2026-12-05',
				authority: 'Letter of the mediator'
			})
		);
		good(
			addDeadline(house.as('okafor'), { matterId, title: 'Second statement', date: '2026-12-09' })
		);
		good(
			addDeadline(house.as('okafor'), {
				matterId,
				what: 'hearing',
				title: 'Mediation',
				date: '2026-12-10',
				time: '09:30',
				place: 'Pier 3'
			})
		);
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [deadlineId!] }));
		good(
			moveDeadline(house.as('okafor'), {
				deadlineId: deadlineId!,
				how: 'agreement',
				by: '+2cd',
				reason: 'x',
				version: row('Mediation').version
			})
		);
		assert.equal(row('Mediation').date, '2026-12-08');
		assert.deepEqual(
			listMatterEvents(house, house.staff('okafor'), matterId)
				.map((item) => [item.text, item.deadlines.length])
				.sort(),
			[
				['Dates by hand', 2],
				['Mediation', 1]
			]
		);
		assert.ok(
			listHorizon(house, house.staff('okafor')).some((day) =>
				day.marks.some((x) => x.sort === 'hearing' && x.title.startsWith('Mediation'))
			)
		);
		assert.match(
			bad(
				moveEvent(house.as('okafor'), {
					eventId: row('Mediation').event_id,
					to: '2026-11-20',
					reason: 'x',
					version: 1
				})
			)['to']!,
			/by hand/
		);
	});
	it('are docketed together with one message', () => {
		good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'judgment-entered',
				date: '2026-11-02',
				docket: []
			})
		);
		const ids = all<{ id: string }>(
			house.db,
			"SELECT id FROM deadline WHERE state = 'proposed' AND suggested = 0"
		).map((item) => item.id);
		const before = mails('dates were docketed');
		assert.equal(
			good(docketDeadlines(house.as('okafor'), { deadlineIds: ids })).docketed,
			ids.length
		);
		assert.equal(
			mails('dates were docketed') - before,
			scalar(house.db, 'SELECT count(*) AS n FROM matter_member WHERE matter_id = @matterId', {
				matterId
			})
		);
		assert.match(
			bad(docketDeadlines(house.as('okafor'), { deadlineIds: ids }))['']!,
			/docketed already/
		);
	});
	it('come from a further book of the matter', () => {
		const go = () =>
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'us-appeals|record-filed',
				date: '2026-11-02',
				docket: ['appellant-s-brief']
			});
		assert.match(bad(go())['eventKey']!, /Add it first/);
		assert.match(
			bad(addMatterBook(house.as('okafor'), { matterId, book: 'us-moon' }))['book']!,
			/no such/
		);
		good(addMatterBook(house.as('okafor'), { matterId, book: 'us-appeals' }));
		good(go());
		assert.equal(row("Appellant's brief").date, '2026-12-14', '40 days end on a Saturday');
		assert.match(
			bad(removeMatterBook(house.as('okafor'), { matterId, book: 'us-appeals' }))['book']!,
			/it stays/
		);
	});
	it('warn of leave, closures, past days and two hearings at once', async () => {
		const text = summons();
		good(
			addLeave(house.as('okafor'), { staffId: 'stf_okafor', from: '2026-11-30', to: '2026-12-04' })
		);
		assert.match(
			bad(
				addLeave(house.as('okafor'), {
					staffId: 'stf_wardle',
					from: '2026-11-30',
					to: '2026-12-04'
				})
			)['staffId']!,
			/your own/
		);
		assert.match(
			bad(
				addLeave(house.as('okafor'), {
					staffId: 'stf_okafor',
					from: '2026-11-30',
					to: '2026-11-01'
				})
			)['to']!,
			/before the first/
		);
		const of = async (to: string) =>
			good(await previewMoves(house.as('okafor'), { eventId: text, to: to }))
				.moves.find((move) => move.title.startsWith('Answer'))!
				.warnings.join(' ');
		assert.match(await of('2026-11-10'), /is away/);
		assert.match(await of('2026-10-05'), /past/);
		assert.match(await of('2026-11-03'), /less than seven/);
		good(
			removeLeave(house.as('okafor'), {
				leaveId: scalar<string>(house.db, 'SELECT id FROM leave')
			})
		);
		assert.doesNotMatch(await of('2026-11-10'), /away/);
		const hearing = good(
			addDeadline(house.as('okafor'), {
				matterId,
				what: 'hearing',
				title: 'Status',
				date: '2026-12-10'
			})
		).eventId;
		good(
			addDeadline(house.as('okafor'), {
				matterId: (await newMatter(house, { title: 'Same lawyer' })).matterId,
				what: 'hearing',
				title: 'Motion',
				date: '2026-12-11'
			})
		);
		assert.match(
			good(
				await previewMoves(house.as('okafor'), { eventId: hearing, to: '2026-12-11' })
			).warnings.join(),
			/another hearing that day: Motion, Same lawyer/
		);
		assert.match(
			good(
				await previewMoves(house.as('okafor'), { eventId: hearing, to: '2026-12-12' })
			).warnings.join(),
			/Saturday/
		);
	});
});

const effectsOf = (closure: Omit<ClosureRow, 'id'>, everything = false) =>
	findEffectsOf(house, { of: 'closures', closures: [closure], everything }).effects;

describe('a closure', () => {
	const close = (more: object = {}) =>
		addClosure(house.as('castellan'), {
			book: 'us-federal',
			date: '2026-11-30',
			kind: 'holiday',
			name: 'National day of mourning',
			...more
		});
	it('proposes every affected date for change, moves nothing by itself, and is applied or left', async () => {
		summons();
		assert.deepEqual(
			legal(
				effectsOf({
					book: 'us-federal',
					date: plainDate('2026-11-30'),
					kind: 'holiday',
					name: 'x'
				})
			).map((effect) => [effect.was, effect.fresh?.date]),
			[['2026-11-30', '2026-12-01']]
		);
		const item = good(await close());
		assert.equal(item.affected, 2);
		assert.equal(row('Answer').date, '2026-11-30', 'nothing has moved');
		const [change] = legal(listWaitingChanges(house, house.staff('okafor')));
		assert.deepEqual(
			[change!.was, change!.becomes, change!.cause],
			['2026-11-30', '2026-12-01', 'closure']
		);
		assert.match(
			bad(decideChanges(house.as('okafor'), { changeIds: [change!.id], apply: false }))['reason']!,
			/why/
		);
		good(decideChanges(house.as('okafor'), { changeIds: [change!.id], apply: true }));
		assert.equal(row('Answer').date, '2026-12-01');
		assert.equal(legal(listWaitingChanges(house, house.staff('okafor'))).length, 0);
		assert.match(
			bad(decideChanges(house.as('okafor'), { changeIds: [change!.id], apply: true }))['']!,
			/already/
		);
		// Taken away again, the dates wait to move back.
		good(
			await removeClosure(house.as('castellan'), {
				closureId: scalar<string>(house.db, 'SELECT id FROM closure'),
				reason: 'Wrong court'
			})
		);
		assert.deepEqual(
			legal(listWaitingChanges(house, house.staff('okafor'))).map((x) => x.becomes),
			['2026-11-30']
		);
	});
	it('of an office moves only what is filed, and is refused twice, for no court, or by the wrong role', async () => {
		good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'interrogatories-served',
				date: '2026-10-30',
				docket: ['answers-and-objections']
			})
		);
		summons('2026-11-09');
		assert.deepEqual(
			legal(
				effectsOf({
					book: 'us-federal',
					date: plainDate('2026-11-30'),
					kind: 'office',
					name: 'x'
				})
			).map((effect) => effect.title),
			['Answer or Rule 12 motion']
		);
		assert.equal(
			legal(
				effectsOf({
					book: 'us-federal',
					date: plainDate('2026-11-30'),
					kind: 'holiday',
					name: 'x'
				})
			).length,
			2
		);
		good(await close({ kind: 'office' }));
		assert.match(bad(await close({ kind: 'office' }))['date']!, /already/);
		assert.match(bad(await close({ book: 'moon' }))['book']!, /court/);
		assert.equal(
			(
				await addClosure(house.as('okafor'), {
					book: 'us-federal',
					date: '2026-12-01',
					kind: 'holiday',
					name: 'x'
				})
			).ok,
			false
		);
	});
	it('reaches restricted matters, but shows them only to those on them', async () => {
		const hidden = await newMatter(house, { title: 'Heron', restricted: true });
		summons('2026-11-09', hidden.matterId);
		const found = effectsOf({
			book: 'us-federal',
			date: plainDate('2026-11-30'),
			kind: 'holiday',
			name: 'x'
		});
		assert.equal(found.length, 2);
		assert.equal(formatEffects(house, house.staff('castellan'), found).length, 0);
		assert.equal(formatEffects(house, house.staff('okafor'), found).length, 2);
		assert.deepEqual(
			good(await close()),
			{ added: 1, affected: 0, matters: 0 },
			'who enters it learns nothing of it'
		);
		assert.deepEqual(
			[
				listWaitingChanges(house, house.staff('castellan')).length,
				countWaitingChanges(house, house.staff('castellan'))
			],
			[0, 0]
		);
		assert.deepEqual(
			[
				listWaitingChanges(house, house.staff('okafor')).length,
				countWaitingChanges(house, house.staff('okafor'))
			],
			[2, 2]
		);
		const closure = one<{ id: string }>(house.db, 'SELECT id FROM closure');
		good(
			decideChanges(house.as('okafor'), {
				changeIds: listWaitingChanges(house, house.staff('okafor')).map((change) => change.id),
				apply: true
			})
		);
		assert.deepEqual(
			good(
				await removeClosure(house.as('castellan'), {
					closureId: closure.id,
					reason: 'Open after all'
				})
			),
			{ affected: 0, matters: 0 }
		);
		assert.equal(countWaitingChanges(house, house.staff('okafor')), 2);
	});
	it('is previewed for the events it can touch as if every event were counted anew', async () => {
		const at = plainDate('2026-10-01');
		let n = 0;
		for (const [i, key] of [
			'interrogatories-served',
			'judgment-entered',
			'motion-filed',
			'offer-of-judgment-served',
			'subpoena-for-documents-served',
			'trial-date'
		].entries())
			for (let index = 0; index < 14; index++) {
				const when = addDays(plainDate('2026-06-03'), index * 11 + i);
				good(
					enterEvent(house.as('okafor'), {
						matterId,
						eventKey: key,
						date: key === 'trial-date' ? addDays(when, 200) : when,
						service: index % 2 ? 'mail' : '',
						sure: true,
						docket: []
					})
				);
			}
		for (let index = 0; index < 60; index++)
			for (const kind of ['holiday', 'office'] as const) {
				const item = { book: 'us-federal', date: addDays(at, index * 3 - 60), kind, name: 'x' };
				const say = (all: boolean) =>
					effectsOf(item, all).map((effect) => [effect.deadlineId, effect.was, effect.fresh?.date]);
				assert.deepEqual(say(false), say(true), item.date);
				n += say(false).length;
			}
		assert.ok(n > 100, `${n} changes`);
	});
	it('leaves met and moved dates where they are', async () => {
		summons();
		good(
			moveDeadline(house.as('okafor'), {
				deadlineId: row('Answer').id,
				how: 'order',
				to: '2026-12-10',
				reason: 'x',
				version: 1
			})
		);
		good(await close());
		const [change] = legal(listWaitingChanges(house, house.staff('okafor')));
		assert.equal(change!.moved, '2026-12-10');
		good(decideChanges(house.as('okafor'), { changeIds: [change!.id], apply: true }));
		assert.deepEqual([row('Answer').date, row('Answer').computed], ['2026-12-10', '2026-12-01']);
	});
});

describe('an order laid over the rules', () => {
	const order = (lines: object[], more: object = {}) => ({
		matterId,
		book: 'us-federal.ca-nd',
		sort: 'standing order' as const,
		title: 'Standing order of Judge Sato',
		dated: '2026-11-10',
		lines: lines as never,
		...more
	});
	it('replaces, switches off and adds on its matter only, with the order as the authority', async () => {
		const other = (await newMatter(house, { title: 'Elsewhere' })).matterId;
		const enter = (of: string) =>
			good(
				enterEvent(house.as('okafor'), {
					matterId: of,
					eventKey: 'motion-filed',
					date: '2026-11-02',
					docket: ['opposition', 'reply']
				})
			);
		enter(matterId);
		enter(other);
		const lines = [
			{ do: 'replace', event: 'motion-filed', rule: 'opposition', count: '+21d' },
			{ do: 'off', event: 'motion-filed', rule: 'reply' },
			{ do: 'add', event: 'motion-filed', title: 'Joint letter', count: '+7d' }
		];
		assert.deepEqual(
			good(await previewOrder(house.as('okafor'), order(lines))).effects.map((effect) => [
				effect.title,
				effect.was,
				effect.becomes
			]),
			[
				['Joint letter', null, '2026-11-09'],
				['Opposition', '2026-11-16', '2026-11-23'],
				['Reply', '2026-11-23', null]
			]
		);
		assert.equal(good(layOrder(house.as('okafor'), order(lines))).affected, 3);
		good(
			decideChanges(house.as('okafor'), {
				changeIds: listWaitingChanges(house, house.staff('okafor')).map((change) => change.id),
				apply: true
			})
		);
		assert.deepEqual(
			[row('Opposition').date, row('Reply').state, row('Joint').state],
			['2026-11-23', 'vacated', 'proposed']
		);
		assert.equal(
			scalar<string>(house.db, 'SELECT authority FROM deadline WHERE id = @id', {
				id: row('Opposition').id
			}),
			'Standing order of Judge Sato'
		);
		assert.deepEqual(
			[row('Opposition', other).date, row('Reply', other).state],
			['2026-11-16', 'docketed'],
			'another matter under the same book'
		);
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [row('Opposition').id] }));
		const says = listOrders(house, house.staff('okafor'), matterId)[0]!;
		assert.match(
			says.says.join('; '),
			/opposition \(motion filed\): \+21d; reply \(motion filed\): switched off; Joint letter \(motion filed\): \+7d, added/
		);
		good(endOrder(house.as('okafor'), { orderId: says.id, reason: 'Reassigned' }));
		assert.deepEqual(
			listWaitingChanges(house, house.staff('okafor'))
				.map((change) => [change.title, change.was, change.becomes])
				.sort(),
			[
				['Joint letter', '2026-11-09', null],
				['Opposition', '2026-11-23', '2026-11-16'],
				['Reply', null, '2026-11-23']
			]
		);
		good(
			decideChanges(house.as('okafor'), {
				changeIds: listWaitingChanges(house, house.staff('okafor')).map((change) => change.id),
				apply: true
			})
		);
		assert.deepEqual(
			[row('Reply').state, row('Reply').date, row('Reply').reason, row('Joint').state],
			['proposed', '2026-11-23', '', 'vacated'],
			'what it took off comes back, to be docketed anew'
		);
		good(docketDeadlines(house.as('okafor'), { deadlineIds: [row('Reply').id] }));
		assert.equal(row('Reply').state, 'docketed');
	});
	it('refuses what is not a count, an event or a date of the book, line by line', () => {
		assert.match(
			bad(
				layOrder(
					house.as('okafor'),
					order([{ do: 'replace', event: 'motion-filed', rule: 'opposition', count: 'soon' }])
				)
			)['lines.0']!,
			/not a count/
		);
		assert.match(
			bad(
				layOrder(
					house.as('okafor'),
					order([
						{ do: 'off', event: 'motion-filed', rule: 'opposition' },
						{ do: 'replace', event: 'motion-filed', rule: 'nothing', count: '+1d' }
					])
				)
			)['lines.1']!,
			/Choose which date/
		);
		assert.match(bad(layOrder(house.as('okafor'), order([])))['lines']!, /at least one/);
		assert.match(
			bad(
				layOrder(
					house.as('okafor'),
					order([{ do: 'off', event: 'motion-filed', rule: 'opposition' }], { book: 'us-appeals' })
				)
			)['book']!,
			/does not stand/
		);
		assert.equal(scalar(house.db, 'SELECT count(*) AS n FROM matter_order'), 0);
	});
});

describe('the department docket', () => {
	it('is filtered by person, unit, kind, court and matter, and ordered by day or by matter', async () => {
		summons();
		const other = await newMatter(house, {
			title: 'Other',
			responsibleId: 'stf_wardle',
			unitId: 'unit_1'
		});
		summons('2026-11-02', other.matterId);
		run(
			house.db,
			`INSERT INTO matter_fact (matter_id, fact, value)
			VALUES (@matterId, 'court', 'N.D. Cal.')
			ON CONFLICT DO UPDATE SET value = excluded.value`,
			{ matterId: other.matterId }
		);
		const me = house.staff('castellan');
		const titles = (item: object) =>
			listDeadlines(house, me, item).rows.map((deadline) => deadline.matterNumber);
		assert.deepEqual(titles({}), [other.number, number]);
		assert.deepEqual(titles({ order: 'matter' }), [number, other.number]);
		assert.deepEqual(titles({ who: 'stf_wardle' }), [other.number]);
		assert.deepEqual(titles({ unit: 'unit_1' }), [other.number]);
		assert.deepEqual(titles({ court: 'N.D. Cal.' }), [other.number]);
		assert.deepEqual(titles({ matter: number.toLowerCase() }), [number]);
		assert.deepEqual(titles({ kind: 'agreement' }), []);
	});
	it('gives the same dates after moving an event away and back', () => {
		const text = summons();
		const dates = () =>
			JSON.stringify(all(house.db, 'SELECT rule, date, state FROM deadline ORDER BY rule'));
		const before = dates();
		good(
			moveEvent(house.as('okafor'), { eventId: text, to: '2026-10-12', reason: 'x', version: 1 })
		);
		assert.notEqual(dates(), before);
		good(
			moveEvent(house.as('okafor'), { eventId: text, to: '2026-11-09', reason: 'x', version: 2 })
		);
		assert.equal(dates(), before);
		assert.deepEqual(
			findEffects(house, { books: shelfOf(house).ids(), shelf: shelfOf(house), fresh: true }),
			[],
			'a fresh count of everything changes nothing'
		);
	});
});
