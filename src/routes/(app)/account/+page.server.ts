/** One's own account: the password, and where one is signed in. */
import { listFactors, listStrictRoles } from '#server/access/factors.ts';
import { listSessions } from '#server/access/sessions.ts';
import { endOwnSessions } from '#server/accounts/commands.ts';
import {
	addCode,
	addPasskey,
	beginCode,
	beginPasskey,
	removeFactor
} from '#server/accounts/factors.ts';
import { changePassword } from '#server/accounts/password.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireStaff } from '#server/http/request.ts';

export function load(event) {
	const { id, login, email, role } = requireStaff(event);
	const { app, token } = event.locals;
	return {
		...{ login, email },
		sessions: listSessions(app, id, token),
		factors: listFactors(app, id),
		needed: listStrictRoles(app).includes(role)
	};
}

/** The session that asks goes on; the form has no say in which that is. */
const input = ({ locals }: { locals: App.Locals }) => ({ token: locals.token ?? '' });

export const actions = {
	password: actionValue(changePassword, { input }),
	end: action(endOwnSessions, { input }),
	beginCode: actionValue(beginCode),
	addCode: action(addCode),
	beginPasskey: actionValue(beginPasskey),
	addPasskey: action(addPasskey),
	removeFactor: action(removeFactor)
};
