/**
 * What a business partner sent goes into a matter: words, files, the other side's name; nothing is
 * typed twice.
 */
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import type { Recorder } from '#server/app/record.ts';
import { all, run } from '#server/db/sql.ts';
import { CORRESPONDENCE } from '#server/documents/queries.ts';
import { fileDocument } from '#server/documents/filing.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { requestInWork } from './messages.ts';
import type { RequestFileRow, RequestWordRow } from './rows.ts';
import {
	addWords,
	isOpen,
	requireSentRequest,
	tellWriter,
	updateRequest,
	type SentRequest
} from './writing.ts';

type Into = Pick<MatterRow, 'id' | 'number'>;

/** The request a matter is opened from. @throws Refused where it is finished */
export function requireForOpening(ctx: Context, requestId: string): SentRequest {
	const request = requireSentRequest(ctx, requestId);
	if (isOpen(request)) return request;
	const state = request.state === 'matter' ? 'a matter already' : request.state;
	throw new Refused(`Request ${request.number} is ${state}.`, 'requestId');
}

/**
 * Carries a request into a matter, within the transaction of a command, and tells who wrote it.
 * @param said what its writer reads of it
 */
export function carryRequest(
	ctx: Context,
	matter: Into,
	request: SentRequest,
	record: Recorder,
	said: string
): void {
	carryWords(ctx, matter, request, record);
	carryFiles(ctx, matter, request, record);
	updateRequest(ctx, request, {
		state: 'matter',
		matter_id: matter.id,
		ended_at: ctx.clock.now(),
		taken_by: request.taken_by ?? actingStaff(ctx).id
	});
	addWords(ctx, request.id, 'state', said);
	tellWriter(ctx, request, requestInWork(request));
	placeMail(ctx, matter, request);
}

/**
 * What was written of a request is from now on, in the Post room, for those who may see its matter.
 */
function placeMail(ctx: Context, matter: Into, request: SentRequest): void {
	run(
		ctx.db,
		`UPDATE mail_out SET matter_id = @matterId
		WHERE matter_id IS NULL AND instr(text, @path) > 0`,
		{ matterId: matter.id, path: `/requests/${request.id}\n` }
	);
}

function carryWords(ctx: Context, matter: Into, request: SentRequest, record: Recorder): void {
	const { number, staff, about, words, counterparty } = request;
	const lines = [
		`From request ${number} of ${staff}: ${about}`,
		words,
		counterparty && `Counterparty: ${counterparty}`
	];
	record.logOn(matter.id, 'matter', lines.filter(Boolean).join('\n'), `/requests/${request.id}`);
	const talk = all<Pick<RequestWordRow, 'text' | 'kind'> & { name: string }>(
		ctx.db,
		`SELECT w.text, w.kind, s.name
		FROM request_word w
		JOIN staff s ON s.id = w.staff_id
		WHERE w.request_id = @requestId AND w.kind <> 'state'
		ORDER BY w.at, w.id`,
		{ requestId: request.id }
	);
	for (const { name, kind, text } of talk)
		record.logOn(
			matter.id,
			'matter',
			`${name} ${kind === 'question' ? 'asked' : 'answered'}: ${text}`
		);
}

function carryFiles(ctx: Context, matter: Into, request: SentRequest, record: Recorder): void {
	const files = all<RequestFileRow>(
		ctx.db,
		'SELECT * FROM request_file WHERE request_id = @requestId ORDER BY id',
		{ requestId: request.id }
	);
	for (const file of files) {
		const { documentId, number } = fileDocument(ctx, matter, {
			name: file.file_name.replace(/\.\w{1,5}$/, '').slice(0, 200),
			folder: CORRESPONDENCE,
			mark: '',
			why: `came with request ${request.number}`,
			file: {
				sha256: file.sha256,
				type: file.media_type,
				fileName: file.file_name,
				size: file.size,
				text: file.text,
				unread: file.unread
			}
		});
		record.logOn(
			matter.id,
			'document',
			`${file.file_name} filed as ${number}, from request ${request.number}.`,
			`/documents/${documentId}`
		);
	}
}
