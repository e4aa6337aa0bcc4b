import { fail, redirect } from '@sveltejs/kit';
import { ROLE_WORDS } from '#core/access/table.ts';
import { demoPeople, signIn, signInDemo } from '#server/trust/accounts.ts';
import { COOKIE, cookieOptions } from '#server/trust/cookie.ts';
import { departmentName } from '#server/house.ts';
import { theWorld } from '#server/web.ts';
import { settings } from '#server/world.ts';

export function load({ locals, url }) {
	if (locals.staff) redirect(303, '/');
	const demo = demoPeople(theWorld()).map((p) => ({ ...p, role: ROLE_WORDS[p.role] }));
	return { demo, to: url.searchParams.get('to') ?? '/', department: departmentName(theWorld()) };
}

/** Only a place in this house. */
const safe = (to: string) => (/^\/(?![/\\])/.test(to) ? to : '/');

export const actions = {
	password: async ({ request, cookies, getClientAddress }) => {
		const data = await request.formData();
		const login = String(data.get('login') ?? '');
		const password = String(data.get('password') ?? '');
		if (login.trim() === '' || password === '')
			return fail(400, {
				login,
				error:
					login.trim() === '' ? 'Your name for signing in is missing.' : 'Your password is missing.'
			});
		const done = await signIn(theWorld(), login, password, getClientAddress());
		if ('error' in done) return fail(400, { login, error: done.error });
		cookies.set(COOKIE, done.token, cookieOptions(settings().secure));
		redirect(303, safe(String(data.get('to') ?? '/')));
	},
	demo: async ({ request, cookies }) => {
		const data = await request.formData();
		const done = signInDemo(theWorld(), String(data.get('login') ?? ''));
		if ('error' in done) return fail(400, { login: '', error: done.error });
		cookies.set(COOKIE, done.token, cookieOptions(settings().secure));
		redirect(303, safe(String(data.get('to') ?? '/')));
	}
};
