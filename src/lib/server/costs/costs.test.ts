import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { formatCents } from '#core/format/money.ts';
import { restrictMatter } from '#server/matters/members.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import type { CostStatementRow } from './rows.ts';
import type { RunView } from './queries.ts';
import { beforeEach, describe, it } from 'node:test';
import fc from 'fast-check';
import { plainDate } from '#core/dates/plain.ts';
import { all, maybeOne, run, scalar, update } from '#server/db/sql.ts';
import { setSplit } from '#server/costs/split.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import {
	changeTime,
	deleteTime,
	logTime,
	releaseTime,
	takeBackTime
} from '#server/time/commands.ts';
import { pauseTimer, resumeTimer, startTimer, stopTimer } from '#server/time/timers.ts';
import { approveRun, discardRun, makeRun, reverseRun, sendRun } from './commands.ts';
import { gatherCosts } from './gather.ts';
import { makeJournalCsv } from './journal.ts';
import { listJournalRows, findRun, listRunLines, findRunSheet } from './queries.ts';
import { findStatement } from './statements.ts';
import { listMyEntries, listTimers } from '#server/time/queries.ts';
import type { TimerRow } from '#server/time/rows.ts';

import type { SplitRow } from './rows.ts';

/** The words of a statement. */
async function wordsOf(house: TestHouse, run: RunView, unitId: string): Promise<string> {
	const found = await findStatement(house.as('haddad'), run, unitId);
	const file = join(mkdtempSync(join(tmpdir(), 'kite-costs-')), 'statement.pdf');
	writeFileSync(file, found!.pdf);
	return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
}

describe('time', () => {
	let house: TestHouse;
	let matterId: string;
	beforeEach(async () => {
		house = await testHouse();
		matterId = (await newMatter(house)).matterId;
	});
	const log = (more: object = {}) =>
		logTime(house.as('okafor'), {
			matterId,
			day: '2026-11-20',
			hours: '0.4',
			narrative: 'Call',
			...more
		});
	it('refuses what cannot be', () => {
		assert.match(bad(log({ hours: '-1' })).hours!, /negative/);
		assert.match(bad(log({ hours: '26' })).hours!, /24 hours/);
		assert.match(bad(log({ hours: 'much' })).hours!, /Write hours like/);
		assert.match(bad(log({ narrative: '' })).narrative!, /missing/);
		assert.match(bad(log({ day: '2026-12-20' })).day!, /not come yet/);
		assert.match(bad(log({ day: '2026-02-30' })).day!, /not a date/);
		assert.match(bad(log({ matterId: null })).matterId!, /Name a matter/);
		assert.match(bad(log({ activity: 'NOPE' })).activity!, /activity code/);
		good(log({ hours: '20' }));
		assert.match(bad(log({ hours: '4.1' })).hours!, /a day has 24/);
		good(log({ hours: '4' }));
		good(log({ matterId: null, activity: 'TRAIN', day: '2026-11-19' }));
	});
	it('belongs to the one who logged it, and to nobody once it is allocated', () => {
		const { entryId } = good(log());
		assert.equal(changeTime(house.as('wardle'), { entryId, hours: '1', narrative: 'x' }).ok, false);
		good(changeTime(house.as('okafor'), { entryId, hours: '1.01', narrative: 'Longer call' }));
		assert.equal(scalar(house.db, 'SELECT minutes FROM time_entry'), 66, 'rounded up');
		good(releaseTime(house.as('okafor'), { upTo: '2026-11-23' }));
		assert.match(bad(deleteTime(house.as('okafor'), { entryId }))['']!, /released/);
		good(takeBackTime(house.as('okafor'), { entryId }));
		good(releaseTime(house.as('okafor'), { upTo: '2026-11-23' }));
		run(house.db, "UPDATE split SET from_day = '2026-01-01'");
		good(makeRun(house.as('haddad'), { from: '2026-11-01', to: '2026-11-23' }));
		for (const result of [
			takeBackTime(house.as('okafor'), { entryId }),
			changeTime(house.as('okafor'), { entryId, hours: '1', narrative: 'x' }),
			deleteTime(house.as('okafor'), { entryId })
		])
			assert.match(bad(result)['']!, /allocated/);
		assert.throws(
			() => run(house.db, 'UPDATE time_entry SET minutes = 1'),
			/allocated time cannot change/
		);
		assert.equal(
			listMyEntries(house, house.staff('okafor'), '2026-11-01', '2026-11-30')[0]!.state,
			'allocated'
		);
	});
	it('runs one timer at a time, pauses, and stops into an entry', () => {
		const ctx = house.as('okafor');
		const a = good(startTimer(ctx, { matterId, words: 'First' })).timerId;
		const b = good(startTimer(ctx, { matterId, words: '' })).timerId;
		assert.deepEqual(
			listTimers(house, house.staff('okafor')).map((timer) => timer.running),
			[true, false]
		);
		good(resumeTimer(ctx, { timerId: a }));
		assert.match(bad(resumeTimer(ctx, { timerId: a }))['']!, /already/);
		good(pauseTimer(ctx, { timerId: a }));
		assert.match(bad(pauseTimer(ctx, { timerId: a }))['']!, /already/);
		update<TimerRow>(house.db, 'timer', { id: a }, { gathered_ms: 31 * 60_000 + 5 });
		const { entryId } = good(stopTimer(ctx, { timerId: a, words: '' }));
		assert.deepEqual(
			maybeOne(house.db, 'SELECT minutes, narrative FROM time_entry WHERE id = @entryId', {
				entryId
			}),
			{ minutes: 36, narrative: 'First' }
		);
		assert.match(bad(stopTimer(ctx, { timerId: b, words: '' })).words!, /Say what was done/);
		assert.equal(stopTimer(house.as('wardle'), { timerId: b, words: 'x' }).ok, false);
		good(stopTimer(ctx, { timerId: b, words: '', drop: true }));
		assert.equal(listTimers(house, house.staff('okafor')).length, 0);
	});
});

