/** Hands waiting mail to a mail server over SMTP. */
import type { Transporter } from 'nodemailer';
import type { Application } from '#server/app/application.ts';
import type { Concern, JobReport } from '#server/app/job.ts';
import { all, exists, maybeOne, update } from '#server/db/sql.ts';
import type { MailOutRow } from './rows.ts';

/** A server is asked for so many at once. */
const PASS = 50;
const BREATH_MS = 10;
const FIRST_WAIT_S = 15;
const LONGEST_WAIT_S = 3600;
/** Of what a server answered, so much is kept. */
const ERROR_LIMIT = 300;

/**
 * A connection to a mail server, kept from mail to mail: greeting it anew takes ten times as long
 * as the mail itself.
 */
export async function openTransport(url: string): Promise<Transporter> {
	const { createTransport } = await import('nodemailer');
	return createTransport({ url, pool: true, maxConnections: 1 });
}

/** The id under which a mail travels: sent twice, it is the same message. */
export const messageId = (mailId: string): string => `<${mailId}@kite-pen.local>`;

/**
 * Sends what waits, oldest first; a failure is tried again later, ever more rarely, unless somebody
 * settled it in another way.
 */
export async function sendWaiting(
	app: Application,
	transport: Transporter,
	from: string
): Promise<JobReport> {
	const waiting = all<MailOutRow>(
		app.db,
		`SELECT *
		FROM mail_out
		WHERE sent_at IS NULL
			AND (
				next_try IS NULL
				OR next_try <= @now
				OR EXISTS (
					SELECT 1
					FROM job_failure f
					WHERE f.job = 'mail' AND f.row_id = mail_out.id AND f.next_try <= @now
				)
			)
			AND NOT EXISTS (
				SELECT 1
				FROM job_failure f
				WHERE f.job = 'mail' AND f.row_id = mail_out.id AND f.settled_at IS NOT NULL
			)
		ORDER BY queued_at, id
		LIMIT ${PASS}`,
		{ now: app.clock.now() }
	);
	const report: JobReport = { worked: 0, failed: [] };
	for (const mail of waiting) {
		await breathe();
		try {
			await transport.sendMail({
				from,
				to: mail.recipient,
				subject: mail.subject,
				text: mail.text,
				messageId: messageId(mail.id),
				attachments: attachmentsOf(app, mail)
			});
			setMail(app, mail, {
				sent_at: app.clock.now(),
				error: null,
				text: withoutSecrets(mail.text)
			});
			report.worked++;
		} catch (error) {
			report.failed.push({ row: mail.id, error });
			setMail(app, mail, {
				tries: mail.tries + 1,
				error: error instanceof Error ? error.message.slice(0, ERROR_LIMIT) : 'failed',
				next_try: nextTry(app, mail)
			});
		}
	}
	return report;
}

/** Between two mails everybody else goes first: a morning's mail is sent in one go. */
const breathe = () => new Promise((resolve) => setTimeout(resolve, BREATH_MS));

/** Whether a mail was not sent yet: a pass takes only so many. */
export const isMailWaiting = ({ db }: Application, mailId: string): boolean =>
	exists(db, 'SELECT 1 FROM mail_out WHERE id = @mailId AND sent_at IS NULL', { mailId });

/** A mail about a matter concerns who is responsible for that; another one, the house. */
export function mailConcern({ db }: Application, mailId: string): Concern | undefined {
	const mail = maybeOne<Pick<MailOutRow, 'matter_id' | 'recipient' | 'subject'>>(
		db,
		'SELECT matter_id, recipient, subject FROM mail_out WHERE id = @mailId',
		{ mailId }
	);
	return (
		mail && {
			what: `Mail to ${mail.recipient}: ${mail.subject}`,
			path: '/mail',
			matterId: mail.matter_id,
			staffId: null
		}
	);
}

/**
 * A mail that was sent keeps its words, but not the secret of a link: whoever reads the queue, or a
 * copy of it, could go through that door.
 */
const withoutSecrets = (text: string): string =>
	text.replace(/(\/(?:sign|password|feed)\/)[\w.-]+/g, '$1…');

const setMail = (app: Application, { id }: MailOutRow, set: Partial<MailOutRow>): void =>
	void update<MailOutRow>(app.db, 'mail_out', { id }, set);

function attachmentsOf(app: Application, mail: MailOutRow) {
	if (!mail.attachment_sha256) return [];
	const filename = mail.attachment_name ?? 'document.pdf';
	return [{ filename, content: app.files.get(mail.attachment_sha256) }];
}

function nextTry(app: Application, { tries }: MailOutRow): string {
	const wait = Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** tries);
	return new Date(Date.parse(app.clock.now()) + wait * 1000).toISOString();
}
