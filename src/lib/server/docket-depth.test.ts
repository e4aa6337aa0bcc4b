import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { addDays, date } from '#core/dates/plain.ts';
import { addTask } from './agenda/commands.ts';
import { shelf } from './docket/books.ts';
import {
	closureEffects,
	effects,
	sayEffects,
	waitingChanges,
	waitingCount
} from './docket/changes.ts';
import {
	addClosure,
	addDate,
	answerReturn,
	checkDeadline,
	decideChanges,
	docketDeadline,
	dropClosure,
	dropLeave,
	editDeadline,
	endOrder,
	enterEvent,
	layOrder,
	meetDeadline,
	moveDeadline,
	moveEvent,
	movesOf,
	returnDeadline,
	setLeave,
	setMatterBook,
	vacateDeadline
} from './docket/commands.ts';
import { orderEffects, ordersOf, readOrder } from './docket/orders.ts';
import {
	checkItem,
	dateDocuments,
	dateExhibits,
	docket,
	docketDays,
	matterDocket,
	horizon
} from './docket/queries.ts';
import { store, uploadDocument } from './documents/commands.ts';
import { addMember } from './matters/commands.ts';
import { addExhibit, dropExhibit } from './matters/trial.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

let h: TestHouse;
let matterId: string, number: string;
beforeEach(async () => {
	h = await testHouse();
	({ matterId, number } = newMatter(h));
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
	h.db
		.prepare<unknown[], Row>('SELECT * FROM deadline WHERE matter_id = ? AND lower(title) LIKE ?')
		.get(of, `${title.toLowerCase()}%`)!;
const event = (id: string) =>
	h.db
		.prepare<[string], { version: number; date: string }>(
			'SELECT version, date FROM event WHERE id = ?'
		)
		.get(id)!;
const mails = (subject: string) =>
	h.db
		.prepare<[string], { n: number }>('SELECT count(*) AS n FROM mail_out WHERE subject LIKE ?')
		.get(`%${subject}%`)!.n;
/** The dates of law among them; a suggested early warning moves with its date. */
const legal = <T extends { title: string }>(all: T[]) =>
	all.filter((f) => !f.title.startsWith('Start on'));
const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
const summons = (day = '2026-11-09', of = matterId) =>
	good(
		enterEvent(h.as('okafor'), {
			matterId: of,
			eventKey: SUMMONS,
			date: day,
			docket: ['answer-or-rule-12-motion']
		})
	).eventId;
const paper = async (name = 'Order', of = matterId) =>
	good(
		uploadDocument(h.as('okafor'), {
			matterId: of,
			name,
			folder: 'Internal',
			mark: '',
			file: await store(h, 'order.txt', Buffer.from(name))
		})
	).documentId;

describe('a date moved by order or agreement', () => {
	it('keeps the computed date beside it, links the order, moves its tasks and is checked again', async () => {
		summons();
		const d = row('Answer');
		good(checkDeadline(h.as('castellan'), { deadlineId: d.id }));
		good(
			addTask(h.as('okafor'), {
				matterId,
				subject: 'Draft',
				assigneeId: 'stf_okafor',
				deadlineId: d.id,
				offsetDays: 3,
				offsetUnit: 'cd'
			})
		);
		const documentId = await paper();
		const before = mails('a date moved');
		good(
			moveDeadline(h.as('okafor'), {
				deadlineId: d.id,
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
			h.db.prepare<[], { due: string }>("SELECT due FROM task WHERE subject = 'Draft'").get()!.due,
			'2026-12-09'
		);
		assert.deepEqual(dateDocuments(h, matterId)[d.id], [
			{ id: documentId, name: 'Order', role: 'order' }
		]);
		assert.equal(
			mails('a date moved') - before,
			h.db
				.prepare<[string], { n: number }>(
					'SELECT count(*) AS n FROM matter_member WHERE matter_id = ?'
				)
				.get(matterId)!.n
		);
		// Its event moves: the order stands, the computed date changes.
		const v = movesOf(h, d.event_id, date('2026-11-10')).moves.find((m) => m.deadlineId === d.id)!;
		assert.deepEqual([v.held, v.to, v.warnings.length], [true, '2026-12-01', 1]);
		good(
			moveEvent(h.as('okafor'), {
				eventId: d.event_id,
				to: '2026-11-10',
				reason: 'slip',
				version: event(d.event_id).version
			})
		);
		assert.deepEqual([row('Answer').date, row('Answer').computed], ['2026-12-14', '2026-12-01']);
		good(
			moveDeadline(h.as('okafor'), {
				deadlineId: d.id,
				how: 'back',
				reason: 'Order vacated',
				version: row('Answer').version
			})
		);
		assert.deepEqual([row('Answer').date, row('Answer').computed], ['2026-12-01', null]);
	});
	it('counts court days, takes a plain date, and refuses what is neither', () => {
		summons();
		const d = row('Answer');
		const go = (more: object) =>
			moveDeadline(h.as('okafor'), {
				deadlineId: d.id,
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
		const e = summons();
		const d = row('Answer');
		const edit = (more: object, version = row('Answer').version) =>
			editDeadline(h.as('okafor'), { deadlineId: d.id, version, ...more });
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
		const v = docket(h, h.staff('okafor'), {}).rows[0]!;
		assert.deepEqual(
			[v.internal, v.time, v.place, v.short],
			['2026-11-27', '16:30', 'Courtroom 4', 'Answer']
		);
		const r = edit({ short: 'Mine' }, 1);
		assert.equal(r.ok === false && r.status, 409, 'the second writer sees the difference');
		good(moveEvent(h.as('okafor'), { eventId: e, to: '2026-11-02', reason: 'x', version: 1 }));
		assert.equal(row('Answer').internal, null);
	});
	it('is linked to exhibits of its matter, until they are taken off the list', () => {
		summons();
		const ours = good(
			addExhibit(h.as('okafor'), { matterId, side: 'ours', title: 'Deck log' })
		).exhibitId;
		const elsewhere = good(
			addExhibit(h.as('okafor'), {
				matterId: newMatter(h, { title: 'Else' }).matterId,
				side: 'ours',
				title: 'Other'
			})
		).exhibitId;
		const edit = (exhibits: string[]) =>
			editDeadline(h.as('okafor'), {
				deadlineId: row('Answer').id,
				version: row('Answer').version,
				exhibits
			});
		assert.match(bad(edit([ours, elsewhere]))['exhibits']!, /of this matter/);
		good(edit([ours, ours]));
		assert.deepEqual(
			dateExhibits(h, matterId).map((e) => [e.title, e.dates]),
			[['Deck log', [row('Answer').id]]]
		);
		good(dropExhibit(h.as('okafor'), { exhibitId: ours }));
		assert.deepEqual(dateExhibits(h, matterId), []);
	});
	it('keeps a document as proof that it was met', async () => {
		summons();
		const documentId = await paper('Filed answer');
		good(
			meetDeadline(h.as('okafor'), { deadlineId: row('Answer').id, on: '2026-11-20', documentId })
		);
		assert.deepEqual(dateDocuments(h, matterId)[row('Answer').id], [
			{ id: documentId, name: 'Filed answer', role: 'proof' }
		]);
		const other = newMatter(h, { title: 'Other' }).matterId;
		const eventId = summons('2026-11-10', other);
		assert.ok(eventId);
		assert.match(
			bad(
				meetDeadline(h.as('okafor'), {
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
			enterEvent(h.as('okafor'), {
				matterId,
				eventKey: SUMMONS,
				date: '2026-11-09',
				answers: { defendant: 'united-states' },
				sourceId,
				docket: ['answer-or-rule-12-motion']
			})
		);
		const c = checkItem(h, h.staff('castellan'), row('Answer').id)!;
		assert.deepEqual(
			[c.eventDate, c.source?.name, c.fresh?.same, c.fresh?.date, c.answers[0]?.answer],
			[
				'2026-11-09',
				'Proof of service',
				true,
				'2027-01-08',
				'the United States, its agency or officer'
			]
		);
		assert.ok(c.count.strip.length > 5);
	});
	it('goes back with a reason where the second person does not agree, and is answered or mended', () => {
		summons();
		const id = row('Answer').id;
		assert.match(
			bad(returnDeadline(h.as('okafor'), { deadlineId: id, reason: 'x' }))['']!,
			/yourself/
		);
		good(returnDeadline(h.as('castellan'), { deadlineId: id, reason: 'Served by mail, I think' }));
		assert.equal(mails('does not agree'), 1);
		assert.equal(
			docket(h, h.staff('okafor'), {}).rows[0]!.returnedReason,
			'Served by mail, I think'
		);
		assert.match(bad(checkDeadline(h.as('wardle'), { deadlineId: id }))['']!, /returned/);
		assert.match(
			bad(answerReturn(h.as('castellan'), { deadlineId: id, words: 'x' }))['']!,
			/someone else/
		);
		good(answerReturn(h.as('okafor'), { deadlineId: id, words: 'Personally, see the proof' }));
		good(checkDeadline(h.as('castellan'), { deadlineId: id }));
		good(returnDeadline(h.as('wardle'), { deadlineId: id, reason: 'Wrong year' }));
		assert.equal(row('Answer').checked_by, null, 'a disagreement takes the check away');
		good(
			moveEvent(h.as('okafor'), {
				eventId: row('Answer').event_id,
				to: '2026-11-10',
				reason: 'x',
				version: 1
			})
		);
		good(checkDeadline(h.as('wardle'), { deadlineId: id }));
	});
});

describe('an event corrected', () => {
	const SERVED = 'interrogatories-served';
	const enter = (eventKey: string, more: object = {}, of = matterId) =>
		good(
			enterEvent(h.as('okafor'), {
				matterId: of,
				eventKey,
				date: '2026-11-09',
				docket: [],
				...more
			})
		).eventId;
	const correct = (id: string, more: object) =>
		moveEvent(h.as('okafor'), {
			eventId: id,
			to: '2026-11-09',
			reason: 'Proof of service came',
			version: event(id).version,
			...more
		});
	const log = () =>
		h.db
			.prepare<[string], { text: string }>(
				'SELECT text FROM logbook WHERE matter_id = ? ORDER BY id DESC'
			)
			.get(matterId)!.text;
	it('counts anew as it was truly served, wants the check again, and says what was corrected', () => {
		const id = enter(SERVED, { docket: ['answers-and-objections'] });
		const due = () =>
			h.db
				.prepare<[string], Row>("SELECT * FROM deadline WHERE event_id = ? AND state = 'docketed'")
				.get(id)!;
		good(checkDeadline(h.as('castellan'), { deadlineId: due().id }));
		const before = due().date;
		assert.deepEqual(
			movesOf(h, id, date('2026-11-09'), { service: 'mail' }).moves.map((m) => m.days),
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
	it('proposes what only the new answer sets, and leaves what no rule sets any more unchecked', () => {
		const ny = newMatter(h, { title: 'New York', rulebook: 'us-ny-supreme' }).matterId;
		const id = enter('motion-return-date', { date: '2027-03-15', time: '10:00' }, ny);
		const move = (more: object) =>
			moveEvent(h.as('okafor'), {
				eventId: id,
				to: '2027-03-15',
				reason: 'Notice of motion read again',
				version: event(id).version,
				...more
			});
		const titles = () =>
			h.db
				.prepare<[string], { rule: string }>(
					'SELECT rule FROM deadline WHERE event_id = ? ORDER BY rule'
				)
				.all(id)
				.map((d) => d.rule);
		assert.ok(!titles().includes('reply-papers'));
		assert.deepEqual(
			movesOf(h, id, date('2027-03-15'), { answers: { seven: 'yes' } }).born.map((b) => b.rule),
			['reply-papers']
		);
		good(move({ answers: { seven: 'yes', other: 'ignored' } }));
		assert.equal(row('Reply papers', ny).state, 'proposed');
		assert.deepEqual(
			JSON.parse(
				h.db
					.prepare<[string], { answers: string }>('SELECT answers FROM event WHERE id = ?')
					.get(id)!.answers
			),
			{ seven: 'yes' }
		);
		good(docketDeadline(h.as('okafor'), { deadlineIds: [row('Reply papers', ny).id] }));
		good(addMember(h.as('okafor'), { matterId: ny, staffId: 'stf_castellan' }));
		good(checkDeadline(h.as('castellan'), { deadlineId: row('Reply papers', ny).id }));
		assert.equal(movesOf(h, id, date('2027-03-15'), { answers: {} }).gone.length, 1);
		good(move({ answers: {} }));
		assert.equal(
			row('Reply papers', ny).checked_by,
			null,
			'checked it was under a rule that set it'
		);
		assert.match(
			h.db
				.prepare<[string], { text: string }>(
					"SELECT text FROM logbook WHERE matter_id = ? AND text LIKE '%corrected%' ORDER BY id DESC"
				)
				.get(ny)!.text,
			/no rule sets Reply papers any more/
		);
		const reply = row('Reply papers', ny);
		assert.equal(reply.state, 'docketed', 'a docketed date is not taken off behind one’s back');
		assert.match(
			bad(checkDeadline(h.as('castellan'), { deadlineId: reply.id }))['']!,
			/No rule sets this date any more/
		);
		assert.deepEqual(
			[
				checkItem(h, h.staff('castellan'), reply.id)!.fresh,
				checkItem(h, h.staff('castellan'), reply.id)!.byHand
			],
			[null, false]
		);
		good(vacateDeadline(h.as('okafor'), { deadlineId: reply.id, reason: 'No rule sets it' }));
		assert.deepEqual(
			movesOf(h, id, date('2027-03-16'), {}).born,
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
			movesOf(h, id, date('2027-03-15'), {}).moves.filter((m) => m.deadlineId === reply.id).length,
			1
		);
	});
	it('does not set twice what an order adds and a correction has brought meanwhile', () => {
		const id = enter('motion-filed', { date: '2026-11-02' });
		good(
			layOrder(h.as('okafor'), {
				matterId,
				book: 'us-federal.ca-nd',
				sort: 'standing order',
				title: 'Standing order',
				dated: '2026-11-10',
				lines: [{ do: 'add', event: 'motion-filed', title: 'Joint letter', count: '+7d' }] as never
			})
		);
		good(
			moveEvent(h.as('okafor'), {
				eventId: id,
				to: '2026-11-03',
				reason: 'slip',
				version: event(id).version
			})
		);
		assert.equal(row('Joint letter').date, '2026-11-10');
		good(
			decideChanges(h.as('okafor'), {
				changeIds: waitingChanges(h, h.staff('okafor')).map((c) => c.id),
				apply: true
			})
		);
		assert.equal(
			h.db
				.prepare<[string], { n: number }>(
					"SELECT count(*) AS n FROM deadline WHERE event_id = ? AND title = 'Joint letter'"
				)
				.get(id)!.n,
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
			moveEvent(h.as('okafor'), {
				eventId: id,
				to: '2026-11-10',
				answers: {},
				reason: 'Stamp of the clerk',
				version: event(id).version
			})
		);
		assert.match(log(), /moved from Monday 9 November 2026 to Tuesday 10 November 2026: Stamp/);
	});
	it('refuses answers that contradict each other or are no date, beside the question', () => {
		const ny = newMatter(h, { title: 'New York', rulebook: 'us-ny-supreme' }).matterId;
		const id = enter('action-commenced', {}, ny);
		assert.match(
			bad(correct(id, { answers: { 'limitation-ends': '2026-12-01' } }))['answer-limitation-ends']!,
			/contradict/
		);
		assert.match(
			bad(correct(id, { answers: { short: 'yes', 'limitation-ends': '2026-02-30' } }))[
				'answer-limitation-ends'
			]!,
			/not a date that exists/
		);
		good(correct(id, { answers: { short: 'yes', 'limitation-ends': '2026-12-01' } }));
	});
});

describe('dates by hand, many at once, several books', () => {
	it('are docketed without a rule, checked and moved like any other', () => {
		const { deadlineId } = good(
			addDate(h.as('okafor'), {
				matterId,
				title: 'Mediation statement',
				date: '2026-12-05',
				authority: 'Letter of the mediator'
			})
		);
		good(addDate(h.as('okafor'), { matterId, title: 'Second statement', date: '2026-12-09' }));
		good(
			addDate(h.as('okafor'), {
				matterId,
				what: 'hearing',
				title: 'Mediation',
				date: '2026-12-10',
				time: '09:30',
				place: 'Pier 3'
			})
		);
		good(checkDeadline(h.as('castellan'), { deadlineId: deadlineId! }));
		good(
			moveDeadline(h.as('okafor'), {
				deadlineId: deadlineId!,
				how: 'agreement',
				by: '+2cd',
				reason: 'x',
				version: row('Mediation').version
			})
		);
		assert.equal(row('Mediation').date, '2026-12-08');
		assert.deepEqual(
			matterDocket(h, h.staff('okafor'), matterId)
				.map((e) => [e.text, e.deadlines.length])
				.sort(),
			[
				['Dates by hand', 2],
				['Mediation', 0]
			]
		);
		assert.ok(
			horizon(h, h.staff('okafor')).some((d) =>
				d.marks.some((x) => x.kind === 'hearing' && x.title.startsWith('Mediation'))
			)
		);
		assert.match(
			bad(
				moveEvent(h.as('okafor'), {
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
			enterEvent(h.as('okafor'), {
				matterId,
				eventKey: 'judgment-entered',
				date: '2026-11-02',
				docket: []
			})
		);
		const ids = h.db
			.prepare<[], { id: string }>(
				"SELECT id FROM deadline WHERE state = 'proposed' AND suggested = 0"
			)
			.all()
			.map((d) => d.id);
		const before = mails('dates were docketed');
		assert.equal(good(docketDeadline(h.as('okafor'), { deadlineIds: ids })).docketed, ids.length);
		assert.equal(
			mails('dates were docketed') - before,
			h.db
				.prepare<[string], { n: number }>(
					'SELECT count(*) AS n FROM matter_member WHERE matter_id = ?'
				)
				.get(matterId)!.n
		);
		assert.match(
			bad(docketDeadline(h.as('okafor'), { deadlineIds: ids }))['']!,
			/docketed already/
		);
	});
	it('come from a further book of the matter', () => {
		const go = () =>
			enterEvent(h.as('okafor'), {
				matterId,
				eventKey: 'us-appeals|record-filed',
				date: '2026-11-02',
				docket: ['appellant-s-brief']
			});
		assert.match(bad(go())['eventKey']!, /Add it first/);
		assert.match(
			bad(setMatterBook(h.as('okafor'), { matterId, book: 'us-moon', on: true }))['book']!,
			/no such/
		);
		good(setMatterBook(h.as('okafor'), { matterId, book: 'us-appeals', on: true }));
		good(go());
		assert.equal(row("Appellant's brief").date, '2026-12-14', '40 days end on a Saturday');
		assert.match(
			bad(setMatterBook(h.as('okafor'), { matterId, book: 'us-appeals', on: false }))['book']!,
			/it stays/
		);
	});
	it('warn of leave, closures, past days and two hearings at once', () => {
		const e = summons();
		good(setLeave(h.as('okafor'), { staffId: 'stf_okafor', from: '2026-11-30', to: '2026-12-04' }));
		assert.match(
			bad(
				setLeave(h.as('okafor'), { staffId: 'stf_wardle', from: '2026-11-30', to: '2026-12-04' })
			)['staffId']!,
			/your own/
		);
		assert.match(
			bad(
				setLeave(h.as('okafor'), { staffId: 'stf_okafor', from: '2026-11-30', to: '2026-11-01' })
			)['to']!,
			/before the first/
		);
		const of = (to: string) =>
			movesOf(h, e, date(to))
				.moves.find((m) => m.title.startsWith('Answer'))!
				.warnings.join(' ');
		assert.match(of('2026-11-10'), /is away/);
		assert.match(of('2026-10-05'), /past/);
		assert.match(of('2026-11-03'), /less than seven/);
		good(
			dropLeave(h.as('okafor'), {
				leaveId: h.db.prepare<[], { id: string }>('SELECT id FROM leave').get()!.id
			})
		);
		assert.doesNotMatch(of('2026-11-10'), /away/);
		const hearing = good(
			addDate(h.as('okafor'), { matterId, what: 'hearing', title: 'Status', date: '2026-12-10' })
		).eventId;
		good(
			addDate(h.as('okafor'), {
				matterId: newMatter(h, { title: 'Same lawyer' }).matterId,
				what: 'hearing',
				title: 'Motion',
				date: '2026-12-11'
			})
		);
		assert.match(
			movesOf(h, hearing, date('2026-12-11')).warnings.join(),
			/another hearing that day: Motion, Same lawyer/
		);
		assert.match(movesOf(h, hearing, date('2026-12-12')).warnings.join(), /Saturday/);
	});
});

describe('a closure', () => {
	const close = (more: object = {}) =>
		addClosure(h.as('castellan'), {
			book: 'us-federal',
			date: '2026-11-30',
			kind: 'holiday',
			name: 'National day of mourning',
			...more
		});
	it('proposes every affected date for change, moves nothing by itself, and is applied or left', () => {
		summons();
		assert.deepEqual(
			legal(
				closureEffects(h, {
					book: 'us-federal',
					date: date('2026-11-30'),
					kind: 'holiday',
					name: 'x'
				})
			).map((f) => [f.was, f.fresh?.date]),
			[['2026-11-30', '2026-12-01']]
		);
		const r = good(close());
		assert.equal(r.affected, 2);
		assert.equal(row('Answer').date, '2026-11-30', 'nothing has moved');
		const [c] = legal(waitingChanges(h, h.staff('okafor')));
		assert.deepEqual([c!.was, c!.becomes, c!.cause], ['2026-11-30', '2026-12-01', 'closure']);
		assert.match(
			bad(decideChanges(h.as('okafor'), { changeIds: [c!.id], apply: false }))['reason']!,
			/why/
		);
		good(decideChanges(h.as('okafor'), { changeIds: [c!.id], apply: true }));
		assert.equal(row('Answer').date, '2026-12-01');
		assert.equal(legal(waitingChanges(h, h.staff('okafor'))).length, 0);
		assert.match(
			bad(decideChanges(h.as('okafor'), { changeIds: [c!.id], apply: true }))['']!,
			/already/
		);
		// Taken away again, the dates wait to move back.
		good(
			dropClosure(h.as('castellan'), {
				closureId: h.db.prepare<[], { id: string }>('SELECT id FROM closure').get()!.id,
				reason: 'Wrong court'
			})
		);
		assert.deepEqual(
			legal(waitingChanges(h, h.staff('okafor'))).map((x) => x.becomes),
			['2026-11-30']
		);
	});
	it('of an office moves only what is filed, and is refused twice, for no court, or by the wrong role', () => {
		good(
			enterEvent(h.as('okafor'), {
				matterId,
				eventKey: 'interrogatories-served',
				date: '2026-10-30',
				docket: ['answers-and-objections']
			})
		);
		summons('2026-11-09');
		assert.deepEqual(
			legal(
				closureEffects(h, {
					book: 'us-federal',
					date: date('2026-11-30'),
					kind: 'office',
					name: 'x'
				})
			).map((f) => f.title),
			['Answer or Rule 12 motion']
		);
		assert.equal(
			legal(
				closureEffects(h, {
					book: 'us-federal',
					date: date('2026-11-30'),
					kind: 'holiday',
					name: 'x'
				})
			).length,
			2
		);
		good(close({ kind: 'office' }));
		assert.match(bad(close({ kind: 'office' }))['date']!, /already/);
		assert.match(bad(close({ book: 'moon' }))['book']!, /court/);
		assert.equal(
			addClosure(h.as('okafor'), {
				book: 'us-federal',
				date: '2026-12-01',
				kind: 'holiday',
				name: 'x'
			}).ok,
			false
		);
	});
	it('reaches restricted matters, but shows them only to those on them', () => {
		const hidden = newMatter(h, { title: 'Heron', restricted: true });
		summons('2026-11-09', hidden.matterId);
		const found = closureEffects(h, {
			book: 'us-federal',
			date: date('2026-11-30'),
			kind: 'holiday',
			name: 'x'
		});
		assert.equal(found.length, 2);
		assert.equal(sayEffects(h, h.staff('castellan'), found).length, 0);
		assert.equal(sayEffects(h, h.staff('okafor'), found).length, 2);
		assert.deepEqual(
			good(close()),
			{ affected: 0, matters: 0 },
			'who enters it learns nothing of it'
		);
		assert.deepEqual(
			[waitingChanges(h, h.staff('castellan')).length, waitingCount(h, h.staff('castellan'))],
			[0, 0]
		);
		assert.deepEqual(
			[waitingChanges(h, h.staff('okafor')).length, waitingCount(h, h.staff('okafor'))],
			[2, 2]
		);
		const closure = h.db.prepare<[], { id: string }>('SELECT id FROM closure').get()!;
		good(
			decideChanges(h.as('okafor'), {
				changeIds: waitingChanges(h, h.staff('okafor')).map((c) => c.id),
				apply: true
			})
		);
		assert.deepEqual(
			good(dropClosure(h.as('castellan'), { closureId: closure.id, reason: 'Open after all' })),
			{ affected: 0, matters: 0 }
		);
		assert.equal(waitingCount(h, h.staff('okafor')), 2);
	});
	it('is previewed for the events it can touch as if every event were counted anew', () => {
		const at = date('2026-10-01');
		let n = 0;
		for (const [i, key] of [
			'interrogatories-served',
			'judgment-entered',
			'motion-filed',
			'offer-of-judgment-served',
			'subpoena-for-documents-served',
			'trial-date'
		].entries())
			for (let k = 0; k < 14; k++) {
				const when = addDays(date('2026-06-03'), k * 11 + i);
				good(
					enterEvent(h.as('okafor'), {
						matterId,
						eventKey: key,
						date: key === 'trial-date' ? addDays(when, 200) : when,
						service: k % 2 ? 'mail' : '',
						sure: true,
						docket: []
					})
				);
			}
		for (let k = 0; k < 60; k++)
			for (const kind of ['holiday', 'office'] as const) {
				const c = { book: 'us-federal', date: addDays(at, k * 3 - 60), kind, name: 'x' };
				const say = (all: boolean) =>
					closureEffects(h, c, all).map((f) => [f.deadlineId, f.was, f.fresh?.date]);
				assert.deepEqual(say(false), say(true), c.date);
				n += say(false).length;
			}
		assert.ok(n > 100, `${n} changes`);
	});
	it('leaves met and moved dates where they are', () => {
		summons();
		good(
			moveDeadline(h.as('okafor'), {
				deadlineId: row('Answer').id,
				how: 'order',
				to: '2026-12-10',
				reason: 'x',
				version: 1
			})
		);
		good(close());
		const [c] = legal(waitingChanges(h, h.staff('okafor')));
		assert.equal(c!.moved, '2026-12-10');
		good(decideChanges(h.as('okafor'), { changeIds: [c!.id], apply: true }));
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
	it('replaces, switches off and adds on its matter only, with the order as the authority', () => {
		const other = newMatter(h, { title: 'Elsewhere' }).matterId;
		const enter = (of: string) =>
			good(
				enterEvent(h.as('okafor'), {
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
			orderEffects(
				h,
				h.db.prepare('SELECT * FROM matter WHERE id = ?').get(matterId) as never,
				readOrder(order(lines))
			).map((f) => [f.rule, f.was, f.fresh?.date ?? null]),
			[
				['opposition', '2026-11-16', '2026-11-23'],
				['reply', '2026-11-23', null],
				['joint-letter', null, '2026-11-09']
			]
		);
		assert.equal(good(layOrder(h.as('okafor'), order(lines))).affected, 3);
		good(
			decideChanges(h.as('okafor'), {
				changeIds: waitingChanges(h, h.staff('okafor')).map((c) => c.id),
				apply: true
			})
		);
		assert.deepEqual(
			[row('Opposition').date, row('Reply').state, row('Joint').state],
			['2026-11-23', 'vacated', 'proposed']
		);
		assert.equal(
			h.db
				.prepare<[string], { authority: string }>('SELECT authority FROM deadline WHERE id = ?')
				.get(row('Opposition').id)!.authority,
			'Standing order of Judge Sato'
		);
		assert.deepEqual(
			[row('Opposition', other).date, row('Reply', other).state],
			['2026-11-16', 'docketed'],
			'another matter under the same book'
		);
		good(checkDeadline(h.as('castellan'), { deadlineId: row('Opposition').id }));
		const says = ordersOf(h, h.staff('okafor'), matterId)[0]!;
		assert.match(
			says.says.join('; '),
			/opposition \(motion filed\): \+21d; reply \(motion filed\): switched off; Joint letter \(motion filed\): \+7d, added/
		);
		good(endOrder(h.as('okafor'), { orderId: says.id, reason: 'Reassigned' }));
		assert.deepEqual(
			waitingChanges(h, h.staff('okafor'))
				.map((c) => [c.title, c.was, c.becomes])
				.sort(),
			[
				['Joint letter', '2026-11-09', null],
				['Opposition', '2026-11-23', '2026-11-16'],
				['Reply', null, '2026-11-23']
			]
		);
		good(
			decideChanges(h.as('okafor'), {
				changeIds: waitingChanges(h, h.staff('okafor')).map((c) => c.id),
				apply: true
			})
		);
		assert.deepEqual(
			[row('Reply').state, row('Reply').date, row('Reply').reason, row('Joint').state],
			['proposed', '2026-11-23', '', 'vacated'],
			'what it took off comes back, to be docketed anew'
		);
		good(docketDeadline(h.as('okafor'), { deadlineIds: [row('Reply').id] }));
		assert.equal(row('Reply').state, 'docketed');
	});
	it('refuses what is not a count, an event or a date of the book, line by line', () => {
		assert.match(
			bad(
				layOrder(
					h.as('okafor'),
					order([{ do: 'replace', event: 'motion-filed', rule: 'opposition', count: 'soon' }])
				)
			)['line-0']!,
			/not a count/
		);
		assert.match(
			bad(
				layOrder(
					h.as('okafor'),
					order([
						{ do: 'off', event: 'motion-filed', rule: 'opposition' },
						{ do: 'replace', event: 'motion-filed', rule: 'nothing', count: '+1d' }
					])
				)
			)['line-1']!,
			/Choose which date/
		);
		assert.match(bad(layOrder(h.as('okafor'), order([])))['lines']!, /at least one/);
		assert.match(
			bad(
				layOrder(
					h.as('okafor'),
					order([{ do: 'off', event: 'motion-filed', rule: 'opposition' }], { book: 'us-appeals' })
				)
			)['book']!,
			/does not stand/
		);
		assert.equal(
			h.db.prepare<[], { n: number }>('SELECT count(*) AS n FROM matter_order').get()!.n,
			0
		);
	});
});

describe('the department docket', () => {
	it('is filtered by person, unit, kind, court and matter, and ordered by day or by matter', () => {
		summons();
		const other = newMatter(h, { title: 'Other', responsibleId: 'stf_wardle', unitId: 'unit_1' });
		summons('2026-11-02', other.matterId);
		h.db
			.prepare(
				"INSERT INTO matter_fact (matter_id, fact, value) VALUES (?, 'court', 'N.D. Cal.') ON CONFLICT DO UPDATE SET value = excluded.value"
			)
			.run(other.matterId);
		const me = h.staff('castellan');
		const titles = (f: object) => docket(h, me, f).rows.map((r) => r.matterNumber);
		assert.deepEqual(titles({}), [other.number, number]);
		assert.deepEqual(titles({ order: 'matter' }), [number, other.number]);
		assert.deepEqual(titles({ who: 'stf_wardle' }), [other.number]);
		assert.deepEqual(titles({ unit: 'unit_1' }), [other.number]);
		assert.deepEqual(titles({ court: 'N.D. Cal.' }), [other.number]);
		assert.deepEqual(titles({ matter: number.toLowerCase() }), [number]);
		assert.deepEqual(titles({ kind: 'agreement' }), []);
		good(
			addDate(h.as('okafor'), { matterId, what: 'hearing', title: 'Status', date: '2026-12-10' })
		);
		const span = docketDays(h, me, { from: '2026-11-25', to: '2026-12-31' });
		assert.deepEqual(
			[span.rows.map((r) => r.date), span.hearings.map((x) => x.title)],
			[['2026-11-30'], ['Status']]
		);
	});
	it('gives the same dates after moving an event away and back', () => {
		const e = summons();
		const dates = () =>
			JSON.stringify(h.db.prepare('SELECT rule, date, state FROM deadline ORDER BY rule').all());
		const before = dates();
		good(moveEvent(h.as('okafor'), { eventId: e, to: '2026-10-12', reason: 'x', version: 1 }));
		assert.notEqual(dates(), before);
		good(moveEvent(h.as('okafor'), { eventId: e, to: '2026-11-09', reason: 'x', version: 2 }));
		assert.equal(dates(), before);
		assert.deepEqual(
			effects(h, { books: shelf(h).ids(), shelf: shelf(h), fresh: true }),
			[],
			'a fresh count of everything changes nothing'
		);
	});
});
