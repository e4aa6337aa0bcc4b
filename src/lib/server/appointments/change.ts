/**
 * One change of the calendar: what stood before, what stands now, in one step that can be taken
 * back.
 */
import type { Context, Staff } from '#server/app/application.ts';
import { newId } from '#server/app/ids.ts';
import type { Recorder } from '#server/app/record.ts';
import { insert } from '#server/db/sql.ts';
import { listWarnings, refuseTaken } from './clashes.ts';
import type { AppointmentChangeRow } from './rows.ts';
import type { Changed } from './scope.ts';
import { findState, writeState } from './state.ts';

export type ChangeResult = {
	/** The appointment that was meant. */
	appointmentId: string;
	/** By this the change is taken back. */
	changeId: string;
	warnings: string[];
	words: string;
};

type Step = { ctx: Context; me: Staff; record: Recorder };

/** Writes what a change makes. @throws Refused where a resource is taken */
export function applyChange(
	{ ctx, me, record }: Step,
	after: Changed,
	words: string
): ChangeResult {
	const [meant] = after;
	if (!meant) throw new Error('a change of nothing');
	const besides = new Set(after.map(({ id }) => id));
	const before = after.map(({ id }) => findState(ctx.db, id) ?? null);
	const on = after.filter(({ state }) => state === 'on');
	for (const one of on) refuseTaken(ctx, me, one, besides);
	const warnings = meant.state === 'on' ? listWarnings(ctx, me, meant, besides) : [];
	// What is new may stand for a day of what is there, never the other way round.
	for (const one of after) writeState(ctx, one, me.id);
	const changeId = newId('apc');
	insert<AppointmentChangeRow>(ctx.db, 'appointment_change', {
		id: changeId,
		appointment_id: meant.id,
		by_id: me.id,
		at: ctx.clock.now(),
		words,
		before: JSON.stringify(before),
		after: JSON.stringify(after)
	});
	record.audit({ appointment: meant.id, words: meant.private ? 'private' : words });
	if (meant.matter_id) {
		record.onMatter(meant.matter_id);
		if (!meant.private)
			record.logOn(meant.matter_id, 'date', words, `/calendar?appointment=${meant.id}`);
	}
	ctx.wake();
	return { appointmentId: meant.id, changeId, warnings, words };
}
