/** A new password, by a link that is used once; no account is needed to open it. */
import { findLinkStaff, setPasswordByLink } from '#server/accounts/password.ts';
import { departmentName } from '#server/app/department.ts';
import { actionValue } from '#server/http/action.ts';
import { guestContext } from '#server/http/request.ts';

export function load({ locals, params }) {
	const { app } = locals;
	const found = findLinkStaff(app, params.token);
	return {
		department: departmentName(app),
		person: found ? { name: found.name, login: found.login } : null
	};
}

export const actions = {
	default: actionValue(setPasswordByLink, {
		input: ({ params }) => ({ token: params.token ?? '' }),
		context: guestContext
	})
};
