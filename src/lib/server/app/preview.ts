/**
 * What a change would do, before anything is saved: asked like a command, refused like a command,
 * answered like a command.
 */
import type { z } from 'zod';
import type { Action } from '#core/access/table.ts';
import { requireMatter } from '../access/visibility.ts';
import type { MatterRow } from '../matters/rows.ts';
import { actingStaff, type Context, type Staff } from './application.ts';
import { open } from './command.ts';
import { toFailure, type Result } from './errors.ts';

type PreviewBag<Input> = { ctx: Context; input: Input; me: Staff };
type Spec<Schema extends z.ZodType, Value> = {
	action: Action;
	input: Schema;
	run(bag: PreviewBag<z.output<Schema>>): Value | Promise<Value>;
};
export type Preview<Schema extends z.ZodType, Value> = {
	readonly action: Action;
	readonly input: Schema;
	(ctx: Context, input: z.input<Schema>): Promise<Result<Value>>;
};

/** Makes a preview. It writes nothing; heavy ones ask a worker. */
export function preview<Schema extends z.ZodType, Value>(
	spec: Spec<Schema, Value>
): Preview<Schema, Value> {
	const call = async (ctx: Context, raw: unknown): Promise<Result<Value>> => {
		const opened = open(spec, ctx, raw);
		if (!opened.ok) return opened;
		try {
			const value = await spec.run({ ctx, input: opened.value, me: actingStaff(ctx) });
			return { ok: true, value };
		} catch (error) {
			return toFailure(error);
		}
	};
	return Object.assign(call, { action: spec.action, input: spec.input });
}

/** Makes a preview on one matter, which is found or "not there" first. */
export function matterPreview<
	Schema extends z.ZodType<{ matterId: string }, { matterId: string }>,
	Value
>(spec: {
	action: Action;
	input: Schema;
	run(bag: PreviewBag<z.output<Schema>> & { matter: MatterRow }): Value | Promise<Value>;
}): Preview<Schema, Value> {
	return preview({
		action: spec.action,
		input: spec.input,
		run: (bag) => spec.run({ ...bag, matter: requireMatter(bag.ctx, bag.input.matterId) })
	});
}
