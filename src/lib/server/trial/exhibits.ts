/** The exhibits of a matter: numbered, offered, ruled on. */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { base, id, maybeDay, maybeId, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { all, exists, insert, maybeOne, remove, scalar, update } from '#server/db/sql.ts';
import type { DateExhibitRow } from '#server/docket/rows.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import type { ExhibitRow } from './rows.ts';

const lettersOf = (index: number): string =>
	index < 26
		? String.fromCharCode(65 + index)
		: lettersOf(Math.floor(index / 26) - 1) + String.fromCharCode(65 + (index % 26));

/** Numbers for us and for what is joint, letters for the other side: A to Z, then AA. */
export function nextExhibit(taken: readonly string[], side: ExhibitRow['side']): string {
	for (let index = 0; ; index++) {
		const number = side === 'theirs' ? lettersOf(index) : String(index + 1);
		if (!taken.includes(number)) return number;
	}
}

const trialPath = (matter: MatterRow) => `/matters/${matter.number}/trial`;

export const addExhibit = matterCommand({
	name: 'add exhibit',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		title: text('What it is', 300),
		side: z.enum(['ours', 'theirs', 'joint'], { error: 'Choose a side.' }),
		number: maybeText('The number', 20),
		documentId: maybeId
	}),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input, record }) {
		const { side, title, documentId } = input;
		refuseOtherDocument(ctx, matter, documentId);
		const taken = all<{ number: string }>(
			ctx.db,
			'SELECT number FROM exhibit WHERE matter_id = @matterId',
			{ matterId: matter.id }
		).map((exhibit) => exhibit.number);
		const number = input.number || nextExhibit(taken, side);
		if (taken.includes(number))
			throw new Refused(`There is an exhibit ${number} already.`, 'number');
		const exhibitId = newId('exh');
		insert<ExhibitRow>(ctx.db, 'exhibit', {
			id: exhibitId,
			matter_id: matter.id,
			number,
			side,
			title,
			document_id: documentId,
			position: nextPosition(ctx, 'exhibit', matter.id)
		});
		record.audit({ exhibit: exhibitId, number });
		const link = documentId ? `/documents/${documentId}` : trialPath(matter);
		record.log('document', `Exhibit ${number} (${side}): ${title}.`, link);
		return { exhibitId, number };
	}
});

function refuseOtherDocument(ctx: Context, matter: MatterRow, documentId: string | null): void {
	if (documentId === null) return;
	const own = exists(
		ctx.db,
		'SELECT 1 FROM document WHERE id = @documentId AND matter_id = @matterId',
		{ documentId, matterId: matter.id }
	);
	if (!own) throw new Refused('Choose a document of this matter.', 'documentId');
}

/** The place after the last of a matter's list. */
export const nextPosition = (
	ctx: Context,
	table: 'exhibit' | 'witness',
	matterId: string
): number =>
	scalar(
		ctx.db,
		`SELECT coalesce(max(position), 0) + 1 FROM ${table} WHERE matter_id = @matterId`,
		{ matterId }
	);

function requireExhibit(
	ctx: Context,
	exhibitId: string
): { exhibit: ExhibitRow; matter: MatterRow } {
	const exhibit = maybeOne<ExhibitRow>(ctx.db, 'SELECT * FROM exhibit WHERE id = @exhibitId', {
		exhibitId
	});
	if (!exhibit) throw new NotFound('exhibit');
	return { exhibit, matter: requireMatter(ctx, exhibit.matter_id) };
}

/**
 * Offered on a day; admitted or excluded on a day, which cannot be before. An empty day takes it
 * back.
 */
export const changeExhibit = matterCommand({
	name: 'change exhibit',
	action: 'matter.edit',
	input: z.object({
		exhibitId: id('an exhibit'),
		offered: maybeDay('The day it was offered'),
		ruling: z.enum(['', 'admitted', 'excluded']).default(''),
		ruledOn: maybeDay('The day of the ruling'),
		base
	}),
	find: (ctx, { exhibitId }) => requireExhibit(ctx, exhibitId),
	onClosed: 'allowed',
	run({ ctx, exhibit, matter, input, record }) {
		const today = ctx.clock.today();
		const typed = takeTogether(ctx, exhibit, input);
		const { ruling } = typed;
		const ruled = ruling ? (typed.ruledOn ?? today) : null;
		const offered = typed.offered ?? ruled;
		if ((offered && offered > today) || (ruled && ruled > today))
			throw new Refused('That day has not come yet.', 'offered');
		if (offered && ruled && ruled < offered)
			throw new Refused('It cannot be ruled on before it is offered.', 'ruledOn');
		update<ExhibitRow>(
			ctx.db,
			'exhibit',
			{ id: exhibit.id },
			{ offered_on: offered, ruling: ruling || null, ruled_on: ruled }
		);
		record.audit({ exhibit: exhibit.id, offered, ruling, ruled });
		const state = ruled
			? `${ruling} on ${formatDate(ruled)}`
			: offered
				? `offered on ${formatDate(offered)}`
				: 'not offered yet';
		record.log('document', `Exhibit ${exhibit.number}: ${state}.`, trialPath(matter));
	}
});

type Ruling = {
	offered: PlainDate | null;
	ruling: '' | 'admitted' | 'excluded';
	ruledOn: PlainDate | null;
};
/** @throws Conflict where two people wrote the same of it */
function takeTogether(
	ctx: Context,
	exhibit: ExhibitRow,
	input: Ruling & { base?: Readonly<Record<string, string>> | null | undefined }
): Ruling {
	const fields = requireTogether(
		ctx,
		{ matterId: exhibit.matter_id, id: exhibit.id },
		{
			labels: { offered: 'Offered on', ruling: 'Ruling', ruledOn: 'Ruled on' },
			now: {
				offered: exhibit.offered_on ?? '',
				ruling: exhibit.ruling ?? '',
				ruledOn: exhibit.ruled_on ?? ''
			},
			base: input.base,
			yours: {
				offered: input.offered ?? '',
				ruling: input.ruling,
				ruledOn: input.ruledOn ?? ''
			},
			format: (field, value) =>
				field === 'ruling' ? value : value && formatDate(value as PlainDate)
		}
	);
	return {
		offered: (fields.offered || null) as PlainDate | null,
		ruling: fields.ruling as Ruling['ruling'],
		ruledOn: (fields.ruledOn || null) as PlainDate | null
	};
}

export const removeExhibit = matterCommand({
	name: 'remove exhibit',
	action: 'matter.edit',
	input: z.object({ exhibitId: id('an exhibit') }),
	find: (ctx, { exhibitId }) => requireExhibit(ctx, exhibitId),
	onClosed: 'allowed',
	run({ ctx, exhibit, record }) {
		if (exhibit.offered_on)
			throw new Refused(`Exhibit ${exhibit.number} was offered: it stays in the record.`);
		remove<DateExhibitRow>(ctx.db, 'date_exhibit', { exhibit_id: exhibit.id });
		remove<ExhibitRow>(ctx.db, 'exhibit', { id: exhibit.id });
		record.audit({ exhibit });
		record.log('document', `Exhibit ${exhibit.number} removed from the list: ${exhibit.title}.`);
	}
});
