/**
 * The demo data for tests: made once for what the code is now, then copied. Run by itself, it makes
 * the data ahead of the tests.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, existsSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, makeDemo } from '../bin/prepare.mjs';

const home = fileURLToPath(new URL('..', import.meta.url));
/** Every house of the tests opens at the same minute: no test depends on the hour it is run at. */
export const TEST_NOW = '2026-11-23T15:00';
/** What the data is made from. */
const SOURCES = ['core', 'demo', 'kinds', 'rulebooks', 'templates', 'src/lib/server'];

function* listFiles(folder: string): Generator<string> {
	for (const entry of readdirSync(folder, { withFileTypes: true })) {
		const path = join(folder, entry.name);
		if (entry.isDirectory()) yield* listFiles(path);
		else if (!entry.name.endsWith('.test.ts')) yield path;
	}
}

/** Changes with any file of these folders. */
export function digest(folders: readonly string[] = SOURCES): string {
	const hash = createHash('sha256').update(TEST_NOW);
	for (const folder of folders)
		for (const file of [...listFiles(join(home, folder))].sort())
			hash.update(file).update(readFileSync(file));
	return hash.digest('hex').slice(0, 16);
}

/** The folder of the data, which is made where it is missing. Nobody writes into it. */
export function demoFolder(): string {
	const folder = join(home, 'data/tests', `demo-${digest()}`);
	if (existsSync(folder)) return folder;
	const part = `${folder}.${process.pid}`;
	const env = { ...process.env, KITE_TODAY: TEST_NOW, KITE_ORIGIN: 'http://localhost:3000' };
	build();
	const twin = `${part}-twin`;
	const made = spawnSync(process.execPath, [join(home, 'demo/twins.mjs'), makeDemo, part, twin], {
		cwd: home,
		env,
		encoding: 'utf8'
	});
	if (made.status !== 0) throw new Error(`the demo data could not be made: ${made.stderr}`);
	for (const old of readdirSync(join(home, 'data/tests')))
		if (/^demo-\w+(-twin)?$/.test(old))
			rmSync(join(home, 'data/tests', old), { recursive: true, force: true });
	if (existsSync(folder)) {
		for (const spare of [part, twin]) rmSync(spare, { recursive: true });
		return folder;
	}
	renameSync(twin, `${folder}-twin`);
	renameSync(part, folder);
	return folder;
}

/** The folder of the same data, made once more beside it. */
export const demoTwin = (): string => `${demoFolder()}-twin`;

/** Copies the demo data into a folder of one's own. */
export function copyDemo(to: string): void {
	cpSync(demoFolder(), to, { recursive: true });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) demoFolder();
