/**
 * `npm run audit [-- --head HASH]`: walks the audit trail's chain and names the first broken link.
 * With a head that was kept elsewhere, whether the trail still holds the entry it is the hash of: a
 * trail that was cut off at its end, or written anew, does not.
 */
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { findHead, verifyAudit } from '#server/access/audit.ts';
import { end } from './end.ts';

const { head } = parseArgs({ options: { head: { type: 'string' } } }).values;
const path = join(process.env.KITE_DATA ?? 'data/demo', 'kite-pen.db');
const db = new Database(path, { readonly: true, fileMustExist: true });
const trail = verifyAudit(db);
if (!trail.ok) end(`The audit trail is broken at entry ${trail.seq}: ${trail.why}.`);
console.log(`The audit trail holds: ${trail.entries} entries, head ${trail.head}.`);
if (head !== undefined) {
	const found = findHead(db, head);
	if (found === 'short') end('A head has at least 16 letters and digits of the hash.');
	if (found === undefined)
		end('The entry of this head is not in the trail: its end was cut off, or it was written anew.');
	console.log(
		`The head is that of entry ${found.seq}, of ${found.at}; ${trail.entries - found.seq} came after it.`
	);
}
