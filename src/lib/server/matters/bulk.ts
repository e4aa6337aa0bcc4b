/** One change of many matters: all of them, or none. What it would do is shown before. */
import { z } from 'zod';
import { findMatter } from '#server/access/visibility.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { attempt, firstError } from '#server/app/attempt.ts';
import { command } from '#server/app/command.ts';
import { NotFound, Refused, type Result } from '#server/app/errors.ts';
import { maybeText, text } from '#server/app/fields.ts';
import { pause } from '#server/app/pause.ts';
import { preview } from '#server/app/preview.ts';
import { editMatter } from './edit.ts';
import { addMember } from './members.ts';
import type { MatterRow } from './rows.ts';
import { formatField, sheetFields } from './sheet.ts';
import { setStatus } from './status.ts';

export const BULK_CHANGES = {
	responsible: 'Responsible lawyer',
	unit: 'Business unit',
	priority: 'Priority',
	status: 'Status',
	member: 'Add a colleague'
} as const;
type BulkChange = keyof typeof BULK_CHANGES;

const bulkInput = z.object({
	numbers: z
		.array(z.string().max(40))
		.min(1, 'Choose at least one matter.')
		.max(500, 'At most 500 matters at once.'),
	what: z.enum(Object.keys(BULK_CHANGES) as [BulkChange, ...BulkChange[]], {
		error: 'Choose what changes.'
	}),
	value: text('The new value', 100),
	reason: maybeText('The reason', 1000)
});
type Bulk = z.output<typeof bulkInput>;

function changeOne(ctx: Context, matterId: string, { what, value, reason }: Bulk): Result<unknown> {
	if (what === 'member') return addMember(ctx, { matterId, staffId: value });
	if (what === 'status') return setStatus(ctx, { matterId, status: value as 'open', reason });
	return editMatter(ctx, { matterId, fields: { [what]: value } });
}

/** Changes many matters as one. */
export const bulkChange = command({
	name: 'bulk change',
	action: 'matter.edit',
	input: bulkInput,
	run({ ctx, me, input, record }) {
		for (const number of input.numbers) {
			const result = changeOne(ctx, requireNumber(ctx, me, number).id, input);
			if (!result.ok)
				throw new Refused(`${number}: ${firstError(result.errors)} Nothing was changed.`);
		}
		record.audit({ what: input.what, value: input.value, matters: input.numbers });
		return { changed: input.numbers.length };
	}
});

function requireNumber(ctx: Context, me: Staff, number: string): MatterRow {
	const matter = findMatter(ctx.db, me, { number });
	if (!matter) throw new NotFound();
	return matter;
}

export type BulkRow = {
	number: string;
	title: string;
	/** The value it has now. */
	was: string;
	/** Why it cannot be changed. */
	fault: string | null;
};

/** What the change would do to each matter. The change itself is tried and taken back. */
export const previewBulk = preview({
	action: 'matter.edit',
	input: bulkInput,
	async run({ ctx, me, input }) {
		const rows: BulkRow[] = [];
		for (const number of input.numbers) {
			rows.push(previewOne(ctx, me, number, input));
			await pause();
		}
		return rows;
	}
});

function previewOne(ctx: Context, me: Staff, number: string, input: Bulk): BulkRow {
	const matter = findMatter(ctx.db, me, { number });
	if (!matter) return { number, title: '', was: '', fault: new NotFound().message };
	const now = valueNow(ctx, matter, input.what);
	const fault =
		attempt(ctx, () => changeOne(ctx, matter.id, input)) ??
		(now === input.value ? SO_ALREADY : null);
	return { number, title: matter.title, was: formatField(ctx, input.what, now), fault };
}
const SO_ALREADY = 'It is so already.';

function valueNow(ctx: Context, matter: MatterRow, what: BulkChange): string {
	if (what === 'member') return '';
	return what === 'status' ? matter.status : (sheetFields(ctx, matter)[what] ?? '');
}
