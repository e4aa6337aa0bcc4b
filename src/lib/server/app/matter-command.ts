/**
 * Commands on one matter. What they all need is done here: the matter is found or "not there", a
 * closed one refuses, what someone else changed meanwhile comes back as a difference, audit and
 * logbook are the matter's own, the others are told.
 */
import type { z } from 'zod';
import { changesMatter, type Action } from '#core/access/table.ts';
import { lastChangeBy } from '../access/audit.ts';
import { listTeam, mayOnlyRead } from '../access/team.ts';
import { requireMatter } from '../access/visibility.ts';
import { queueMail, type Message } from '../mail/queue.ts';
import type { MatterRow } from '../matters/rows.ts';
import { actingStaff, type Context, type Staff } from './application.ts';
import {
	command,
	preparedCommand,
	type Command,
	type CommandBag,
	type PreparedCommand
} from './command.ts';
import { Conflict, Refused, type Difference } from './errors.ts';
import type { MatterRecorder, Recorder } from './record.ts';

type OnMatter = { matter: MatterRow };
/** What a matter command's `run` is given, beside what it found. */
type MatterBag<Input, Prepared = undefined> = Omit<CommandBag<Input, Prepared>, 'record'> & {
	record: MatterRecorder;
	/** One message to each person on the matter but the one who acts; how many. */
	notify(message: Message): number;
};

type MatterHead<Schema extends z.ZodType, Found extends OnMatter> = {
	name: string;
	action: Action;
	input: Schema;
	/** What it works on, with its matter. @throws NotFound */
	find(ctx: Context, input: z.output<Schema>): Found;
	/** A closed matter refuses, unless the command is for closed ones too. */
	onClosed?: 'allowed';
	/** Who may only read the matter is refused, unless what they do concerns themselves. */
	forReaders?(found: Found, input: z.output<Schema>, me: Staff): boolean;
	/** The version of what is changed, where its form carries one, and how the two would differ. */
	version?: {
		of(found: Found): number;
		/** What is being changed, for the audit trail: whose hand was last on it. */
		id(found: Found): string;
		differences(found: Found, input: z.output<Schema>, ctx: Context): Difference[];
	};
};
type MatterSpec<Schema extends z.ZodType, Found extends OnMatter, Value> = MatterHead<
	Schema,
	Found
> & { run(bag: MatterBag<z.output<Schema>> & Found): Value };
type PreparedMatterSpec<
	Schema extends z.ZodType,
	Found extends OnMatter,
	Value,
	Prepared
> = MatterHead<Schema, Found> & {
	prepare(
		bag: { ctx: Context; input: z.output<Schema>; readonly me: Staff } & Found
	): Promise<Prepared>;
	run(bag: MatterBag<z.output<Schema>, Prepared> & Found): Value;
};

/** `find` for a command whose input names the matter itself. */
export const byMatterId = (ctx: Context, { matterId }: { matterId: string }): OnMatter => ({
	matter: requireMatter(ctx, matterId)
});

/** Makes a command on one matter. */
export function matterCommand<Schema extends z.ZodType, Found extends OnMatter, Value>(
	spec: MatterSpec<Schema, Found, Value>
): Command<Schema, Value> {
	return command({
		name: spec.name,
		action: spec.action,
		input: spec.input,
		run: (bag) => spec.run(matterBag(bag, findFor(spec, bag.ctx, bag.input)))
	});
}

/**
 * Makes a command on one matter with a part that is done in a worker first, once the matter was
 * found.
 */
export function preparedMatterCommand<
	Schema extends z.ZodType,
	Found extends OnMatter,
	Value,
	Prepared
>(spec: PreparedMatterSpec<Schema, Found, Value, Prepared>): PreparedCommand<Schema, Value> {
	return preparedCommand({
		name: spec.name,
		action: spec.action,
		input: spec.input,
		prepare: ({ ctx, input }) =>
			spec.prepare({ ctx, input, me: actingStaff(ctx), ...findFor(spec, ctx, input) }),
		run: (bag) => spec.run(matterBag(bag, findFor(spec, bag.ctx, bag.input)))
	});
}

function findFor<Schema extends z.ZodType, Found extends OnMatter>(
	spec: MatterHead<Schema, Found>,
	ctx: Context,
	input: z.output<Schema>
): Found {
	const found = spec.find(ctx, input);
	if (found.matter.status === 'closed' && spec.onClosed !== 'allowed')
		throw new Refused('The matter is closed: reopen it first.');
	refuseReader(spec, ctx, found, input);
	if (spec.version) refuseOldVersion(spec.version, ctx, found, input);
	return found;
}

function refuseReader<Schema extends z.ZodType, Found extends OnMatter>(
	spec: MatterHead<Schema, Found>,
	ctx: Context,
	found: Found,
	input: z.output<Schema>
): void {
	if (!changesMatter(spec.action) || !('staff' in ctx.actor)) return;
	const me = ctx.actor.staff;
	if (!mayOnlyRead(ctx.db, found.matter.id, me.id)) return;
	if (spec.forReaders?.(found, input, me)) return;
	throw new Refused('You are on this matter to read it. Ask its lawyer to change it.');
}

function refuseOldVersion<Input, Found extends OnMatter>(
	spec: {
		of(found: Found): number;
		id(found: Found): string;
		differences(found: Found, input: Input, ctx: Context): Difference[];
	},
	ctx: Context,
	found: Found,
	input: Input
): void {
	const shown = (input as { version?: number | null | undefined }).version;
	const now = spec.of(found);
	if (shown === null || shown === undefined || shown === now) return;
	const differences = spec.differences(found, input, ctx);
	throw new Conflict(lastChangeBy(ctx.db, found.matter.id, spec.id(found)), now, differences);
}

function matterBag<Input, Prepared, Found extends OnMatter>(
	bag: CommandBag<Input, Prepared>,
	found: Found
): MatterBag<Input, Prepared> & Found {
	const { ctx, input, prepared } = bag;
	bag.record.onMatter(found.matter.id);
	return {
		...found,
		ctx,
		input,
		prepared,
		me: bag.me,
		record: onMatter(bag.record, found.matter.id),
		notify: (message) => notifyTeam(ctx, found.matter, message)
	};
}

const onMatter = (record: Recorder, matterId: string): MatterRecorder => ({
	...record,
	log: (kind, text, link) => record.logOn(matterId, kind, text, link)
});

/** One message to each person on the matter but the one who acts; how many. */
function notifyTeam(ctx: Context, matter: MatterRow, message: Message): number {
	const me = actingStaff(ctx);
	const others = listTeam(ctx.db, matter.id).filter((member) => member.id !== me.id);
	for (const to of others) queueMail(ctx, { matterId: matter.id, to, message });
	return others.length;
}

/** A difference for each field whose two values differ. */
export const differencesOf = (
	fields: readonly { field: string; name: string; theirs: string; yours: string }[]
): Difference[] => fields.filter(({ theirs, yours }) => theirs !== yours);
