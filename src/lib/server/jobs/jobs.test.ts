import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import pino from 'pino';
import { eachRow, type Job } from '#server/app/job.ts';
import { testHouse, type TestHouse } from '#server/testing/house.ts';
import { runJobs } from './run.ts';
import { listJobStates } from './state.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

/** Passes over the jobs until each has been done at least once more. */
async function pass(...jobs: Job[]): Promise<void> {
	const running = runJobs(house, pino({ level: 'silent' }), jobs);
	await new Promise((resolve) => setTimeout(resolve, 20));
	await running.stop();
}

const silent = { worked: 0, failed: [] };

describe('the jobs', () => {
	it('go on with the other rows and the other jobs where one row fails', async () => {
		const done: string[] = [];
		const bad: Job = {
			name: 'bad',
			label: 'A job with one bad row',
			run: (_, held) =>
				eachRow(
					['first', 'second', 'third'],
					(row) => row,
					(row) => {
						if (row === 'second') throw new Error('the second is broken');
						done.push(row);
						return 1;
					},
					held
				)
		};
		const next: Job = {
			name: 'next',
			label: 'The next job',
			run: () => (done.push('next'), { worked: 1, failed: [] })
		};
		await pass(bad, next);
		assert.deepEqual(done.slice(0, 3), ['first', 'third', 'next']);
		const states = listJobStates(house);
		assert.deepEqual(
			states.map(({ name, error, failedRows }) => [name, error, failedRows]),
			[
				['bad', 'the second is broken', 1],
				['next', null, 0]
			],
			'the one that failed comes first'
		);
		assert.ok(states[0]?.errorAt);
	});

	it('go on where a whole job throws, and forget the error when it goes well again', async () => {
		let broken = true;
		const job: Job = {
			name: 'mail',
			label: 'Mail',
			run: () => {
				if (broken) throw new Error('no one listens');
				return { worked: 2, failed: [] };
			}
		};
		let others = 0;
		const other: Job = { name: 'other', label: 'Other', run: () => (others++, silent) };
		await pass(job, other);
		assert.equal(others, 1);
		assert.equal(listJobStates(house)[0]?.error, 'no one listens');
		broken = false;
		house.set('2026-11-23', 10);
		await pass(job, other);
		assert.equal(listJobStates(house).find(({ name }) => name === 'mail')?.error, null);
	});

	it('of the morning are done once a day, from their hour on where the department is', async () => {
		let times = 0;
		const job: Job = { name: 'digests', label: 'Digests', hour: 6, run: () => (times++, silent) };
		house.set('2026-11-24', 5);
		const running = runJobs(house, pino({ level: 'silent' }), [job]);
		const look = async () => {
			running.wake();
			await new Promise((resolve) => setTimeout(resolve, 20));
			return times;
		};
		assert.equal(await look(), 0, 'not at five');
		house.set('2026-11-24', 6);
		assert.equal(await look(), 1);
		house.set('2026-11-24', 23);
		assert.equal(await look(), 1, 'once a day');
		house.set('2026-11-25', 0);
		assert.equal(await look(), 1, 'not at midnight');
		house.set('2026-11-25', 7);
		assert.equal(await look(), 2);
		await running.stop();
	});
});
