/** Into the house: the session's cookie is set, and what was open in this browser before ends. */
import { redirect, type RequestEvent } from '@sveltejs/kit';
import { signOut } from '#server/access/sessions.ts';
import { cookieName, cookieOptions, stepCookieName } from './cookie.ts';
import { safePath } from './safe-path.ts';

/** A text field of a form; empty where there is none. */
export const textOf = (data: FormData, name: string): string => {
	const value = data.get(name);
	return typeof value === 'string' ? value : '';
};

/** From where and by which program somebody asks. */
export const fromOf = ({ getClientAddress, request }: RequestEvent) => ({
	address: getClientAddress(),
	agent: request.headers.get('user-agent') ?? ''
});

/** The session that was open in this browser ends: its token is of no use to anybody any more. */
export function goIn({ cookies, locals }: RequestEvent, token: string, to: string): never {
	const { secure } = locals.settings;
	const old = cookies.get(cookieName(secure));
	if (old) signOut(locals.app, old);
	const step = stepCookieName(secure);
	if (cookies.get(step)) cookies.delete(step, { path: '/' });
	cookies.set(cookieName(secure), token, cookieOptions(secure));
	redirect(303, safePath(to));
}
