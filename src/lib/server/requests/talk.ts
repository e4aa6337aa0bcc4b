/**
 * The two sides of a request go on talking and giving files, also when a matter is at work on it.
 * What is said then is in the matter's logbook too, marked as read by the other side.
 */
import { z } from 'zod';
import { mayOnlyRead } from '#server/access/team.ts';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { command, preparedCommand } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { run } from '#server/db/sql.ts';
import { findColleague } from '#server/staff/queries.ts';
import { carryTalk } from './carry.ts';
import { files, storeFiles } from './files.ts';
import { requestAssigned, requestTaken, requestWord } from './messages.ts';
import {
	addFiles,
	addWords,
	requireLiveRequest,
	requireOpenRequest,
	requireOwnRequest,
	tellColleague,
	tellWriter,
	updateRequest,
	type SentRequest
} from './writing.ts';

/** A word to who wrote it, with files. */
export const writeOnRequest = preparedCommand({
	name: 'write on request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), words: text('Your words', 8000), files }),
	prepare({ ctx, input }) {
		requireForWord(ctx, input.requestId);
		return storeFiles(ctx, input.files);
	},
	run({ ctx, me, input: { requestId, words }, record, prepared }) {
		const request = requireForWord(ctx, requestId);
		addWords(ctx, request.id, 'answer', words);
		addFiles(ctx, request.id, prepared);
		if (request.matter_id) {
			record.onMatter(request.matter_id);
			carryTalk(ctx, request.matter_id, { request, who: me.name, words, files: prepared }, record);
		}
		tellWriter(ctx, request, requestWord(request, me.name, words));
		record.audit({ request: request.id, files: prepared.length });
	}
});

/** On a matter one may only read, nothing is said in its name. */
function requireForWord(ctx: Context, requestId: string): SentRequest {
	const request = requireLiveRequest(ctx, requestId);
	if (!request.matter_id || !('staff' in ctx.actor)) return request;
	const matter = requireMatter(ctx, request.matter_id);
	if (mayOnlyRead(ctx.db, matter.id, ctx.actor.staff.id))
		throw new Refused('You are on this matter to read it. Ask its lawyer to write.');
	return request;
}

/** Gives a request to a colleague. */
export const assignRequest = command({
	name: 'assign request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), staffId: id('a colleague') }),
	run({ ctx, me, input, record }) {
		const request = requireOpenRequest(ctx, input.requestId);
		const colleague = findColleague(ctx, input.staffId);
		if (!colleague) throw new Refused('Choose a colleague of the department.', 'staffId');
		if (request.taken_by === colleague.id)
			throw new Refused(`${colleague.name} has it already.`, 'staffId');
		updateRequest(ctx, request, {
			taken_by: colleague.id,
			state: request.state === 'sent' ? 'taken' : request.state
		});
		addWords(ctx, request.id, 'state', `${colleague.name} looks at it.`);
		if (!request.taken_by) tellWriter(ctx, request, requestTaken(request, colleague.name));
		if (colleague.id !== me.id) tellColleague(ctx, colleague, requestAssigned(request, me.name));
		record.audit({ request: request.id, from: request.taken_by, to: colleague.id });
	}
});

/** Its writer has read what is there. */
export const seeRequest = command({
	name: 'see request',
	action: 'request.own',
	input: z.object({ requestId: id('a request') }),
	run({ ctx, input, record }) {
		const { id: requestId } = requireOwnRequest(ctx, input.requestId);
		run(ctx.db, 'UPDATE request SET seen_at = @now WHERE id = @requestId', {
			requestId,
			now: ctx.clock.now()
		});
		record.audit({ request: requestId });
	}
});
