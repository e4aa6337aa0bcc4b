/**
 * Makes the demo's data twice, side by side: the one that the tests begin with, and its twin, by
 * which they see that it is the same each time. `node twins.mjs <program> <folder> <folder>`.
 */
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';

const [program, ...folders] = process.argv.slice(2);
const make = (folder) => {
	mkdirSync(folder, { recursive: true });
	const env = { ...process.env, KITE_DATA: folder };
	const child = spawn(process.execPath, [program], { env, stdio: ['ignore', 'ignore', 'inherit'] });
	return new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)));
};
const codes = await Promise.all(folders.map(make));
process.exit(Math.max(...codes));
