/** What the commands on requests share: finding one, its to and fro, its files, and who is told. */
import { actingStaff, type Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import { all, exists, insert, maybeOne, scalar, update } from '#server/db/sql.ts';
import type { StoredFile } from '#server/documents/store.ts';
import { queueMail, type Message, type Recipient } from '#server/mail/queue.ts';
import type { RequestFileRow, RequestRow, RequestWordRow } from './rows.ts';
import { isOpen } from './state.ts';

export const FILE_LIMIT = 20;

/** A request the department has received, with who wrote it. */
export type SentRequest = RequestRow & { number: string; staff: string; email: string };

/** One's own request. @throws NotFound */
export function requireOwnRequest(ctx: Context, requestId: string): RequestRow {
	const request = maybeOne<RequestRow>(
		ctx.db,
		'SELECT * FROM request WHERE id = @requestId AND staff_id = @me',
		{ requestId, me: actingStaff(ctx).id }
	);
	if (!request) throw new NotFound('request');
	return request;
}

/** A request that was sent, for the department. @throws NotFound */
export function requireSentRequest(ctx: Context, requestId: string): SentRequest {
	const request = maybeOne<SentRequest>(
		ctx.db,
		`SELECT r.*, s.name AS staff, s.email
		FROM request r
		JOIN staff s ON s.id = r.staff_id
		WHERE r.id = @requestId AND r.state <> 'draft'`,
		{ requestId }
	);
	if (!request) throw new NotFound('request');
	return request;
}

/** @throws Refused where it is finished */
export function requireOpenRequest(ctx: Context, requestId: string): SentRequest {
	const request = requireSentRequest(ctx, requestId);
	if (!isOpen(request)) throw new Refused('This request is finished.');
	return request;
}

/**
 * A request that can be talked about: one that is open, or that a matter is at work on.
 * @throws Refused where it, or its matter, is finished
 */
export function requireLiveRequest(ctx: Context, requestId: string): SentRequest {
	const request = requireSentRequest(ctx, requestId);
	const isLive =
		isOpen(request) || (request.matter_id !== null && isAtWork(ctx, request.matter_id));
	if (!isLive) throw new Refused('This request is finished. Send a new one.');
	return request;
}
const isAtWork = (ctx: Context, matterId: string): boolean =>
	exists(ctx.db, "SELECT 1 FROM matter WHERE id = @matterId AND status <> 'closed'", { matterId });

/** Changes a request and raises its version. */
export function updateRequest(
	ctx: Context,
	{ id, version }: Pick<RequestRow, 'id' | 'version'>,
	set: Partial<RequestRow>
): void {
	update<RequestRow>(ctx.db, 'request', { id }, { ...set, version: version + 1 });
}

export function addWords(
	ctx: Context,
	requestId: string,
	kind: RequestWordRow['kind'],
	text: string
): void {
	insert<RequestWordRow>(ctx.db, 'request_word', {
		id: newId('rqw'),
		request_id: requestId,
		at: ctx.clock.now(),
		staff_id: actingStaff(ctx).id,
		kind,
		text
	});
}

export function addFiles(ctx: Context, requestId: string, files: readonly StoredFile[]): void {
	const had = scalar(ctx.db, 'SELECT count(*) FROM request_file WHERE request_id = @requestId', {
		requestId
	});
	if (had + files.length > FILE_LIMIT)
		throw new Refused('At most 20 files with a request.', 'files');
	for (const file of files)
		insert<RequestFileRow>(ctx.db, 'request_file', {
			id: newId('rqf'),
			request_id: requestId,
			sha256: file.sha256,
			media_type: file.type,
			file_name: file.fileName,
			size: file.size,
			text: file.text,
			unread: file.unread,
			at: ctx.clock.now(),
			staff_id: actingStaff(ctx).id
		});
}

/** Tells who wrote it. The mail belongs to no matter: they may not know of the matter it became. */
export function tellWriter(ctx: Context, request: SentRequest, message: Message): void {
	const to = { name: request.staff, email: request.email };
	queueMail(ctx, { matterId: null, to, message });
}

/** Tells a colleague. */
export const tellColleague = (ctx: Context, to: Recipient, message: Message): void =>
	queueMail(ctx, { matterId: null, to, message });

/** Tells the responsible lawyer of the matter that is at work on it. */
export function tellMatter(ctx: Context, matterId: string, message: Message): void {
	const to = maybeOne<Recipient>(
		ctx.db,
		`SELECT s.name, s.email
		FROM matter m
		JOIN staff s ON s.id = m.responsible_id
		WHERE m.id = @matterId`,
		{ matterId }
	);
	if (to) queueMail(ctx, { matterId, to, message });
}

/** Tells whoever took it; the paralegals where nobody has. */
export function tellDepartment(
	ctx: Context,
	{ taken_by }: Pick<RequestRow, 'taken_by'>,
	message: Message
): void {
	const [taker] = all<Recipient>(
		ctx.db,
		'SELECT name, email FROM staff WHERE active = 1 AND id = @takenBy',
		{ takenBy: taken_by }
	);
	const triage = () =>
		all<Recipient>(ctx.db, "SELECT name, email FROM staff WHERE active = 1 AND role = 'paralegal'");
	for (const to of taker ? [taker] : triage()) queueMail(ctx, { matterId: null, to, message });
}