describe('a cost run', () => {
	let house: TestHouse;
	let item: { matterId: string; number: string };
	beforeEach(async () => {
		house = await testHouse();
		item = await newMatter(house);
		good(
			setSplit(house.as('okafor'), {
				matterId: item.matterId,
				from: '2026-10-01',
				shares: [
					{ unit: 'unit_0', costCenter: 'cc_00', share: 700_000 },
					{ unit: 'unit_2', costCenter: 'cc_20', share: 300_000 }
				]
			})
		);
	});
	const log = (day: string, hours = '0.7', login = 'okafor', matterId = item.matterId) =>
		good(logTime(house.as(login), { matterId, day, hours, narrative: 'Work' }));
	const release = (login = 'okafor') => good(releaseTime(house.as(login), { upTo: '2026-11-23' }));
	const make = () =>
		good(makeRun(house.as('haddad'), { from: '2026-10-01', to: '2026-10-31' })).runId;

	it('takes what is released up to the last day, prices it and shares it to the cent', () => {
		log('2026-10-05');
		log('2026-10-06', '0.1', 'wardle');
		log('2026-11-05');
		release();
		release('wardle');
		log('2026-10-07');
		const id = make();
		const lines = listRunLines(house, id);
		// 42 minutes at 495.00 and 6 minutes at 430.00.
		assert.deepEqual(
			lines.map((line) => [
				line.minutes,
				line.cents,
				line.shares.map((share) => share.cents),
				line.rateLabel
			]),
			[
				[42, 34_650, [24_255, 10_395], 'the rate of the level'],
				[6, 4300, [3010, 1290], 'the rate of the level']
			]
		);
		const sheet = findRunSheet(house, house.staff('haddad'), findRun(house, id)!);
		assert.equal(sheet.agrees, true);
		assert.equal(sheet.total, 38_950);
		assert.deepEqual(sheet.unreleased, { minutes: 42, people: 1 });
	});
	it('is approved by a second person, then locked and numbered', async () => {
		log('2026-10-05');
		release();
		const runId = make();
		assert.match(bad(await approveRun(house.as('oyelaran'), { runId }))['']!, /awaits approval/);
		good(sendRun(house.as('haddad'), { runId }));
		assert.match(bad(await approveRun(house.as('haddad'), { runId }))['']!, /second person/);
		assert.equal((await approveRun(house.as('castellan'), { runId })).ok, false);
		assert.equal(good(await approveRun(house.as('oyelaran'), { runId })).number, 'CR-2026-01');
		assert.match(bad(discardRun(house.as('haddad'), { runId }))['']!, /not approved/);
		assert.match(
			bad(makeRun(house.as('haddad'), { from: '2026-10-01', to: '2026-10-31' })).to!,
			/no released time/
		);
		assert.throws(() => run(house.db, 'UPDATE cost_run SET approved_by = made_by'), /CHECK/);
	});
	it('never takes an entry twice', () => {
		log('2026-10-05');
		release();
		const runId = make();
		const line = listRunLines(house, runId)[0]!;
		assert.throws(
			() =>
				run(
					house.db,
					`INSERT INTO cost_line
					SELECT 'lin_x', run_id, entry_id, matter_id, minutes, cents_per_hour, rate_say, cents,
						late, 1
					FROM cost_line
					WHERE id = @id`,
					{ id: line.id }
				),
			/UNIQUE/
		);
		assert.match(
			bad(makeRun(house.as('haddad'), { from: '2026-10-01', to: '2026-10-31' }))['']!,
			/not finished/
		);
	});
	it('puts everything back when it is reversed, whatever was in it', async () => {
		let day = 0;
		await fc.assert(
			fc.asyncProperty(
				fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 8 }),
				async (tenths) => {
					for (const tenth of tenths)
						log(`2026-10-${String((day++ % 28) + 1).padStart(2, '0')}`, `${tenth * 6}m`, 'okafor');
					release();
					const entries = () =>
						JSON.stringify(all(house.db, 'SELECT * FROM time_entry ORDER BY id'));
					const before = entries();
					const free = JSON.stringify(
						gatherCosts(house, plainDate('2026-10-01'), plainDate('2026-10-31'))
					);
					const runId = make();
					good(sendRun(house.as('haddad'), { runId }));
					good(await approveRun(house.as('oyelaran'), { runId }));
					assert.equal(
						gatherCosts(house, plainDate('2026-10-01'), plainDate('2026-10-31')).lines.length,
						0
					);
					assert.match(
						bad(reverseRun(house.as('oyelaran'), { runId, reason: '' })).reason!,
						/missing/
					);
					good(reverseRun(house.as('oyelaran'), { runId, reason: 'test' }));
					assert.equal(entries(), before);
					assert.equal(
						JSON.stringify(gatherCosts(house, plainDate('2026-10-01'), plainDate('2026-10-31'))),
						free
					);
					house.db.exec('DELETE FROM cost_share; DELETE FROM cost_line; DELETE FROM time_entry;');
				}
			),
			{ numRuns: 12 }
		);
	});
	it('gives a journal that balances and a statement of one business unit', async () => {
		log('2026-10-05');
		log('2026-10-06', '3.3');
		release();
		const runId = make();
		const run = findRun(house, runId)!;
		const rows = listJournalRows(house, house.staff('haddad'), run);
		const sum = (other: 'debit' | 'credit') =>
			rows.reduce((a, row) => a + Math.round(Number(row[other]) * 100), 0);
		assert.equal(sum('debit'), run.cents);
		assert.equal(sum('credit'), run.cents);
		assert.match(
			makeJournalCsv(rows),
			/^date,run,account,business unit,cost center,matter,debit,credit\r\n2026-10-31,draft,legal-cost,Passenger,4100,LF-2026-0001,/
		);
		const words = await wordsOf(house, run, 'unit_2');
		const { byUnit } = findRunSheet(house, house.staff('haddad'), run);
		const { cents } = byUnit.find((other) => other.id === 'unit_2')!;
		assert.match(words, new RegExp(`LF-2026-0001.*30 %`));
		assert.ok(words.includes(formatCents(cents)), words);
		assert.match(words, /Draft|not approved/i);
	});
	it('files each statement when it is approved, and gives that one to everybody from then on', async () => {
		log('2026-10-05');
		release();
		const runId = make();
		good(sendRun(house.as('haddad'), { runId }));
		good(await approveRun(house.as('oyelaran'), { runId }));
		const approved = findRun(house, runId)!;
		const first = await findStatement(house.as('haddad'), approved, 'unit_0');
		const filed = all<CostStatementRow>(house.db, 'SELECT * FROM cost_statement');
		assert.deepEqual(filed.map((row) => row.unit_id).sort(), ['unit_0', 'unit_2']);
		update<MatterRow>(house.db, 'matter', { id: item.matterId }, { title: 'Another title' });
		good(restrictMatter(house.as('okafor'), { matterId: item.matterId, restricted: true }));
		good(reverseRun(house.as('oyelaran'), { runId, reason: 'test' }));
		for (const login of ['haddad', 'oyelaran']) {
			const again = await findStatement(house.as(login), findRun(house, runId)!, 'unit_0');
			assert.deepEqual(Buffer.from(again!.pdf), Buffer.from(first!.pdf), login);
		}
	});
	it('does not name a restricted matter to who may not see it', async () => {
		const hidden = await newMatter(house, { title: 'Quayside whisper', restricted: true });
		update<SplitRow>(
			house.db,
			'split',
			{ matter_id: hidden.matterId },
			{ from_day: plainDate('2026-10-01') }
		);
		log('2026-10-05', '1', 'okafor', hidden.matterId);
		log('2026-10-06');
		release();
		const run = findRun(house, make())!;
		const seen = JSON.stringify([
			findRunSheet(house, house.staff('haddad'), run),
			listJournalRows(house, house.staff('haddad'), run),
			await wordsOf(house, run, 'unit_0')
		]);
		assert.doesNotMatch(seen, new RegExp(`Quayside|${hidden.number}`));
		assert.equal(findRunSheet(house, house.staff('haddad'), run).agrees, true);
	});
	it('refuses bad splits and bad spans', () => {
		const split = (shares: { unit: string; costCenter: string | null; share: number }[]) =>
			bad(setSplit(house.as('okafor'), { matterId: item.matterId, from: '2026-10-01', shares }))
				.shares!;
		assert.match(split([{ unit: 'unit_0', costCenter: null, share: 900_000 }]), /90 %, not 100 %/);
		assert.match(
			split([{ unit: 'unit_9', costCenter: null, share: 1_000_000 }]),
			/Choose a business unit/
		);
		assert.match(
			split([{ unit: 'unit_0', costCenter: 'cc_20', share: 1_000_000 }]),
			/not one of the business unit/
		);
		assert.match(
			bad(makeRun(house.as('haddad'), { from: '2026-10-31', to: '2026-10-01' })).to!,
			/before the first/
		);
		assert.match(
			bad(makeRun(house.as('haddad'), { from: '2026-10-01', to: '2026-12-31' })).to!,
			/not come yet/
		);
		assert.equal(makeRun(house.as('okafor'), { from: '2026-10-01', to: '2026-10-31' }).ok, false);
	});
});
