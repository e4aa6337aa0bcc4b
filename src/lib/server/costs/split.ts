/** How the cost of a matter is shared among business units. */
import { z } from 'zod';
import { findSplitFault } from '#core/costs/run.ts';
import { formatShare, parseShare } from '#core/format/money.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { day, id, maybeId } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import type { SplitRow, SplitShareRow } from './rows.ts';
import { exists, insert, maybeOne, remove } from '#server/db/sql.ts';
import { findUnit } from '#server/units/queries.ts';

export type Share = { unit: string; costCenter: string | null; share: number };

/** Writes the split that holds from a day on, in the place of one that began on the same day. */
export function writeSplit(
	ctx: Context,
	matterId: string,
	from: PlainDate,
	shares: readonly Share[]
): void {
	const before = maybeOne<SplitRow>(
		ctx.db,
		'SELECT * FROM split WHERE matter_id = @matterId AND from_day = @from',
		{ matterId, from }
	);
	const splitId = before?.id ?? newId('spl');
	if (before) remove<SplitShareRow>(ctx.db, 'split_share', { split_id: splitId });
	else insert<SplitRow>(ctx.db, 'split', { id: splitId, matter_id: matterId, from_day: from });
	for (const [position, { unit, costCenter, share }] of shares.entries())
		insert<SplitShareRow>(ctx.db, 'split_share', {
			split_id: splitId,
			position,
			unit_id: unit,
			cost_center_id: costCenter,
			share
		});
}

/** Ten-thousandths of a percent; or percent, as people type them. */
const share = z.union([z.number().int(), z.string()]).transform((value, ctx): number => {
	const parsed = typeof value === 'number' ? value : parseShare(value);
	if (parsed !== undefined) return parsed;
	ctx.addIssue({
		code: 'custom',
		message: `“${value}” is not a share: write a number from 0 to 100 with at most four decimals.`
	});
	return z.NEVER;
});

/** Sets how the matter's cost is shared from a day on. Lines already allocated stay as they are. */
export const setSplit = matterCommand({
	name: 'set split',
	action: 'split.edit',
	input: z.object({
		matterId: id('a matter'),
		from: day('The day'),
		shares: z.array(z.object({ unit: id('a business unit'), costCenter: maybeId, share }))
	}),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, matter, input: { from, shares }, record }) {
		const fault = findSplitFault(shares);
		if (fault) throw new Refused(fault, 'shares');
		const words = shares.map((share) => {
			const unit = requireUnit(ctx, share);
			return `${unit.name} ${formatShare(share.share)}`;
		});
		writeSplit(ctx, matter.id, from, shares);
		record.audit({ from, shares });
		record.log('cost', `Cost shared ${words.join(', ')} from ${from}.`);
	}
});

function requireUnit(ctx: Context, { unit, costCenter }: Share): { name: string } {
	const found = findUnit(ctx, unit);
	if (!found) throw new Refused('Choose a business unit.', 'shares');
	const fits =
		costCenter === null ||
		exists(ctx.db, 'SELECT 1 FROM cost_center WHERE id = @costCenter AND unit_id = @unit', {
			costCenter,
			unit
		});
	if (!fits) throw new Refused('The cost center is not one of the business unit.', 'shares');
	return found;
}
