import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import fc from 'fast-check';
import { approveRun, discardRun, gather, makeRun, reverseRun, sendRun } from './costs/commands.ts';
import { journalCsv } from './costs/files.ts';
import { journalRows, run, runLines, runSheet, statement } from './costs/queries.ts';
import { setSplit } from './matters/commands.ts';
import { date } from '#core/dates/plain.ts';
import {
	changeTime,
	deleteTime,
	logTime,
	pauseTimer,
	releaseTime,
	resumeTimer,
	startTimer,
	stopTimer,
	takeBackTime
} from './time/commands.ts';
import { myEntries, timers } from './time/queries.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

describe('time', () => {
	let h: TestHouse;
	let matterId: string;
	beforeEach(async () => {
		h = await testHouse();
		matterId = newMatter(h).matterId;
	});
	const log = (more: object = {}) =>
		logTime(h.as('okafor'), {
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
		assert.equal(changeTime(h.as('wardle'), { entryId, hours: '1', narrative: 'x' }).ok, false);
		good(changeTime(h.as('okafor'), { entryId, hours: '1.01', narrative: 'Longer call' }));
		assert.equal(
			h.db.prepare<[], { minutes: number }>('SELECT minutes FROM time_entry').get()!.minutes,
			66,
			'rounded up'
		);
		good(releaseTime(h.as('okafor'), { upTo: '2026-11-23' }));
		assert.match(bad(deleteTime(h.as('okafor'), { entryId }))['']!, /released/);
		good(takeBackTime(h.as('okafor'), { entryId }));
		good(releaseTime(h.as('okafor'), { upTo: '2026-11-23' }));
		h.db.prepare("UPDATE split SET from_day = '2026-01-01'").run();
		good(makeRun(h.as('haddad'), { from: '2026-11-01', to: '2026-11-23' }));
		for (const r of [
			takeBackTime(h.as('okafor'), { entryId }),
			changeTime(h.as('okafor'), { entryId, hours: '1', narrative: 'x' }),
			deleteTime(h.as('okafor'), { entryId })
		])
			assert.match(bad(r)['']!, /allocated/);
		assert.throws(
			() => h.db.prepare('UPDATE time_entry SET minutes = 1').run(),
			/allocated time cannot change/
		);
		assert.equal(
			myEntries(h, h.staff('okafor'), '2026-11-01', '2026-11-30')[0]!.state,
			'allocated'
		);
	});
	it('runs one timer at a time, pauses, and stops into an entry', () => {
		const c = h.as('okafor');
		const a = good(startTimer(c, { matterId, words: 'First' })).timerId;
		const b = good(startTimer(c, { matterId, words: '' })).timerId;
		assert.deepEqual(
			timers(h, h.staff('okafor')).map((t) => t.running),
			[true, false]
		);
		good(resumeTimer(c, { timerId: a }));
		assert.match(bad(resumeTimer(c, { timerId: a }))['']!, /already/);
		good(pauseTimer(c, { timerId: a }));
		assert.match(bad(pauseTimer(c, { timerId: a }))['']!, /already/);
		h.db.prepare('UPDATE timer SET gathered_ms = ? WHERE id = ?').run(31 * 60_000 + 5, a);
		const { entryId } = good(stopTimer(c, { timerId: a, words: '' }));
		assert.deepEqual(
			h.db.prepare('SELECT minutes, narrative FROM time_entry WHERE id = ?').get(entryId),
			{ minutes: 36, narrative: 'First' }
		);
		assert.match(bad(stopTimer(c, { timerId: b, words: '' })).words!, /Say what was done/);
		assert.equal(stopTimer(h.as('wardle'), { timerId: b, words: 'x' }).ok, false);
		good(stopTimer(c, { timerId: b, words: '', drop: true }));
		assert.equal(timers(h, h.staff('okafor')).length, 0);
	});
});

