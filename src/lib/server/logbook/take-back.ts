/** A note is taken back by its writer, on the day it was written and before anyone answered. */
import { z } from 'zod';
import { dayAt } from '#core/dates/zone.ts';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { all, exists, maybeOne, remove, update } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { listColleagues } from '#server/staff/queries.ts';
import { noteTakenBack } from './messages.ts';
import { TAKEN_BACK } from './queries.ts';
import type { LogbookMentionRow, LogbookRow, LogbookTagRow } from './rows.ts';

function requireNote(ctx: Context, noteId: string): { note: LogbookRow; matter: MatterRow } {
	const note = maybeOne<LogbookRow>(
		ctx.db,
		"SELECT * FROM logbook WHERE id = @noteId AND kind = 'note'",
		{ noteId }
	);
	if (!note) throw new NotFound('note');
	return { note, matter: requireMatter(ctx, note.matter_id) };
}

/**
 * Takes a note back. The entry stays and says that it was taken back; its words go, also from the
 * search, and whoever it was told is told that too.
 */
export const takeBackNote = matterCommand({
	name: 'take back note',
	action: 'note.write',
	input: z.object({ noteId: id('a note') }),
	find: (ctx, { noteId }) => requireNote(ctx, noteId),
	onClosed: 'allowed',
	run({ ctx, me, matter, note, record }) {
		if (note.staff_id !== me.id) throw new Refused('Only who wrote a note can take it back.');
		if (note.taken_back_at) throw new Refused('This note was taken back already.');
		if (dayAt(note.at, ctx.clock.zone) !== ctx.clock.today())
			throw new Refused('A note is taken back on its own day only: write a further one.');
		if (exists(ctx.db, 'SELECT 1 FROM logbook WHERE answers = @id', { id: note.id }))
			throw new Refused('Somebody has answered it: write a further note instead.');
		const mentioned = all<LogbookMentionRow>(
			ctx.db,
			'SELECT * FROM logbook_mention WHERE log_id = @id',
			{ id: note.id }
		).map(({ staff_id: staffId }) => staffId);
		const told = listColleagues(ctx).filter(
			(colleague) => colleague.id !== me.id && mentioned.includes(colleague.id)
		);
		update<LogbookRow>(
			ctx.db,
			'logbook',
			{ id: note.id },
			{ text: TAKEN_BACK, taken_back_at: ctx.clock.now(), asks: 0 }
		);
		remove<LogbookMentionRow>(ctx.db, 'logbook_mention', { log_id: note.id });
		remove<LogbookTagRow>(ctx.db, 'logbook_tag', { log_id: note.id });
		for (const to of told)
			queueMail(ctx, { matterId: matter.id, to, message: noteTakenBack(matter, me.name) });
		record.audit({ note: note.id, length: note.text.length, told: told.length });
	}
});
