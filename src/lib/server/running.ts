/**
 * The running server: the application with its workers, its jobs and, where no mail server is set,
 * its Post room.
 */
import pino, { type Logger } from 'pino';
import { auditServer } from '#server/access/audit.ts';
import type { Application } from '#server/app/application.ts';
import { resumeImports } from '#server/imports/run.ts';
import { listJobs } from '#server/jobs/registry.ts';
import { runJobs, type RunningJobs } from '#server/jobs/run.ts';
import { startPostRoom, type MailServer } from '#server/mail/post-room.ts';
import { openTransport } from '#server/mail/send.ts';
import { shelfOf } from '#server/rulebooks/shelf.ts';
import { startWorkers } from '#server/workers/pool.ts';
import { databaseFile, openApplication } from './open.ts';
import { readSettings, type Settings } from './settings.ts';
import { setUp } from './setup.ts';

/** Logs name no people: only ids, counts and paths. */
export const logger: Logger = pino({
	level: process.env.KITE_LOG ?? 'info',
	base: null,
	timestamp: pino.stdTimeFunctions.isoTime
});

export type Running = { app: Application; settings: Settings; stop(): Promise<void> };

let running: Running | undefined;

/** Starts the server's application, once. */
export async function start(): Promise<Running> {
	return (running ??= await startFrom(readSettings(process.env)));
}

async function startFrom(settings: Settings): Promise<Running> {
	let today = '';
	const work = startWorkers(
		databaseFile(settings),
		() => today,
		(error) => logger.error({ err: error }, 'a worker broke')
	);
	const app = openApplication(settings, {
		work: {
			...work,
			run(task, input) {
				today = app.clock.today();
				return work.run(task, input);
			}
		}
	});
	setUp(app);
	// The books are read before anybody asks: reading them takes half a second of the one loop.
	shelfOf(app);
	const room: MailServer | null = settings.smtp ? null : await startPostRoom(app);
	const transport = await openTransport(settings.smtp ?? room?.url ?? '');
	const jobs: RunningJobs = runJobs(
		app,
		logger,
		listJobs({ transport, from: settings.from, heads: settings.heads })
	);
	app.wake = () => jobs.wake();
	void resumeImports(app).catch((error: unknown) =>
		logger.error({ err: error }, 'an import that was cut off could not be taken back')
	);
	return {
		app,
		settings,
		async stop() {
			running = undefined;
			await jobs.stop();
			transport.close();
			await room?.close();
			await work.close();
			auditServer(app, 'end of the server');
			app.db.close();
		}
	};
}

/** What runs. @throws while it starts */
export function requireRunning(): Running {
	if (!running) throw new Error('the server is starting');
	return running;
}
