/** The one world of the running server: settings from the environment, the database, files, jobs. */
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import pino, { type Logger } from 'pino';
import { parseDate } from '#core/dates/plain.ts';
import { makeClock, type Staff, type World, type Ctx } from './command.ts';
import { openDb } from './db/open.ts';
import { departmentName } from './house.ts';
import { startJobs, type Jobs } from './jobs/jobs.ts';
import { makeSealKey } from './signing/seal.ts';
import { setUp } from './setup.ts';
import { fileStore } from './trust/files.ts';

export type Settings = {
	data: string;
	origin: string;
	secure: boolean;
	zone: string;
	today: string | undefined;
	smtp: string | null;
	from: string;
	sealFile: string | null;
	sealPassword: string | null;
};

/** Reads the settings; every fault by its name. `npm start` prints them and stops (bin/start.mjs asks the same questions first). */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
	const today = env.KITE_TODAY || undefined;
	if (
		today !== undefined &&
		(!parseDate(today.slice(0, 10)) || !/^.{10}(T([01]\d|2[0-3]):[0-5]\d)?$/.test(today))
	)
		throw new Error(`KITE_TODAY is not a date: ${today}`);
	const origin = (env.KITE_ORIGIN ?? `http://localhost:${env.PORT ?? '3000'}`).replace(/\/$/, '');
	return {
		data: env.KITE_DATA ?? join(process.cwd(), 'data'),
		origin,
		secure: origin.startsWith('https://'),
		zone: env.KITE_ZONE ?? 'America/Los_Angeles',
		today,
		smtp: env.KITE_SMTP_URL ?? null,
		from: env.KITE_MAIL_FROM ?? 'Larkhaven Ferries Legal <legal@larkhaven.example>',
		sealFile: env.KITE_SEAL_P12 ?? null,
		sealPassword: env.KITE_SEAL_PASSWORD ?? null
	};
}

/** The world at a data folder, without jobs: for the server, the demo and the command line. */
export function openWorld(s: Settings): World {
	mkdirSync(s.data, { recursive: true });
	let key: Promise<{ p12: Buffer; password: string }> | undefined;
	const world: World = {
		db: openDb(join(s.data, 'kite-pen.db')),
		clock: makeClock(s.zone, s.today),
		files: fileStore(join(s.data, 'files')),
		origin: s.origin,
		seal: () => (key ??= Promise.resolve().then(() => sealKey(s, world)))
	};
	return world;
}

function sealKey(s: Settings, w: World): { p12: Buffer; password: string } {
	if (s.sealFile) return { p12: readFileSync(s.sealFile), password: s.sealPassword ?? '' };
	const [p12, pass] = [join(s.data, 'seal.p12'), join(s.data, 'seal.password')];
	if (!existsSync(p12) || !existsSync(pass)) {
		const made = makeSealKey(departmentName(w), Date.now());
		for (const [path, data] of [
			[pass, made.password],
			[p12, made.p12]
		] as const) {
			writeFileSync(path, data, { mode: 0o600 });
			chmodSync(path, 0o600);
		}
	}
	return { p12: readFileSync(p12), password: readFileSync(pass, 'utf8') };
}

/** Logs name no people: only ids, counts and paths. */
export const logger: Logger = pino({
	level: process.env.KITE_LOG ?? 'info',
	base: null,
	timestamp: pino.stdTimeFunctions.isoTime
});

let running: { world: World; settings: Settings; jobs: Jobs } | undefined;
/** Starts the server's world once. */
export async function start(): Promise<void> {
	if (running) return;
	const settings = readSettings(process.env);
	const world = openWorld(settings);
	setUp(world);
	running = { world, settings, jobs: await startJobs(world, logger, settings) };
}
export async function stop(): Promise<void> {
	if (!running) return;
	const { jobs, world } = running;
	running = undefined;
	await jobs.stop();
	world.db.close();
}
export function theWorld(): World {
	if (!running) throw new Error('the server is starting');
	return running.world;
}
export const settings = (): Settings => {
	if (!running) throw new Error('the server is starting');
	return running.settings;
};
/** Mail and seals need not wait for the next round of jobs. */
export const nudge = (): void => running?.jobs.nudge();
export const ctxOf = (staff: Staff): Ctx => ({ ...theWorld(), actor: { staff } });
