/** Dates and hearings kept elsewhere are taken over as they stood there. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, scalar } from '#server/db/sql.ts';
import { checkDeadlines } from '#server/docket/deadlines.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { addMember, restrictMatter } from '#server/matters/members.ts';
import { closeMatter } from '#server/matters/status.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { fatesOf, planImport } from '#server/testing/import-plan.ts';
import type { Plan } from './judge.ts';
import { runImport, undoImport } from './run.ts';

const HEAD =
	'Matter number,Title,Date,Time,What it is,Authority,Responsible person,How it stands,Met on,Reason or outcome';
let house: TestHouse;
let number: string;
let matterId: string;
const plan = (...rows: string[]) => planImport(house, 'dates', [HEAD, ...rows]);
const bring = ({ rows }: Plan) =>
	runImport(house.as('haddad'), {
		what: 'dates',
		fileName: 'dates.csv',
		header: HEAD.split(','),
		mapping: {},
		rows: rows.map(({ n, values }) => ({ n, values }))
	});
const count = (table: string) => scalar<number>(house.db, `SELECT count(*) FROM ${table}`);

beforeEach(async () => {
	house = await testHouse();
	({ matterId, number } = await newMatter(house));
});

describe('dates that are imported', () => {
	it('stand as they stood, and open ones wait for a second check', async () => {
		const judged = await plan(
			`${number},Answer to the complaint,2026-12-04,,,FRCP 12,okafor,,,`,
			`${number.toLowerCase()},Case management conference,14 Jan 2027,14:30,Conference,,,,,`,
			`${number},Initial disclosures,2026-10-30,,,,,met,2026-10-29,served by mail`,
			`${number},Reply brief,2026-10-01,,,,,met,2026-10-03,a day of grace was given`,
			`${number},Jury demand,2026-10-15,,,,,vacated,,waived`,
			`${number},Hearing on remand,2026-09-09,,hearing,,,held,,denied`,
			`${number},Missed one,2026-11-02,,,,,,,`
		);
		assert.deepEqual(fatesOf(judged), [
			'new: new date, waits for its second check',
			'new: new conference, waits for its second check',
			'new: new date, met',
			'new: new date, met',
			'new: new date, vacated',
			'new: new hearing, held',
			'new: new date; its day is past: it stands as missed'
		]);
		await bring(judged);
		const stored = all<Record<string, unknown>>(
			house.db,
			`SELECT title, state, sort, time, closed_on AS closedOn, result, reason, late_reason AS late
			FROM deadline
			ORDER BY title`
		);
		const plainly = {
			sort: 'deadline',
			time: null,
			closedOn: null,
			result: null,
			reason: '',
			late: ''
		};
		assert.deepEqual(stored, [
			{ title: 'Answer to the complaint', state: 'docketed', ...plainly },
			{
				...{ title: 'Case management conference', state: 'docketed', ...plainly },
				...{ sort: 'conference', time: '14:30' }
			},
			{
				...{ title: 'Hearing on remand', state: 'met', ...plainly, sort: 'hearing' },
				...{ closedOn: '2026-09-09', result: 'held' }
			},
			{
				...{ title: 'Initial disclosures', state: 'met', ...plainly },
				...{ closedOn: '2026-10-29', reason: 'served by mail' }
			},
			{ title: 'Jury demand', state: 'vacated', ...plainly, reason: 'waived' },
			{ title: 'Missed one', state: 'docketed', ...plainly },
			{
				...{ title: 'Reply brief', state: 'met', ...plainly, closedOn: '2026-10-03' },
				late: 'a day of grace was given'
			}
		]);
	});

	it('are told once to each person on their matters, not to who imports', async () => {
		good(addMember(house.as('okafor'), { matterId, staffId: 'stf_haddad', part: '' }));
		await bring(
			await plan(`${number},Answer,2026-12-04,,,,,,,`, `${number},Reply,2026-12-08,,,,,,,`)
		);
		const mails = all<{ recipient: string; subject: string }>(
			house.db,
			"SELECT recipient, subject FROM mail_out WHERE subject LIKE 'Taken over%'"
		);
		assert.deepEqual(
			mails.map(({ subject }) => subject),
			mails.map(() => 'Taken over: 2 dates on 1 matter of yours')
		);
		assert.ok(mails.some(({ recipient }) => recipient.includes('okafor@')));
		assert.ok(!mails.some(({ recipient }) => recipient.includes('haddad@')));
	});

	it('say all that is wrong with a row, beside its fields', async () => {
		const { rows } = await plan(
			'LF-1999-0001,Nowhere,30 Feb 2027,25:00,party,,nobody,lost,,',
			`${number},Early,2026-12-04,,,,,met,2026-12-05,`,
			`${number},Late,2026-11-02,,,,,met,2026-11-09,`,
			`${number},Off,2026-11-02,,hearing,,,taken off,,`,
			`${number},Held ahead,2026-12-20,,hearing,,,held,,won`,
			`${number},Not met,2026-11-02,,,,,open,2026-11-02,`
		);
		const said = rows.map(({ faults }) =>
			faults.map(({ key, text }) => `${key}: ${text}`).join(' ')
		);
		assert.match(said[0]!, /matter: There is no matter LF-1999-0001 that you see/);
		assert.match(said[0]!, /date: .*sort: “party” is none of: deadline, hearing.*time: 25:00/);
		assert.match(said[0]!, /person: There is no colleague “nobody”/);
		assert.match(said[1]!, /on: That day has not come yet/);
		assert.match(said[2]!, /reason: It was due on .* say why it was met later/);
		assert.match(said[3]!, /reason: Say why it was taken off/);
		assert.match(said[4]!, /state: .* has not come yet/);
		assert.match(said[5]!, /on: Met on is given, and it was not met/);
	});

	it('are not doubled, neither by what is there nor within the file', async () => {
		good(addDeadline(house.as('okafor'), { matterId, title: 'Answer', date: '2026-12-04' }));
		assert.deepEqual(
			fatesOf(
				await plan(
					`${number},ANSWER,4 Dec 2026,,,,,,,`,
					`${number},Reply,2026-12-08,,,,,,,`,
					`${number},reply,8 December 2026,,,,,,,`
				)
			).map((fate) => fate.split('.')[0]),
			[
				'known: This date is there already',
				'new: new date, waits for its second check',
				'fault: Another row has this date'
			]
		);
	});

	it('come neither to what one only reads, nor open to a closed matter, nor to a hidden one', async () => {
		const row = `${number},Answer,2026-12-04,,,,,,,`;
		good(
			addMember(house.as('okafor'), { matterId, staffId: 'stf_haddad', part: '', access: 'read' })
		);
		assert.match(fatesOf(await plan(row))[0]!, /You may only read/);
		const other = await newMatter(house, { title: 'Another' });
		good(restrictMatter(house.as('okafor'), { matterId: other.matterId, restricted: 'on' }));
		assert.match(
			fatesOf(await plan(row.replace(number, other.number)))[0]!,
			/no matter .* that you see/
		);
		const closed = await newMatter(house, { title: 'Closed' });
		good(
			closeMatter(house.as('okafor'), {
				matterId: closed.matterId,
				reason: 'settled',
				ending: 'Settled',
				tasks: Object.fromEntries(
					all<{ id: string }>(house.db, 'SELECT id FROM task').map(({ id }) => [id, 'drop'])
				)
			})
		);
		assert.match(fatesOf(await plan(row.replace(number, closed.number)))[0]!, /matter is closed/);
	});

	it('of a restricted matter are given to nobody who is not on it', async () => {
		good(
			addMember(house.as('okafor'), { matterId, staffId: 'stf_haddad', part: '', access: 'change' })
		);
		good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
		const [outside, inside] = fatesOf(
			await plan(
				`${number},Answer,2026-12-04,,,,wardle,,,`,
				`${number},Reply,2026-12-08,,,,okafor,,,`
			)
		);
		assert.match(outside!, /wardle is not on this restricted matter/);
		assert.match(inside!, /^new/);
	});

	it('are taken back whole, unless somebody checked one', async () => {
		const judged = await plan(
			`${number},Answer,2026-12-04,,,,,,,`,
			`${number},Argument,2027-01-14,,hearing,,,,,`
		);
		const { batchId } = await bring(judged);
		const [first] = all<{ id: string }>(house.db, "SELECT id FROM deadline WHERE title = 'Answer'");
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [first!.id] }));
		await assert.rejects(undoImport(house.as('haddad'), batchId), /Answer was checked/);
		const other = await bring(await plan(`${number},Third,2027-02-01,,,,,,,`));
		await undoImport(house.as('haddad'), other.batchId);
		assert.equal(count('deadline'), 2);
		assert.equal(
			scalar(house.db, "SELECT count(*) FROM logbook WHERE text = 'Taken back: Third.'"),
			1
		);
	});

	it('leave nothing when they are taken back', async () => {
		const { batchId } = await bring(
			await plan(
				`${number},Answer,2026-12-04,,,,,,,`,
				`${number},Argument,2027-01-14,,hearing,,,,,`
			)
		);
		await undoImport(house.as('haddad'), batchId);
		assert.deepEqual([count('deadline'), count('event')], [0, 0]);
		assert.equal(scalar(house.db, "SELECT count(*) FROM search_text WHERE kind = 'hearing'"), 0);
	});
});
