/**
 * Runs the jobs, every few moments and when something was queued. What failed is kept until it
 * works again.
 */
import type { Logger } from 'pino';
import { clockAt } from '#core/dates/zone.ts';
import { auditServer } from '#server/access/audit.ts';
import type { Application } from '#server/app/application.ts';
import type { Job, JobReport } from '#server/app/job.ts';
import { findOpenFailures, keepFailures, listHeldRows } from '#server/failures/keep.ts';
import { keepState } from './state.ts';

const EVERY_MS = 2000;

export type RunningJobs = {
	/** Looks now instead of in a moment. */
	wake(): void;
	stop(): Promise<void>;
};

export function runJobs(app: Application, log: Logger, jobs: readonly Job[]): RunningJobs {
	const passes = new Passes(app, log, jobs);
	const timer = setInterval(() => passes.wake(), EVERY_MS);
	passes.wake();
	return {
		wake: () => passes.wake(),
		async stop() {
			clearInterval(timer);
			await passes.stop();
		}
	};
}

class Passes {
	readonly #app: Application;
	readonly #log: Logger;
	readonly #jobs: readonly Job[];
	/** The day on which a job of one hour has been done. */
	readonly #done = new Map<string, string>();
	#running: Promise<void> | null = null;
	#again = false;
	#stopped = false;

	constructor(app: Application, log: Logger, jobs: readonly Job[]) {
		this.#app = app;
		this.#log = log;
		this.#jobs = jobs;
	}

	wake(): void {
		if (this.#stopped) return;
		if (this.#running) this.#again = true;
		else this.#running = this.#pass().finally(() => (this.#running = null));
	}

	async stop(): Promise<void> {
		this.#stopped = true;
		await this.#running;
	}

	async #pass(): Promise<void> {
		do {
			this.#again = false;
			for (const job of this.#jobs) if (this.#isDue(job)) await this.#run(job);
		} while (this.#again && !this.#stopped);
	}

	/** A job of one hour runs once a day from that hour on, and once after a start. */
	#isDue({ name, hour }: Job): boolean {
		if (hour === undefined) return true;
		const { clock } = this.#app;
		const { minutes } = clockAt(Date.parse(clock.now()), clock.zone);
		return minutes >= hour * 60 && this.#done.get(name) !== clock.today();
	}

	async #run(job: Job): Promise<void> {
		const held = listHeldRows(this.#app, job.name);
		if (held.has('')) return;
		const report = await runOnce(this.#app, job, held);
		keepFailures(this.#app, job, report, held);
		auditServer(this.#app, `job: ${job.label}`);
		for (const { row, error } of report.failed)
			this.#log.error({ err: error, job: job.name, row }, 'a job failed');
		if (report.worked > 0) this.#log.info({ job: job.name, worked: report.worked }, 'a job worked');
		const open = findOpenFailures(this.#app, job.name);
		// What failed is tried again with a later pass.
		if (open.rows === 0) this.#done.set(job.name, this.#app.clock.today());
		keepState(this.#app, job, { worked: report.worked, ...open });
	}
}

/** Runs a job once. One that throws has failed as a whole; the other jobs go on. */
async function runOnce(app: Application, job: Job, held: ReadonlySet<string>): Promise<JobReport> {
	try {
		return await job.run(app, held);
	} catch (error) {
		return { worked: 0, failed: [{ row: '', error }] };
	}
}
