/**
 * What a fresh machine lacks: packages by the lock file, the build where something changed. Prints
 * only what it does.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

export const home = new URL('..', import.meta.url).pathname.replace(/\/$/, '');
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';
const stampFile = (name) => join(home, 'node_modules', `.kite-${name}`);
const same = (name, value) =>
	existsSync(stampFile(name)) && readFileSync(stampFile(name), 'utf8') === value;
const keep = (name, value) => writeFileSync(stampFile(name), value);

/** Installs from the lock file where node_modules does not match it. */
export function packages() {
	const lock =
		createHash('sha256')
			.update(readFileSync(join(home, 'package-lock.json')))
			.digest('hex') + process.version;
	if (same('lock', lock)) return;
	console.log('Installing packages (a few minutes the first time)…');
	const r = spawnSync(npm, ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
		cwd: home,
		stdio: 'inherit'
	});
	if (r.status !== 0) {
		console.error('npm ci did not end well; its words are above.');
		process.exit(1);
	}
	keep('lock', lock);
}

function* files(dir) {
	for (const e of readdirSync(dir, { withFileTypes: true })) {
		const p = join(dir, e.name);
		if (e.isDirectory()) yield* files(p);
		else yield p;
	}
}

/** The program that makes the demo's data, in a build. */
export const makeDemo = join(home, 'build/server/demo/make.js');

/** Builds where a source changed since the last build. */
export function build() {
	const h = createHash('sha256');
	for (const d of ['core', 'src', 'static', 'kinds', 'rulebooks', 'templates', 'demo'])
		for (const f of [...files(join(home, d))].sort())
			if (!f.endsWith('.test.ts')) h.update(f).update(readFileSync(f));
	for (const f of [
		'package-lock.json',
		'svelte.config.js',
		'vite.config.ts',
		'bin/build.ts',
		'bin/serve.mjs',
		'bin/start.mjs',
		'bin/faults.mjs'
	])
		h.update(readFileSync(join(home, f)));
	const now = h.digest('hex');
	if (existsSync(join(home, 'build/handler.js')) && same('build', now)) return;
	console.log('Building…');
	const r = spawnSync(process.execPath, ['--import', 'tsx', join(home, 'bin/build.ts')], {
		cwd: home,
		stdio: ['ignore', 'inherit', 'inherit']
	});
	if (r.status !== 0) {
		console.error('The build did not end well; its words are above.');
		process.exit(1);
	}
	keep('build', now);
}

/** Runs svelte-kit sync where its output is missing. */
export function sync() {
	execFileSync(process.execPath, [join(home, 'node_modules/@sveltejs/kit/svelte-kit.js'), 'sync'], {
		cwd: home,
		stdio: 'inherit'
	});
}

const onPath = (cmd) =>
	(process.env.PATH ?? '')
		.split(':')
		.some((d) => existsSync(join(d, cmd)) && statSync(join(d, cmd)).isFile());
/**
 * Debian's chromium and poppler-utils for the tests: installed where we are root on Debian, named
 * otherwise.
 */
export function testTools() {
	const lacking = [
		['chromium', 'chromium'],
		['pdfsig', 'poppler-utils'],
		['pdftotext', 'poppler-utils']
	]
		.filter(([cmd]) => !onPath(cmd))
		.map(([, p]) => p);
	if (lacking.length === 0) return;
	const wanted = [...new Set(lacking)];
	if (process.getuid?.() === 0 && onPath('apt-get')) {
		console.log(`Installing ${wanted.join(' and ')}…`);
		const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
		spawnSync('apt-get', ['update', '-qq'], { stdio: 'ignore', env });
		const r = spawnSync(
			'apt-get',
			['install', '-y', '-qq', '--no-install-recommends', ...wanted, 'fonts-dejavu-core'],
			{ stdio: ['ignore', 'ignore', 'inherit'], env }
		);
		if (r.status === 0) return;
	}
	console.error(
		`The tests need ${wanted.join(' and ')}: on Debian, apt-get install ${wanted.join(' ')}.`
	);
	process.exit(1);
}
