/** The server's workers. They start when they are first needed and end when they have been idle. */
import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { Refused } from '../app/errors.ts';
import { addSqlTime } from '../db/sql.ts';
import { asRefused, type Task, type TaskAnswer, type Work } from '../app/task.ts';
import type { TaskCall } from './main.ts';

/** Where a worker needs more, what it reads is refused. */
const MEMORY_MB = 512;
const IDLE_MS = 30_000;

/**
 * The worker's file: beside this one as it is written; in a build, in the nearest folder above that
 * has it.
 */
function workerFile(): { filename: string; execArgv: string[] } {
	const here = dirname(fileURLToPath(import.meta.url));
	const source = join(here, 'main.ts');
	if (existsSync(source)) return { filename: source, execArgv: ['--import', 'tsx'] };
	for (let folder = here; ; folder = dirname(folder)) {
		const filename = join(folder, 'workers/main.js');
		if (existsSync(filename)) return { filename, execArgv: [] };
		if (dirname(folder) === folder) throw new Error('the file of the workers is missing');
	}
}

/** One kind of work: so many at a time, the others in order of arrival. */
class Lane {
	readonly #threads: number;
	/** How many stay when nothing is asked. */
	readonly #kept: number;
	#pool: Piscina | undefined;
	#busy = 0;
	readonly #queue: (() => void)[] = [];
	readonly #onBroken: (error: unknown) => void;
	constructor(
		{ threads, kept }: { threads: number; kept: number },
		onBroken: (error: unknown) => void
	) {
		this.#threads = threads;
		this.#kept = kept;
		this.#onBroken = onBroken;
	}

	get waiting(): number {
		return this.#queue.length;
	}

	/** A task's time runs from when it has a worker, not from when it began to wait for one. */
	async run(call: TaskCall, seconds: number): Promise<TaskAnswer> {
		if (this.#busy >= this.#threads)
			await new Promise<void>((resolve) => this.#queue.push(resolve));
		this.#busy++;
		try {
			this.#pool ??= this.#makePool();
			const signal = AbortSignal.timeout(seconds * 1000);
			return (await this.#pool.run(call, { signal })) as TaskAnswer;
		} finally {
			this.#busy--;
			this.#queue.shift()?.();
		}
	}

	#makePool(): Piscina {
		const pool = new Piscina({
			...workerFile(),
			minThreads: this.#kept,
			maxThreads: this.#threads,
			idleTimeout: IDLE_MS,
			resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB }
		});
		// A worker that breaks while nothing is asked of it must not take the server with it.
		pool.on('error', (error: unknown) => this.#onBroken(error));
		return pool;
	}

	async close(): Promise<void> {
		await this.#pool?.destroy();
	}
}

const met = (error: unknown): boolean =>
	error instanceof Error &&
	(error.name === 'AbortError' ||
		error.name === 'TimeoutError' ||
		('code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY'));

/**
 * Starts the workers.
 * @param database the database's file
 * @param today the department's day
 * @param onBroken a worker that broke by itself
 */
export function startWorkers(
	database: string,
	today: () => string,
	onBroken: (error: unknown) => void
): Work {
	const threads = Math.max(1, Math.min(2, availableParallelism() - 1));
	const lanes = {
		files: new Lane({ threads, kept: 0 }, onBroken),
		answers: new Lane({ threads, kept: 0 }, onBroken),
		// Pages are asked for all day: one worker stays, so that nobody waits for its start.
		pages: new Lane({ threads, kept: 1 }, onBroken)
	};
	const run = async <Input, Output>(task: Task<Input, Output>, input: Input): Promise<Output> => {
		const call: TaskCall = { name: task.name, input, database, today: today() };
		try {
			const answer = await lanes[task.lane].run(call, task.seconds);
			if ('refused' in answer) throw asRefused(answer.refused);
			addSqlTime(answer.sqlTime);
			return answer.value as Output;
		} catch (error) {
			if (met(error)) throw new Refused(task.tooMuch);
			throw error;
		}
	};
	return {
		run,
		waiting: () => Object.values(lanes).reduce((sum, lane) => sum + lane.waiting, 0),
		close: async () => {
			await Promise.all(Object.values(lanes).map((lane) => lane.close()));
		}
	};
}
