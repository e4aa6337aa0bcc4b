/** Mail: sent over SMTP to a real server, or to the stand-in that ships, whose Post room keeps what it receives. */
import { simpleParser } from 'mailparser';
import { createTransport, type Transporter } from 'nodemailer';
import { SMTPServer } from 'smtp-server';
import type { Staff, World } from '../command.ts';
import { visible } from '../trust/scope.ts';
import { newId, sha256 } from '../ids.ts';

export type MailServer = { url: string; close(): Promise<void> };

/** The stand-in: an SMTP server on this machine only, that files every message in the Post room. */
export function startPostRoom(w: World): Promise<MailServer> {
	const server = new SMTPServer({
		authOptional: true,
		disabledCommands: ['AUTH', 'STARTTLS'],
		logger: false,
		size: 40 * 1024 * 1024,
		banner: 'Post room',
		onData(stream, session, done) {
			const chunks: Buffer[] = [];
			stream.on('data', (c: Buffer) => chunks.push(c));
			stream.on('end', () => {
				receive(
					w,
					Buffer.concat(chunks),
					session.envelope.rcptTo.map((r) => r.address).join(', ')
				).then(
					() => done(),
					(e: Error) => done(e)
				);
			});
		}
	});
	server.on('error', () => {}); // a client that hangs up is no reason to stop
	return new Promise((resolve, reject) => {
		const http = server.listen(0, '127.0.0.1', () => {
			const address = http.address();
			if (address === null || typeof address === 'string')
				return reject(new Error('the Post room has no port'));
			resolve({
				url: `smtp://127.0.0.1:${address.port}`,
				close: () => new Promise((end) => server.close(() => end()))
			});
		});
		http.once('error', reject);
	});
}

/** Files one message; the same message twice is kept once. */
async function receive(w: World, raw: Buffer, to: string): Promise<void> {
	const mail = await simpleParser(raw);
	const attachments = mail.attachments.map((a) => ({
		name: a.filename ?? 'attachment',
		sha256: w.files.put(a.content),
		type: a.contentType,
		size: a.size
	}));
	const address = Array.isArray(mail.to) ? mail.to.map((t) => t.text).join(', ') : mail.to?.text;
	w.db
		.prepare(
			'INSERT OR IGNORE INTO post (id, message_id, received_at, sender, recipient, subject, text, raw_sha256, attachments) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)'
		)
		.run(
			newId('pst'),
			mail.messageId ?? sha256(raw),
			w.clock.now(),
			mail.from?.text ?? '',
			address ?? to,
			mail.subject ?? '',
			(mail.text ?? '').trim(),
			w.files.put(raw),
			JSON.stringify(attachments)
		);
}

type Waiting = {
	id: string;
	recipient: string;
	subject: string;
	text: string;
	attachment_sha256: string | null;
	attachment_name: string | null;
	tries: number;
};

/** Sends what waits, oldest first; a failure is tried again later, ever more rarely. The message id is the row's: sent twice, it is kept once. */
export async function sendWaiting(w: World, transport: Transporter, from: string): Promise<number> {
	const waiting = w.db
		.prepare<[string], Waiting>(
			'SELECT * FROM mail_out WHERE sent_at IS NULL AND (next_try IS NULL OR next_try <= ?) ORDER BY queued_at, id LIMIT 50'
		)
		.all(w.clock.now());
	let sent = 0;
	for (const m of waiting) {
		try {
			await transport.sendMail({
				from,
				to: m.recipient,
				subject: m.subject,
				text: m.text,
				messageId: `<${m.id}@kite-pen.local>`,
				...(m.attachment_sha256
					? {
							attachments: [
								{
									filename: m.attachment_name ?? 'document.pdf',
									content: w.files.get(m.attachment_sha256)
								}
							]
						}
					: {})
			});
			w.db
				.prepare('UPDATE mail_out SET sent_at = ?, error = NULL WHERE id = ?')
				.run(w.clock.now(), m.id);
			sent++;
		} catch (e) {
			const wait = Math.min(3600, 15 * 2 ** m.tries);
			w.db
				.prepare('UPDATE mail_out SET tries = tries + 1, error = ?, next_try = ? WHERE id = ?')
				.run(
					e instanceof Error ? e.message.slice(0, 300) : 'failed',
					new Date(Date.parse(w.clock.now()) + wait * 1000).toISOString(),
					m.id
				);
		}
	}
	return sent;
}

export const mailTo = (url: string): Transporter => createTransport(url);

export type PostView = {
	id: string;
	at: string;
	from: string;
	to: string;
	subject: string;
	text: string;
	attachments: { name: string; size: number; type: string }[];
};
/** Mail about a matter that the viewer may not see is not there for them. */
const FROM = `FROM post p LEFT JOIN mail_out o ON p.message_id = '<' || o.id || '@kite-pen.local>' LEFT JOIN matter m ON m.id = o.matter_id WHERE (m.id IS NULL OR ${visible('m')})`;

/** What lies in the Post room, newest first. */
export function postRoom(
	w: World,
	me: Staff,
	f: { page?: number; q?: string } = {}
): { rows: PostView[]; total: number; waiting: number } {
	const p = {
		me: me.id,
		q: `%${(f.q ?? '').replace(/[\\%_]/g, '\\$&')}%`,
		offset: 60 * ((f.page ?? 1) - 1)
	};
	const where = `${FROM} AND (p.subject LIKE @q ESCAPE '\\' OR p.recipient LIKE @q ESCAPE '\\')`;
	const rows = w.db
		.prepare<
			unknown[],
			{
				id: string;
				at: string;
				sender: string;
				recipient: string;
				subject: string;
				text: string;
				attachments: string;
			}
		>(
			`SELECT p.id, p.received_at AS at, p.sender, p.recipient, p.subject, p.text, p.attachments ${where} ORDER BY p.received_at DESC, p.id DESC LIMIT 60 OFFSET @offset`
		)
		.all(p);
	return {
		total: w.db.prepare<unknown[], { n: number }>(`SELECT count(*) AS n ${where}`).get(p)!.n,
		waiting: w.db
			.prepare<unknown[], { n: number }>(
				`SELECT count(*) AS n FROM mail_out o LEFT JOIN matter m ON m.id = o.matter_id WHERE o.sent_at IS NULL AND (m.id IS NULL OR ${visible('m')})`
			)
			.get({ me: me.id })!.n,
		rows: rows.map((r) => ({
			id: r.id,
			at: r.at,
			from: r.sender,
			to: r.recipient,
			subject: r.subject,
			text: r.text,
			attachments: JSON.parse(r.attachments) as PostView['attachments']
		}))
	};
}
export function postAttachment(
	w: World,
	me: Staff,
	id: string,
	n: number
): { name: string; type: string; data: Buffer } | undefined {
	const row = w.db
		.prepare<unknown[], { attachments: string }>(`SELECT p.attachments ${FROM} AND p.id = @id`)
		.get({ me: me.id, id });
	const a =
		row && (JSON.parse(row.attachments) as { name: string; sha256: string; type: string }[])[n];
	return a && { name: a.name, type: a.type, data: w.files.get(a.sha256) };
}
