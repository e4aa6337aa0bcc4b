/**
 * One command for each change of the world: authorized, validated, written, audited and entered in the logbook,
 * all in one transaction. The form, the pen line and the tests call the same command.
 */
import { z } from 'zod';
import { may, type Action, type Role } from '#core/access/table.ts';
import { date as plain, type PlainDate } from '#core/dates/plain.ts';
import { clockAt, instantOf } from '#core/dates/zone.ts';
import type { Db } from './db/open.ts';
import { newId } from './ids.ts';
import { appendAudit } from './trust/audit.ts';

export type Staff = {
	id: string;
	login: string;
	name: string;
	initials: string;
	email: string;
	role: Role;
	level: string;
};
/** Time as the department sees it: an instant, and its plain date in the department's zone. */
export type Clock = {
	now(): string;
	today(): PlainDate;
	/** Where the department is. */ zone: string;
};
export type Files = { put(data: Uint8Array): string; get(sha256: string): Buffer };
export type World = {
	db: Db;
	clock: Clock;
	files: Files;
	origin: string;
	seal: () => Promise<{ p12: Buffer; password: string }>;
};
/** Who does it. Outside signers act through their link, without a staff member. */
export type Actor = { staff: Staff } | { guest: string };
export type Ctx = World & { actor: Actor };

/** A refusal in the user's words, beside a field ("" is the form as a whole). */
export class Refused extends Error {
	readonly field: string;
	/** What is wrong with other fields at the same time. */
	readonly others: Record<string, string>;
	constructor(message: string, field = '', others: Record<string, string> = {}) {
		super(message);
		this.field = field;
		this.others = others;
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
export type Difference = { field: string; name: string; theirs: string; yours: string };
/** Two people changed the same thing: nothing is saved, the second sees the difference and chooses. */
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

export type Result<T> =
	| { ok: true; value: T }
	| {
			ok: false;
			errors: Record<string, string>;
			status: 400 | 403 | 404 | 409;
			conflict?: { by: string; version: number; differences: Difference[] };
	  };

export type Scribe = {
	/** An entry in the matter's logbook, in words a lawyer would use; gives its id. */
	log(matterId: string, kind: LogKind, text: string, link?: string): string;
	/** Adds to what the audit trail keeps of this command. */
	note(detail: Record<string, unknown>): void;
	/** The matter the audit entry belongs to. */
	matter(id: string): void;
};
export type LogKind =
	'note' | 'matter' | 'people' | 'date' | 'task' | 'document' | 'signing' | 'time' | 'cost';

type Spec<S extends z.ZodType, T> = {
	name: string;
	/** null: open to a guest; the command itself checks the link. */
	action: Action | null;
	input: S;
	run(ctx: Ctx, input: z.output<S>, scribe: Scribe): T;
};

export type Command<I, T> = {
	(ctx: Ctx, input: I): Result<T>;
	commandName: string;
	action: Action | null;
};

/** The acting member of staff. */
export function staffOf(ctx: Ctx): Staff {
	if (!('staff' in ctx.actor)) throw new Forbidden();
	return ctx.actor.staff;
}

type Known = {
	name: string;
	action: Action | null;
	/** The command with any input: for the tests of access. */ call: (
		ctx: Ctx,
		raw: unknown
	) => Result<unknown>;
};
const all: Known[] = [];
/** Every command there is, for the tests of access. */
export const commands = (): readonly Known[] => all;

/** Makes a command. Problems a user can cause come back as values; anything else is thrown and nothing is saved. */
export function command<S extends z.ZodType, T>(spec: Spec<S, T>): Command<z.input<S>, T> {
	const run = (ctx: Ctx, raw: z.input<S>): Result<T> => {
		if (spec.action !== null && !('staff' in ctx.actor && may(ctx.actor.staff.role, spec.action)))
			return { ok: false, status: 403, errors: { '': new Forbidden().message } };
		const parsed = spec.input.safeParse(raw);
		if (!parsed.success) return { ok: false, status: 400, errors: fieldErrors(parsed.error) };
		try {
			const value = ctx.db
				.transaction(() => {
					let matterId: string | null = null;
					const detail: Record<string, unknown> = {};
					const out = spec.run(ctx, parsed.data, {
						log: (id, kind, text, link) => {
							const logId = newId('log');
							ctx.db
								.prepare(
									'INSERT INTO logbook (id, matter_id, at, staff_id, kind, text, link) VALUES (?, ?, ?, ?, ?, ?, ?)'
								)
								.run(
									logId,
									id,
									ctx.clock.now(),
									'staff' in ctx.actor ? ctx.actor.staff.id : null,
									kind,
									text,
									link ?? null
								);
							return logId;
						},
						note: (more) => void Object.assign(detail, more),
						matter: (id) => void (matterId = id)
					});
					appendAudit(ctx.db, {
						at: ctx.clock.now(),
						actor: 'staff' in ctx.actor ? ctx.actor.staff.login : `guest ${ctx.actor.guest}`,
						action: spec.name,
						matterId,
						detail
					});
					return out;
				})
				.immediate();
			return { ok: true, value };
		} catch (e) {
			if (e instanceof Refused)
				return { ok: false, status: 400, errors: { ...e.others, [e.field]: e.message } };
			if (e instanceof NotFound) return { ok: false, status: 404, errors: { '': e.message } };
			if (e instanceof Forbidden) return { ok: false, status: 403, errors: { '': e.message } };
			if (e instanceof Conflict)
				return {
					ok: false,
					status: 409,
					errors: { '': e.message },
					conflict: { by: e.by, version: e.version, differences: e.differences }
				};
			throw e;
		}
	};
	all.push({
		name: spec.name,
		action: spec.action,
		call: (ctx, raw) => run(ctx, raw as z.input<S>)
	});
	return Object.assign(run, { commandName: spec.name, action: spec.action });
}

/** The first message of each field. */
export function fieldErrors(error: z.ZodError): Record<string, string> {
	const out: Record<string, string> = {};
	for (const issue of error.issues) out[String(issue.path[0] ?? '')] ??= issue.message;
	return out;
}

/** A clock in a zone. `start` sets it (KITE_TODAY): a day keeps the time of day, `2026-11-23T10:00` sets that too; it runs on from there. */
export function makeClock(zone: string, start?: string): Clock {
	const real = Date.now();
	const [, d, h, m] = /^(\d{4}-\d\d-\d\d)(?:T(\d\d):(\d\d))?$/.exec(start ?? '') ?? [];
	const shift =
		d === undefined
			? 0
			: instantOf(
					plain(d),
					h === undefined ? clockAt(real, zone).minutes : Number(h) * 60 + Number(m),
					zone
				) -
				Math.floor(real / 60_000) * 60_000;
	const ms = () => Date.now() + shift;
	return { now: () => new Date(ms()).toISOString(), today: () => clockAt(ms(), zone).date, zone };
}
