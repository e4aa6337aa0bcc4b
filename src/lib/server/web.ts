/** Between routes and commands: who asks, and how a result becomes an answer. */
import { error, fail, type ActionFailure, type RequestEvent } from '@sveltejs/kit';
import { may, type Action } from '#core/access/table.ts';
import type { Ctx, Difference, Result, Staff } from './command.ts';
import { ctxOf, nudge, theWorld } from './world.ts';

/** The signed-in member of staff; the hook lets nobody else through. */
export function staff(event: { locals: App.Locals }): Staff {
	if (!event.locals.staff) error(401, 'Sign in first.');
	return event.locals.staff;
}
export const ctx = (event: { locals: App.Locals }): Ctx => ctxOf(staff(event));

/** A page for roles that may do this; for all others it is not there. */
export function only(event: { locals: App.Locals }, action: Action): Staff {
	const s = staff(event);
	if (!may(s.role, action)) error(404, 'There is no such page, or it is not yours to see.');
	return s;
}

export const missing = (what: string): never =>
	error(404, `There is no such ${what}, or it is not yours to see.`);

export type Failure = ActionFailure<{
	errors: Record<string, string>;
	conflict?: { by: string; version: number; differences: Difference[] };
}>;
/** A command's result as a form action's answer. Mail that was queued goes out at once. */
export function answer<T, O>(result: Result<T>, done: (value: T) => O): O | Failure {
	if (!result.ok)
		return fail(result.status, {
			errors: result.errors,
			...(result.conflict ? { conflict: result.conflict } : {})
		});
	nudge();
	return done(result.value);
}

export type Form = {
	text(name: string): string;
	maybe(name: string): string | null;
	all(name: string): string[];
	file(name: string): File | null;
	json(name: string): unknown;
	data: FormData;
};
/** The fields of a form. */
export async function form(event: RequestEvent): Promise<Form> {
	const data = await event.request.formData();
	const text = (name: string) => {
		const v = data.get(name);
		return typeof v === 'string' ? v : '';
	};
	return {
		data,
		text,
		maybe: (name) => text(name) || null,
		all: (name) => data.getAll(name).filter((v): v is string => typeof v === 'string'),
		file: (name) => {
			const v = data.get(name);
			return v instanceof File && v.name !== '' ? v : null;
		},
		json: (name) => {
			try {
				return JSON.parse(text(name)) as unknown;
			} catch {
				return null;
			}
		}
	};
}
export { theWorld, fail };
