/**
 * What else belongs to a date: the department's own earlier date, time, place, link, descriptions,
 * papers, exhibits, mail and folders.
 */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { base, id, maybeDay, maybeText, maybeTime } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { exists, insert, remove } from '#server/db/sql.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { listFolders } from '#server/documents/queries.ts';
import { isMailOf } from '#server/mail/queries.ts';
import {
	DETAIL_LABELS,
	findDetails,
	formatDetail,
	listField,
	type DetailField,
	type Details
} from './detail-fields.ts';
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
		base
	}),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, deadline, matter, input, record }) {
		const now = findDetails(ctx, deadline);
		const details = requireTogether(
			ctx,
			{ matterId: matter.id, id: deadline.id },
			{
				labels: DETAIL_LABELS,
				now,
				base: input.base,
				yours: typedDetails(input),
				format: (field, value) => formatDetail(ctx, matter.id, field, value)
			}
		);
		writeDetails({ ctx, matter, deadline }, details);
		const changed = (Object.keys(DETAIL_LABELS) as DetailField[]).filter(
			(field) => details[field] !== now[field]
		);
		record.audit({
			deadline: deadline.id,
			changed: Object.fromEntries(changed.map((field) => [field, [now[field], details[field]]]))
		});
		const words = changed.flatMap((field) => describeChange(field, now, details));
		if (words.length) record.log('date', `${deadline.title}: ${words.join('; ')}.`);
		return { changed: changed.length };
	}
});

type Typed = Record<'place' | 'link' | 'short' | 'long', string> &
	Record<'internal' | 'time', string | null> &
	Record<'linked' | 'exhibits' | 'mails' | 'folders', string[]>;
const typedDetails = (input: Typed): Details => ({
	internal: input.internal ?? '',
	time: input.time ?? '',
	place: input.place,
	link: input.link,
	short: input.short,
	long: input.long,
	linked: listField(input.linked),
	exhibits: listField(input.exhibits),
	mails: listField(input.mails),
	folders: listField(input.folders)
});

type On = { ctx: Context; matter: MatterRow; deadline: DeadlineRow };
function writeDetails({ ctx, matter, deadline }: On, details: Details): void {
	const { internal, time, place, link, short, long } = details;
	if (internal && internal > deadline.date)
		throw new Refused(
			`The internal date lies after the date itself, ${formatDate(deadline.date)}.`,
			'internal'
		);
	updateDeadline(ctx, deadline, {
		internal: internal ? (internal as PlainDate) : null,
		hand_time: time || null,
		...{ place, link, short, long }
	});
	const list = (field: DetailField) => JSON.parse(details[field]) as string[];
	linkDocuments(ctx, matter, deadline, list('linked'));
	linkExhibits(ctx, matter, deadline, list('exhibits'));
	linkMails(ctx, matter, deadline, list('mails'));
	linkFolders(ctx, matter, deadline, list('folders'));
}

const LISTS: ReadonlySet<DetailField> = new Set(['linked', 'exhibits', 'mails', 'folders']);
/** For the logbook; what a date points to is seen on the date itself. */
function describeChange(field: DetailField, was: Details, is: Details): string[] {
	if (LISTS.has(field)) return [];
	const label = DETAIL_LABELS[field].toLowerCase();
	const quote = (value: string) =>
		field === 'internal' ? formatDate(value as PlainDate) : `“${value}”`;
	if (!was[field]) return [`${label} ${quote(is[field])}`];
	if (!is[field]) return [`${label} ${quote(was[field])} taken away`];
	return [`${label} from ${quote(was[field])} to ${quote(is[field])}`];
}

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
