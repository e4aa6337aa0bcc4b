/** Signing in: by name and password; in the demo, by choosing a person. */
import { fail, redirect, type RequestEvent } from '@sveltejs/kit';
import { ROLE_LABELS } from '#core/access/table.ts';
import { listDemoPeople, signIn, signInDemo } from '#server/access/accounts.ts';
import { departmentName } from '#server/app/department.ts';
import { signOut } from '#server/access/sessions.ts';
import { cookieName, cookieOptions } from '#server/http/cookie.ts';
import { safePath } from '#server/http/safe-path.ts';
import { readFormData } from '#server/http/form-data.ts';

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

/** The session that was open in this browser ends: its token is of no use to anybody any more. */
function goIn({ cookies, locals }: RequestEvent, token: string, data: FormData): never {
	const { secure } = locals.settings;
	const old = cookies.get(cookieName(secure));
	if (old) signOut(locals.app, old);
	cookies.set(cookieName(secure), token, cookieOptions(secure));
	redirect(303, safePath(textOf(data, 'to')));
}

const fromOf = ({ getClientAddress, request }: RequestEvent) => ({
	address: getClientAddress(),
	agent: request.headers.get('user-agent') ?? ''
});

export const actions = {
	password: async (event) => {
		const { request, locals } = event;
		const data = await readFormData(request);
		const login = textOf(data, 'login');
		const password = textOf(data, 'password');
		if (login.trim() === '')
			return fail(400, { login, error: 'Your name for signing in is missing.' });
		if (password === '') return fail(400, { login, error: 'Your password is missing.' });
		const done = await signIn(locals.app, login, password, fromOf(event));
		if ('error' in done) return fail(400, { login, error: done.error });
		goIn(event, done.token, data);
	},
	demo: async (event) => {
		const { request, locals } = event;
		const data = await readFormData(request);
		const done = signInDemo(locals.app, textOf(data, 'login'), fromOf(event));
		if ('error' in done) return fail(400, { login: '', error: done.error });
		goIn(event, done.token, data);
	}
};
