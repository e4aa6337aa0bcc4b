/**
 * Form actions and endpoints made of commands and previews: the form's fields are read by the
 * command's own schema.
 */
import type { ActionFailure, RequestEvent } from '@sveltejs/kit';
import type { z } from 'zod';
import type { Action } from '#core/access/table.ts';
import type { Context } from '#server/app/application.ts';
import { open } from '#server/app/command.ts';
import { Refused, toFailure, type Result } from '#server/app/errors.ts';
import { readForm } from './form.ts';
import { contextOf } from './request.ts';
import { respond, respondPreview, type Refusal } from './respond.ts';
import { readFormData } from '#server/http/form-data.ts';

/** What a command and a preview have in common: an input, and a result. */
type Callable<Schema extends z.ZodType, Value> = {
	readonly input: Schema;
	(ctx: Context, input: z.input<Schema>): Result<Value> | Promise<Result<Value>>;
};

type Options<Value, Done> = {
	/** What does not come from the form: the id in the page's address. It wins over the form. */
	input?: (event: RequestEvent) => Record<string, unknown>;
	/** What the screen is told; nothing where it is left out. */
	done?: (value: Value, event: RequestEvent) => Done;
	/** Who acts, where that is not the one who is signed in. */
	context?: (event: RequestEvent) => Context;
};

type FormAction<Done> = (event: RequestEvent) => Promise<Done | ActionFailure<Refusal>>;

/** A form action that calls a command, or shows a preview. */
export function action<Schema extends z.ZodType, Value, Done = Record<string, never>>(
	call: Callable<Schema, Value>,
	options: Options<Value, Done> = {}
): FormAction<Done> {
	return async (event) => {
		const { input, done = () => ({}) as Done, context = contextOf } = options;
		const ctx = context(event);
		const fields = readForm(call.input, await readFormData(event.request));
		const raw = { ...fields, ...input?.(event) } as z.input<Schema>;
		const result = await call(ctx, raw);
		return respond(event, result, (value) => done(value, event));
	};
}

/** A form action with what its command gave as the answer. */
export const actionValue = <Schema extends z.ZodType, Value>(
	call: Callable<Schema, Value>,
	options: Omit<Options<Value, Value>, 'done'> = {}
): FormAction<Value> => action(call, { ...options, done: (value) => value });

/** An endpoint that reads JSON and answers with what a preview gave. */
export const previewEndpoint =
	<Schema extends z.ZodType, Value>(
		call: Callable<Schema, Value>
	): ((event: RequestEvent) => Promise<Response>) =>
	async (event) => {
		const ctx = contextOf(event);
		const body: unknown = await event.request.json().catch(() => ({}));
		return respondPreview(event, await call(ctx, body as z.input<Schema>));
	};

/**
 * What is asked of a command can be asked of a function too: with the same access, input and
 * refusals.
 */
export function callable<Schema extends z.ZodType, Value>(spec: {
	action: Action;
	input: Schema;
	run(ctx: Context, input: z.output<Schema>): Value | Promise<Value>;
}): Callable<Schema, Value> {
	const call = async (ctx: Context, raw: unknown): Promise<Result<Value>> => {
		const opened = open(spec, ctx, raw);
		if (!opened.ok) return opened;
		try {
			return { ok: true, value: await spec.run(ctx, opened.value) };
		} catch (error) {
			if (error instanceof Refused) return toFailure(error);
			throw error;
		}
	};
	return Object.assign(call, { input: spec.input });
}
