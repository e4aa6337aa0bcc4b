/** Lists that were saved under a name. */
import { z } from 'zod';
import { command } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, id, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { insert, maybeOne, remove, scalar, update } from '#server/db/sql.ts';
import type { SavedViewRow } from './rows.ts';

const VIEWS_LIMIT = 60;

/** Saves a list, in the place of one's own of that name. */
export const saveView = command({
	name: 'save view',
	action: 'matter.read',
	input: z.object({ name: text('The name', 60), query: maybeText('The view', 2000), shared: flag }),
	run({ ctx, me, input, record }) {
		const { name } = input;
		const shared = input.shared ? 1 : 0;
		const params = new URLSearchParams(input.query);
		params.delete('page');
		const query = params.toString();
		const before = maybeOne<SavedViewRow>(
			ctx.db,
			'SELECT * FROM saved_view WHERE staff_id = @me AND name = @name',
			{ me: me.id, name }
		);
		const key = { staff_id: me.id, name };
		if (before) update<SavedViewRow>(ctx.db, 'saved_view', key, { query, shared });
		else {
			const views = scalar(ctx.db, 'SELECT count(*) FROM saved_view WHERE staff_id = @me', {
				me: me.id
			});
			if (views >= VIEWS_LIMIT)
				throw new Refused('You have 60 views already. Remove one first.', 'name');
			insert<SavedViewRow>(ctx.db, 'saved_view', { id: newId('viw'), ...key, query, shared });
		}
		record.audit({ view: name, shared: input.shared });
	}
});

export const removeView = command({
	name: 'remove view',
	action: 'matter.read',
	input: z.object({ viewId: id('a view') }),
	run({ ctx, me, input: { viewId }, record }) {
		const gone = remove<SavedViewRow>(ctx.db, 'saved_view', { id: viewId, staff_id: me.id });
		if (gone === 0) throw new NotFound('view');
		record.audit({ view: viewId });
	}
});
