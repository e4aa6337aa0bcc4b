/** Notes in the logbook of a matter. */
import { z } from 'zod';
import { listMentions, listTags, parseNote } from '#core/logbook/note.ts';
import { isOnTeam } from '#server/access/team.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, id, maybeId, text } from '#server/app/fields.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insert, maybeOne, update } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { listColleagues, type Colleague } from '#server/staff/queries.ts';
import { noteWritten, type NoteTold } from './messages.ts';
import type { LogbookMentionRow, LogbookRow, LogbookTagRow } from './rows.ts';

/**
 * A note or a question on the matter, or an answer to one. Who is mentioned is told once, by mail.
 */
export const writeNote = matterCommand({
	name: 'write note',
	action: 'note.write',
	input: z.object({
		matterId: id('a matter'),
		words: text('The note', 8000),
		asks: flag,
		answers: maybeId
	}),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input: { words, asks, answers }, record }) {
		const colleagues = listColleagues(ctx);
		const parts = parseNote(words, colleagues);
		const question = answers ? requireEntry(ctx, matter, answers) : null;
		const mentioned = listMentions(parts);
		refuseOutsiders(ctx, matter, colleagues, mentioned);
		record.audit({ length: words.length, mentions: mentioned });
		const logId = record.log('note', words);
		update<LogbookRow>(
			ctx.db,
			'logbook',
			{ id: logId },
			{ asks: asks && !question ? 1 : 0, answers: question && (question.answers ?? question.id) }
		);
		for (const staffId of mentioned)
			insert<LogbookMentionRow>(ctx.db, 'logbook_mention', { log_id: logId, staff_id: staffId });
		for (const tag of listTags(parts))
			insert<LogbookTagRow>(ctx.db, 'logbook_tag', { log_id: logId, tag });
		const asker = question?.staff_id ?? null;
		for (const to of colleagues) {
			if (to.id === me.id || (to.id !== asker && !mentioned.includes(to.id))) continue;
			const told = whyTold(to, asker, asks);
			const message = noteWritten(matter, me.name, words, told);
			queueMail(ctx, { matterId: matter.id, to, message });
		}
		return { logId };
	}
});

function whyTold(to: Colleague, asker: string | null, asks: boolean): NoteTold {
	if (asks) return 'asked';
	return to.id === asker ? 'answered' : 'mentioned';
}

function requireEntry(ctx: Context, matter: MatterRow, entryId: string): LogbookRow {
	const entry = maybeOne<LogbookRow>(
		ctx.db,
		'SELECT * FROM logbook WHERE id = @entryId AND matter_id = @matterId',
		{ entryId, matterId: matter.id }
	);
	if (!entry) throw new NotFound('entry');
	return entry;
}

/** Nobody is called to a restricted matter that does not exist for them. */
function refuseOutsiders(
	ctx: Context,
	matter: MatterRow,
	colleagues: readonly Colleague[],
	mentioned: readonly string[]
): void {
	if (!matter.restricted) return;
	const outsider = mentioned.find((staffId) => !isOnTeam(ctx.db, matter.id, staffId));
	if (outsider === undefined) return;
	const name = colleagues.find(({ id }) => id === outsider)?.name;
	throw new Refused(
		`${name} is not on this restricted matter. Add them first, or leave the name out.`,
		'words'
	);
}
