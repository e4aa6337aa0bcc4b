/** Who supervises whom: to whom a reminder goes that nobody has seen. */
import { may, ROLE_LABELS } from '#core/access/table.ts';
import { findProposalDays } from '#server/app/department.ts';
import {
	addWorkingMark,
	offerWorkingMark,
	renameWorkingMark,
	retireWorkingMark
} from '#server/docket/keep-working-marks.ts';
import { listKeptWorkingMarks } from '#server/docket/working-marks.ts';
import { action } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { setDateOrder, setProposalDays } from '#server/staff/department.ts';
import { listOrigins, saveOrigin } from '#server/matters/origins.ts';
import { saveOwnFields } from '#server/people/keep-own-fields.ts';
import { listOwnFields } from '#server/people/own-fields.ts';
import { listRequestStatuses, saveRequestStatus } from '#server/requests/statuses.ts';
import { listTeams, PARTS, removeTeam, saveTeam } from '#server/staff/teams.ts';
import { setSupervisor } from '#server/staff/commands.ts';
import { listSupervised } from '#server/staff/queries.ts';

export function load(event) {
	const me = requireAction(event, 'staff.edit');
	return {
		keepsDocket: may(me.role, 'docket.closure'),
		workingMarks: listKeptWorkingMarks(event.locals.app),
		proposalDays: findProposalDays(event.locals.app),
		teams: listTeams(event.locals.app),
		parts: PARTS,
		origins: listOrigins(event.locals.app),
		cardFields: listOwnFields(event.locals.app),
		requestStatuses: listRequestStatuses(event.locals.app),
		people: listSupervised(event.locals.app).map((person) => ({
			...person,
			role: ROLE_LABELS[person.role]
		}))
	};
}

export const actions = {
	team: action(saveTeam),
	removeTeam: action(removeTeam),
	origin: action(saveOrigin),
	cardFields: action(saveOwnFields),
	requestStatus: action(saveRequestStatus),
	supervisor: action(setSupervisor),
	order: action(setDateOrder),
	proposals: action(setProposalDays),
	addMark: action(addWorkingMark),
	renameMark: action(renameWorkingMark),
	retireMark: action(retireWorkingMark),
	offerMark: action(offerWorkingMark)
};
