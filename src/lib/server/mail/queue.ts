/**
 * Mail that is to be sent: written down in the transaction of what it tells of, handed to the mail
 * server by a job.
 */
import type { Context } from '../app/application.ts';
import { newId } from '../app/ids.ts';
import { insert } from '../db/sql.ts';
import type { MailOutRow } from './rows.ts';

/** What a mail says. The texts are made by the functions in the `messages.ts` of each area. */
export type Message = {
	subject: string;
	/** Without the address at its end. */
	text: string;
	/** Where it leads: a path of this application. */
	path?: string;
};
export type Recipient = { name: string; email: string };
export type Attachment = { sha256: string; name: string };

/** A subject line longer than this is cut. */
const SUBJECT_LIMIT = 180;

/**
 * Queues one mail. `matterId` is the matter it speaks of: whoever may not see that does not find it
 * in the Post room; null where it speaks of none, or of several that are not restricted.
 */
export function queueMail(
	ctx: Context,
	mail: { matterId: string | null; to: Recipient; message: Message; attachment?: Attachment }
): void {
	const { subject, text, path } = mail.message;
	insert<MailOutRow>(ctx.db, 'mail_out', {
		id: newId('mal'),
		matter_id: mail.matterId,
		recipient: `${mail.to.name} <${mail.to.email}>`,
		subject: subject.slice(0, SUBJECT_LIMIT),
		text: path === undefined ? `${text}\n` : `${text}\n\n${ctx.origin}${path}\n`,
		attachment_sha256: mail.attachment?.sha256 ?? null,
		attachment_name: mail.attachment?.name ?? null,
		queued_at: ctx.clock.now()
	});
}
