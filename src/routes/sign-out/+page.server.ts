import { redirect } from '@sveltejs/kit';
import { signOut } from '#server/trust/accounts.ts';
import { COOKIE } from '#server/trust/cookie.ts';
import { theWorld } from '#server/web.ts';

export const load = () => redirect(303, '/');
export const actions = {
	default: ({ cookies, locals }) => {
		if (locals.token) signOut(theWorld(), locals.token);
		cookies.delete(COOKIE, { path: '/' });
		redirect(303, '/sign-in');
	}
};
