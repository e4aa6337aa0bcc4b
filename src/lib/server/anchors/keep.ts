/**
 * Takes the head of the audit trail down outside the database, once a day: into a file and by mail.
 */
import { formatDate } from '#core/format/dates.ts';
import { findHeadEntry } from '#server/access/audit.ts';
import type { Application, Context } from '#server/app/application.ts';
import { findSetting } from '#server/app/department.ts';
import type { JobReport } from '#server/app/job.ts';
import { run } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import { openSealKey } from '#server/signing/seal-key.ts';
import { appendAnchor } from './file.ts';
import { headOfTrail } from './messages.ts';
import { listHeadReaders } from './readers.ts';

const asTrail = (app: Application): Context => ({ ...app, actor: { guest: 'audit trail' } });
const SETTING = 'heads-kept';

/**
 * Once a day, also after a start anew. The file comes first: a day that failed there is not marked
 * as done.
 * @param file where the heads are kept
 */
export async function keepHead(app: Application, file: string): Promise<JobReport> {
	const today = app.clock.today();
	const last = findHeadEntry(app.db);
	if (!last || findSetting(app, SETTING, '') >= today) return { worked: 0, failed: [] };
	const anchor = { at: app.clock.now(), entries: last.seq, head: last.hash };
	appendAnchor(file, anchor, await openSealKey(await app.seal()));
	app.db
		.transaction(() => {
			const message = headOfTrail(anchor, formatDate(today));
			for (const to of listHeadReaders(app))
				queueMail(asTrail(app), { matterId: null, to, message });
			run(
				app.db,
				`INSERT INTO setting (name, value)
				VALUES (@name, @value)
				ON CONFLICT (name) DO UPDATE SET value = excluded.value`,
				{ name: SETTING, value: today }
			);
		})
		.immediate();
	return { worked: 1, failed: [] };
}
