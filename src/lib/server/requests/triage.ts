/** What the department does with a request that was sent. */
import { z } from 'zod';
import { listTeam } from '#server/access/team.ts';
import { findMatter } from '#server/access/visibility.ts';
import { command } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { id, text } from '#server/app/fields.ts';
import { queueMail } from '#server/mail/queue.ts';
import { carryRequest } from './carry.ts';
import { requestJoined, requestQuestion, requestTaken, requestTurnedDown } from './messages.ts';
import { addWords, requireOpenRequest, tellWriter, updateRequest } from './writing.ts';

/** Takes a request, or takes it over from a colleague. */
export const takeRequest = command({
	name: 'take request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request') }),
	run({ ctx, me, input, record }) {
		const request = requireOpenRequest(ctx, input.requestId);
		if (request.taken_by === me.id) throw new Refused('You have it already.');
		updateRequest(ctx, request, {
			taken_by: me.id,
			state: request.state === 'sent' ? 'taken' : request.state
		});
		addWords(ctx, request.id, 'state', `${me.name} looks at it.`);
		if (!request.taken_by) tellWriter(ctx, request, requestTaken(request, me.name));
		record.audit({ request: request.id });
	}
});

/** Asks who wrote it something. */
export const askBack = command({
	name: 'ask back on request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), words: text('The question', 4000) }),
	run({ ctx, me, input: { requestId, words }, record }) {
		const request = requireOpenRequest(ctx, requestId);
		updateRequest(ctx, request, { state: 'asked', taken_by: request.taken_by ?? me.id });
		addWords(ctx, request.id, 'question', words);
		tellWriter(ctx, request, requestQuestion(request, me.name, words));
		record.audit({ request: request.id });
	}
});

/** Turns a request down, with a reason that its writer reads. */
export const turnDown = command({
	name: 'turn down request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), reason: text('The reason', 2000) }),
	run({ ctx, me, input: { requestId, reason }, record }) {
		const request = requireOpenRequest(ctx, requestId);
		updateRequest(ctx, request, {
			state: 'turned down',
			reason,
			taken_by: request.taken_by ?? me.id,
			ended_at: ctx.clock.now()
		});
		addWords(ctx, request.id, 'state', `Turned down: ${reason}`);
		tellWriter(ctx, request, requestTurnedDown(request, me.name, reason));
		record.audit({ request: request.id });
	}
});

/** Puts a request to a matter that exists: its words and files go into the matter. */
export const mergeRequest = command({
	name: 'merge request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), number: text('The number of the matter', 40) }),
	run({ ctx, me, input: { requestId, number }, record }) {
		const request = requireOpenRequest(ctx, requestId);
		const matter = findMatter(ctx.db, me, { number });
		if (!matter) throw new Refused(`There is no matter ${number} that you may see.`, 'number');
		if (matter.status === 'closed')
			throw new Refused('That matter is closed: reopen it first.', 'number');
		const said = 'In work, with something the department is at already.';
		carryRequest(ctx, matter, request, record, said);
		const responsible = listTeam(ctx.db, matter.id).find(({ role }) => role === 'responsible');
		if (responsible && responsible.id !== me.id)
			queueMail(ctx, {
				matterId: matter.id,
				to: responsible,
				message: requestJoined(matter, request)
			});
		record.onMatter(matter.id);
		record.audit({ request: request.id, matter: matter.number });
		return { number: matter.number };
	}
});
