/** The authority opens, and the tags of rules find their dates. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { one } from '#server/db/sql.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { findBookText } from '#server/rulebooks/queries.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { findAuthority } from './authority.ts';
import { saveBook } from './book-effects.ts';
import { addDeadline } from './by-hand.ts';
import { dateItem, requireDated } from './calendar-items.ts';
import { docketDeadlines } from './deadlines.ts';
import { enterEvent } from './events.ts';
import { listDocketChoices } from './filter-choices.ts';
import { listDeadlines } from './list.ts';
import { formatCell } from './report-columns.ts';
import { makeReport } from './report.ts';

let house: TestHouse;
let matterId = '';
beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house, { rulebook: 'us-federal.ca-nd' }));
});
const okafor = () => house.staff('okafor');
function answer(): string {
	const { eventId } = good(
		enterEvent(house.as('okafor'), {
			...{ matterId, date: '2026-11-20', service: 'personal' },
			eventKey: 'us-federal.ca-nd|interrogatories-served'
		})
	);
	const { id } = one<{ id: string }>(
		house.db,
		"SELECT id FROM deadline WHERE event_id = @eventId AND rule = 'answers-and-objections'",
		{ eventId }
	);
	good(docketDeadlines(house.as('okafor'), { deadlineIds: [id] }));
	return id;
}

describe('the authority of a date', () => {
	it('opens with its rule in words, its book and its count', () => {
		const found = findAuthority(house, okafor(), answer())!;
		assert.equal(found.authority, 'Fed. R. Civ. P. 33(b)(2)');
		assert.equal(found.rule?.event, 'Interrogatories served');
		assert.equal(found.rule?.count, '30 days after (and what the way of service adds)');
		assert.match(found.rule?.book ?? '', /Northern District/);
		assert.ok(found.count!.sentences.length > 1);
		assert.equal(found.rule?.text, '');
	});
	it('has the words and the link that the department put into the row of its book', async () => {
		const id = answer();
		const { yaml } = findBookText(house, 'us-federal')!;
		const own = yaml
			.replace(/version: "[^"]*"/, 'version: "2027-01"')
			.replace(
				'authority: "Fed. R. Civ. P. 33(b)(2)"\n',
				'authority: "Fed. R. Civ. P. 33(b)(2)"\n        text: "The responding party must serve its answers."\n        link: "https://rules.example/33"\n'
			);
		good(
			await saveBook(house.as('castellan'), {
				...{ yaml: own, expect: 'us-federal', reason: 'the words of Rule 33' }
			})
		);
		const { rule } = findAuthority(house, okafor(), id)!;
		assert.equal(rule?.text, 'The responding party must serve its answers.');
		assert.equal(rule?.link, 'https://rules.example/33');
	});
	it('says of a date by hand that no rule sets it', () => {
		const { deadlineId } = good(
			addDeadline(house.as('okafor'), { matterId, title: 'Mediation', date: '2026-12-17' })
		);
		const found = findAuthority(house, okafor(), deadlineId)!;
		assert.equal(found.rule, null);
		assert.equal(found.authority, 'entered by hand');
	});
	it('is reached from a calendar entry, and is not there for who may not see the matter', () => {
		const id = answer();
		assert.match(
			dateItem(house, requireDated(house, id)).description,
			new RegExp(`33\\(b\\)\\(2\\): http://localhost:3000/docket/authority/${id}`)
		);
		good(restrictMatter(house.as('okafor'), { matterId, restricted: true }));
		assert.equal(findAuthority(house, house.staff('castellan'), id), undefined);
	});
});

describe('the tags of a rule', () => {
	it('come onto its dates, and filter lists and reports', () => {
		answer();
		const list = (tag: string) => listDeadlines(house, okafor(), { tag }).rows;
		assert.deepEqual(
			list('discovery').map(({ title, tags }) => [title, tags]),
			[['Answers and objections', ['discovery']]]
		);
		assert.deepEqual(list('trial'), []);
		assert.deepEqual(list('no such tag'), []);
		const report = makeReport(house, okafor(), {
			...{ filter: { tag: 'discovery' }, columns: ['title', 'tags'], long: false, paper: 'letter' }
		});
		assert.equal(formatCell(report.rows[0]!, 'tags', false), 'discovery');
		assert.ok(listDocketChoices(house, okafor()).tags.includes('discovery'));
	});
});
