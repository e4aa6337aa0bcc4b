/** `npm run audit`: walks the audit trail's chain and names the first broken link. */
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { verifyAudit } from '#server/access/audit.ts';

const path = join(process.env.KITE_DATA ?? 'data/demo', 'kite-pen.db');
const item = verifyAudit(new Database(path, { readonly: true, fileMustExist: true }));
if (item.ok)
	console.log(`The audit trail holds: ${item.entries} entries, head ${item.head.slice(0, 16)}.`);
else {
	console.error(`The audit trail is broken at entry ${item.seq}: ${item.why}.`);
	process.exit(1);
}
