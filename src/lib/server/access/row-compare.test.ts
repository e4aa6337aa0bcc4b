/** The audit trail has what each act changed, and shows what was changed beside it. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { addDeadline } from '#server/docket/by-hand.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { changeTime, deleteTime, logTime } from '#server/time/commands.ts';
import { all, one, run, scalar } from '../db/sql.ts';
import { auditServer, verifyAudit } from './audit.ts';
import { differenceWords } from './difference-words.ts';
import { compareRows, listTakenUp, type RowDifference } from './row-compare.ts';
import type { RowChange } from './row-watch.ts';
import { takeRowsUp } from './take-up.ts';
import { listWatched, UNWATCHED } from './watched.ts';

let house: TestHouse;
let matterId = '';
beforeEach(async () => {
	house = await testHouse();
	takeRowsUp(house.db, house.clock);
	({ matterId } = await newMatter(house));
});

const differences = (): RowDifference[] => [...compareRows(house.db)];
/** Writes past the application, as a tool for databases does. */
function tamper(sql: string): void {
	run(house.db, sql);
	run(house.db, 'DELETE FROM temp.row_change');
}
const lastChanges = (): RowChange[] => {
	const { changes } = one<{ changes: string }>(
		house.db,
		'SELECT changes FROM audit ORDER BY seq DESC LIMIT 1'
	);
	return JSON.parse(changes) as RowChange[];
};
const log = (hours = '1') =>
	good(
		logTime(house.as('okafor'), {
			matterId: null,
			day: '2026-11-20',
			hours,
			narrative: 'Read the new rule.',
			activity: 'TRAIN'
		})
	).entryId;

describe('the values in the audit trail', () => {
	it('are what was and what is, of each row a command wrote', () => {
		const entryId = log();
		const [added] = lastChanges().filter(([table]) => table === 'time_entry');
		assert.equal(added![2], null);
		assert.equal(added![3]!.minutes, 60);
		good(
			changeTime(house.as('okafor'), {
				entryId,
				hours: '1.5',
				narrative: 'Read the new rule.'
			})
		);
		const [changed] = lastChanges().filter(([table]) => table === 'time_entry');
		assert.equal(changed![2]!.minutes, 60);
		assert.equal(changed![3]!.minutes, 90);
		assert.ok(!('narrative' in changed![3]!), 'what stayed is not told');
		good(deleteTime(house.as('okafor'), { entryId }));
		const [gone] = lastChanges().filter(([table]) => table === 'time_entry');
		assert.equal(gone![2]!.narrative, 'Read the new rule.');
		assert.equal(gone![3], null);
		assert.deepEqual(differences(), []);
		assert.ok(verifyAudit(house.db).ok);
	});
	it('are covered by the hash of their entry', () => {
		log();
		house.db.exec('DROP TRIGGER audit_no_update');
		run(house.db, "UPDATE audit SET changes = replace(changes, ':60', ':61')");
		assert.equal(verifyAudit(house.db).ok, false);
	});
	it('have no secret, and of a long text only its digest', () => {
		const text = all<{ changes: string }>(
			house.db,
			'SELECT changes FROM audit WHERE changes IS NOT NULL'
		)
			.map(({ changes }) => changes)
			.join('\n');
		for (const { password_hash } of all<{ password_hash: string }>(
			house.db,
			'SELECT password_hash FROM staff'
		))
			assert.ok(!text.includes(password_hash));
		good(writeNote(house.as('okafor'), { matterId, words: `Long. ${'word '.repeat(900)}` }));
		const [note] = lastChanges().filter(([table]) => table === 'logbook');
		assert.match((note![3]!.text as { sha256: string }).sha256, /^[0-9a-f]{64}$/);
		assert.deepEqual(differences(), []);
	});
	it('are kept of every table but those with a reason', () => {
		const names = new Set(
			all<{ name: string }>(house.db, "SELECT name FROM sqlite_schema WHERE type = 'table'").map(
				({ name }) => name
			)
		);
		for (const name of Object.keys(UNWATCHED)) assert.ok(names.has(name), name);
		const watched = listWatched(house.db).map(({ name }) => name);
		for (const name of ['deadline', 'logbook', 'time_entry', 'cost_line', 'person', 'signer'])
			assert.ok(watched.includes(name), name);
	});
	it('of what the server writes by itself stand in an entry of its own', () => {
		run(house.db, "INSERT INTO setting (name, value) VALUES ('of-a-job', '1')");
		auditServer(house, 'job: A test');
		auditServer(house, 'job: with nothing to do');
		const last = one<{ actor: string; action: string }>(
			house.db,
			'SELECT actor, action FROM audit ORDER BY seq DESC LIMIT 1'
		);
		assert.deepEqual(last, { actor: 'server', action: 'job: A test' });
		run(house.db, "UPDATE setting SET value = '2' WHERE name = 'of-a-job'");
		log();
		assert.equal(
			scalar(house.db, "SELECT count(*) FROM audit WHERE action = 'write outside a command'"),
			1,
			'what came before a command is not its own'
		);
		assert.deepEqual(differences(), []);
	});
});

