/**
 * `npm run bench`: builds what is measured as it is delivered, then prints its ratios and what is
 * sent. Measured in the source, every small function would pay for the name that the loader keeps.
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { build as bundle } from 'vite';
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
