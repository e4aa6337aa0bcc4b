/** Who gets the head of the audit trail by mail every morning. */
import { z } from 'zod';
import type { Application } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { findSetting } from '#server/app/department.ts';
import { Refused } from '#server/app/errors.ts';
import { id } from '#server/app/fields.ts';
import { run } from '#server/db/sql.ts';
import { findColleague, type Colleague } from '#server/staff/queries.ts';

type Has = Pick<Application, 'db'>;
const SETTING = 'head-readers';

/** Colleagues who are still there; nobody where nobody was named. */
export const listHeadReaders = (app: Has): Colleague[] =>
	findSetting(app, SETTING, '')
		.split(' ')
		.map((staffId) => (staffId === '' ? undefined : findColleague(app, staffId)))
		.filter((colleague) => colleague !== undefined);

/** Names who gets it. */
export const setHeadReaders = command({
	name: 'set readers of heads',
	action: 'account.edit',
	input: z.object({ staffIds: z.array(id('a colleague')).max(20).default([]) }),
	run({ ctx, input: { staffIds }, record }) {
		if (!staffIds.every((staffId) => findColleague(ctx, staffId)))
			throw new Refused('Choose colleagues of the department.', 'staffIds');
		const before = listHeadReaders(ctx).map((reader) => reader.id);
		run(
			ctx.db,
			`INSERT INTO setting (name, value)
			VALUES (@name, @value)
			ON CONFLICT (name) DO UPDATE SET value = excluded.value`,
			{ name: SETTING, value: [...new Set(staffIds)].join(' ') }
		);
		record.audit({ before, after: staffIds });
	}
});