describe('rows beside the trail', () => {
	it('a date that was changed is named with both days', () => {
		const { deadlineId } = good(
			addDeadline(house.as('okafor'), { matterId, title: 'Answer', date: '2026-12-04' })
		);
		tamper(`UPDATE deadline SET date = '2026-12-11' WHERE id = '${deadlineId}'`);
		const [found, ...others] = differences();
		assert.deepEqual(others, []);
		assert.equal(found!.sort, 'changed');
		assert.deepEqual([found!.trail, found!.row], [{ date: '2026-12-04' }, { date: '2026-12-11' }]);
		const words = differenceWords(house.db, found!);
		assert.match(
			words,
			/^deadline due_\w+, date: the trail has "2026-12-04", the row "2026-12-11"\./
		);
		assert.match(words, /Written last by okafor \(add date by hand\)/);
	});
	it('a note that is gone, and one nobody wrote', () => {
		const { logId } = good(
			writeNote(house.as('okafor'), { matterId, words: 'The master was told at once.' })
		) as { logId: string };
		tamper(`DELETE FROM logbook WHERE id = '${logId}'`);
		tamper(
			`INSERT INTO logbook (id, matter_id, at, kind, text)
			VALUES ('log_new', '${matterId}', '2026-11-20T10:00:00.000Z', 'note', 'Nobody was told.')`
		);
		const found = differences().map(({ sort, trail, row }) => [sort, (trail ?? row)!.text]);
		assert.deepEqual(found, [
			['unknown', 'Nobody was told.'],
			['missing', 'The master was told at once.']
		]);
	});
	it('600 minutes more, also when a later act came over them', () => {
		const entryId = log();
		tamper(`UPDATE time_entry SET minutes = 660 WHERE id = '${entryId}'`);
		assert.deepEqual(differences()[0]!.row, { minutes: 660 });
		good(
			changeTime(house.as('okafor'), {
				entryId,
				hours: '1',
				narrative: 'Read the new rule.'
			})
		);
		const [found, ...others] = differences();
		assert.deepEqual(others, []);
		assert.equal(found!.sort, 'between');
		assert.deepEqual([found!.trail, found!.row], [{ minutes: 60 }, { minutes: 660 }]);
	});
	it('of a house from before are taken up once, and said to be', () => {
		run(house.db, "DELETE FROM setting WHERE name = 'audit-schema'");
		tamper(`UPDATE matter SET title = 'Another' WHERE id = '${matterId}'`);
		const before = listTakenUp(house.db).length;
		takeRowsUp(house.db, house.clock);
		assert.equal(listTakenUp(house.db).length, before + 1);
		assert.deepEqual(
			differences().filter(({ sort }) => sort !== 'between'),
			[]
		);
		takeRowsUp(house.db, house.clock);
		assert.equal(listTakenUp(house.db).length, before + 1);
	});
});
