/**
 * The second step of signing in: a code or a passkey; where the role needs one and there is none
 * yet, one is set up here.
 */
import { fail, redirect, type RequestEvent } from '@sveltejs/kit';
import { hasFactor, listFactors } from '#server/access/factors.ts';
import { asStaff } from '#server/access/staff-of.ts';
import { findStepStaff } from '#server/access/steps.ts';
import { addCode, addPasskey, beginCode, beginPasskey } from '#server/accounts/factors.ts';
import { askPasskey } from '#server/accounts/passkeys.ts';
import { beginSession, passCode, passPasskey } from '#server/accounts/second-step.ts';
import { contextFor } from '#server/app/application.ts';
import { departmentName } from '#server/app/department.ts';
import { action, actionValue } from '#server/http/action.ts';
import { stepCookieName } from '#server/http/cookie.ts';
import { readFormData } from '#server/http/form-data.ts';
import { fromOf, goIn, textOf } from '#server/http/go-in.ts';

/** Whose password was right a moment ago. */
function requireStep(event: RequestEvent) {
	const { app, settings } = event.locals;
	const token = event.cookies.get(stepCookieName(settings.secure)) ?? '';
	const row = findStepStaff(app, token);
	if (!row) redirect(303, '/sign-in');
	return { token, row, from: fromOf(event) };
}
const stepContext = (event: RequestEvent) =>
	contextFor(event.locals.app, asStaff(requireStep(event).row));
/** Somebody who has a factor already shows it: another one is set up inside. */
function requireFirst(event: RequestEvent) {
	if (hasFactor(event.locals.app, requireStep(event).row.id)) redirect(303, '/sign-in/second');
	return stepContext(event);
}

export async function load(event) {
	const { row } = requireStep(event);
	const { app } = event.locals;
	const factors = listFactors(app, row.id);
	return {
		name: row.name,
		department: departmentName(app),
		to: event.url.searchParams.get('to') ?? '/',
		code: factors.some(({ sort }) => sort === 'code'),
		passkey: await askPasskey(stepContext(event), row.id),
		first: factors.length === 0
	};
}

/** The first factor is set up: who did it is in. */
const enter = (event: RequestEvent) => {
	const { token } = beginSession(event.locals.app, requireStep(event));
	return goIn(event, token, event.url.searchParams.get('to') ?? '/');
};
export const actions = {
	code: async (event) => {
		const step = requireStep(event);
		const data = await readFormData(event.request);
		const done = passCode(event.locals.app, step, textOf(data, 'code'));
		if ('error' in done) return fail(400, { error: done.error });
		goIn(event, done.token, textOf(data, 'to'));
	},
	passkey: async (event) => {
		const step = requireStep(event);
		const data = await readFormData(event.request);
		const done = await passPasskey(stepContext(event), step, parseJson(textOf(data, 'response')));
		if ('error' in done) return fail(400, { error: done.error });
		goIn(event, done.token, textOf(data, 'to'));
	},
	beginCode: actionValue(beginCode, { context: requireFirst }),
	addCode: action(addCode, { context: requireFirst, done: (_, event) => enter(event) }),
	beginPasskey: actionValue(beginPasskey, { context: requireFirst }),
	addPasskey: action(addPasskey, { context: requireFirst, done: (_, event) => enter(event) })
};

function parseJson(text: string): unknown {
	try {
		return JSON.parse(text);
	} catch {
		return null;
	}
}
