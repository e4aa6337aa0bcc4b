/**
 * The stand-in for a mail server: an SMTP server on this machine only, that files every message in
 * the Post room.
 */
import type { SMTPServer } from 'smtp-server';
import type { Application } from '#server/app/application.ts';
import { newId, sha256 } from '#server/app/ids.ts';
import { insertOrIgnore } from '#server/db/sql.ts';
import type { PostRow } from './rows.ts';

export type MailServer = { url: string; close(): Promise<void> };

const SIZE_LIMIT = 40 * 1024 * 1024;

export async function startPostRoom(app: Application): Promise<MailServer> {
	const { SMTPServer } = await import('smtp-server');
	const server = new SMTPServer({
		authOptional: true,
		disabledCommands: ['AUTH', 'STARTTLS'],
		disableReverseLookup: true,
		logger: false,
		size: SIZE_LIMIT,
		banner: 'Post room',
		onData(stream, session, done) {
			const chunks: Buffer[] = [];
			stream.on('data', (data: Buffer) => chunks.push(data));
			stream.on('end', () => {
				const to = session.envelope.rcptTo.map(({ address }) => address).join(', ');
				fileMessage(app, Buffer.concat(chunks), to).then(() => done(), done);
			});
		}
	});
	server.on('error', () => {}); // a client that hangs up is no reason to stop
	const url = await listen(server);
	return { url, close: () => new Promise((resolve) => server.close(() => resolve())) };
}

const listen = (server: SMTPServer): Promise<string> =>
	new Promise((resolve, reject) => {
		const socket = server.listen(0, '127.0.0.1', () => {
			const address = socket.address();
			if (address === null || typeof address === 'string')
				return reject(new Error('the Post room has no port'));
			resolve(`smtp://127.0.0.1:${address.port}`);
		});
		socket.once('error', reject);
	});

/** Files one message; the same message twice is kept once. */
async function fileMessage(app: Application, raw: Buffer, envelopeTo: string): Promise<void> {
	const { simpleParser } = await import('mailparser');
	const mail = await simpleParser(raw);
	const attachments = mail.attachments.map(({ filename, content, contentType, size }) => ({
		name: filename ?? 'attachment',
		sha256: app.files.put(content),
		type: contentType,
		size
	}));
	const to = [mail.to ?? []].flat().map(({ text }) => text);
	insertOrIgnore<PostRow>(app.db, 'post', {
		id: newId('pst'),
		message_id: mail.messageId ?? sha256(raw),
		received_at: app.clock.now(),
		sender: mail.from?.text ?? '',
		recipient: to.join(', ') || envelopeTo,
		subject: mail.subject ?? '',
		text: (mail.text ?? '').trim(),
		raw_sha256: app.files.put(raw),
		attachments: JSON.stringify(attachments)
	});
}
