/** The docket compared with the court's own list of entries; what came out is kept as it was. */
import { z } from 'zod';
import type { PlainDate } from '#core/dates/plain.ts';
import {
	compareEntries,
	withoutNumber,
	type CourtEntry,
	type OurEntry
} from '#core/docket/court-list.ts';
import { knownNumberFinder } from '#core/papers/known-numbers.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { preparedCommand } from '#server/app/command.ts';
import { findDateOrder } from '#server/app/department.ts';
import { Refused } from '#server/app/errors.ts';
import { maybeText } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { insert, maybeOne } from '#server/db/sql.ts';
import { visible } from '#server/access/visibility.ts';
import { DATED_LIST_LIMIT } from '#server/docket/dated-list.ts';
import { datedListTask } from '#server/docket/tasks.ts';
import { listKnownNumbers } from '#server/papers/queries.ts';
import { listOurs } from './queries.ts';
import type { ReconciliationEntryRow, ReconciliationRow } from './rows.ts';

type Line = Omit<ReconciliationEntryRow, 'reconciliation_id' | 'place'>;

const theirsOf = ({ title, date, time, caseNumber }: CourtEntry) => ({
	...{ their_title: title, their_date: date, their_time: time, case_number: caseNumber }
});
const oursOf = ({ id, title, date, time }: OurEntry) => ({
	...{ deadline_id: id, our_title: title, our_date: date, our_time: time }
});
const NO_THEIRS = { their_title: '', their_date: null, their_time: null, case_number: '' };
const NO_OURS = { deadline_id: null, our_title: '', our_date: null, our_time: null };

/**
 * The matter of each entry: by a number of it that we know, in the number of the case or in the
 * words beside it; or the one that was named, where an entry bears no number.
 */
function sortByMatter(
	ctx: Context,
	me: Staff,
	entries: readonly CourtEntry[],
	named: string | null
): Map<string | null, CourtEntry[]> {
	const findNumber = knownNumberFinder(listKnownNumbers(ctx, me));
	const sorted = new Map<string | null, CourtEntry[]>();
	for (const read of entries) {
		const known = findNumber(read.caseNumber) ?? findNumber(read.title);
		const entry = known && !read.caseNumber ? withoutNumber(read, known.written) : read;
		const matters = new Set(known?.found.map(({ matterId }) => matterId));
		// Two matters may share one court's number: then somebody must say which.
		const found = matters.size === 1 ? [...matters][0]! : null;
		const matterId = known || read.caseNumber ? found : named;
		sorted.set(matterId, [...(sorted.get(matterId) ?? []), entry]);
	}
	return sorted;
}

/** What is on the court's list reaches from its first day to its last. */
function spanOf(entries: readonly CourtEntry[]): { from: PlainDate; to: PlainDate } {
	const days = entries.map(({ date }) => date).sort();
	return { from: days[0]!, to: days.at(-1)! };
}

function compareMatter(
	ctx: Context,
	matterId: string,
	entries: readonly CourtEntry[],
	span: { from: PlainDate; to: PlainDate }
): Line[] {
	const { agrees, differs, missingHere, missingThere } = compareEntries(
		entries,
		listOurs(ctx, matterId)
	);
	const pairs = (state: 'agrees' | 'differs', list: typeof agrees): Line[] =>
		list.map(({ theirs, ours }) => ({
			...{ state, matter_id: matterId },
			...oursOf(ours),
			...theirsOf(theirs)
		}));
	return [
		...pairs('differs', differs),
		...missingHere.map((theirs) => ({
			...{ state: 'missing here' as const, matter_id: matterId },
			...NO_OURS,
			...theirsOf(theirs)
		})),
		...missingThere
			.filter(({ date, open }) => open && date >= span.from && date <= span.to)
			.map((ours) => ({
				...{ state: 'missing there' as const, matter_id: matterId },
				...oursOf(ours),
				...NO_THEIRS
			})),
		...pairs('agrees', agrees)
	];
}

function requireNamed(ctx: Context, me: Staff, number: string): string | null {
	if (!number) return null;
	const found = maybeOne<{ id: string }>(
		ctx.db,
		`SELECT m.id FROM matter m WHERE m.number = @number AND ${visible('m')}`,
		{ number, me: me.id }
	);
	if (!found) throw new Refused('Choose the matter from the list.', 'number');
	return found.id;
}

export const reconcile = preparedCommand({
	name: 'reconcile with court list',
	action: 'docket.enter',
	input: z.object({
		/** The matter of entries that name no case. */
		number: maybeText('The matter', 40),
		text: maybeText('The list', DATED_LIST_LIMIT),
		file: z.file().nullish()
	}),
	async prepare({ ctx, me, input }) {
		requireNamed(ctx, me, input.number);
		const file = input.file && input.file.size > 0 ? input.file : null;
		if (!file && !input.text)
			throw new Refused("Paste the court's list, or choose its file.", 'text');
		const field = file ? 'file' : 'text';
		if (file && file.size > DATED_LIST_LIMIT)
			throw new Refused('A list has at most 1 MB. Give it in parts.', field);
		const data = file
			? new Uint8Array(await file.arrayBuffer())
			: new TextEncoder().encode(input.text);
		try {
			const order = findDateOrder(ctx);
			const list = await ctx.work.run(datedListTask, { data, zone: ctx.clock.zone, order });
			return { ...list, source: file ? file.name.slice(0, 200) : 'as pasted' };
		} catch (error) {
			if (error instanceof Refused) throw new Refused(error.message, field);
			throw error;
		}
	},
	run({ ctx, me, input, prepared, record }) {
		const named = requireNamed(ctx, me, input.number);
		const span = spanOf(prepared.entries);
		const lines: Line[] = [];
		for (const [matterId, entries] of sortByMatter(ctx, me, prepared.entries, named))
			lines.push(
				...(matterId === null
					? entries.map((theirs) => ({
							...{ state: 'no matter' as const, matter_id: null },
							...NO_OURS,
							...theirsOf(theirs)
						}))
					: compareMatter(ctx, matterId, entries, span))
			);
		const reconciliationId = newId('rec');
		insert<ReconciliationRow>(ctx.db, 'reconciliation', {
			id: reconciliationId,
			staff_id: me.id,
			at: ctx.clock.now(),
			source: prepared.source,
			unread: prepared.unread.join('\n')
		});
		lines.forEach((line, place) =>
			insert<ReconciliationEntryRow>(ctx.db, 'reconciliation_entry', {
				...line,
				reconciliation_id: reconciliationId,
				place
			})
		);
		const count = (state: Line['state']) => lines.filter((line) => line.state === state).length;
		record.audit({
			reconciliation: reconciliationId,
			source: prepared.source,
			entries: prepared.entries.length,
			differs: count('differs'),
			missingHere: count('missing here'),
			missingThere: count('missing there')
		});
		return { reconciliationId };
	}
});
