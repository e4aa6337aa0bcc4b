/** Where a matter stands, in the words its kind has for it, beside its status. */
import { z } from 'zod';
import { Refused } from '#server/app/errors.ts';
import { id, maybeText } from '#server/app/fields.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { update } from '#server/db/sql.ts';
import { requireKind } from '#server/kinds/queries.ts';
import type { MatterRow } from './rows.ts';

/** Says at which stage a matter is; empty where nobody says any more. */
export const setStage = matterCommand({
	name: 'set stage',
	action: 'matter.edit',
	input: z.object({ matterId: id('a matter'), stage: maybeText('The stage', 60) }),
	find: byMatterId,
	run({ ctx, matter, input: { stage }, record }) {
		if (stage === matter.stage) return;
		const { stages, name } = requireKind(ctx, matter.kind);
		if (stage && !stages.includes(stage))
			throw new Refused(`${name} has no stage “${stage}” any more. Choose another.`, 'stage');
		update<MatterRow>(
			ctx.db,
			'matter',
			{ id: matter.id },
			{
				stage,
				stage_from: stage ? ctx.clock.today() : null,
				version: matter.version + 1
			}
		);
		record.audit({ from: matter.stage, to: stage });
		const before = matter.stage ? `, after ${matter.stage}` : '';
		record.log('matter', stage ? `Stage: ${stage}${before}.` : `No stage any more${before}.`);
	}
});
