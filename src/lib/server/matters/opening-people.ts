/** Whom an opening names beside the other side: parties in their roles, colleagues in parts. */
import { z } from 'zod';
import type { Context } from '#server/app/application.ts';
import { maybeId, maybeText } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import type { Recorder } from '#server/app/record.ts';
import { insertOrIgnore } from '#server/db/sql.ts';
import type { StoredKind } from '#server/kinds/queries.ts';
import { findPersonName, NAME_LIMIT } from '#server/people/card.ts';
import { OTHER_ROLES } from '#server/people/role-names.ts';
import { insertPerson } from '#server/people/write-card.ts';
import { findColleague } from '#server/staff/queries.ts';
import type { MatterRoleRow, MatterRow } from './rows.ts';

export const partyInput = z.object({
	role: maybeText('The role', 40),
	/** A card that is there, or a name for a new one. */
	personId: maybeId,
	name: maybeText('The name', NAME_LIMIT),
	kind: z.enum(['person', 'organization']).nullish()
});
export type Party = z.output<typeof partyInput>;

/** A line of the form that nobody has written in. */
const isEmpty = ({ personId, name }: Party): boolean => personId === null && name === '';

/** What is wrong with the parties, beside their fields: `parties.0.name`. */
export function findWrongParties(
	ctx: Context,
	kind: StoredKind,
	parties: readonly Party[]
): Record<string, string> {
	const roles = [...kind.roles.map(({ role }) => role), ...OTHER_ROLES];
	const wrong: Record<string, string> = {};
	for (const [at, party] of parties.entries()) {
		if (isEmpty(party)) continue;
		if (!roles.includes(party.role)) wrong[`parties.${at}.role`] = 'Choose the role.';
		if (party.personId && findPersonName(ctx, party.personId) === undefined)
			wrong[`parties.${at}.personId`] = 'Choose a person, or type a new name.';
	}
	return wrong;
}

/** Colleagues who are none, beside their fields: `members.0.staffId`. */
export function findWrongMembers(
	ctx: Context,
	members: readonly { staffId: string }[]
): Record<string, string> {
	return Object.fromEntries(
		members.flatMap(({ staffId }, at) =>
			findColleague(ctx, staffId)
				? []
				: [[`members.${at}.staffId`, 'Choose a colleague of the department.']]
		)
	);
}

/** Names to check for interests: cards by their ids, new ones by their names. */
export const namesOfParties = (
	parties: readonly Party[]
): { personIds: string[]; names: string[] } => ({
	personIds: parties.flatMap(({ personId }) => personId ?? []),
	names: parties.filter(({ personId }) => personId === null).map(({ name }) => name)
});

/** Gives each party its role; a new name makes a card. */
export function addParties(
	ctx: Context,
	matter: MatterRow,
	parties: readonly Party[],
	record: Recorder
): void {
	for (const [at, party] of parties.entries()) {
		if (isEmpty(party)) continue;
		const personId =
			party.personId ??
			insertPerson(ctx, {
				kind: party.kind ?? 'person',
				name: party.name,
				madeFor: matter.id,
				field: `parties.${at}.name`
			});
		const added = insertOrIgnore<MatterRoleRow>(ctx.db, 'matter_role', {
			id: newId('rol'),
			matter_id: matter.id,
			person_id: personId,
			role: party.role,
			from_day: matter.opened_on
		});
		const name = findPersonName(ctx, personId) ?? party.name;
		if (added)
			record.logOn(matter.id, 'people', `${name} added as ${party.role}.`, `/people/${personId}`);
	}
}
