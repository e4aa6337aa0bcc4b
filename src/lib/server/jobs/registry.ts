/** Everything the server does by itself, in the order of one pass. */
import type { Transporter } from 'nodemailer';
import { keepHead } from '#server/anchors/keep.ts';
import { inviteGuests } from '#server/appointments/invite.ts';
import { tellAppointments } from '#server/appointments/tell.ts';
import type { Application } from '#server/app/application.ts';
import { eachRow, type Job } from '#server/app/job.ts';
import {
	invitationConcern,
	listInvitations,
	updateInvitation
} from '#server/docket/invitations.ts';
import { countNewReadings } from '#server/docket/new-readings.ts';
import { tellUndecided } from '#server/docket/undecided.ts';
import { isMailWaiting, mailConcern, sendWaiting } from '#server/mail/send.ts';
import { sendDigests } from '#server/reminders/digests.ts';
import { sendReminders } from '#server/reminders/send.ts';
import { askForSignOffs } from '#server/sign-off/ask.ts';
import { sealConcern, sealFinished } from '#server/signing/finish.ts';

/** Reminders and digests come in the morning, where the department is. */
const MORNING = 6;

export type Mailer = {
	transport: Transporter;
	from: string;
	/** The file of the audit trail's heads. */
	heads: string;
};

/** Mail comes last: it takes what the others have queued. */
export const listJobs = ({ transport, from, heads }: Mailer): readonly Job[] => [
	{ name: 'reminders', label: 'Reminders of dates', hour: MORNING, run: sendReminders },
	{ name: 'digests', label: 'Morning digests', hour: MORNING, run: sendDigests },
	{ name: 'undecided', label: 'Proposals that wait too long', hour: MORNING, run: tellUndecided },
	{ name: 'sign-offs', label: 'Weekly sign-off of dates', hour: MORNING, run: askForSignOffs },
	{
		name: 'heads',
		label: 'Heads of the audit trail',
		hour: MORNING,
		run: (app) => keepHead(app, heads)
	},
	{
		name: 'invitations',
		label: 'Changes of dates sent outside',
		run: updateInvitations,
		concernOf: invitationConcern
	},
	{ name: 'appointments', label: 'Changes of calendars', run: tellAppointments },
	{ name: 'appointments outside', label: 'Appointments sent outside', run: inviteGuests },
	{ name: 'rulebooks', label: 'New readings of rulebooks', run: countNewReadings },
	{
		name: 'seals',
		label: 'Sealing of signed documents',
		run: sealFinished,
		concernOf: sealConcern
	},
	{
		name: 'mail',
		label: 'Sending of mail',
		run: (app) => sendWaiting(app, transport, from),
		concernOf: mailConcern,
		isWaiting: isMailWaiting
	}
];

const updateInvitations = (app: Application, held?: ReadonlySet<string>) =>
	eachRow(
		listInvitations(app),
		({ id }) => id,
		(sent) => (updateInvitation(app, sent) ? 1 : 0),
		held
	);
