/**
 * What the forms of a matter need beyond its page: the kinds with the facts each asks, the
 * rulebooks, teams, origins, and the names of roles. They are asked for when a drawer opens, not
 * sent with every page.
 */
import { json } from '@sveltejs/kit';
import { requireAction } from '#server/http/request.ts';
import { listKinds } from '#server/kinds/queries.ts';
import { listOfferedOrigins } from '#server/matters/origins.ts';
import { listMatterRulebooks } from '#server/matters/sheet.ts';
import { OTHER_ROLES } from '#server/people/role-names.ts';
import { listTeams, PARTS } from '#server/staff/teams.ts';
import type { MatterForms } from '$lib/matters/forms.ts';

export function GET(event) {
	requireAction(event, 'matter.read');
	const { app } = event.locals;
	const forms: MatterForms = {
		kinds: listKinds(app),
		books: listMatterRulebooks(app),
		teams: listTeams(app).map(({ id, name, members }) => ({
			id,
			name,
			members: members.map((member) => member.name)
		})),
		origins: listOfferedOrigins(app),
		parts: PARTS,
		otherRoles: OTHER_ROLES
	};
	return json(forms);
}
