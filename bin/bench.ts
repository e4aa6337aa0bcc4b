/**
 * `npm run bench`: builds what is measured as it is delivered, then prints its ratios, what is
 * sent, and what pages take in a house ten times the demo; `-- --large` also in that of a large
 * department. Measured in the source, every small function would pay for the name that the loader
 * keeps.
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { build as bundle } from 'vite';
import { printLarge, printTenfold } from '../bench/pages.ts';
import { printSent } from '../bench/sent.ts';
import { build, home, packages } from './prepare.mjs';

packages();
build();
const folder = join(home, 'node_modules/.cache/bench');
await bundle({
	root: home,
	configFile: false,
	logLevel: 'error',
	build: {
		ssr: join(home, 'bench/run.ts'),
		outDir: folder,
		emptyOutDir: true,
		rollupOptions: { output: { entryFileNames: 'run.js' } }
	}
});
const { status } = spawnSync(process.execPath, [join(folder, 'run.js')], {
	cwd: home,
	stdio: 'inherit',
	env: { ...process.env, KITE_LOG: 'silent' }
});
if (status !== 0) process.exit(status ?? 1);
await printSent();
// The pages say what their SQL takes.
process.env.KITE_TIMING = '1';
await printTenfold();
if (process.argv.includes('--large')) await printLarge();
