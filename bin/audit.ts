/** `npm run audit`: walks the audit trail's chain and names the first broken link. */
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { verifyAudit } from '#server/trust/audit.ts';

const path = join(process.env.KITE_DATA ?? 'data/demo', 'kite-pen.db');
const r = verifyAudit(new Database(path, { readonly: true, fileMustExist: true }));
if (r.ok) console.log(`The audit trail holds: ${r.entries} entries, head ${r.head.slice(0, 16)}.`);
else {
	console.error(`The audit trail is broken at entry ${r.seq}: ${r.why}.`);
	process.exit(1);
}
