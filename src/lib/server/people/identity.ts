/**
 * Identity numbers of a card: kept encrypted, shown on demand to who needs them, and each showing
 * is audited. Nothing that is searched, listed or exported reads them.
 */
import { z } from 'zod';
import { IDENTITY_SORTS, readIdentityNumber, tailOf } from '#core/people/identity.ts';
import { cardVisible } from '#server/access/visibility.ts';
import { actingStaff, type Application, type Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, maybeDay, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { openText, sealText } from '#server/app/vault.ts';
import { all, insert, maybeOne, remove, scalar } from '#server/db/sql.ts';
import { requirePerson } from './card.ts';
import type { IdentityNumberRow } from './rows.ts';

const MOST = 12;

export type IdentityView = Pick<
	IdentityNumberRow,
	'id' | 'sort' | 'issuer' | 'tail' | 'expires_on'
>;
/** The numbers of a card that was found, masked. */
export const listIdentityNumbers = (
	{ db }: Pick<Application, 'db'>,
	personId: string
): IdentityView[] =>
	all(
		db,
		`SELECT id, sort, issuer, tail, expires_on
		FROM identity_number
		WHERE person_id = @personId
		ORDER BY sort, added_at`,
		{ personId }
	);

/** Adds a number to a person's card. */
export const addIdentityNumber = command({
	name: 'add identity number',
	action: 'identity.show',
	input: z.object({
		personId: id('a person'),
		sort: z.enum(IDENTITY_SORTS, { error: 'Choose what sort of number it is.' }),
		number: text('The number', 60),
		issuer: maybeText('Who gave it out', 80),
		expires: maybeDay('The day it expires')
	}),
	run({ ctx, me, input, record }) {
		const person = requirePerson(ctx, input.personId);
		const read = readIdentityNumber(input.sort, input.number);
		if ('error' in read) throw new Refused(read.error, 'number');
		const held = scalar<number>(
			ctx.db,
			'SELECT count(*) FROM identity_number WHERE person_id = @id',
			person
		);
		if (held >= MOST) throw new Refused('A card holds at most 12 numbers.', 'number');
		const numberId = newId('idn');
		insert<IdentityNumberRow>(ctx.db, 'identity_number', {
			id: numberId,
			person_id: person.id,
			sort: input.sort,
			issuer: input.issuer,
			expires_on: input.expires,
			sealed: sealText(ctx.vaultKey(), numberId, read.number),
			tail: tailOf(read.number),
			added_by: me.id,
			added_at: ctx.clock.now()
		});
		record.audit({ person: person.id, number: numberId, sort: input.sort });
		return { numberId };
	}
});

/** Shows one number. That it was shown, and to whom, stays in the audit trail. */
export const showIdentityNumber = command({
	name: 'show identity number',
	action: 'identity.show',
	input: z.object({ numberId: id('a number') }),
	run({ ctx, input, record }) {
		const row = requireNumber(ctx, input.numberId);
		record.audit({ person: row.person_id, number: row.id, sort: row.sort });
		return { numberId: row.id, number: openText(ctx.vaultKey(), row.id, row.sealed) };
	}
});

/** Takes a number off its card, for good. */
export const removeIdentityNumber = command({
	name: 'remove identity number',
	action: 'identity.show',
	input: z.object({ numberId: id('a number') }),
	run({ ctx, input, record }) {
		const row = requireNumber(ctx, input.numberId);
		remove<IdentityNumberRow>(ctx.db, 'identity_number', { id: row.id });
		record.audit({ person: row.person_id, number: row.id, sort: row.sort });
	}
});

function requireNumber(ctx: Context, numberId: string): IdentityNumberRow {
	const row = maybeOne<IdentityNumberRow>(
		ctx.db,
		`SELECT n.*
		FROM identity_number n
		JOIN person p ON p.id = n.person_id
		WHERE n.id = @numberId AND ${cardVisible('p')}`,
		{ numberId, me: actingStaff(ctx).id }
	);
	if (!row) throw new NotFound('number');
	return row;
}
