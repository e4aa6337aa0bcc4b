/** What a business partner does with a request, before there is a matter. */
import { z } from 'zod';
import type { Context, Staff } from '#server/app/application.ts';
import { command, preparedCommand } from '#server/app/command.ts';
import { Refused } from '#server/app/errors.ts';
import { flag, id, maybeDay, maybeId, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { insert, remove, scalar } from '#server/db/sql.ts';
import { findUnit } from '#server/units/queries.ts';
import { carryTalk } from './carry.ts';
import { files, storeFiles } from './files.ts';
import { requestAnswered, requestSent, requestWithdrawn } from './messages.ts';
import type { RequestFileRow, RequestRow } from './rows.ts';
import { isOpen } from './state.ts';
import {
	addFiles,
	addWords,
	requireLiveRequest,
	requireOwnRequest,
	tellDepartment,
	tellMatter,
	updateRequest
} from './writing.ts';

const requestInput = z.object({
	requestId: maybeId,
	send: flag,
	about: text('What it is about', 300),
	words: maybeText('The description', 8000),
	unitId: maybeId,
	counterparty: maybeText('The counterparty', 200),
	urgency: z
		.enum(['normal', 'soon', 'urgent'], { error: 'Choose how urgent it is.' })
		.default('normal'),
	wantedBy: maybeDay('The day'),
	files
});
type RequestInput = z.output<typeof requestInput>;

/** Keeps a draft, or sends it. A draft is seen by nobody else. */
export const writeRequest = preparedCommand({
	name: 'write request',
	action: 'request.own',
	input: requestInput,
	prepare({ ctx, input }) {
		refuseSentAlready(ctx, input);
		return storeFiles(ctx, input.files);
	},
	run({ ctx, me, input, record, prepared }) {
		refuseSentAlready(ctx, input);
		refuseBadUnit(ctx, input);
		if (input.send && input.wantedBy && input.wantedBy < ctx.clock.today())
			throw new Refused('That day has passed already.', 'wantedBy');
		const draft = saveDraft(ctx, me, input);
		addFiles(ctx, draft.id, prepared);
		const number = input.send ? sendDraft(ctx, me, draft) : null;
		record.audit({ request: draft.id, number, sent: input.send, files: prepared.length });
		return { requestId: draft.id, number };
	}
});

function refuseSentAlready(ctx: Context, { requestId }: RequestInput): void {
	if (requestId && requireOwnRequest(ctx, requestId).state !== 'draft')
		throw new Refused('This request was sent already. Add to it with an answer.');
}

function refuseBadUnit(ctx: Context, { unitId, send }: RequestInput): void {
	if (unitId && !findUnit(ctx, unitId)) throw new Refused('Choose a business unit.', 'unitId');
	if (send && !unitId) throw new Refused('Choose the business unit it is for.', 'unitId');
}

function saveDraft(ctx: Context, me: Staff, input: RequestInput): RequestRow {
	const { about, words, counterparty, urgency } = input;
	const fields = {
		about,
		words,
		counterparty,
		urgency,
		unit_id: input.unitId,
		wanted_by: input.wantedBy
	};
	if (input.requestId) {
		updateRequest(ctx, requireOwnRequest(ctx, input.requestId), fields);
		return requireOwnRequest(ctx, input.requestId);
	}
	const id = newId('req');
	insert<RequestRow>(ctx.db, 'request', {
		id,
		staff_id: me.id,
		...fields,
		state: 'draft',
		created_at: ctx.clock.now()
	});
	return requireOwnRequest(ctx, id);
}

/** Sends a draft; the number it got. */
function sendDraft(ctx: Context, me: Staff, draft: RequestRow): string {
	const number = nextNumber(ctx);
	updateRequest(ctx, draft, { number, state: 'sent', sent_at: ctx.clock.now() });
	addWords(ctx, draft.id, 'state', 'Sent to the legal department.');
	tellDepartment(
		ctx,
		{ taken_by: null },
		requestSent({ id: draft.id, number, about: draft.about }, me.name)
	);
	return number;
}

function nextNumber(ctx: Context): string {
	const year = Number(ctx.clock.today().slice(0, 4));
	const last = scalar(
		ctx.db,
		`INSERT INTO request_series (year, last)
		VALUES (@year, 1)
		ON CONFLICT (year) DO UPDATE SET last = last + 1
		RETURNING last`,
		{ year }
	);
	return `RQ-${year}-${String(last).padStart(4, '0')}`;
}

/** Throws a draft away. */
export const removeDraft = command({
	name: 'remove request draft',
	action: 'request.own',
	input: z.object({ requestId: id('a request') }),
	run({ ctx, input, record }) {
		const draft = requireOwnRequest(ctx, input.requestId);
		if (draft.state !== 'draft')
			throw new Refused('This request was sent already: withdraw it instead.');
		remove<RequestFileRow>(ctx.db, 'request_file', { request_id: draft.id });
		remove<RequestRow>(ctx.db, 'request', { id: draft.id });
		record.audit({ request: draft.id });
	}
});

/** One's own request that can still be added to or withdrawn. */
type OwnSent = RequestRow & { number: string };
function requireOwnOpen(ctx: Context, requestId: string, why: Refusals): OwnSent {
	const request = requireOwnRequest(ctx, requestId);
	if (request.state === 'draft') throw new Refused(why.draft);
	if (!isOpen(request) || request.number === null)
		throw new Refused(request.state === 'matter' ? why.inWork : why.finished);
	return { ...request, number: request.number };
}
type Refusals = { draft: string; inWork: string; finished: string };

/** An answer to the department's question, or a word more; also when a matter is at work on it. */
export const answerRequest = preparedCommand({
	name: 'answer request',
	action: 'request.own',
	input: z.object({ requestId: id('a request'), words: text('Your words', 8000), files }),
	prepare({ ctx, input }) {
		requireOwnRequest(ctx, input.requestId);
		return storeFiles(ctx, input.files);
	},
	run({ ctx, me, input: { requestId, words }, record, prepared }) {
		if (requireOwnRequest(ctx, requestId).state === 'draft')
			throw new Refused('Send the request first.');
		const request = requireLiveRequest(ctx, requestId);
		addWords(ctx, request.id, 'answer', words);
		addFiles(ctx, request.id, prepared);
		if (request.state === 'asked') updateRequest(ctx, request, { state: 'taken' });
		if (request.matter_id) {
			record.onMatter(request.matter_id);
			carryTalk(ctx, request.matter_id, { request, who: me.name, words, files: prepared }, record);
			tellMatter(ctx, request.matter_id, requestAnswered(request, me.name, words));
		} else tellDepartment(ctx, request, requestAnswered(request, me.name, words));
		record.audit({ request: request.id, files: prepared.length });
	}
});

/** Takes a request back, as long as nobody works on it. */
export const withdrawRequest = command({
	name: 'withdraw request',
	action: 'request.own',
	input: z.object({ requestId: id('a request'), reason: maybeText('The reason', 1000) }),
	run({ ctx, me, input: { requestId, reason }, record }) {
		const request = requireOwnOpen(ctx, requestId, {
			draft: 'A draft is not sent yet: throw it away instead.',
			inWork: 'The department is at work on it already. Ask them to stop.',
			finished: 'This request is finished.'
		});
		updateRequest(ctx, request, {
			state: 'withdrawn',
			reason,
			ended_at: ctx.clock.now()
		});
		addWords(ctx, request.id, 'state', reason ? `Withdrawn: ${reason}` : 'Withdrawn.');
		if (request.taken_by) tellDepartment(ctx, request, requestWithdrawn(request, me.name, reason));
		record.audit({ request: request.id });
	}
});
