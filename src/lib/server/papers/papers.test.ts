/** A paper comes in, is known by its number, waits with somebody, and becomes an event. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, scalar } from '#server/db/sql.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { addReference } from '#server/matters/relations.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { docketPaper, handPaper, queueDocument, receivePapers, setPaperAside } from './commands.ts';
import { countWaitingPapers, findPaper, listWaitingPapers, viewPaper } from './queries.ts';

let house: TestHouse;
let matterId: string;
const SUMMONS =
	'UNITED STATES DISTRICT COURT. Case No. 3:26-cv-01234-JD. SUMMONS and complaint, served on the defendant on November 9, 2026.';
const paper = (text: string, name = 'summons.txt') => new File([text], name);
const receive = (...files: File[]) => receivePapers(house.as('castellan'), { files });
const waiting = (login = 'castellan') => listWaitingPapers(house, house.staff(login));
const docket = (paperId: string, more: object = {}) =>
	docketPaper(house.as('castellan'), {
		paperId,
		matterId,
		folder: 'Pleadings',
		eventKey: 'summons-and-complaint-served-on-a-defendant',
		date: '2026-11-09',
		docket: ['answer-or-rule-12-motion'],
		...more
	});

beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	const number = { matterId, whose: 'court', number: '3:26-cv-01234' };
	good(addReference(house.as('okafor'), number));
});

describe('a paper that comes in', () => {
	it('waits with who took it, and is known by the number of the court', async () => {
		const { first } = good(await receive(paper(SUMMONS)));
		const [row] = waiting();
		assert.deepEqual([row?.id, row?.holder, row?.age], [first, 'DC', 0]);
		assert.ok(row?.matterNumber, 'its matter is known');
		const view = viewPaper(house, house.staff('castellan'), first)!;
		assert.deepEqual(
			view.dates.map(({ date }) => date),
			['2026-11-09']
		);
		house.set('2026-11-27');
		assert.equal(waiting()[0]?.age, 4);
	});

	it('is of no matter where its number is unknown, or where two share it', async () => {
		good(await receive(paper('Case No. 3:26-cv-09999.', 'other.txt')));
		const other = await newMatter(house);
		const number = { matterId: other.matterId, whose: 'court', number: '3:26-cv-01234' };
		good(addReference(house.as('okafor'), number));
		good(await receive(paper(SUMMONS)));
		assert.deepEqual(
			waiting().map(({ matterNumber }) => matterNumber),
			[null, null]
		);
	});

	it('is refused whole where one of them came before, and where a file is none', async () => {
		good(await receive(paper(SUMMONS)));
		const again = await receive(paper('new', 'new.txt'), paper(SUMMONS, 'again.txt'));
		assert.match(bad(again).files!, /“again.txt” came in before, and waits already/);
		assert.equal(waiting().length, 1);
		assert.match(Object.values(bad(await receive(paper('', 'nothing.txt')))).join(), /empty/);
	});

	it('becomes an event: filed as its source, its dates docketed, and gone from the queue', async () => {
		const { first } = good(await receive(paper(SUMMONS)));
		assert.equal(good(docket(first)).docketed, 1);
		assert.equal(countWaitingPapers(house, house.staff('castellan')), 0);
		const event = one<{ source: string; folder: string; number: string }>(
			house.db,
			`SELECT o.name AS source, o.folder, o.number
			FROM event e
			JOIN document o ON o.id = e.source_id
			WHERE e.matter_id = @matterId`,
			{ matterId }
		);
		assert.deepEqual([event.source, event.folder], ['summons', 'Pleadings']);
		assert.match(Object.values(bad(docket(first))).join(), /docketed already/);
		assert.match(bad(await receive(paper(SUMMONS))).files!, /is docketed/);
	});

	it('files nothing where its event is refused, and says what is wrong beside the field', async () => {
		const { first } = good(await receive(paper(SUMMONS)));
		assert.match(bad(docket(first, { date: '2027-01-04' })).date!, /has not come yet/);
		assert.equal(
			scalar(house.db, 'SELECT count(*) FROM document WHERE matter_id = @matterId', { matterId }),
			0
		);
		assert.equal(waiting().length, 1);
	});

	it('stays where there is more in it, and is filed only once', async () => {
		const { first } = good(await receive(paper(SUMMONS)));
		good(docket(first, { more: 'on' }));
		assert.equal(waiting().length, 1);
		good(docket(first, { eventKey: 'complaint-filed', date: '2026-11-02', docket: [] }));
		assert.equal(waiting().length, 0);
		const documents = all(house.db, 'SELECT id FROM document WHERE matter_id = @matterId', {
			matterId
		});
		assert.equal(documents.length, 1);
	});

	it('is given to a colleague, who is told, or put aside with a reason', async () => {
		const { first } = good(await receive(paper(SUMMONS)));
		good(handPaper(house.as('castellan'), { paperId: first, staffId: 'stf_abernathy' }));
		assert.equal(waiting()[0]?.holder, 'JA');
		assert.equal(
			scalar(house.db, "SELECT count(*) FROM mail_out WHERE subject LIKE 'A paper to docket%'"),
			1
		);
		bad(setPaperAside(house.as('abernathy'), { paperId: first, reason: '' }));
		good(setPaperAside(house.as('abernathy'), { paperId: first, reason: 'A courtesy copy' }));
		assert.equal(waiting().length, 0);
		bad(handPaper(house.as('castellan'), { paperId: first, staffId: 'stf_wardle' }));
	});

	it('of a restricted matter is not there for others, nor can it be given to them', async () => {
		const { first } = good(await receive(paper(SUMMONS)));
		good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
		assert.deepEqual(waiting(), []);
		assert.equal(findPaper(house, house.staff('castellan'), first), undefined);
		assert.equal(waiting('okafor').length, 1);
		const given = handPaper(house.as('okafor'), { paperId: first, staffId: 'stf_wardle' });
		assert.match(bad(given).staffId!, /not on its restricted matter/);
		good(await receive(paper('Case No. 3:26-cv-01234-JD, an order', 'order.txt')));
		assert.equal(waiting()[0]?.matterNumber, null, 'the clerk is not told whose it is');
	});

	it('can be a document that is filed already, in its own matter only', async () => {
		const { first } = good(await receive(paper(SUMMONS)));
		good(docket(first));
		const documentId = one<{ id: string }>(
			house.db,
			'SELECT id FROM document WHERE matter_id = @matterId',
			{ matterId }
		).id;
		const queued = good(queueDocument(house.as('abernathy'), { documentId })).paper;
		bad(queueDocument(house.as('abernathy'), { documentId }));
		const other = await newMatter(house);
		assert.match(
			Object.values(bad(docket(queued, { matterId: other.matterId }))).join(),
			/filed in another matter/
		);
		good(docket(queued, { eventKey: 'complaint-filed', date: '2026-11-02', docket: [] }));
		assert.equal(waiting().length, 0);
	});
});
