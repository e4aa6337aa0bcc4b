/** What every part of the server is given: the database, the clock, the files, and who acts. */
import type { Role } from '#core/access/table.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Db } from '../db/open.ts';
import { Forbidden } from './errors.ts';
import type { Work } from './task.ts';

/** A member of staff as sessions and commands know them. */
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
	/** UTC, ISO 8601 with milliseconds. */
	now(): string;
	today(): PlainDate;
	/** Where the department is. */
	zone: string;
};

/** Files by the SHA-256 of their contents. */
export type Files = { put(data: Uint8Array): string; get(sha256: string): Buffer };

export type SealKey = { p12: Buffer; password: string };

export type Application = {
	db: Db;
	clock: Clock;
	files: Files;
	/** The address people open, without a slash at its end. */
	origin: string;
	/** Key and certificate of the department's seal. */
	seal: () => Promise<SealKey>;
	/** The key of what lies encrypted in the database. */
	vaultKey: () => Buffer;
	/** Workers, for what would hold up the server's one loop. */
	work: Work;
	/** Something was queued: jobs look now instead of in a moment. */
	wake: () => void;
};

/** What reading for a page needs; a worker has this too. */
export type Reader = Pick<Application, 'db' | 'clock'>;

/** Who does it. Outside signers act through their link, without a member of staff; so do jobs. */
type Actor = { staff: Staff } | { guest: string };
export type Context = Application & { actor: Actor };

/** The acting member of staff. @throws Forbidden where a guest acts */
export function actingStaff(ctx: Context): Staff {
	if (!('staff' in ctx.actor)) throw new Forbidden();
	return ctx.actor.staff;
}

/** The same application with one member of staff acting. */
export const contextFor = (app: Application, staff: Staff): Context => ({
	...app,
	actor: { staff }
});