describe('a cost run', () => {
	let h: TestHouse;
	let m: { matterId: string; number: string };
	beforeEach(async () => {
		h = await testHouse();
		m = newMatter(h);
		good(
			setSplit(h.as('okafor'), {
				matterId: m.matterId,
				from: '2026-10-01',
				shares: [
					{ unit: 'unit_0', costCenter: 'cc_00', share: 700_000 },
					{ unit: 'unit_2', costCenter: 'cc_20', share: 300_000 }
				]
			})
		);
	});
	const log = (day: string, hours = '0.7', login = 'okafor', matterId = m.matterId) =>
		good(logTime(h.as(login), { matterId, day, hours, narrative: 'Work' }));
	const release = (login = 'okafor') => good(releaseTime(h.as(login), { upTo: '2026-11-23' }));
	const make = () => good(makeRun(h.as('haddad'), { from: '2026-10-01', to: '2026-10-31' })).runId;

	it('takes what is released up to the last day, prices it and shares it to the cent', () => {
		log('2026-10-05');
		log('2026-10-06', '0.1', 'wardle');
		log('2026-11-05');
		release();
		release('wardle');
		log('2026-10-07');
		const id = make();
		const lines = runLines(h, id);
		// 42 minutes at 495.00 and 6 minutes at 430.00.
		assert.deepEqual(
			lines.map((l) => [l.minutes, l.cents, l.shares.map((s) => s.cents), l.rateSay]),
			[
				[42, 34_650, [24_255, 10_395], 'the rate of the level'],
				[6, 4300, [3010, 1290], 'the rate of the level']
			]
		);
		const sheet = runSheet(h, h.staff('haddad'), run(h, id)!);
		assert.equal(sheet.agrees, true);
		assert.equal(sheet.total, 38_950);
		assert.deepEqual(sheet.unreleased, { minutes: 42, people: 1 });
	});
	it('is approved by a second person, then locked and numbered', () => {
		log('2026-10-05');
		release();
		const runId = make();
		assert.match(bad(approveRun(h.as('oyelaran'), { runId }))['']!, /awaits approval/);
		good(sendRun(h.as('haddad'), { runId }));
		assert.match(bad(approveRun(h.as('haddad'), { runId }))['']!, /second person/);
		assert.equal(approveRun(h.as('castellan'), { runId }).ok, false);
		assert.equal(good(approveRun(h.as('oyelaran'), { runId })).number, 'CR-2026-01');
		assert.match(bad(discardRun(h.as('haddad'), { runId }))['']!, /not approved/);
		assert.match(
			bad(makeRun(h.as('haddad'), { from: '2026-10-01', to: '2026-10-31' })).to!,
			/no released time/
		);
		assert.throws(() => h.db.prepare('UPDATE cost_run SET approved_by = made_by').run(), /CHECK/);
	});
	it('never takes an entry twice', () => {
		log('2026-10-05');
		release();
		const runId = make();
		const line = runLines(h, runId)[0]!;
		assert.throws(
			() =>
				h.db
					.prepare(
						"INSERT INTO cost_line SELECT 'lin_x', run_id, entry_id, matter_id, minutes, cents_per_hour, rate_say, cents, late, 1 FROM cost_line WHERE id = ?"
					)
					.run(line.id),
			/UNIQUE/
		);
		assert.match(
			bad(makeRun(h.as('haddad'), { from: '2026-10-01', to: '2026-10-31' }))['']!,
			/not finished/
		);
	});
	it('puts everything back when it is reversed, whatever was in it', () => {
		let day = 0;
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 8 }),
				(tenths) => {
					for (const t of tenths)
						log(`2026-10-${String((day++ % 28) + 1).padStart(2, '0')}`, `${t * 6}m`, 'okafor');
					release();
					const entries = () =>
						JSON.stringify(h.db.prepare('SELECT * FROM time_entry ORDER BY id').all());
					const before = entries();
					const free = JSON.stringify(gather(h, date('2026-10-01'), date('2026-10-31')));
					const runId = make();
					good(sendRun(h.as('haddad'), { runId }));
					good(approveRun(h.as('oyelaran'), { runId }));
					assert.equal(gather(h, date('2026-10-01'), date('2026-10-31')).lines.length, 0);
					assert.match(bad(reverseRun(h.as('oyelaran'), { runId, reason: '' })).reason!, /missing/);
					good(reverseRun(h.as('oyelaran'), { runId, reason: 'test' }));
					assert.equal(entries(), before);
					assert.equal(JSON.stringify(gather(h, date('2026-10-01'), date('2026-10-31'))), free);
					h.db.exec('DELETE FROM cost_share; DELETE FROM cost_line; DELETE FROM time_entry;');
				}
			),
			{ numRuns: 12 }
		);
	});
	it('gives a journal that balances and a statement of one business unit', () => {
		log('2026-10-05');
		log('2026-10-06', '3.3');
		release();
		const runId = make();
		const r = run(h, runId)!;
		const rows = journalRows(h, h.staff('haddad'), r);
		const sum = (k: 'debit' | 'credit') =>
			rows.reduce((a, j) => a + Math.round(Number(j[k]) * 100), 0);
		assert.equal(sum('debit'), r.cents);
		assert.equal(sum('credit'), r.cents);
		assert.match(
			journalCsv(h, h.staff('haddad'), r),
			/^date,run,account,business unit,cost center,matter,debit,credit\r\n2026-10-31,draft,legal-cost,Passenger,4100,LF-2026-0001,/
		);
		const s = statement(h, h.staff('haddad'), r, 'unit_2');
		assert.equal(
			s.total,
			runSheet(h, h.staff('haddad'), r).byUnit.find((u) => u.id === 'unit_2')!.cents
		);
		assert.deepEqual(
			s.lines.map((l) => [l.number, l.share]),
			[['LF-2026-0001', '30 %']]
		);
	});
	it('does not name a restricted matter to who may not see it', () => {
		const hidden = newMatter(h, { title: 'Quayside whisper', restricted: true });
		h.db
			.prepare("UPDATE split SET from_day = '2026-10-01' WHERE matter_id = ?")
			.run(hidden.matterId);
		log('2026-10-05', '1', 'okafor', hidden.matterId);
		log('2026-10-06');
		release();
		const r = run(h, make())!;
		const seen = JSON.stringify([
			runSheet(h, h.staff('haddad'), r),
			journalRows(h, h.staff('haddad'), r),
			statement(h, h.staff('haddad'), r, 'unit_0')
		]);
		assert.doesNotMatch(seen, new RegExp(`Quayside|${hidden.number}`));
		assert.equal(runSheet(h, h.staff('haddad'), r).agrees, true);
	});
	it('refuses bad splits and bad spans', () => {
		const split = (shares: { unit: string; costCenter: string | null; share: number }[]) =>
			bad(setSplit(h.as('okafor'), { matterId: m.matterId, from: '2026-10-01', shares })).shares!;
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
			bad(makeRun(h.as('haddad'), { from: '2026-10-31', to: '2026-10-01' })).to!,
			/before the first/
		);
		assert.match(
			bad(makeRun(h.as('haddad'), { from: '2026-10-01', to: '2026-12-31' })).to!,
			/not come yet/
		);
		assert.equal(makeRun(h.as('okafor'), { from: '2026-10-01', to: '2026-10-31' }).ok, false);
	});
});
