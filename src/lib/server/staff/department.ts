/** What the department sets for everyone. */
import { z } from 'zod';
import { command } from '#server/app/command.ts';
import { insert, remove } from '#server/db/sql.ts';
import type { Context } from '#server/app/application.ts';
import type { SettingRow } from '#server/app/rows.ts';

/** Which comes first where somebody types a date in figures; empty: it is asked each time. */
export const setDateOrder = command({
	name: 'set date order',
	action: 'docket.closure',
	input: z.object({ order: z.enum(['month', 'day', '']) }),
	run({ ctx, input, record }) {
		set(ctx, 'date-order', input.order);
		record.audit({ order: input.order });
	}
});

/** After how many days without a decision on a proposal somebody is told. */
export const setProposalDays = command({
	name: 'set proposal days',
	action: 'docket.closure',
	input: z.object({
		days: z.coerce
			.number({ error: 'Write a number of days.' })
			.int('Write whole days.')
			.min(1, 'At least one day.')
			.max(90, 'At most 90 days.')
	}),
	run({ ctx, input, record }) {
		set(ctx, 'proposal-days', String(input.days));
		record.audit({ days: input.days });
	}
});

/** Empty: as if it had never been set. */
function set({ db }: Context, name: string, value: string): void {
	remove<SettingRow>(db, 'setting', { name });
	if (value) insert<SettingRow>(db, 'setting', { name, value });
}
