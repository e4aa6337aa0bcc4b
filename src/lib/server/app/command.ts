/**
 * One command for each change of the world: authorized, validated, written, audited and entered in
 * the logbook, all in one transaction. The form, the pen line, an import and the tests call the
 * same command.
 */
import type { z } from 'zod';
import { may, type Action } from '#core/access/table.ts';
import { auditServer } from '../access/audit.ts';
import { actingStaff, type Context, type Staff } from './application.ts';
import { fieldErrors, Forbidden, toFailure, type Failure, type Result } from './errors.ts';
import { openRecord, type Recorder } from './record.ts';

/** What a command's `run` is given. */
export type CommandBag<Input, Prepared = undefined> = {
	ctx: Context;
	input: Input;
	record: Recorder;
	/** The acting member of staff. Asking for it where a guest acts is Forbidden. */
	readonly me: Staff;
	/** What `prepare` made. */
	prepared: Prepared;
};

type Head<Schema extends z.ZodType> = {
	/** In words: it stands in the audit trail. */
	name: string;
	/** null: open to a guest; the command itself checks the link. */
	action: Action | null;
	input: Schema;
};
type Spec<Schema extends z.ZodType, Value> = Head<Schema> & {
	run(bag: CommandBag<z.output<Schema>>): Value;
};
type PreparedSpec<Schema extends z.ZodType, Value, Prepared> = Head<Schema> & {
	/**
	 * Work that takes longer than the server's loop may be held: done in a worker before the
	 * transaction begins. It refuses what may not be seen before it does anything, and writes
	 * nothing.
	 */
	prepare(bag: { ctx: Context; input: z.output<Schema>; readonly me: Staff }): Promise<Prepared>;
	run(bag: CommandBag<z.output<Schema>, Prepared>): Value;
};

type Known<Schema extends z.ZodType> = {
	readonly commandName: string;
	readonly action: Action | null;
	/** What its input is read by: also the fields of its form. */
	readonly input: Schema;
};
export type Command<Schema extends z.ZodType, Value> = Known<Schema> &
	((ctx: Context, input: z.input<Schema>) => Result<Value>);
export type PreparedCommand<Schema extends z.ZodType, Value> = Known<Schema> &
	((ctx: Context, input: z.input<Schema>) => Promise<Result<Value>>);

/** A command with any input: for the tests of access. */
export type Registered = Known<z.ZodType> & {
	call(ctx: Context, raw: unknown): Result<unknown> | Promise<Result<unknown>>;
};
const registry: Registered[] = [];
/** Every command of the modules that were imported. */
export const listCommands = (): readonly Registered[] => registry;

/**
 * Makes a command. Problems a person can cause come back as values; anything else is thrown and
 * nothing is saved.
 */
export function command<Schema extends z.ZodType, Value>(
	spec: Spec<Schema, Value>
): Command<Schema, Value> {
	const call = (ctx: Context, raw: unknown): Result<Value> => {
		const opened = open(spec, ctx, raw);
		return opened.ok ? transact(spec, ctx, opened.value, undefined) : opened;
	};
	return register(spec, call);
}

/** Makes a command with a part that is done in a worker first. */
export function preparedCommand<Schema extends z.ZodType, Value, Prepared>(
	spec: PreparedSpec<Schema, Value, Prepared>
): PreparedCommand<Schema, Value> {
	const call = async (ctx: Context, raw: unknown): Promise<Result<Value>> => {
		const opened = open(spec, ctx, raw);
		if (!opened.ok) return opened;
		const input = opened.value;
		try {
			const prepared = await spec.prepare({
				ctx,
				input,
				get me() {
					return actingStaff(ctx);
				}
			});
			return transact(spec, ctx, input, prepared);
		} catch (error) {
			return toFailure(error);
		}
	};
	return register(spec, call);
}

function register<Call extends (ctx: Context, raw: unknown) => unknown, Schema extends z.ZodType>(
	spec: Head<Schema>,
	call: Call
): Call & Known<Schema> {
	const known = Object.assign(call, {
		commandName: spec.name,
		action: spec.action,
		input: spec.input
	});
	registry.push({ ...known, call: call as Registered['call'] });
	return known;
}

/** Whether this person may do it at all, and the input as the schema reads it. */
export function open<Schema extends z.ZodType>(
	spec: { action: Action | null; input: Schema },
	ctx: Context,
	raw: unknown
): { ok: true; value: z.output<Schema> } | Failure {
	if (spec.action !== null && !mayDo(ctx, spec.action)) return toFailure(new Forbidden());
	const parsed = spec.input.safeParse(raw);
	if (!parsed.success) return { ok: false, status: 400, errors: fieldErrors(parsed.error) };
	return { ok: true, value: parsed.data };
}

const mayDo = (ctx: Context, action: Action): boolean =>
	'staff' in ctx.actor && may(ctx.actor.staff.role, action);

function transact<Input, Value, Prepared>(
	spec: { name: string; run(bag: CommandBag<Input, Prepared>): Value },
	ctx: Context,
	input: Input,
	prepared: Prepared
): Result<Value> {
	const { record, close } = openRecord(ctx, spec.name);
	const bag: CommandBag<Input, Prepared> = {
		ctx,
		input,
		record,
		prepared,
		get me() {
			return actingStaff(ctx);
		}
	};
	try {
		if (!ctx.db.inTransaction) auditServer(ctx, 'write outside a command');
		const whole = ctx.db.transaction(() => {
			const value = spec.run(bag);
			close();
			return value;
		});
		return { ok: true, value: whole.immediate() };
	} catch (error) {
		return toFailure(error);
	}
}
