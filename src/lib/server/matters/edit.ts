/**
 * Changes the sheet of a matter. Two people's changes are put together; where both changed the same
 * field, neither is lost.
 */
import { z } from 'zod';
import { shorten, uncapitalize } from '#core/format/words.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { base, id } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { requireTogether } from '#server/app/two-writers.ts';
import { exists, insert, insertOrIgnore, remove, update } from '#server/db/sql.ts';
import { findKind, requireKind } from '#server/kinds/queries.ts';
import { queueMail } from '#server/mail/queue.ts';
import { findColleague, findLawyer, type Colleague } from '#server/staff/queries.ts';
import { findUnit } from '#server/units/queries.ts';
import type { Fields } from './facts.ts';
import { mayStaff } from './may-staff.ts';
import { findOrigin } from './origins.ts';
import { matterHandedOver } from './messages.ts';
import type { MatterCautionRow, MatterMemberRow, MatterRow } from './rows.ts';
import {
	fieldName,
	DESCRIPTION_LIMIT,
	FIELD_LABELS,
	findCautions,
	formatField,
	listMatterRulebooks,
	sheetFields,
	TITLE_LIMIT,
	type SheetField
} from './sheet.ts';
import { writeFacts, type Change } from './write-facts.ts';

/** Only the fields given change. `base` is the sheet as the form showed it. */
export const editMatter = matterCommand({
	name: 'edit matter',
	action: 'matter.edit',
	input: z.object({
		matterId: id('a matter'),
		base,
		fields: z.record(z.string(), z.string())
	}),
	find: byMatterId,
	onClosed: 'allowed',
	run({ ctx, me, matter, input, record }) {
		const fields = takeChanged(ctx, matter, input);
		const edit = { ctx, me, matter };
		const changes = [
			...changeColumns(edit, fields),
			...changeCautions(edit, fields.cautions),
			...changeFacts(edit, fields)
		];
		record.audit({
			number: matter.number,
			changed: Object.fromEntries(changes.map(({ name, from, to }) => [name, [from, to]]))
		});
		if (changes.length === 0) return { changed: 0 };
		update<MatterRow>(ctx.db, 'matter', { id: matter.id }, { version: matter.version + 1 });
		record.log('matter', `Changed: ${changes.map(formatChange).join('; ')}.`);
		return { changed: changes.length };
	}
});

/** Of two values in the logbook, so much is said. */
const SAID = 118;
function formatChange({ name, from, to }: Change): string {
	if (to === '') return `${uncapitalize(name)} taken out`;
	const before = from ? `from “${shorten(from, SAID)}” ` : '';
	return `${uncapitalize(name)} ${before}to “${shorten(to, SAID)}”`;
}

/**
 * The fields to be written. A form sends only those it changed.
 * @throws Conflict where somebody else changed the same field meanwhile
 */
function takeChanged(
	ctx: Context,
	matter: MatterRow,
	{ base, fields }: { base?: Fields | null | undefined; fields: Fields }
): Fields {
	const now = sheetFields(ctx, matter);
	const kind = requireKind(ctx, matter.kind);
	const changed = Object.keys(fields).filter((field) => field in now);
	const labels = Object.fromEntries(changed.map((field) => [field, fieldName(kind, field)]));
	return requireTogether(
		ctx,
		{ matterId: matter.id, id: matter.number },
		{ labels, now, base, yours: fields, format: (field, value) => formatField(ctx, field, value) }
	);
}

type Edit = { ctx: Context; me: Staff; matter: MatterRow };
type ColumnField = Exclude<SheetField, 'cautions'>;
type Column = {
	/** What is stored now, as its field has it. */
	now(matter: MatterRow): string;
	/** Writes another value. @throws Refused */
	write(edit: Edit, value: string): void;
};

const set = ({ ctx, matter }: Edit, columns: Partial<MatterRow>): void =>
	void update<MatterRow>(ctx.db, 'matter', { id: matter.id }, columns);

const COLUMNS: Readonly<Record<ColumnField, Column>> = {
	title: { now: ({ title }) => title, write: writeTitle },
	kind: {
		now: ({ kind }) => kind,
		write(edit, kind) {
			if (!findKind(edit.ctx, kind)?.active) throw new Refused('Choose a kind.', 'kind');
			set(edit, { kind });
		}
	},
	priority: {
		now: ({ priority }) => priority,
		write(edit, value) {
			const priority = PRIORITIES.find((other) => other === value);
			if (!priority) throw new Refused('Choose a priority.', 'priority');
			set(edit, { priority });
		}
	},
	unit: {
		now: ({ unit_id }) => unit_id,
		write(edit, unit) {
			if (!findUnit(edit.ctx, unit)) throw new Refused('Choose a business unit.', 'unit');
			set(edit, { unit_id: unit });
		}
	},
	originating: {
		now: ({ originating_id }) => originating_id,
		write(edit, staffId) {
			if (!findColleague(edit.ctx, staffId))
				throw new Refused('Choose a colleague of the department.', 'originating');
			set(edit, { originating_id: staffId });
		}
	},
	origin: {
		now: ({ origin_id }) => origin_id ?? '',
		write(edit, value) {
			const origin = value ? findOrigin(edit.ctx, value) : undefined;
			if (value && !origin) throw new Refused('Choose where it came from.', 'origin');
			set(edit, { origin_id: origin?.id ?? null });
		}
	},
	description: {
		now: ({ description }) => description,
		write(edit, description) {
			if (description.length > DESCRIPTION_LIMIT)
				throw new Refused('The description is longer than 20,000 characters.', 'description');
			set(edit, { description });
		}
	},
	rulebook: { now: ({ rulebook }) => rulebook ?? '', write: writeRulebook },
	responsible: { now: ({ responsible_id }) => responsible_id, write: handOver }
};
export const PRIORITIES = ['high', 'normal', 'low'] as const;

