/**
 * `npm start`: the server for real. Every setting that is missing, unsafe or cannot be reached is
 * named, and nothing starts. It listens on this machine alone unless HOST says otherwise: a proxy
 * stands before it.
 */
import { findFaults } from './faults.mjs';
import { builtFolder, serve } from './serve.mjs';

const { env } = process;
// What is written is for this user alone.
process.umask(0o077);
const faults = await findFaults(env);
if (!builtFolder) faults.push('the application is not built: run npm ci and npm run build');
if (faults.length) {
	console.error(`Kite Pen does not start.\n${faults.map((fault) => `  - ${fault}`).join('\n')}`);
	process.exit(1);
}
env.ORIGIN = env.KITE_ORIGIN;
await serve({ port: Number(env.PORT ?? 3000), host: env.HOST ?? '127.0.0.1', plain: false });
