/**
 * Single dates sent to somebody outside as a calendar invitation (RFC 5546); they are told when one
 * changes or falls away.
 */
import { z } from 'zod';
import { formatDate } from '#core/format/dates.ts';
import type { Application, Context } from '#server/app/application.ts';
import type { Concern } from '#server/app/job.ts';
import { Refused } from '#server/app/errors.ts';
import { id, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import { makeCalendar } from '#server/calendar/write.ts';
import { all, exists, insert, update } from '#server/db/sql.ts';
import { queueMail, type Recipient } from '#server/mail/queue.ts';
import { dateItem, isOff, requireDated, timeOf, type DatedRow } from './calendar-items.ts';
import { requireDeadline } from './find.ts';
import { invitation } from './messages.ts';
import type { InvitationRow } from './rows.ts';

/** What those outside were last told of a date. */
const toldOf = (date: DatedRow): string =>
	JSON.stringify([date.date, timeOf(date), isOff(date), date.place]);

export const inviteToDate = matterCommand({
	name: 'invite to date',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a date'),
		name: text('The name', 120),
		email: text('The mail address', 200).refine(
			(value) => /^[^\s@<>]+@[^\s@<>]+\.[^\s@<>]+$/.test(value),
			'That is not a mail address.'
		),
		words: maybeText('The message', 1000)
	}),
	find: (ctx, { deadlineId }) => requireDeadline(ctx, deadlineId),
	onClosed: 'allowed',
	run({ ctx, me, deadline, matter, input, record }) {
		if (deadline.state !== 'docketed') throw new Refused('Only a docketed date is sent.');
		const { name, words } = input;
		const email = input.email.toLowerCase();
		const sent = exists(
			ctx.db,
			'SELECT 1 FROM invitation WHERE deadline_id = @deadlineId AND email = @email',
			{ deadlineId: deadline.id, email }
		);
		if (sent)
			throw new Refused(
				`${input.email} has this date already, and is told when it changes.`,
				'email'
			);
		const date = requireDated(ctx, deadline.id);
		insert<InvitationRow>(ctx.db, 'invitation', {
			id: newId('inv'),
			deadline_id: deadline.id,
			name,
			email,
			words,
			sent_by: me.id,
			sent_at: ctx.clock.now(),
			said: toldOf(date)
		});
		sendInvitation(ctx, date, matter.id, { to: { name, email: input.email }, from: me, words });
		record.audit({ deadline: deadline.id, to: input.email });
		record.log(
			'date',
			`${deadline.title} ${formatDate(deadline.date)} sent to ${name} <${input.email}> as a calendar invitation.`
		);
	}
});

/**
 * Outside they learn the date and what the message says, not the matter's address or our own
 * earlier date.
 */
function sendInvitation(
	ctx: Context,
	date: DatedRow,
	matterId: string,
	{ to, from, words }: { to: Recipient; from: Recipient; words: string }
): void {
	const off = isOff(date);
	const title = date.short || date.title;
	const item = { ...dateItem(ctx, date), title, description: words, url: '' };
	const ics = makeCalendar([item], {
		name: '',
		method: off ? 'CANCEL' : 'REQUEST',
		now: ctx.clock.now(),
		attendee: to,
		organizer: from
	});
	const when = { date: date.date, time: timeOf(date), place: date.place };
	queueMail(ctx, {
		matterId,
		to: { name: to.name.replace(/[<>"\r\n]/g, ''), email: to.email },
		message: invitation({ title, ...when }, { off, words, from: from.name }),
		attachment: {
			sha256: ctx.files.put(Buffer.from(ics)),
			name: off ? 'cancelled.ics' : 'date.ics'
		}
	});
}

type SentInvitation = InvitationRow & { byName: string; byEmail: string; matter_id: string };
/** Invitations that were sent: for the job that looks whether their dates changed. */
export const listInvitations = (app: Application): SentInvitation[] =>
	all(
		app.db,
		`SELECT i.*, s.name AS byName, s.email AS byEmail, d.matter_id
		FROM invitation i
		JOIN staff s ON s.id = i.sent_by
		JOIN deadline d ON d.id = i.deadline_id`
	);

/** An invitation concerns who sent it. */
export function invitationConcern(app: Application, invitationId: string): Concern | undefined {
	const sent = listInvitations(app).find(({ id }) => id === invitationId);
	return (
		sent && {
			what: `The changed date sent to ${sent.name}`,
			path: '/docket',
			matterId: sent.matter_id,
			staffId: sent.sent_by
		}
	);
}

/** Tells one who is outside of a date that changed since they were last told; whether it had. */
export function updateInvitation(app: Application, sent: SentInvitation): boolean {
	const date = requireDated(app, sent.deadline_id);
	const now = toldOf(date);
	if (now === sent.said) return false;
	const ctx: Context = { ...app, actor: { guest: 'invitation' } };
	const whole = app.db.transaction(() => {
		const changed = update<InvitationRow>(
			app.db,
			'invitation',
			{ id: sent.id, said: sent.said },
			{ said: now, sent_at: app.clock.now() }
		);
		if (changed === 0) return false;
		sendInvitation(ctx, date, sent.matter_id, {
			to: { name: sent.name, email: sent.email },
			from: { name: sent.byName, email: sent.byEmail },
			words: sent.words
		});
		return true;
	});
	return whole.immediate();
}
