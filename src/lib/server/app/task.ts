/**
 * Work that would hold the server's one loop too long: reading files, making PDFs, comparing names.
 * It is declared beside what it is about and done in a worker, with limits of time, memory and
 * input.
 */
import type { Db } from '../db/open.ts';
import { Refused } from './errors.ts';

export type TaskBag = {
	/** The database, for reading. */
	readonly db: Db;
};

export type Task<Input, Output> = {
	readonly name: string;
	/**
	 * Files may take long and wait for one another; an answer to somebody who types, and what is read
	 * for pages, have workers of their own.
	 */
	readonly lane: 'files' | 'answers' | 'pages';
	/** How long it may take before it is ended. */
	readonly seconds: number;
	/** What the person reads where it took too long or too much memory. */
	readonly tooMuch: string;
	/** Heavy packages are imported in here, so that the server's own thread never loads them. */
	run(input: Input, bag: TaskBag): Output | Promise<Output>;
};

/** Where tasks are done. */
export type Work = {
	/** @throws Refused with what the task refuses, or with its `tooMuch` where a limit was met */
	run<Input, Output>(task: Task<Input, Output>, input: Input): Promise<Output>;
	/** How many wait for a worker. */
	waiting(): number;
	close(): Promise<void>;
};

const registry = new Map<string, Task<unknown, unknown>>();

/** Declares a task. Its name is how a worker finds it. */
export function task<Input, Output>(spec: Task<Input, Output>): Task<Input, Output> {
	if (registry.has(spec.name)) throw new Error(`two tasks are called ${spec.name}`);
	registry.set(spec.name, spec as Task<unknown, unknown>);
	return spec;
}

/** The task of a name, of those whose modules were imported. */
export function requireTask(name: string): Task<unknown, unknown> {
	const found = registry.get(name);
	if (!found) throw new Error(`there is no task called ${name}`);
	return found;
}

/** Does tasks at once in this thread: for the command line and for tests, where nobody waits. */
export const workInline = (db: () => Db): Work => ({
	run: async (spec, input) =>
		spec.run(input, {
			get db() {
				return db();
			}
		}),
	waiting: () => 0,
	close: () => Promise.resolve()
});

/** What a worker answers: a refusal crosses the threads as a value. */
export type TaskAnswer =
	| { value: unknown; /** What its SQL took, in milliseconds. */ sqlTime: number }
	| { refused: ReturnType<typeof asPlain> };
export const asPlain = ({ message, field, others }: Refused) => ({ message, field, others });
export const asRefused = ({ message, field, others }: ReturnType<typeof asPlain>): Refused =>
	new Refused(message, field, others);
