/** The server's workers. They start when they are first needed and end when they have been idle. */
import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { Refused } from '../app/errors.ts';
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
	#pool: Piscina | undefined;
	#busy = 0;
	readonly #queue: (() => void)[] = [];
	readonly #onBroken: (error: unknown) => void;
	constructor(threads: number, onBroken: (error: unknown) => void) {
		this.#threads = threads;
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
			minThreads: 0,
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
	const lanes = { files: new Lane(threads, onBroken), answers: new Lane(threads, onBroken) };
	const run = async <Input, Output>(task: Task<Input, Output>, input: Input): Promise<Output> => {
		const call: TaskCall = { name: task.name, input, database, today: today() };
		try {
			const answer = await lanes[task.lane].run(call, task.seconds);
			if ('refused' in answer) throw asRefused(answer.refused);
			return answer.value as Output;
		} catch (error) {
			if (met(error)) throw new Refused(task.tooMuch);
			throw error;
		}
	};
	return {
		run,
		waiting: () => lanes.files.waiting + lanes.answers.waiting,
		close: async () => {
			await Promise.all([lanes.files.close(), lanes.answers.close()]);
		}
	};
}
