/**
 * `npm test`: installs what is missing, then unit, server and browser tests. `-- unit` or `-- e2e`
 * runs one part, any other word the files whose path has it.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { build, home, packages, sync, testTools } from './prepare.mjs';

const part = process.argv[2] ?? 'all';
packages();
testTools();
if (!existsSync(join(home, '.svelte-kit/tsconfig.json'))) sync();
const find = (dir) =>
	readdirSync(join(home, dir), { withFileTypes: true }).flatMap((e) =>
		e.isDirectory()
			? find(join(dir, e.name))
			: e.name.endsWith('.test.ts')
				? [join(dir, e.name)]
				: []
	);
const isBrowserTest = (file) => file.startsWith('e2e');
const PARTS = {
	all: () => true,
	unit: (file) => !isBrowserTest(file),
	e2e: isBrowserTest
};
const wanted = PARTS[part] ?? ((file) => file.includes(part));
const files = ['core', 'src', 'bin', 'e2e'].flatMap(find).filter(wanted).sort();
if (files.some(isBrowserTest)) build();
if (files.length === 0) {
	console.error('No tests were found.');
	process.exit(1);
}
const run = (...args) =>
	spawnSync(process.execPath, ['--import', 'tsx', ...args], {
		cwd: home,
		stdio: 'inherit',
		env: { ...process.env, KITE_LOG: process.env.KITE_LOG ?? 'silent' }
	}).status ?? 1;

/** What watches how soon the server answers runs when nothing else does. */
const ALONE = 'e2e/heavy.test.ts';

/** A browser test waits for half of its time: one file more than processors keeps them busy. */
const SIDE_BY_SIDE = availableParallelism() + 1;
/** The browser's tests are the longest files: begun first, none of them is left over at the end. */
const longestFirst = (one, other) => Number(isBrowserTest(other)) - Number(isBrowserTest(one));

const test = (list) =>
	list.length === 0
		? 0
		: run(
				'--test',
				`--test-concurrency=${SIDE_BY_SIDE}`,
				'--test-reporter=spec',
				'--test-reporter-destination=stdout',
				`--test-reporter=${join(home, 'bin/slowest.mjs')}`,
				'--test-reporter-destination=stdout',
				...list
			);

// The demo's data is made once, ahead of the tests that begin with a copy of it.
if (files.some(isBrowserTest) && run(join(home, 'demo/once.ts')) !== 0) process.exit(1);
const beside = test(files.filter((file) => file !== ALONE).sort(longestFirst));
const alone = test(files.filter((file) => file === ALONE));
process.exit(beside || alone);
