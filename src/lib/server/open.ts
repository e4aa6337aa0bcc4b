/**
 * The application at a data folder, without jobs: for the server, the demo and the command line.
 */
import { randomBytes } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { watchRows } from '#server/access/row-watch.ts';
import { takeRowsUp } from '#server/access/take-up.ts';
import type { Application, Clock, SealKey } from '#server/app/application.ts';
import { makeClock } from '#server/app/clock.ts';
import { departmentName } from '#server/app/department.ts';
import { workInline, type Work } from '#server/app/task.ts';
import { KEY_BYTES } from '#server/app/vault.ts';
import { openDb } from '#server/db/open.ts';
import { fileStore } from '#server/files/store.ts';
import { makeSealKey } from '#server/signing/seal-key.ts';
import type { Settings } from './settings.ts';

export const databaseFile = ({ data }: Pick<Settings, 'data'>): string => join(data, 'kite-pen.db');

/** What an application is opened with, where it is not the usual. */
type Parts = {
	/** Where heavy work is done; at once, in this thread, where nothing is given. */
	work?: Work;
	clock?: Clock;
};

export function openApplication(
	settings: Settings,
	{ work, clock = makeClock(settings.zone, settings.today) }: Parts = {}
): Application {
	mkdirSync(settings.data, { recursive: true, mode: 0o700 });
	const db = openDb(databaseFile(settings), () => clock.today());
	keepToOwner(settings);
	watchRows(db);
	takeRowsUp(db, clock);
	let key: Promise<SealKey> | undefined;
	let vault: Buffer | undefined;
	const app: Application = {
		db,
		clock,
		files: fileStore(join(settings.data, 'files')),
		origin: settings.origin,
		seal: () => (key ??= findSealKey(settings, app)),
		vaultKey: () => (vault ??= findVaultKey(settings)),
		work: work ?? workInline(() => db),
		wake: () => undefined
	};
	return app;
}

/**
 * The folder and the database are for the user who runs the server alone, also where an earlier
 * release made them.
 */
function keepToOwner(settings: Settings): void {
	const file = databaseFile(settings);
	chmodSync(settings.data, 0o700);
	for (const path of [file, `${file}-wal`, `${file}-shm`])
		if (existsSync(path)) chmodSync(path, 0o600);
}

/** The key that was given, or the house's own, which is made when it is first needed. */
async function findSealKey(settings: Settings, app: Application): Promise<SealKey> {
	const { sealFile, sealPassword, data } = settings;
	if (sealFile) return { p12: readFileSync(sealFile), password: sealPassword ?? '' };
	const keyFile = join(data, 'seal.p12');
	const passwordFile = join(data, 'seal.password');
	if (!existsSync(keyFile) || !existsSync(passwordFile)) {
		const made = await makeSealKey(departmentName(app), Date.now());
		writeSecret(passwordFile, made.password);
		writeSecret(keyFile, made.p12);
	}
	return { p12: readFileSync(keyFile), password: readFileSync(passwordFile, 'utf8') };
}

/** The key that was given, or the house's own, which is made when it is first needed. */
function findVaultKey({ vaultKey, data }: Settings): Buffer {
	if (vaultKey) return Buffer.from(vaultKey, 'hex');
	const file = join(data, 'vault.key');
	if (!existsSync(file)) writeSecret(file, randomBytes(KEY_BYTES));
	return readFileSync(file);
}

function writeSecret(path: string, data: string | Buffer): void {
	writeFileSync(path, data, { mode: 0o600 });
	chmodSync(path, 0o600);
}
