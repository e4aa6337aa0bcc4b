/** One appointment as its drawer shows it, with its history. */
import { addDays, parseDate, type PlainDate } from '#core/dates/plain.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { NotFound } from '#server/app/errors.ts';
import { visible } from '#server/access/visibility.ts';
import { all, maybeOne, one } from '#server/db/sql.ts';
import { listKept, mayChangeRow, requireOpen } from './rights.ts';
import type { AppointmentRow } from './rows.ts';
import type { AppointmentState } from './state.ts';
import { describeSeries, describeWhen } from './words.ts';

export type AppointmentView = Omit<AppointmentState, 'except'> & {
	/** The occurrence that is looked at, and its last day. */
	onDay: PlainDate;
	lastDay: PlainDate;
	version: number;
	/** Whether the viewer may change it. */
	free: boolean;
	matter: { id: string; number: string; title: string } | null;
	madeBy: string;
	words: string;
	history: { at: string; by: string; words: string; undone: 0 | 1 }[];
};

/** What may be read; null where there is none, or not for this person. */
export function findAppointment(
	ctx: Context,
	id: string,
	on: string | null
): AppointmentView | null {
	try {
		return viewOf(ctx, requireOpen(ctx, id), parseDate(on ?? '') ?? null);
	} catch (error) {
		if (error instanceof NotFound) return null;
		throw error;
	}
}

function viewOf(ctx: Context, state: AppointmentState, on: PlainDate | null): AppointmentView {
	const me = actingStaff(ctx);
	const { except: _except, ...rest } = state;
	const onDay = state.rule && on ? on : state.day;
	const { version, name: madeBy } = one<Pick<AppointmentRow, 'version'> & { name: string }>(
		ctx.db,
		`SELECT a.version, s.name
		FROM appointment a
		JOIN staff s ON s.id = a.created_by
		WHERE a.id = @id`,
		{ id: state.id }
	);
	const matter = maybeOne<{ id: string; number: string; title: string }>(
		ctx.db,
		`SELECT m.id, m.number, m.title
		FROM matter m
		WHERE m.id = @matterId AND ${visible('m')}`,
		{ matterId: state.matter_id, me: me.id }
	);
	return {
		...rest,
		onDay,
		lastDay: addDays(onDay, state.more_days),
		version,
		free: mayChangeRow(me, state, listKept(ctx, me)),
		matter: matter ?? null,
		madeBy,
		words: state.rule ? describeSeries(state) : describeWhen(state),
		history: all(
			ctx.db,
			`SELECT c.at, s.name AS "by", c.words, c.undone_at IS NOT NULL AS undone
			FROM appointment_change c
			JOIN staff s ON s.id = c.by_id
			WHERE c.appointment_id IN (@id, @before)
			ORDER BY c.at DESC, c.id DESC
			LIMIT 50`,
			{ id: state.id, before: state.instead_of_id ?? state.continues_id }
		)
	};
}
