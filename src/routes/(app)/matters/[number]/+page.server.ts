/** The sheet of a matter: facts, people, numbers, cost split, status. */
import { proposeLinks } from '#core/kinds/kind.ts';
import { findMatter } from '#server/access/visibility.ts';
import { action } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { listMatterChecks } from '#server/interest/queries.ts';
import { countHits } from '#server/interest/report.ts';
import { requireKind } from '#server/kinds/queries.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { listLogbook } from '#server/logbook/queries.ts';
import { editMatter } from '#server/matters/edit.ts';
import { listFacts, listPersonNames, viewFacts } from '#server/matters/facts.ts';
import {
	addMember,
	addTeam,
	removeMember,
	restrictMatter,
	setStandIn
} from '#server/matters/members.ts';
import { listNext } from '#server/matters/next.ts';
import { findMatterSidebar } from '#server/matters/queries.ts';
import {
	addLink,
	addReference,
	pinMatter,
	RELATIONS,
	relateMatters,
	removeLink,
	removeReference,
	unpinMatter,
	unrelateMatters
} from '#server/matters/relations.ts';
import { sheetFields } from '#server/matters/sheet.ts';
import { setStage } from '#server/matters/stage.ts';
import { listTeams, PARTS } from '#server/staff/teams.ts';
import { setSplit } from '#server/costs/split.ts';
import { closeMatter, reopenMatter, setStatus } from '#server/matters/status.ts';
import { listStillOpen } from '#server/matters/still-open.ts';
import { listRoles } from '#server/people/queries.ts';
import { listUnitBackers } from '#server/people/ties.ts';
import { addRole, changeRole, removeRole } from '#server/people/roles.ts';
import { OTHER_ROLES } from '#server/people/role-names.ts';
import { listCostCenters } from '#server/units/queries.ts';

const RECENT = 6;

export async function load(event) {
	const me = requireAction(event, 'matter.read');
	const { caption } = await event.parent();
	const { app } = event.locals;
	const { id } = caption;
	const matter = findMatter(app.db, me, { id });
	if (!matter) return notThere('matter');
	const kind = requireKind(app, caption.kind);
	const stored = listFacts(app, id);
	const views = viewFacts(app, kind, stored);
	const factText = (key: string) => views.facts.find((fact) => fact.key === key)?.text ?? '';
	return {
		next: listNext(
			app,
			id,
			views.facts.filter(({ type, retired }) => type === 'date' && !retired)
		),
		people: listRoles(app, id),
		backers: listUnitBackers(app, me, matter.unit_id),
		recent: listLogbook(app, me, id, {}, RECENT).rows,
		roles: [...new Set([...kind.roles.map(({ role }) => role), ...OTHER_ROLES])],
		centers: listCostCenters(app),
		...views,
		fields: sheetFields(app, matter),
		proposedLinks: proposeLinks(kind, factText),
		...(caption.mayStaff
			? { teams: listTeams(app).map(({ id, name }) => ({ id, name })), parts: PARTS }
			: { teams: [], parts: [] }),
		names: listPersonNames(app, stored),
		...findMatterSidebar(app, me, id),
		checks: listMatterChecks(app, me, id).map(({ id, names, decision, madeAt, report }) => ({
			id,
			names,
			decision,
			madeAt,
			hits: countHits(report),
			restricted: report.restricted
		})),
		open: listStillOpen(app, id),
		relations: RELATIONS
	};
}

export const actions = {
	edit: action(editMatter),
	member: action(addMember),
	team: action(addTeam),
	stage: action(setStage),
	leave: action(removeMember),
	restrict: action(restrictMatter),
	standIn: action(setStandIn),
	role: action(addRole),
	changeRole: action(changeRole),
	removeRole: action(removeRole),
	reference: action(addReference),
	removeReference: action(removeReference),
	link: action(addLink),
	removeLink: action(removeLink),
	relate: action(relateMatters),
	unrelate: action(unrelateMatters),
	pin: action(pinMatter),
	unpin: action(unpinMatter),
	note: action(writeNote),
	status: action(setStatus),
	close: action(closeMatter),
	reopen: action(reopenMatter),
	split: action(setSplit)
};
