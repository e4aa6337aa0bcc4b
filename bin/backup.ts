/**
 * `npm run backup -- FOLDER`: a consistent copy of the database and the files, while the server
 * runs.
 */
import { cpSync, existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';

const data = process.env.KITE_DATA ?? 'data/demo';
const to = process.argv[2];
if (!to) {
	console.error('Say where: npm run backup -- FOLDER');
	process.exit(1);
}
if (existsSync(join(to, 'kite-pen.db'))) {
	console.error(`${to} holds a backup already: name an empty folder.`);
	process.exit(1);
}
mkdirSync(to, { recursive: true });
const db = new Database(join(data, 'kite-pen.db'), { fileMustExist: true });
await db.backup(join(to, 'kite-pen.db'));
db.close();
// Files are written once and never changed; those named by the copied database are all there by
// now.
for (const text of ['files', 'seal.p12', 'seal.password'])
	if (existsSync(join(data, text))) cpSync(join(data, text), join(to, text), { recursive: true });
console.log(`Backed up to ${to}. To restore, put the folder in the place of KITE_DATA.`);
