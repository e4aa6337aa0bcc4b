/**
 * What a card is to others: who does what for an organization, and for which business units it is
 * the insurer or the bank.
 */
import { cardVisible } from '#server/access/visibility.ts';
import type { Application, Context, Staff } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import { all, insert, insertOrIgnore, remove } from '#server/db/sql.ts';
import { findUnit } from '#server/units/queries.ts';
import type { PersonFunctionRow, UnitRelationRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

/** What somebody may do for an organization; other words may be written. */
export const FUNCTIONS = [
	'receives statements',
	'signs',
	'receives notices',
	'handles claims',
	'first to call'
] as const;
/** What an organization may be for a business unit; other words may be written. */
export const RELATIONS = ['insurer', 'bank', 'broker', 'surety', 'auditor'] as const;

export type FunctionField = { function: string; contact: string };
export type UnitField = { unit: string; relation: string; reference: string };

export const listFunctionFields = ({ db }: Has, personId: string): FunctionField[] =>
	all(
		db,
		`SELECT function, contact_id AS contact
		FROM person_function
		WHERE person_id = @personId
		ORDER BY position`,
		{ personId }
	);

export const listUnitFields = ({ db }: Has, personId: string): UnitField[] =>
	all(
		db,
		`SELECT unit_id AS unit, relation, reference
		FROM unit_relation
		WHERE person_id = @personId
		ORDER BY position`,
		{ personId }
	);

/** Writes both anew. The contacts were found before. @throws Refused */
export function writeTies(
	ctx: Context,
	personId: string,
	{ functions, units }: { functions: readonly FunctionField[]; units: readonly UnitField[] }
): void {
	remove<PersonFunctionRow>(ctx.db, 'person_function', { person_id: personId });
	for (const [position, { function: does, contact }] of functions.entries()) {
		if (contact === personId)
			throw new Refused('Somebody else does that for this card.', 'functions');
		const row = { person_id: personId, function: does, contact_id: contact, position };
		insertOrIgnore<PersonFunctionRow>(ctx.db, 'person_function', { id: newId('fun'), ...row });
	}
	remove<UnitRelationRow>(ctx.db, 'unit_relation', { person_id: personId });
	for (const [position, { unit, relation, reference }] of units.entries()) {
		if (!findUnit(ctx, unit)) throw new Refused('Choose a business unit.', 'units');
		const row = { person_id: personId, unit_id: unit, relation, reference, position };
		insert<UnitRelationRow>(ctx.db, 'unit_relation', { id: newId('rel'), ...row });
	}
}

export type Ties = {
	/** Who does what for it. */
	functions: { function: string; id: string; name: string; mail: string }[];
	/** For whom it does what. */
	serves: { function: string; id: string; name: string }[];
	units: { unit: string; relation: string; reference: string }[];
};
/** As they are shown on a card: of other cards, those one may see. */
export function listTies(app: Has, me: Staff, personId: string): Ties {
	const params = { personId, me: me.id };
	return {
		functions: all(
			app.db,
			`SELECT
				f.function, p.id, p.name,
				coalesce(
					(
						SELECT c.value
						FROM person_contact c
						WHERE c.person_id = p.id AND c.kind = 'mail'
						ORDER BY c.position
						LIMIT 1
					),
					''
				) AS mail
			FROM person_function f
			JOIN person p ON p.id = f.contact_id
			WHERE f.person_id = @personId AND ${cardVisible('p')}
			ORDER BY f.position`,
			params
		),
		serves: all(
			app.db,
			`SELECT f.function, p.id, p.name
			FROM person_function f
			JOIN person p ON p.id = f.person_id
			WHERE f.contact_id = @personId AND ${cardVisible('p')}
			ORDER BY p.name`,
			params
		),
		units: all(
			app.db,
			`SELECT u.name AS unit, r.relation, r.reference
			FROM unit_relation r
			JOIN business_unit u ON u.id = r.unit_id
			WHERE r.person_id = @personId
			ORDER BY r.position`,
			params
		)
	};
}

export type UnitBacker = { id: string; name: string; relation: string; reference: string };
/** Who is what for a business unit: its insurer, its bank. */
export const listUnitBackers = ({ db }: Has, me: Staff, unitId: string): UnitBacker[] =>
	all(
		db,
		`SELECT p.id, p.name, r.relation, r.reference
		FROM unit_relation r
		JOIN person p ON p.id = r.person_id
		WHERE r.unit_id = @unitId AND ${cardVisible('p')}
		ORDER BY r.relation, p.name`,
		{ unitId, me: me.id }
	);
