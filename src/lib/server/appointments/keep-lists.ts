/** What the department keeps of its calendar: resources, sorts of appointments. */
import { z } from 'zod';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, maybeId, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { exists, insert, run, update } from '#server/db/sql.ts';
import { listSorts } from './resources.ts';
import type { AppointmentSortRow, ResourceRow } from './rows.ts';

const NAME_LIMIT = 80;
const MOST_SEATS = 5000;

/** Adds a resource, or changes one; one that is put away stays where it was booked. */
export const saveResource = command({
	name: 'save resource',
	action: 'calendar.keep',
	input: z.object({
		resourceId: maybeId,
		name: text('The name', NAME_LIMIT),
		sort: z.enum(['room', 'vehicle', 'thing'], { error: 'Choose what it is.' }),
		office: maybeText('The office', NAME_LIMIT),
		seats: z
			.union([z.literal(''), z.coerce.number().int().min(1).max(MOST_SEATS)], {
				error: `Seats: 1 to ${MOST_SEATS}, or nothing.`
			})
			.nullish()
			.transform((value) => value || null),
		put: flag
	}),
	run({ ctx, input, record }) {
		const { resourceId, name, sort, office, seats, put } = input;
		const isTaken = exists(
			ctx.db,
			'SELECT 1 FROM resource WHERE name = @name COLLATE NOCASE AND id <> @id',
			{ name, id: resourceId ?? '' }
		);
		if (isTaken) throw new Refused(`There is a resource “${name}” already.`, 'name');
		const set = { name, sort, office, seats, active: put ? 0 : 1 } as const;
		const id = resourceId ?? newId('res');
		if (!resourceId) insert<ResourceRow>(ctx.db, 'resource', { id, ...set });
		else if (update<ResourceRow>(ctx.db, 'resource', { id }, set) === 0)
			throw new NotFound('resource');
		record.audit({ resource: id, name });
		return { resourceId: id };
	}
});

/** The department's own sorts of appointments: one a line. */
export const saveSorts = command({
	name: 'save appointment sorts',
	action: 'calendar.keep',
	input: z.object({ names: maybeText('The list', 2000) }),
	run({ ctx, input, record }) {
		const names = [...new Set(input.names.split('\n').map((name) => name.trim()))].filter(Boolean);
		const long = names.find((name) => name.length > NAME_LIMIT);
		if (long) throw new Refused(`“${long}” is longer than ${NAME_LIMIT} characters.`, 'names');
		for (const { id, name } of listSorts(ctx)) {
			if (names.includes(name)) continue;
			run(ctx.db, 'UPDATE appointment SET sort_id = NULL WHERE sort_id = @id', { id });
			run(ctx.db, 'DELETE FROM appointment_sort WHERE id = @id', { id });
		}
		const known = listSorts(ctx).map(({ name }) => name);
		for (const name of names)
			if (!known.includes(name))
				insert<AppointmentSortRow>(ctx.db, 'appointment_sort', { id: newId('sor'), name });
		record.audit({ sorts: names });
	}
});
