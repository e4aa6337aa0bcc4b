/** `npm test`: installs what is missing, then unit, server and browser tests. `unit` or `e2e` runs one part. */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { build, home, packages, sync, testTools } from './prepare.mjs';

const part = process.argv[2] ?? 'all';
packages();
testTools();
if (!existsSync(join(home, '.svelte-kit/tsconfig.json'))) sync();
if (part !== 'unit') build();
const find = (dir) =>
	readdirSync(join(home, dir), { withFileTypes: true }).flatMap((e) =>
		e.isDirectory()
			? find(join(dir, e.name))
			: e.name.endsWith('.test.ts')
				? [join(dir, e.name)]
				: []
	);
const files = [
	...(part === 'e2e' ? [] : [...find('core'), ...find('src'), ...find('bin')]),
	...(part === 'unit' ? [] : find('e2e'))
].sort();
if (files.length === 0) {
	console.error('No tests were found.');
	process.exit(1);
}
const r = spawnSync(
	process.execPath,
	['--import', 'tsx', '--test', '--test-reporter=spec', ...files],
	{
		cwd: home,
		stdio: 'inherit',
		env: { ...process.env, KITE_HOME: home, KITE_LOG: process.env.KITE_LOG ?? 'silent' }
	}
);
process.exit(r.status ?? 1);
