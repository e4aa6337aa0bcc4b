/**
 * `npm run audit [-- --head HASH] [--heads FILE]`: walks the audit trail's chain and names the
 * first broken link; compares every row with what the trail says was written into it. With a head
 * that was kept elsewhere, or a file of them, whether the trail still holds the entry it is the
 * hash of: a trail that was cut off at its end, or written anew, does not.
 */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { plural } from '#core/format/words.ts';
import { findHead, verifyAudit } from '#server/access/audit.ts';
import { certificateFile, readAnchors } from '#server/anchors/file.ts';
import { differenceWords } from '#server/access/difference-words.ts';
import { compareRows, listTakenUp } from '#server/access/row-compare.ts';
import { end } from './end.ts';

const { head, heads } = parseArgs({
	options: { head: { type: 'string' }, heads: { type: 'string' } }
}).values;
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

if (heads !== undefined) checkHeads(heads);

function checkHeads(file: string): void {
	const certificate = certificateFile(file);
	for (const path of [file, certificate]) if (!existsSync(path)) end(`There is no file ${path}.`);
	const lines = readAnchors(file, readFileSync(certificate, 'utf8'));
	for (const line of lines) {
		if (!line.ok) end(`Line ${line.line} of ${file}: ${line.why}.`);
		const { head: hash, entries, at } = line.anchor;
		const found = findHead(db, hash);
		if (found === undefined || found === 'short' || found.seq !== entries)
			end(
				`Line ${line.line} of ${file}, of ${at}: the trail does not hold its entry ${entries} any more; it was cut off, or written anew.`
			);
	}
	console.log(`The trail holds each of ${plural(lines.length, 'signed head')} in the file.`);
}

for (const { at, seq, rows } of listTakenUp(db))
	console.log(`Entry ${seq} of ${at} took up ${plural(rows, 'row')} as they stood.`);
/** So many are told one by one. */
const TOLD = 100;
let differing = 0;
for (const difference of compareRows(db))
	if (++differing <= TOLD) console.error(differenceWords(db, difference));
if (differing > TOLD) console.error(`And ${plural(differing - TOLD, 'difference')} more.`);
if (differing > 0)
	end(`${plural(differing, 'difference')} between the rows and what the trail says of them.`);
console.log('Every row is as the trail says it was written.');
