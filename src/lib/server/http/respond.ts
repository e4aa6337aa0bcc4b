/** A command's result as the answer of a form action, or as JSON. */
import { fail, json, type ActionFailure } from '@sveltejs/kit';
import type { ConflictView, Failure, Result } from '#server/app/errors.ts';

export type Refusal = {
	errors: Record<string, string>;
	conflict?: ConflictView;
	details?: unknown;
};

const refusalOf = ({ errors, conflict, details }: Failure): Refusal => ({
	errors,
	...(conflict ? { conflict } : {}),
	...(details === undefined ? {} : { details })
});

/** The answer of a form action. Mail that was queued goes out at once. */
export function respond<Value, Done>(
	{ locals }: { locals: App.Locals },
	result: Result<Value>,
	done: (value: Value) => Done
): Done | ActionFailure<Refusal> {
	if (!result.ok) return fail(result.status, refusalOf(result));
	locals.app.wake();
	return done(result.value);
}

/** The answer of an endpoint that a screen asks by itself. */
export function respondJson<Value>(
	{ locals }: { locals: App.Locals },
	result: Result<Value>
): Response {
	if (!result.ok) return json(refusalOf(result), { status: result.status });
	locals.app.wake();
	return json(result.value ?? {});
}

/**
 * The answer to what a screen asks while somebody types. Fields that are not finished yet make no
 * failed request: they are answered with their errors.
 */
export const respondPreview = <Value>(
	event: { locals: App.Locals },
	result: Result<Value>
): Response =>
	!result.ok && result.status === 400
		? json({ refused: refusalOf(result) })
		: respondJson(event, result);
