/**
 * What a matter is tied to: the numbers others give it, web pages, other matters; and who has it at
 * hand.
 */
import { z } from 'zod';
import { findMatter } from '#server/access/visibility.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insert, insertOrIgnore, maybeOne, remove } from '#server/db/sql.ts';
import type {
	MatterLinkRow,
	MatterReferenceRow,
	MatterRelationRow,
	MatterRow,
	PinnedRow
} from './rows.ts';

const reference = {
	matterId: id('a matter'),
	whose: text('Whose number it is', 60),
	number: text('The number', 100)
};

/** Notes the number that somebody else gives the matter. */
export const addReference = matterCommand({
	name: 'add reference',
	action: 'matter.edit',
	input: z.object(reference),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input: { whose, number }, record }) {
		const added = insertOrIgnore<MatterReferenceRow>(ctx.db, 'matter_reference', {
			id: newId('ref'),
			matter_id: matter.id,
			whose,
			number
		});
		if (!added) throw new Refused('That number is there already.', 'number');
		record.audit({ whose, number });
		record.log('matter', `Number of ${whose}: ${number}.`);
	}
});

export const removeReference = matterCommand({
	name: 'remove reference',
	action: 'matter.edit',
	input: z.object(reference),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input: { whose, number }, record }) {
		const gone = remove<MatterReferenceRow>(ctx.db, 'matter_reference', {
			matter_id: matter.id,
			whose,
			number
		});
		if (gone === 0) throw new NotFound('number');
		record.audit({ whose, number });
		record.log('matter', `Number of ${whose} taken out: ${number}.`);
	}
});

const address = text('The address', 500)
	.transform((url) => (/^https?:\/\//i.test(url) ? url : `https://${url}`))
	.refine(
		(url) => URL.canParse(url) && new URL(url).hostname.includes('.'),
		'This is not the address of a web page.'
	);
const link = { matterId: id('a matter'), name: text('The name', 60), url: address };

/** A quick link to a web page. */
export const addLink = matterCommand({
	name: 'add link',
	action: 'matter.edit',
	input: z.object(link),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input: { name, url }, record }) {
		insert<MatterLinkRow>(ctx.db, 'matter_link', {
			id: newId('lnk'),
			matter_id: matter.id,
			name,
			url
		});
		record.audit({ name, url });
		record.log('matter', `Quick link: ${name}.`);
	}
});

export const removeLink = matterCommand({
	name: 'remove link',
	action: 'matter.edit',
	input: z.object(link),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input: { name, url }, record }) {
		const key = { matter_id: matter.id, name, url };
		if (remove<MatterLinkRow>(ctx.db, 'matter_link', key) === 0) throw new NotFound('link');
		record.audit({ name, url });
		record.log('matter', `Quick link taken out: ${name}.`);
	}
});

export const RELATIONS = [
	'appeal of',
	'same facts as',
	'same counterparty as',
	'follows from',
	'part of'
] as const;
const otherNumber = text('The number of the other matter', 40);

function requireOther(ctx: Context, me: Staff, matter: MatterRow, number: string): MatterRow {
	const other = findMatter(ctx.db, me, { number });
	if (!other) throw new Refused(`There is no matter ${number} that you may see.`, 'number');
	if (other.id === matter.id) throw new Refused('That is this matter itself.', 'number');
	return other;
}

/** The relation of two matters, whichever was named first. */
const findRelation = (
	{ db }: Context,
	matter: MatterRow,
	other: MatterRow
): MatterRelationRow | undefined =>
	maybeOne(
		db,
		`SELECT *
		FROM matter_relation
		WHERE (a_id = @id AND b_id = @otherId) OR (a_id = @otherId AND b_id = @id)`,
		{ id: matter.id, otherId: other.id }
	);

const titled = ({ number, title }: MatterRow) => `${number} ${title}`;
const path = ({ number }: MatterRow) => `/matters/${number}`;

/** A restricted matter's number is not written where others may read it. */
type Sides = [at: MatterRow, of: MatterRow, words: string][];
const readable = (sides: Sides): Sides => sides.filter(([, of]) => !of.restricted);

/** Relates two matters, both of which the person sees. */
export const relateMatters = matterCommand({
	name: 'relate matters',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		number: otherNumber,
		how: z.enum(RELATIONS, { error: 'Choose how they are related.' })
	}),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input: { number, how }, record }) {
		const other = requireOther(ctx, me, matter, number);
		if (findRelation(ctx, matter, other))
			throw new Refused('The two are related already.', 'number');
		insert<MatterRelationRow>(ctx.db, 'matter_relation', {
			a_id: matter.id,
			b_id: other.id,
			how
		});
		record.audit({ other: other.number, how });
		for (const [at, of, words] of readable([
			[matter, other, `Related, ${how}: ${titled(other)}.`],
			[other, matter, `Related: ${titled(matter)} is ${how} this.`]
		]))
			record.logOn(at.id, 'matter', words, path(of));
	}
});

/** The two are related no more. */
export const unrelateMatters = matterCommand({
	name: 'unrelate matters',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), number: otherNumber }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input: { number }, record }) {
		const other = requireOther(ctx, me, matter, number);
		const relation = findRelation(ctx, matter, other);
		if (!relation) throw new Refused('The two are not related.', 'number');
		const { a_id, b_id } = relation;
		remove<MatterRelationRow>(ctx.db, 'matter_relation', { a_id, b_id });
		record.audit({ other: other.number, how: relation.how });
		for (const [at, of] of readable([
			[matter, other, ''],
			[other, matter, '']
		]))
			record.logOn(at.id, 'matter', `No longer related: ${titled(of)}.`, path(of));
	}
});

/** Keeps a matter at hand. */
export const pinMatter = matterCommand({
	name: 'pin matter',
	action: 'matter.read',
	input: z.object({ matterId: id('a matter') }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, record }) {
		insertOrIgnore<PinnedRow>(ctx.db, 'pinned', { staff_id: me.id, matter_id: matter.id });
		record.audit({ pinned: true });
	}
});

export const unpinMatter = matterCommand({
	name: 'unpin matter',
	action: 'matter.read',
	input: z.object({ matterId: id('a matter') }),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, record }) {
		remove<PinnedRow>(ctx.db, 'pinned', { staff_id: me.id, matter_id: matter.id });
		record.audit({ pinned: false });
	}
});
