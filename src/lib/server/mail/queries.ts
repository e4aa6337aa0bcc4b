/** What lies in the Post room. Mail about a matter that one may not see is not there. */
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, likeWithin, maybeOne, scalar } from '#server/db/sql.ts';
import type { PostRow } from './rows.ts';
import { messageId } from './send.ts';

type PostAttachment = { name: string; size: number; type: string };
export type PostView = {
	id: string;
	at: string;
	from: string;
	to: string;
	subject: string;
	text: string;
	attachments: PostAttachment[];
};

const FROM = `FROM post p
	LEFT JOIN mail_out o ON p.message_id = '${messageId("' || o.id || '")}'
	LEFT JOIN matter m ON m.id = o.matter_id
	WHERE (m.id IS NULL OR ${visible('m')})`;
const FOUND = `${FROM} AND (p.subject LIKE @like ESCAPE '\\' OR p.recipient LIKE @like ESCAPE '\\')`;

export const POST_PAGE = 60;

type StoredAttachment = PostAttachment & { sha256: string };
const readAttachments = (json: string): StoredAttachment[] =>
	JSON.parse(json) as StoredAttachment[];

/** The newest first, a page at a time; and how much waits to be sent. */
export function listPost(
	{ db }: Application,
	me: Staff,
	{ page = 1, q = '' }: { page?: number; q?: string } = {}
): { rows: PostView[]; total: number; waiting: number } {
	const params = { me: me.id, like: likeWithin(q), offset: POST_PAGE * (page - 1) };
	const rows = all<PostRow>(
		db,
		`SELECT p.*
		${FOUND}
		ORDER BY p.received_at DESC, p.id DESC
		LIMIT ${POST_PAGE} OFFSET @offset`,
		params
	);
	return {
		total: scalar(db, `SELECT count(*) ${FOUND}`, params),
		waiting: countWaiting(db, me),
		rows: rows.map((row) => ({
			id: row.id,
			at: row.received_at,
			from: row.sender,
			to: row.recipient,
			subject: row.subject,
			text: row.text,
			attachments: readAttachments(row.attachments).map(({ name, size, type }) => ({
				name,
				size,
				type
			}))
		}))
	};
}

const countWaiting = (db: Application['db'], me: Staff): number =>
	scalar(
		db,
		`SELECT count(*)
		FROM mail_out o
		LEFT JOIN matter m ON m.id = o.matter_id
		WHERE o.sent_at IS NULL AND (m.id IS NULL OR ${visible('m')})`,
		{ me: me.id }
	);

/** The n-th attachment of a message. */
export function findPostAttachment(
	app: Application,
	me: Staff,
	id: string,
	n: number
): { name: string; type: string; data: Buffer } | undefined {
	const row = maybeOne<Pick<PostRow, 'attachments'>>(
		app.db,
		`SELECT p.attachments ${FROM} AND p.id = @id`,
		{ me: me.id, id }
	);
	const attachment = row && readAttachments(row.attachments)[n];
	return (
		attachment && {
			name: attachment.name,
			type: attachment.type,
			data: app.files.get(attachment.sha256)
		}
	);
}

/**
 * Mail whoever sees its matter may read; of `o`. What holds a signing link is its receiver's alone:
 * who reads it could sign.
 */
export const READABLE_MAIL = "o.text NOT LIKE '%/sign/%'";

/** More than this of a matter's mail is not offered. */
const OFFERED = 40;

/** The mail about a matter that its people may read, the newest first. */
export const listMatterMail = (
	{ db }: Application,
	matterId: string
): { id: string; subject: string; recipient: string; at: string }[] =>
	all(
		db,
		`SELECT o.id, o.subject, o.recipient, o.queued_at AS at
		FROM mail_out o
		WHERE o.matter_id = @matterId AND ${READABLE_MAIL}
		ORDER BY o.queued_at DESC, o.id DESC
		LIMIT ${OFFERED}`,
		{ matterId }
	);

type MatterMail = { id: string; subject: string; recipient: string; at: string; text: string };

/** One mail about a matter one may see, whole; nothing where it is not that matter's. */
export const findMatterMail = (
	{ db }: Application,
	matterId: string,
	mailId: string
): MatterMail | undefined =>
	maybeOne<MatterMail>(
		db,
		`SELECT o.id, o.subject, o.recipient, o.queued_at AS at, o.text
		FROM mail_out o
		WHERE o.id = @mailId AND o.matter_id = @matterId AND ${READABLE_MAIL}`,
		{ matterId, mailId }
	);

export const isMailOf = (app: Application, matterId: string, mailId: string): boolean =>
	findMatterMail(app, matterId, mailId) !== undefined;
