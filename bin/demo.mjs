/**
 * `npm run demo`: installs and builds what is missing, makes the demo data, starts, and says where.
 * `-- --fresh` makes the data anew.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, home, makeDemo, packages } from './prepare.mjs';

// What is written is for this user alone.
process.umask(0o077);
packages();
build();
const data = process.env.KITE_DATA ?? join(home, 'data/demo');
const port = Number(process.env.PORT ?? 3000);
process.env.KITE_DATA = data;
process.env.KITE_ORIGIN ??= `http://localhost:${port}`;
process.env.KITE_LOG ??= 'warn';
if (process.argv.includes('--fresh'))
	for (const f of [
		'kite-pen.db',
		'kite-pen.db-wal',
		'kite-pen.db-shm',
		'files',
		'seal.p12',
		'seal.password',
		'vault.key'
	])
		rmSync(join(data, f), { recursive: true, force: true });
if (!existsSync(join(data, 'kite-pen.db'))) {
	console.log('Making the demo data…');
	const r = spawnSync(process.execPath, [makeDemo], {
		cwd: home,
		stdio: 'inherit',
		env: process.env
	});
	if (r.status !== 0) {
		for (const f of ['kite-pen.db', 'kite-pen.db-wal', 'kite-pen.db-shm'])
			rmSync(join(data, f), { force: true });
		process.exit(1);
	}
}
const { serve } = await import('./serve.mjs');
await serve({ port, host: process.env.HOST ?? '127.0.0.1', plain: true });
const { default: Database } = await import('better-sqlite3');
const db = new Database(join(data, 'kite-pen.db'), { readonly: true });
const people = db
	.prepare('SELECT login, name, role FROM staff WHERE demo = 1 ORDER BY rowid')
	.all();
db.close();
console.log(
	`\nKite Pen is open at ${process.env.KITE_ORIGIN}\n\nDemo people (choose one on the sign-in page, or sign in with the name and the password "larkhaven"):`
);
for (const p of people) console.log(`  ${p.login.padEnd(10)} ${p.name.padEnd(20)} ${p.role}`);
console.log('\nStop with Ctrl-C. The data stays; npm run demo -- --fresh makes it anew.');
