/**
 * `npm test`: installs what is missing, then unit, server and browser tests. `-- unit` or `-- e2e`
 * runs one part, any other word the files whose path has it.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
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
const files = ['core', 'src', 'bin', 'demo', 'e2e'].flatMap(find).filter(wanted).sort();
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
/**
 * Files that need no browser share a process: reading the modules takes most files longer than
 * their tests do. They are dealt out by size, so that the processes end about together.
 */
const PROCESSES = 4;
function putTogether(list) {
	const sizes = new Map(list.map((file) => [file, statSync(join(home, file)).size]));
	const dealt = Array.from({ length: PROCESSES }, () => ({ files: [], size: 0 }));
	for (const file of list.toSorted((one, other) => sizes.get(other) - sizes.get(one))) {
		const least = dealt.reduce((one, other) => (other.size < one.size ? other : one));
		least.files.push(file);
		least.size += sizes.get(file);
	}
	const folder = join(home, 'data/tests');
	mkdirSync(folder, { recursive: true });
	return dealt
		.filter((hand) => hand.files.length > 0)
		.map((hand, index) => {
			const path = join(folder, `together-${index + 1}.mjs`);
			const lines = hand.files.map((file) => `import '${pathToFileURL(join(home, file))}';\n`);
			writeFileSync(path, lines.join(''));
			return path;
		});
}

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
// The browser's tests are the longest files: begun first, none of them is left over at the end.
const beside = test([
	...files.filter((file) => isBrowserTest(file) && file !== ALONE),
	...putTogether(files.filter((file) => !isBrowserTest(file)))
]);
const alone = test(files.filter((file) => file === ALONE));
process.exit(beside || alone);
