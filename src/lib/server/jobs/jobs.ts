/** What runs by itself: mail goes out, finished rounds are sealed. */
import type { Logger } from 'pino';
import type { World } from '../command.ts';
import { mailTo, sendWaiting, startPostRoom, type MailServer } from '../outside/mail.ts';
import { finishRound, unsealed } from '../signing/commands.ts';
import { updateInvitations } from '../docket/feeds.ts';
import { digest, isMorning, remind } from './reminders.ts';

export type Jobs = { stop(): Promise<void>; /** Runs what waits now. */ nudge(): void };

/** Starts the jobs; `smtp` is the address of a mail server, or null for the Post room. */
export async function startJobs(
	w: World,
	log: Logger,
	settings: { smtp: string | null; from: string }
): Promise<Jobs> {
	const room: MailServer | null = settings.smtp ? null : await startPostRoom(w);
	const transport = mailTo(settings.smtp ?? room!.url);
	let stopped = false;
	let running: Promise<void> | null = null;
	let again = false;
	let reminded = '',
		digested = '';
	const pass = async () => {
		do {
			again = false;
			// Once a day, and once after a start.
			const day = w.clock.today();
			if (reminded !== day) {
				const told = remind(w);
				reminded = day;
				if (told > 0) log.info({ told }, 'reminders');
			}
			const digests = digested === day || !isMorning(w) ? 0 : digest(w);
			if (isMorning(w)) digested = day;
			if (digests > 0) log.info({ digests }, 'morning digests');
			const invited = updateInvitations(w);
			if (invited > 0) log.info({ invited }, 'invitations changed');
			for (const id of unsealed(w))
				await finishRound(w, id).catch((e: unknown) =>
					log.error({ err: e, round: id }, 'a round could not be sealed')
				);
			const sent = await sendWaiting(w, transport, settings.from);
			if (sent > 0) log.info({ sent }, 'mail sent');
		} while (again && !stopped);
	};
	const nudge = () => {
		if (stopped) return;
		if (running) again = true;
		else
			running = pass()
				.catch((e: unknown) => log.error({ err: e }, 'a job failed'))
				.finally(() => (running = null));
	};
	const timer = setInterval(nudge, 2000);
	nudge();
	return {
		nudge,
		async stop() {
			stopped = true;
			clearInterval(timer);
			await running;
			transport.close();
			await room?.close();
		}
	};
}
