/**
 * What a business partner sent goes into a matter: words, files, the other side's name; nothing is
 * typed twice.
 */
import { formatDate } from '#core/format/dates.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import type { Recorder } from '#server/app/record.ts';
import { all, one, run, update } from '#server/db/sql.ts';
import { addHandDate } from '#server/docket/by-hand.ts';
import { CORRESPONDENCE } from '#server/documents/queries.ts';
import { fileDocument } from '#server/documents/filing.ts';
import type { StoredFile } from '#server/documents/store.ts';
import type { LogbookRow } from '#server/logbook/rows.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { requestInWork } from './messages.ts';
import type { RequestFileRow, RequestWordRow } from './rows.ts';
import { isOpen } from './state.ts';
import {
	addWords,
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
	matter: MatterRow,
	request: SentRequest,
	record: Recorder,
	said: string
): void {
	carryWords(ctx, matter, request, record);
	carryFiles(ctx, matter, request, record);
	carryWish(ctx, matter, request, record);
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

/** One thing said on a request while a matter is at work on it. */
type Said = { request: SentRequest; who: string; words: string; files: readonly StoredFile[] };
/** What is said goes into the matter with its files; the entry says who else reads it. */
export function carryTalk(ctx: Context, matterId: string, said: Said, record: Recorder): void {
	const { request, who, words, files } = said;
	const logId = record.logOn(matterId, 'matter', `${who}: ${words}`, `/requests/${request.id}`);
	update<LogbookRow>(ctx.db, 'logbook', { id: logId }, { request_id: request.id });
	const matter = one<Into>(ctx.db, 'SELECT id, number FROM matter WHERE id = @matterId', {
		matterId
	});
	fileAll(ctx, matter, request, files, record);
}

function carryFiles(ctx: Context, matter: Into, request: SentRequest, record: Recorder): void {
	const files = all<RequestFileRow>(
		ctx.db,
		'SELECT * FROM request_file WHERE request_id = @requestId ORDER BY id',
		{ requestId: request.id }
	);
	fileAll(
		ctx,
		matter,
		request,
		files.map(({ sha256, media_type: type, file_name: fileName, size, text, unread }) => ({
			...{ sha256, type, fileName, size, text, unread }
		})),
		record
	);
}

function fileAll(
	ctx: Context,
	matter: Into,
	request: SentRequest,
	files: readonly StoredFile[],
	record: Recorder
): void {
	for (const file of files) {
		const { documentId, number } = fileDocument(ctx, matter, {
			name: file.fileName.replace(/\.\w{1,5}$/, '').slice(0, 200),
			folder: CORRESPONDENCE,
			mark: '',
			why: `came with request ${request.number}`,
			file
		});
		record.logOn(
			matter.id,
			'document',
			`${file.fileName} filed as ${number}, from request ${request.number}.`,
			`/documents/${documentId}`
		);
	}
}

/** The day its writer wants it by is a date of the matter. One that is over is said only. */
function carryWish(ctx: Context, matter: MatterRow, request: SentRequest, record: Recorder): void {
	const { wanted_by: date, number, staff } = request;
	if (!date) return;
	if (date < ctx.clock.today()) {
		record.logOn(matter.id, 'date', `It was wanted by ${formatDate(date)}, which is over.`);
		return;
	}
	addHandDate(ctx, matter, {
		...{ title: `Wanted by ${staff}`, date, time: null },
		authority: `request ${number}`
	});
	record.logOn(matter.id, 'date', `Wanted by ${staff}: ${formatDate(date)} (request ${number}).`);
}
