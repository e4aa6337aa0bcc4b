import { z } from 'zod';
import { splitFault } from '#core/costs/run.ts';
import { command, Refused, type Ctx } from '../command.ts';
import { day, id, maybeId } from '../fields.ts';
import { newId } from '../ids.ts';
import { theMatter } from '../trust/scope.ts';

export function setSplitRows(
	ctx: Ctx,
	matterId: string,
	from: string,
	shares: { unit: string; costCenter: string | null; share: number }[]
): void {
	const old = ctx.db
		.prepare<[string, string], { id: string }>(
			'SELECT id FROM split WHERE matter_id = ? AND from_day = ?'
		)
		.get(matterId, from);
	const splitId = old?.id ?? newId('spl');
	if (old) ctx.db.prepare('DELETE FROM split_share WHERE split_id = ?').run(old.id);
	else
		ctx.db
			.prepare('INSERT INTO split (id, matter_id, from_day) VALUES (?, ?, ?)')
			.run(splitId, matterId, from);
	const add = ctx.db.prepare(
		'INSERT INTO split_share (split_id, position, unit_id, cost_center_id, share) VALUES (?, ?, ?, ?, ?)'
	);
	shares.forEach((s, i) => add.run(splitId, i, s.unit, s.costCenter, s.share));
}

/** Sets how the matter's cost is shared from a day on. Lines already allocated stay as they are. */
export const setSplit = command({
	name: 'set split',
	action: 'split.edit',
	input: z.object({
		matterId: id('a matter'),
		from: day('The day'),
		shares: z.array(z.object({ unit: id('a business unit'), costCenter: maybeId, share: z.int() }))
	}),
	run(ctx, i, scribe) {
		const m = theMatter(ctx, i.matterId);
		const fault = splitFault(i.shares);
		if (fault) throw new Refused(fault, 'shares');
		const unitName = ctx.db.prepare<[string], { name: string }>(
			'SELECT name FROM business_unit WHERE id = ?'
		);
		for (const s of i.shares) {
			if (!unitName.get(s.unit)) throw new Refused('Choose a business unit.', 'shares');
			if (
				s.costCenter &&
				!ctx.db
					.prepare('SELECT 1 FROM cost_center WHERE id = ? AND unit_id = ?')
					.get(s.costCenter, s.unit)
			)
				throw new Refused('The cost center is not one of the business unit.', 'shares');
		}
		setSplitRows(ctx, m.id, i.from, i.shares);
		scribe.matter(m.id);
		scribe.note({ from: i.from, shares: i.shares });
		scribe.log(
			m.id,
			'cost',
			`Cost shared ${i.shares.map((s) => `${unitName.get(s.unit)!.name} ${s.share / 10_000}`).join(', ')} from ${i.from}.`
		);
	}
});
