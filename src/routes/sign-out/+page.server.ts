/** Signing out. */
import { redirect } from '@sveltejs/kit';
import { signOut } from '#server/access/accounts.ts';
import { COOKIE } from '#server/http/cookie.ts';

export const load = () => redirect(303, '/');

export const actions = {
	default: ({ cookies, locals }) => {
		if (locals.token) signOut(locals.app, locals.token);
		cookies.delete(COOKIE, { path: '/' });
		redirect(303, '/sign-in');
	}
};
