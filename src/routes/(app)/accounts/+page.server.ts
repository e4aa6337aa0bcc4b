/** The accounts of the department, for administrators. */
import { isLawyer, ROLE_LABELS, ROLES } from '#core/access/table.ts';
import {
	addAccount,
	changeAccount,
	endAccountSessions,
	LEVELS,
	makePasswordLink
} from '#server/accounts/commands.ts';
import { listStrictRoles } from '#server/access/factors.ts';
import { removeFactorsOf, setStrictRoles } from '#server/accounts/factors.ts';
import { endAccount } from '#server/accounts/leave.ts';
import { listOrphans, takeOverMatter } from '#server/accounts/take-over.ts';
import { listAccounts } from '#server/accounts/queries.ts';
import { listHeadReaders, setHeadReaders } from '#server/anchors/readers.ts';
import { action, actionValue } from '#server/http/action.ts';
import { findInterestReader, setInterestReader } from '#server/interest/blind.ts';
import { requireAction } from '#server/http/request.ts';

export function load(event) {
	requireAction(event, 'account.edit');
	return {
		accounts: listAccounts(event.locals.app).map((account) => ({
			...account,
			roleName: ROLE_LABELS[account.role],
			isLawyer: isLawyer(account.role)
		})),
		roles: ROLES.map((role) => ({ id: role, name: ROLE_LABELS[role] })),
		levels: LEVELS,
		strict: listStrictRoles(event.locals.app),
		orphans: listOrphans(event.locals.app),
		reader: findInterestReader(event.locals.app),
		headReaders: listHeadReaders(event.locals.app).map(({ id }) => id)
	};
}

export const actions = {
	add: actionValue(addAccount),
	change: action(changeAccount),
	link: actionValue(makePasswordLink),
	sessions: action(endAccountSessions),
	end: action(endAccount),
	factors: action(removeFactorsOf),
	strict: action(setStrictRoles),
	reader: action(setInterestReader),
	heads: action(setHeadReaders),
	takeOver: actionValue(takeOverMatter)
};
