/** What waits for a decision is what the rule gives now, and is said to come from its cause. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { maybeOne, scalar } from '#server/db/sql.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { decideChanges, listWaitingChanges } from './changes.ts';
import { addClosure, previewClosure, removeClosure } from './closures.ts';
import { docketDeadlines } from './deadlines.ts';
import { enterEvent } from './events.ts';

let house: TestHouse;
let matterId: string;
let answer: string;
/** The answer is due on Wednesday, 23 December: 21 days after service. */
beforeEach(async () => {
	house = await testHouse('2026-12-02');
	({ matterId } = await newMatter(house, { rulebook: 'us-federal.ca-nd' }));
	const { eventId } = good(
		enterEvent(house.as('okafor'), {
			...{ matterId, date: '2026-12-02', service: 'personal' },
			eventKey: 'us-federal.ca-nd|summons-and-complaint-served-on-a-defendant'
		})
	);
	answer = scalar<string>(
		house.db,
		"SELECT id FROM deadline WHERE event_id = @eventId AND title LIKE 'Answer%'",
		{ eventId }
	);
	good(docketDeadlines(house.as('okafor'), { deadlineIds: [answer] }));
});

const closure = (date: string, name: string) => ({
	...{ book: 'us-federal', kind: 'holiday' as const, name, date, until: '', also: [] }
});
const close = async (date: string, name: string) =>
	good(await addClosure(house.as('castellan'), closure(date, name) as never));
const open = async (date: string) => {
	const closureId = scalar<string>(house.db, 'SELECT id FROM closure WHERE date = @date', { date });
	return good(
		await removeClosure(house.as('castellan'), { closureId, reason: 'It sat after all' })
	);
};
const waiting = () =>
	listWaitingChanges(house, house.staff('okafor'))
		.filter((change) => change.title.startsWith('Answer'))
		.map(({ was, becomes, why }) => `${was} ${becomes} ${why.split(',')[0]!.split(' on ')[0]}`);
const leave = () => {
	const changeIds = listWaitingChanges(house, house.staff('okafor')).map(({ id }) => id);
	good(
		decideChanges(house.as('okafor'), {
			...{ changeIds, apply: false, reason: 'By agreement' }
		} as never)
	);
};

describe('a change that waits', () => {
	it('leads past a day that closes later', async () => {
		await close('2026-12-23', 'Flood');
		assert.deepEqual(waiting(), ['2026-12-23 2026-12-24 Flood']);
		await close('2026-12-24', 'Storm');
		// The 25th is Christmas, and then comes a weekend.
		assert.deepEqual(waiting(), ['2026-12-23 2026-12-28 Storm']);
	});
	it('is not asked again, nor explained by another closure', async () => {
		await close('2026-12-23', 'Flood');
		const shown = good(
			await previewClosure(house.as('castellan'), closure('2026-12-09', 'Storm') as never)
		);
		assert.ok(!shown.effects.some(({ title }) => title.startsWith('Answer')));
		await close('2026-12-09', 'Storm');
		assert.deepEqual(waiting(), ['2026-12-23 2026-12-24 Flood']);
	});
	it('falls away when its closure does, and the logbook says so', async () => {
		await close('2026-12-23', 'Flood');
		await open('2026-12-23');
		assert.deepEqual(waiting(), []);
		const said = scalar<string>(
			house.db,
			'SELECT text FROM logbook WHERE matter_id = @matterId ORDER BY at DESC, id DESC LIMIT 1',
			{ matterId }
		);
		assert.match(said, /after all .*: .*stays? after all/);
	});
	it('goes back to the nearer day when the later one opens again', async () => {
		await close('2026-12-23', 'Flood');
		await close('2026-12-24', 'Storm');
		await open('2026-12-24');
		assert.match(waiting()[0] ?? '', /^2026-12-23 2026-12-24 /);
	});
});

describe('a date that was left', () => {
	const mark = () =>
		maybeOne<{ left_by: string | null; rule_gives: string | null }>(
			house.db,
			'SELECT left_by, rule_gives FROM deadline WHERE id = @answer',
			{ answer }
		);
	it('is not asked for again by a closure that gives the same day', async () => {
		await close('2026-12-23', 'Flood');
		leave();
		await close('2026-12-09', 'Storm');
		assert.deepEqual(waiting(), []);
		await close('2026-12-24', 'Storm');
		assert.deepEqual(waiting(), ['2026-12-23 2026-12-28 Storm']);
	});
	it('follows its rule again when the rule gives its day again', async () => {
		await close('2026-12-23', 'Flood');
		leave();
		assert.deepEqual(mark(), { left_by: 'stf_okafor', rule_gives: '2026-12-24' });
		await open('2026-12-23');
		assert.deepEqual(mark(), { left_by: null, rule_gives: null });
	});
});
