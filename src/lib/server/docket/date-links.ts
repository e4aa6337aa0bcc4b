/** What a matter's dates point to beside documents and exhibits: mail, and folders. */
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { READABLE_MAIL } from '#server/mail/queries.ts';

export type DateLinks = {
	folders: string[];
	mails: { id: string; subject: string; at: string }[];
};

/** By date; a date without any is not in it. */
export function listDateLinks({ db }: Application, matterId: string): Record<string, DateLinks> {
	const byDate: Record<string, DateLinks> = {};
	const linksOf = (deadlineId: string) => (byDate[deadlineId] ??= { folders: [], mails: [] });
	const folders = all<{ deadlineId: string; folder: string }>(
		db,
		`SELECT x.deadline_id AS deadlineId, x.folder
		FROM date_folder x
		JOIN deadline d ON d.id = x.deadline_id
		WHERE d.matter_id = @matterId
		ORDER BY x.folder`,
		{ matterId }
	);
	for (const { deadlineId, folder } of folders) linksOf(deadlineId).folders.push(folder);
	const mails = all<{ deadlineId: string; id: string; subject: string; at: string }>(
		db,
		`SELECT x.deadline_id AS deadlineId, o.id, o.subject, o.queued_at AS at
		FROM date_mail x
		JOIN mail_out o ON o.id = x.mail_id
		JOIN deadline d ON d.id = x.deadline_id
		WHERE d.matter_id = @matterId AND ${READABLE_MAIL}
		ORDER BY o.queued_at`,
		{ matterId }
	);
	for (const { deadlineId, ...mail } of mails) linksOf(deadlineId).mails.push(mail);
	return byDate;
}
