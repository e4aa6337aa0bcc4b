/**
 * `npm run build`: the application, with everything it needs beside it, so that the folder `build`
 * can be moved.
 */
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build as bundle } from 'vite';
import { ASSETS } from '#server/app/assets.ts';
import { FONT_FILES } from '#server/files/fonts.ts';

const home = dirname(dirname(fileURLToPath(import.meta.url)));
const build = join(home, 'build');

function runTool(tool: string, ...args: string[]): void {
	const program = join(home, 'node_modules', tool);
	const { status } = spawnSync(process.execPath, [program, ...args], {
		cwd: home,
		stdio: 'inherit'
	});
	if (status !== 0) process.exit(status ?? 1);
}

function copy(from: string, to: string): void {
	mkdirSync(dirname(to), { recursive: true });
	cpSync(from, to, { recursive: true });
}

/**
 * A program of its own beside the server: the workers' file, which lies where the server's chunks
 * look for it, and what makes the demo's data.
 */
async function buildProgram(source: string, folder: string, name: string): Promise<void> {
	await bundle({
		root: home,
		configFile: false,
		logLevel: 'error',
		build: {
			ssr: join(home, source),
			outDir: join(build, 'server', folder),
			emptyOutDir: true,
			rollupOptions: { output: { entryFileNames: name, chunkFileNames: '[name]-[hash].js' } }
		}
	});
}

rmSync(build, { recursive: true, force: true });
runTool('@sveltejs/kit/svelte-kit.js', 'sync');
runTool('vite/bin/vite.js', 'build', '--logLevel', 'error');
await buildProgram('src/lib/server/workers/main.ts', 'workers', 'main.js');
await buildProgram('demo/make.ts', 'demo', 'make.js');

const { fonts, ...folders } = ASSETS;
for (const [name, folder] of Object.entries(folders))
	copy(join(home, folder), join(build, 'assets', name));
for (const file of Object.values(FONT_FILES).flatMap((cuts) => Object.values(cuts)))
	copy(join(home, fonts, file), join(build, 'assets/fonts', file));
for (const file of ['bin/start.mjs', 'bin/faults.mjs', 'bin/serve.mjs'])
	copy(join(home, file), join(build, file.slice(4)));
for (const file of ['package.json', 'package-lock.json']) copy(join(home, file), join(build, file));
