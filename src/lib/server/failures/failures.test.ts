/** What a job cannot do is told to whom it concerns, tried ever more rarely, and can be settled. */
import assert from 'node:assert/strict';
import { beforeEach, it } from 'node:test';
import type { Job } from '#server/app/job.ts';
import { eachRow } from '#server/app/job.ts';
import { all, scalar } from '#server/db/sql.ts';
import {
	bad,
	good,
	newMatter,
	testHouse,
	type NewMatter,
	type TestHouse
} from '#server/testing/house.ts';
import { listJobs } from '#server/jobs/registry.ts';
import { queueMail } from '#server/mail/queue.ts';
import { openTransport } from '#server/mail/send.ts';
import { retryFailure, settleFailure } from './commands.ts';
import { findOpenFailures, keepFailures, listHeldRows } from './keep.ts';
import { findFailureAt, listFailures } from './queries.ts';

let house: TestHouse;
let matter: NewMatter;
let broken: Set<string>;
let tried: string[];
beforeEach(async () => {
	house = await testHouse();
	matter = await newMatter(house, { restricted: 'on' });
	broken = new Set(['one']);
	tried = [];
});

const job = (): Job => ({
	name: 'seals',
	label: 'Sealing of signed documents',
	run: (_, held) =>
		eachRow(
			['one', 'two'],
			(row) => row,
			(row) => {
				tried.push(row);
				if (broken.has(row)) throw new Error('the page is damaged');
				return 1;
			},
			held
		),
	concernOf: (_, row) => ({
		what: `The seal of ${row}`,
		path: '/documents/doc_x',
		matterId: matter.matterId,
		staffId: 'stf_okafor'
	})
});
async function pass(): Promise<void> {
	const held = listHeldRows(house, 'seals');
	keepFailures(house, job(), await job().run(house, held), held);
}
/** Passes at hours far enough from one another for any wait. */
async function passes(...hours: number[]): Promise<void> {
	for (const hour of hours) {
		house.set('2026-11-23', hour);
		await pass();
	}
}
const shown = (login: string) => listFailures(house, house.staff(login)).map(({ what }) => what);
const which = { job: 'seals', row: 'one' };

it('a row that failed is left out for a while, and the others go on', async () => {
	await pass();
	await pass();
	assert.deepEqual(tried, ['one', 'two', 'two']);
	assert.deepEqual(findOpenFailures(house, 'seals'), { rows: 1, error: 'the page is damaged' });
	broken.clear();
	await passes(10);
	assert.deepEqual(findOpenFailures(house, 'seals'), { rows: 0, error: null });
});
it('it is told once, after three tries, to whom it concerns and nobody else', async () => {
	await passes(10, 12);
	assert.deepEqual(shown('okafor'), []);
	await passes(14, 16);
	assert.deepEqual(shown('okafor'), ['The seal of one']);
	for (const login of ['wardle', 'haddad', 'harrowgate']) assert.deepEqual(shown(login), [], login);
	const mails = all<{ recipient: string }>(
		house.db,
		"SELECT recipient FROM mail_out WHERE subject = 'Does not work: The seal of one'"
	);
	assert.equal(mails.length, 1);
	assert.match(mails[0]!.recipient, /okafor@/);
	assert.equal(findFailureAt(house, '/documents/doc_x')?.error, 'the page is damaged');
});
it('it is tried at once where somebody asks, and settled with how, for good', async () => {
	await passes(10, 12, 14);
	bad(retryFailure(house.as('wardle'), which));
	bad(settleFailure(house.as('wardle'), { ...which, reason: 'x' }));
	tried = [];
	await pass();
	assert.ok(!tried.includes('one'));
	good(retryFailure(house.as('okafor'), which));
	await pass();
	assert.ok(tried.includes('one'));
	assert.ok(bad(settleFailure(house.as('okafor'), { ...which, reason: ' ' })).reason);
	good(settleFailure(house.as('okafor'), { ...which, reason: 'Signed on paper again.' }));
	tried = [];
	await passes(18, 20);
	assert.ok(!tried.includes('one'));
	assert.deepEqual(shown('okafor'), []);
	assert.equal(
		scalar(
			house.db,
			"SELECT count(*) FROM logbook WHERE text LIKE '%Settled: Signed on paper again.%'"
		),
		1
	);
	assert.equal(findFailureAt(house, '/documents/doc_x')?.reason, 'Signed on paper again.');
});
it('what is nobody’s concerns those who look after the house, and goes on', async () => {
	const whole: Job = {
		name: 'digests',
		label: 'Morning digests',
		run: () => ({ worked: 0, failed: [] })
	};
	for (const hour of [10, 12, 14]) {
		house.set('2026-11-23', hour);
		const held = listHeldRows(house, 'digests');
		keepFailures(
			house,
			whole,
			{ worked: 0, failed: [{ row: '', error: new Error('no room') }] },
			held
		);
	}
	assert.deepEqual(shown('harrowgate'), ['Morning digests']);
	assert.deepEqual(shown('okafor'), []);
	const digests = { job: 'digests', row: '' };
	bad(settleFailure(house.as('harrowgate'), { ...digests, reason: 'x' }));
	good(retryFailure(house.as('harrowgate'), digests));
});
it('a mail that is not sent stays until it is, and is tried at once where somebody asks', async () => {
	house.db.exec('DELETE FROM mail_out');
	queueMail(house.as('okafor'), {
		matterId: matter.matterId,
		to: { name: 'Ana Prior', email: 'ana@prior.example' },
		message: { subject: 'To sign', text: 'Please sign.' }
	});
	const dead = await openTransport('smtp://127.0.0.1:1');
	const mail = listJobs({ transport: dead, from: 'a@b.example', heads: '' }).find(
		({ name }) => name === 'mail'
	)!;
	const send = async () => {
		const held = listHeldRows(house, 'mail');
		const report = await mail.run(house, held);
		keepFailures(house, mail, report, held);
		return report.failed.length;
	};
	for (const hour of [10, 12, 14]) {
		house.set('2026-11-23', hour);
		assert.equal(await send(), 1);
	}
	assert.equal(await send(), 0, 'only a moment ago');
	const [failure] = listFailures(house, house.staff('okafor'));
	assert.match(failure!.what, /^Mail to Ana Prior/);
	good(retryFailure(house.as('okafor'), failure!));
	assert.equal(await send(), 1);
	assert.equal(listFailures(house, house.staff('okafor'))[0]?.tries, 4, 'not forgotten by trying');
	good(settleFailure(house.as('okafor'), { ...failure!, reason: 'Sent by post.' }));
	house.set('2026-11-24');
	assert.equal(await send(), 0);
	dead.close();
});
