/** Signing in: by name and password; in the demo, by choosing a person. */
import { fail, redirect, type Cookies } from '@sveltejs/kit';
import { ROLE_LABELS } from '#core/access/table.ts';
import { listDemoPeople, signIn, signInDemo } from '#server/access/accounts.ts';
import { departmentName } from '#server/app/department.ts';
import { COOKIE, cookieOptions } from '#server/http/cookie.ts';

export function load({ locals, url }) {
	if (locals.staff) redirect(303, '/');
	const { app } = locals;
	return {
		demo: listDemoPeople(app).map((person) => ({ ...person, role: ROLE_LABELS[person.role] })),
		to: url.searchParams.get('to') ?? '/',
		department: departmentName(app)
	};
}

const textOf = (data: FormData, name: string): string => {
	const value = data.get(name);
	return typeof value === 'string' ? value : '';
};

/** Only a place in this house. */
const safePath = (to: string): string => (/^\/(?![/\\])/.test(to) ? to : '/');

function goIn(cookies: Cookies, { settings }: App.Locals, token: string, data: FormData): never {
	cookies.set(COOKIE, token, cookieOptions(settings.secure));
	redirect(303, safePath(textOf(data, 'to') || '/'));
}

export const actions = {
	password: async ({ request, cookies, locals, getClientAddress }) => {
		const data = await request.formData();
		const login = textOf(data, 'login');
		const password = textOf(data, 'password');
		if (login.trim() === '')
			return fail(400, { login, error: 'Your name for signing in is missing.' });
		if (password === '') return fail(400, { login, error: 'Your password is missing.' });
		const done = await signIn(locals.app, login, password, getClientAddress());
		if ('error' in done) return fail(400, { login, error: done.error });
		goIn(cookies, locals, done.token, data);
	},
	demo: async ({ request, cookies, locals }) => {
		const data = await request.formData();
		const done = signInDemo(locals.app, textOf(data, 'login'));
		if ('error' in done) return fail(400, { login: '', error: done.error });
		goIn(cookies, locals, done.token, data);
	}
};
