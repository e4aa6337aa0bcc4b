/** Signing out. */
import { redirect } from '@sveltejs/kit';
import { signOut } from '#server/access/sessions.ts';
import { cookieName } from '#server/http/cookie.ts';

export const load = () => redirect(303, '/');

export const actions = {
	default: ({ cookies, locals }) => {
		if (locals.token) signOut(locals.app, locals.token);
		const { secure } = locals.settings;
		cookies.delete(cookieName(secure), { path: '/', secure });
		redirect(303, '/sign-in');
	}
};
