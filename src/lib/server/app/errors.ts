/** What a person can cause, in their words; and how it becomes the answer of a command. */
import type { z } from 'zod';

/** A refusal beside a field; "" is the form as a whole. */
export class Refused extends Error {
	readonly field: string;
	/** What is wrong with other fields at the same time. */
	readonly others: Record<string, string>;
	/** What the screen needs to offer a way on: the cards of near names. */
	readonly details: unknown;
	constructor(
		message: string,
		field = '',
		others: Record<string, string> = {},
		details: unknown = undefined
	) {
		super(message);
		this.field = field;
		this.others = others;
		this.details = details;
	}
}

/** What may not be seen does not exist: the same answer for both. */
export class NotFound extends Error {
	constructor(what = 'matter') {
		super(`There is no such ${what}, or it is not yours to see.`);
	}
}

/** The person may not do this kind of thing at all. */
export class Forbidden extends Error {
	constructor() {
		super('Your role does not include this. Ask an administrator.');
	}
}

/** What someone else changed meanwhile, beside what this person would write. */
export type Difference = {
	field: string;
	name: string;
	/** In words. */
	theirs: string;
	yours: string;
	/** As the form's field has them, where it can take the one or the other. */
	values?: { theirs: string; yours: string };
};

/**
 * Two people changed the same thing: nothing is saved, the second sees the difference and chooses.
 */
export class Conflict extends Error {
	readonly by: string;
	readonly version: number;
	readonly differences: Difference[];
	constructor(by: string, version: number, differences: Difference[]) {
		super(`${by} changed this while you wrote. Nothing is lost: choose what holds.`);
		this.by = by;
		this.version = version;
		this.differences = differences;
	}
}

export type ConflictView = { by: string; version: number; differences: Difference[] };
/** A refusal as a value: messages by field, and the HTTP status that says the same. */
export type Failure = {
	ok: false;
	status: 400 | 403 | 404 | 409;
	errors: Record<string, string>;
	conflict?: ConflictView;
	details?: unknown;
};
export type Result<Value> = { ok: true; value: Value } | Failure;

/**
 * The value of a result, where one command is a part of more. @throws Refused with its first error
 */
export function valueOf<Value>(result: Result<Value>): Value {
	if (result.ok) return result.value;
	throw new Refused(Object.values(result.errors)[0] ?? '');
}

/**
 * The answer to an error that a person can cause. @throws the error itself where it is a fault of
 * the program
 */
export function toFailure(error: unknown): Failure {
	if (error instanceof Refused) {
		const errors = { ...error.others, [error.field]: error.message };
		return { ok: false, status: 400, errors, details: error.details };
	}
	if (error instanceof NotFound) return { ok: false, status: 404, errors: { '': error.message } };
	if (error instanceof Forbidden) return { ok: false, status: 403, errors: { '': error.message } };
	if (error instanceof Conflict) {
		const { by, version, differences } = error;
		return {
			ok: false,
			status: 409,
			errors: { '': error.message },
			conflict: { by, version, differences }
		};
	}
	throw error;
}

/** The first message of each field. */
export function fieldErrors(error: z.ZodError): Record<string, string> {
	const errors: Record<string, string> = {};
	for (const { path, message } of error.issues) {
		errors[String(path[0] ?? '')] ??= message;
		// A table says it beside the row and its field: `rows.3.date`.
		if (path.length > 1) errors[path.join('.')] ??= message;
	}
	return errors;
}
