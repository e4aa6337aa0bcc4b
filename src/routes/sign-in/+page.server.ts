/** Signing in: by name and password; in the demo, by choosing a person. */
import { fail, redirect, type RequestEvent } from '@sveltejs/kit';
import { ROLE_LABELS } from '#core/access/table.ts';
import { listDemoPeople, signIn, signInDemo } from '#server/access/accounts.ts';
import { departmentName } from '#server/app/department.ts';
import { STEP_SECONDS } from '#server/access/steps.ts';
import { cookieOptions, stepCookieName } from '#server/http/cookie.ts';
import { fromOf, goIn, textOf } from '#server/http/go-in.ts';
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

/** To the second factor, with what the password opened: a step, and nothing else. */
function goOn({ cookies, locals }: RequestEvent, step: string, to: string): never {
	const { secure } = locals.settings;
	cookies.set(stepCookieName(secure), step, { ...cookieOptions(secure), maxAge: STEP_SECONDS });
	redirect(303, `/sign-in/second?to=${encodeURIComponent(safePath(to))}`);
}

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
		if ('step' in done) goOn(event, done.step, textOf(data, 'to'));
		goIn(event, done.token, textOf(data, 'to'));
	},
	demo: async (event) => {
		const { request, locals } = event;
		const data = await readFormData(request);
		const done = signInDemo(locals.app, textOf(data, 'login'), fromOf(event));
		if ('error' in done) return fail(400, { login: '', error: done.error });
		goIn(event, done.token, textOf(data, 'to'));
	}
};
