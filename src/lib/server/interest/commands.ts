/** Interest checks, and what is decided on them. */
import { z } from 'zod';
import { foldName } from '#core/people/names.ts';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { command, preparedCommand } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, maybeId, text } from '#server/app/fields.ts';
import { exists, update } from '#server/db/sql.ts';
import { formatCheck, insertCheck, parseNames } from './checks.ts';
import { findCheck } from './queries.ts';
import type { InterestCheckRow } from './rows.ts';
import { interestTask } from './tasks.ts';

const NAMES_LIMIT = 40;
const SHORTEST = 2;

function readNames(typed: string): string[] {
	const names = parseNames(typed);
	if (names.length > NAMES_LIMIT) throw new Refused('At most 40 names in one check.', 'names');
	const short = names.find((name) => foldName(name).replace(/ /g, '').length < SHORTEST);
	if (short !== undefined) throw new Refused(`“${short}” is too short to check.`, 'names');
	return names;
}

function requireSentRequest(ctx: Context, requestId: string): void {
	if (
		!exists(ctx.db, "SELECT 1 FROM request WHERE id = @requestId AND state <> 'draft'", {
			requestId
		})
	)
		throw new NotFound('request');
}

/**
 * Checks names against everything the department holds, for a matter, for a request or for itself.
 */
export const checkInterest = preparedCommand({
	name: 'check interest',
	action: 'interest.check',
	input: z.object({
		names: text('At least one name', 4000),
		matterId: maybeId,
		requestId: maybeId
	}),
	async prepare({ ctx, me, input: { matterId, requestId, ...input } }) {
		const names = readNames(input.names);
		if (matterId) requireMatter(ctx, matterId);
		if (requestId) requireSentRequest(ctx, requestId);
		const report = await ctx.work.run(interestTask, { me: me.id, names, matterId, requestId });
		return { names, report };
	},
	run({ ctx, input, record, prepared: checked }) {
		const checkId = insertCheck(ctx, checked, input);
		if (input.matterId) {
			record.onMatter(input.matterId);
			record.logOn(input.matterId, 'matter', formatCheck(checked), `/interest/${checkId}`);
		}
		record.audit({ check: checkId, names: checked.names.length });
		return { checkId };
	}
});

/** Decides on a check, once. */
export const decideInterest = command({
	name: 'decide interest check',
	action: 'interest.decide',
	input: z.object({
		checkId: id('a check'),
		decision: z.enum(['clear', 'waived', 'declined'], {
			error: 'Choose: clear, waived or declined.'
		}),
		reason: text('The reason', 2000)
	}),
	run({ ctx, me, input: { checkId, decision, reason }, record }) {
		const check = findCheck(ctx, me, checkId);
		if (!check) throw new NotFound('check');
		if (check.decision)
			throw new Refused(
				`${check.decidedBy} decided this already. Make a new check to decide anew.`
			);
		update<InterestCheckRow>(
			ctx.db,
			'interest_check',
			{ id: check.id },
			{ decision, reason, decided_by: me.id, decided_at: ctx.clock.now() }
		);
		record.audit({ check: check.id, decision });
		if (!check.matter) return;
		record.onMatter(check.matter.id);
		record.logOn(
			check.matter.id,
			'matter',
			`Interest check decided: ${decision}. ${reason}`,
			`/interest/${check.id}`
		);
	}
});
