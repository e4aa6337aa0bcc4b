/**
 * What else belongs to a date, as fields of text: what its form shows and sends back, and how they
 * read in words. A list is its ids in order, as JSON.
 */
import { formatDate } from '#core/format/dates.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Context } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { READABLE_MAIL } from '#server/mail/queries.ts';
import type { DeadlineRow } from './rows.ts';

export const DETAIL_LABELS = {
	internal: 'Internal date',
	time: 'Time',
	place: 'Place',
	link: 'Link',
	short: 'Short description',
	long: 'Long description',
	linked: 'Linked documents',
	exhibits: 'Exhibits',
	mails: 'Mail',
	folders: 'Folders'
} as const;
export type DetailField = keyof typeof DETAIL_LABELS;
export type Details = Record<DetailField, string>;

/** What it points to, by the table of its links. */
const LINKS = {
	linked: `SELECT document_id AS id
		FROM date_document
		WHERE deadline_id = @id AND role = 'linked'`,
	exhibits: 'SELECT exhibit_id AS id FROM date_exhibit WHERE deadline_id = @id',
	mails: 'SELECT mail_id AS id FROM date_mail WHERE deadline_id = @id',
	folders: 'SELECT folder AS id FROM date_folder WHERE deadline_id = @id'
} as const;
type LinkField = keyof typeof LINKS;
const isLink = (field: DetailField): field is LinkField => field in LINKS;

/** A list as its field has it. */
export const listField = (ids: readonly string[]): string =>
	JSON.stringify([...new Set(ids)].sort());

/** The details of a date as they stand. */
export function findDetails(ctx: Context, deadline: DeadlineRow): Details {
	const list = (field: LinkField) =>
		listField(all<{ id: string }>(ctx.db, LINKS[field], { id: deadline.id }).map(({ id }) => id));
	return {
		internal: deadline.internal ?? '',
		time: deadline.hand_time ?? '',
		place: deadline.place,
		link: deadline.link,
		short: deadline.short,
		long: deadline.long,
		linked: list('linked'),
		exhibits: list('exhibits'),
		mails: list('mails'),
		folders: list('folders')
	};
}

/** By which what is linked finds its name: only what the date's own matter holds. */
const NAMES: Record<LinkField, string> = {
	linked: 'SELECT name FROM document WHERE id = @id AND matter_id = @matterId',
	exhibits: `SELECT number || ' ' || title AS name
		FROM exhibit
		WHERE id = @id AND matter_id = @matterId`,
	mails: `SELECT o.subject AS name
		FROM mail_out o
		WHERE o.id = @id AND o.matter_id = @matterId AND ${READABLE_MAIL}`,
	folders: 'SELECT @id AS name WHERE @matterId IS NOT NULL'
};

/** A detail in words. */
export function formatDetail(
	ctx: Context,
	matterId: string,
	field: DetailField,
	value: string
): string {
	if (field === 'internal') return value && formatDate(value as PlainDate);
	if (!isLink(field)) return value;
	return (JSON.parse(value) as string[])
		.flatMap((id) => all<{ name: string }>(ctx.db, NAMES[field], { id, matterId }))
		.map(({ name }) => name)
		.join('\n');
}
