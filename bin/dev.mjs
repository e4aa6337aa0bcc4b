/** `npm run dev`: the development server on the demo data. */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { home, packages } from './prepare.mjs';

packages();
const env = {
	...process.env,
	KITE_DATA: process.env.KITE_DATA ?? join(home, 'data/demo'),
	KITE_ORIGIN: process.env.KITE_ORIGIN ?? `http://localhost:${process.env.PORT ?? 3000}`
};
if (!existsSync(join(env.KITE_DATA, 'kite-pen.db')))
	spawnSync(process.execPath, ['--import', 'tsx', join(home, 'demo/make.ts')], {
		cwd: home,
		stdio: 'inherit',
		env
	});
spawn(
	process.execPath,
	[join(home, 'node_modules/vite/bin/vite.js'), 'dev', '--port', process.env.PORT ?? '3000'],
	{ cwd: home, stdio: 'inherit', env }
);
