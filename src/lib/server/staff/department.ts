/** What the department sets for everyone. */
import { z } from 'zod';
import { command } from '#server/app/command.ts';
import { insert, remove } from '#server/db/sql.ts';
import type { SettingRow } from '#server/app/rows.ts';

/** Which comes first where somebody types a date in figures; empty: it is asked each time. */
export const setDateOrder = command({
	name: 'set date order',
	action: 'docket.closure',
	input: z.object({ order: z.enum(['month', 'day', '']) }),
	run({ ctx, input, record }) {
		remove<SettingRow>(ctx.db, 'setting', { name: 'date-order' });
		if (input.order)
			insert<SettingRow>(ctx.db, 'setting', { name: 'date-order', value: input.order });
		record.audit({ order: input.order });
	}
});
