/**
 * The sheet of a matter as fields of text: what the form shows and sends back, and how its fields
 * read in words.
 */
import { plural } from '#core/format/words.ts';
import type { Application } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import { findKind, requireKind, type StoredKind } from '#server/kinds/queries.ts';
import { findPersonName } from '#server/people/card.ts';
import { listBooks } from '#server/rulebooks/shelf.ts';
import { findUnit } from '#server/units/queries.ts';
import { factFields, listFacts, type Fields } from './facts.ts';
import { findOrigin } from './origins.ts';
import type { MatterRow } from './rows.ts';

type Has = Pick<Application, 'db'>;

export const TITLE_LIMIT = 500;
export const DESCRIPTION_LIMIT = 20_000;

export const FIELD_LABELS = {
	title: 'Title',
	kind: 'Kind',
	priority: 'Priority',
	rulebook: 'Rulebook',
	unit: 'Business unit',
	responsible: 'Responsible lawyer',
	originating: 'Opened by',
	origin: 'Origin',
	description: 'Description',
	cautions: 'Cautions'
} as const;
export type SheetField = keyof typeof FIELD_LABELS;
const isSheetField = (field: string): field is SheetField => field in FIELD_LABELS;

/** The cautions, one a line. */
export const findCautions = ({ db }: Has, matterId: string): string[] =>
	all<{ text: string }>(
		db,
		'SELECT text FROM matter_caution WHERE matter_id = @matterId ORDER BY id',
		{ matterId }
	).map(({ text }) => text);

/** The whole sheet as it stands. */
export const sheetFields = (app: Has, matter: MatterRow): Fields => ({
	title: matter.title,
	kind: matter.kind,
	priority: matter.priority,
	rulebook: matter.rulebook ?? '',
	unit: matter.unit_id,
	responsible: matter.responsible_id,
	originating: matter.originating_id,
	origin: matter.origin_id ?? '',
	description: matter.description,
	cautions: findCautions(app, matter.id).join('\n'),
	...factFields(requireKind(app, matter.kind), listFacts(app, matter.id))
});

/** What a field is called on the screen. */
export function fieldName(kind: StoredKind, field: string): string {
	if (isSheetField(field)) return FIELD_LABELS[field];
	const key = field.slice(field.indexOf(':') + 1);
	const part = field.startsWith('group:')
		? kind.groups.find((group) => group.key === key)
		: kind.facts.find((fact) => fact.key === key);
	return part?.name ?? field;
}

/** What stands in a field, in words. */
export function formatField(app: Has, field: string, value: string): string {
	if (value === '') return '';
	if (field.startsWith('group:')) return formatRows(value);
	if (value.startsWith('per_')) return findPersonName(app, value) ?? value;
	return FORMATS[field]?.(app, value) ?? value;
}

const nameOfStaff = ({ db }: Has, id: string): string | undefined =>
	maybeOne<{ name: string }>(db, 'SELECT name FROM staff WHERE id = @id', { id })?.name;

const FORMATS: Readonly<Record<string, (app: Has, value: string) => string | undefined>> = {
	unit: (app, id) => findUnit(app, id)?.name,
	responsible: nameOfStaff,
	originating: nameOfStaff,
	origin: (app, id) => findOrigin(app, id)?.label,
	kind: (app, id) => findKind(app, id)?.name,
	rulebook: (app, id) => listMatterRulebooks(app).find((book) => book.id === id)?.title
};

function formatRows(json: string): string {
	const rows = JSON.parse(json) as Fields[];
	const lines = rows.map((row) => Object.values(row).join(', '));
	return `${plural(rows.length, 'row')}: ${lines.join('; ')}`;
}

export type MatterRulebook = { id: string; title: string; short: string; reviewed: string };
/** Rulebooks with events: those a matter can stand under. */
export const listMatterRulebooks = (app: Has): MatterRulebook[] =>
	listBooks(app)
		.filter((book) => book.events.size > 0)
		.map(({ id, title, short, reviewed }) => ({ id, title, short, reviewed }));