function changeColumns(edit: Edit, fields: Fields): Change[] {
	const changes: Change[] = [];
	for (const [field, column] of Object.entries(COLUMNS) as [ColumnField, Column][]) {
		const value = fields[field]?.trim();
		const now = column.now(edit.matter);
		if (value === undefined || value === now) continue;
		column.write(edit, value);
		changes.push({
			name: FIELD_LABELS[field],
			from: formatField(edit.ctx, field, now),
			to: formatField(edit.ctx, field, value)
		});
	}
	return changes;
}

function writeTitle(edit: Edit, title: string): void {
	if (title === '') throw new Refused('The title is missing.', 'title');
	if (title.length > TITLE_LIMIT)
		throw new Refused(`The title is longer than ${TITLE_LIMIT} characters.`, 'title');
	set(edit, { title });
}

function writeRulebook(edit: Edit, value: string): void {
	const { ctx, matter } = edit;
	const rulebook = value || null;
	if (rulebook !== null && !listMatterRulebooks(ctx).some((book) => book.id === rulebook))
		throw new Refused('There is no such rulebook.', 'rulebook');
	if (
		matter.rulebook !== null &&
		exists(ctx.db, 'SELECT 1 FROM event WHERE matter_id = @id', { id: matter.id })
	)
		throw new Refused(
			'Dates were counted under the rulebook: it cannot be changed any more.',
			'rulebook'
		);
	set(edit, { rulebook });
}

/** Hands the matter to another lawyer. Who hands it over stays on it. */
function handOver(edit: Edit, staffId: string): void {
	const { ctx, me, matter } = edit;
	if (!mayStaff(ctx, me, matter))
		throw new Refused(
			'Only the responsible lawyer, an owner or an administrator hands the matter over.',
			'responsible'
		);
	const lawyer = findLawyer(ctx, staffId);
	if (!lawyer) throw new Refused('Choose a lawyer of the department.', 'responsible');
	set(edit, { responsible_id: lawyer.id });
	insertOrIgnore<MatterMemberRow>(ctx.db, 'matter_member', {
		matter_id: matter.id,
		staff_id: matter.responsible_id,
		role: 'member',
		part: '',
		access: 'change'
	});
	remove<MatterMemberRow>(ctx.db, 'matter_member', {
		matter_id: matter.id,
		staff_id: lawyer.id
	});
	if (lawyer.id !== me.id) tellHandedOver(edit, lawyer);
}

const tellHandedOver = ({ ctx, me, matter }: Edit, to: Colleague): void =>
	queueMail(ctx, { matterId: matter.id, to, message: matterHandedOver(matter, me.name) });

const CAUTIONS_LIMIT = 6;
const CAUTION_LIMIT = 140;

function changeCautions({ ctx, matter }: Edit, typed: string | undefined): Change[] {
	if (typed === undefined) return [];
	const before = findCautions(ctx, matter.id);
	const cautions = typed
		.split('\n')
		.map((line) => line.trim())
		.filter(Boolean);
	if (cautions.length > CAUTIONS_LIMIT) throw new Refused('At most six cautions.', 'cautions');
	if (cautions.some((caution) => caution.length > CAUTION_LIMIT))
		throw new Refused('A caution is longer than 140 characters.', 'cautions');
	if (cautions.join('\n') === before.join('\n')) return [];
	remove<MatterCautionRow>(ctx.db, 'matter_caution', { matter_id: matter.id });
	for (const text of cautions)
		insert<MatterCautionRow>(ctx.db, 'matter_caution', {
			id: newId('cau'),
			matter_id: matter.id,
			text
		});
	return [{ name: FIELD_LABELS.cautions, from: before.join('\n'), to: cautions.join('\n') }];
}

function changeFacts({ ctx, matter }: Edit, fields: Fields): Change[] {
	const facts = Object.entries(fields).filter(([field]) => /^(fact|more|group):/.test(field));
	if (facts.length === 0) return [];
	const kind = requireKind(ctx, fields.kind ?? matter.kind);
	return writeFacts(ctx, matter.id, kind, Object.fromEntries(facts));
}
