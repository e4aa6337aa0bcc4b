/**
 * What else belongs to a date: the department's own earlier date, time, place, link, descriptions,
 * papers, exhibits, mail and folders.
 */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { id, maybeDay, maybeText, maybeTime, version } from '#server/app/fields.ts';
import { differencesOf, matterCommand } from '#server/app/matter-command.ts';
import { exists, insert, remove } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { listFolders } from '#server/documents/queries.ts';
import { isMailOf } from '#server/mail/queries.ts';
import { whereFields } from './events.ts';
import { requireDeadline, requireDocumentOn } from './find.ts';
import type {
	DateDocumentRow,
	DateExhibitRow,
	DateFolderRow,
	DateMailRow,
	DeadlineRow
} from './rows.ts';
import { updateDeadline } from './writing.ts';

type Details = Record<'internal' | 'time' | 'place' | 'link' | 'short' | 'long', string | null>;
const NAMES: Record<keyof Details, string> = {
	internal: 'Internal date',
	time: 'Time',
	place: 'Place',
	link: 'Link',
	short: 'Short description',
	long: 'Long description'
};

/** Each detail as it is stored and as it would be, in words. */
const compare = (deadline: DeadlineRow, input: Details) => {
	const stored: Details = { ...deadline, time: deadline.hand_time };
	return (Object.keys(NAMES) as (keyof Details)[]).map((field) => ({
		field,
		name: NAMES[field],
		theirs: stored[field] ?? '',
		yours: input[field] ?? ''
	}));
};

export const editDeadline = matterCommand({
	name: 'edit deadline',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a date'),
		internal: maybeDay('The internal date'),
		time: maybeTime,
		...whereFields,
		short: maybeText('The short description', 120),
		long: maybeText('The long description', 4000),
		linked: z.array(z.string()).max(50).default([]),
		exhibits: z.array(z.string()).max(200).default([]),
		mails: z.array(z.string()).max(50).default([]),
		folders: z.array(z.string()).max(50).default([]),
		version
	}),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	version: {
		of: ({ deadline }) => deadline.version,
		id: ({ deadline }) => deadline.id,
		differences: ({ deadline }, input) => differencesOf(compare(deadline, input))
	},
	run({ ctx, deadline, matter, input, record }) {
		const { internal, time, place, link, short, long } = input;
		if (internal && internal > deadline.date)
			throw new Refused(
				`The internal date lies after the date itself, ${formatDate(deadline.date)}.`,
				'internal'
			);
		const changes = differencesOf(compare(deadline, input));
		updateDeadline(ctx, deadline, { internal, hand_time: time, place, link, short, long });
		linkDocuments(ctx, matter, deadline, input.linked);
		linkExhibits(ctx, matter, deadline, input.exhibits);
		linkMails(ctx, matter, deadline, input.mails);
		linkFolders(ctx, matter, deadline, input.folders);
		record.audit({
			deadline: deadline.id,
			changes: changes.map(({ name, theirs, yours }) => ({ what: name, from: theirs, to: yours })),
			linked: input.linked,
			exhibits: input.exhibits,
			mails: input.mails,
			folders: input.folders
		});
		const words = changes.map(({ field, name, theirs, yours }) => {
			const quote = (value: unknown) =>
				field === 'internal' ? formatDate(value as PlainDate) : `“${String(value)}”`;
			if (!theirs) return `${name.toLowerCase()} ${quote(yours)}`;
			if (!yours) return `${name.toLowerCase()} ${quote(theirs)} taken away`;
			return `${name.toLowerCase()} from ${quote(theirs)} to ${quote(yours)}`;
		});
		if (words.length) record.log('date', `${deadline.title}: ${words.join('; ')}.`);
		return { changed: changes.length };
	}
});

function linkDocuments(
	ctx: Context,
	matter: MatterRow,
	deadline: DeadlineRow,
	documentIds: readonly string[]
): void {
	const link = { deadline_id: deadline.id, role: 'linked' as const };
	remove<DateDocumentRow>(ctx.db, 'date_document', link);
	for (const documentId of new Set(documentIds)) {
		requireDocumentOn(ctx, matter, documentId, 'linked');
		insert<DateDocumentRow>(ctx.db, 'date_document', { ...link, document_id: documentId });
	}
}

function linkExhibits(
	ctx: Context,
	matter: MatterRow,
	deadline: DeadlineRow,
	exhibitIds: readonly string[]
): void {
	remove<DateExhibitRow>(ctx.db, 'date_exhibit', { deadline_id: deadline.id });
	for (const exhibitId of new Set(exhibitIds)) {
		const own = exists(
			ctx.db,
			'SELECT 1 FROM exhibit WHERE id = @exhibitId AND matter_id = @matterId',
			{ exhibitId, matterId: matter.id }
		);
		if (!own) throw new Refused('Choose an exhibit of this matter.', 'exhibits');
		insert<DateExhibitRow>(ctx.db, 'date_exhibit', {
			deadline_id: deadline.id,
			exhibit_id: exhibitId
		});
	}
}

function linkMails(
	ctx: Context,
	matter: MatterRow,
	deadline: DeadlineRow,
	mailIds: readonly string[]
): void {
	remove<DateMailRow>(ctx.db, 'date_mail', { deadline_id: deadline.id });
	for (const mailId of new Set(mailIds)) {
		if (!isMailOf(ctx, matter.id, mailId))
			throw new Refused('Choose mail of this matter.', 'mails');
		insert<DateMailRow>(ctx.db, 'date_mail', { deadline_id: deadline.id, mail_id: mailId });
	}
}

function linkFolders(
	ctx: Context,
	matter: MatterRow,
	deadline: DeadlineRow,
	folders: readonly string[]
): void {
	remove<DateFolderRow>(ctx.db, 'date_folder', { deadline_id: deadline.id });
	const known = new Set(listFolders(ctx, matter));
	for (const folder of new Set(folders)) {
		if (!known.has(folder)) throw new Refused('Choose a folder of this matter.', 'folders');
		insert<DateFolderRow>(ctx.db, 'date_folder', { deadline_id: deadline.id, folder });
	}
}
