/** Judges rows of an index of documents, whose files are given beside it. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Db } from '#server/db/open.ts';
import { maybeOne } from '#server/db/sql.ts';
import type { DocumentRow } from '#server/documents/rows.ts';
import { CORRESPONDENCE } from '#server/documents/queries.ts';
import { findNumbered, listMatterFaults } from './find-matter.ts';
import type { Values } from './mapping.ts';
import { filePath } from '#core/documents/paths.ts';
import { readPastDay } from './read-day.ts';
import { faultOf, isFault, isKnown, isNew, type Asker, type Fault, type Judge } from './verdict.ts';

const MARKS = ['', 'privileged', 'confidential'] as const;
const FOLDER_LIMIT = 60;
const NAME_LIMIT = 200;

export type DocumentImport = Pick<DocumentRow, 'name' | 'folder' | 'mark'> & {
	matterId: string;
	/** The day it was filed where it comes from. */
	filed: PlainDate | null;
};

const readMark = (typed: string): (typeof MARKS)[number] | undefined =>
	MARKS.find((mark) => mark === typed.toLowerCase());

/** The name of a file as it is written, without its folders and its ending. */
const nameOfFile = (path: string): string => {
	const [name = path] = path.trim().split(/[/\\]/).slice(-1);
	return name.replace(/\.[a-z0-9]+$/i, '');
};

/** What a row says, or all that is wrong with it but its file. */
export function readDocumentRow(
	db: Db,
	{ me, today }: Asker,
	values: Values
): DocumentImport | Fault[] {
	const { matter: number = '', file = '', mark: typed = '', filed: typedDay = '' } = values;
	const matter = findNumbered(db, me, number);
	const mark = readMark(typed);
	const filed = readPastDay('filed', typedDay, today);
	const folder = orElse(values.folder, CORRESPONDENCE);
	const name = orElse(values.name, nameOfFile(file));
	const faults = [
		...listMatterFaults(db, me, matter, number),
		...filed.faults,
		...faultOf('mark', mark === undefined && `“${typed}” is none of: privileged, confidential.`),
		...faultOf('folder', folder.length > FOLDER_LIMIT && 'The folder’s name is too long.'),
		...faultOf('name', name.length > NAME_LIMIT && 'The name is too long.')
	];
	if (faults.length || !matter || mark === undefined) return faults;
	return { matterId: matter.id, name, folder, mark, filed: filed.day };
}
const orElse = (typed: string | undefined, other: string): string => (typed ? typed : other);

export function judgeDocuments(db: Db, asker: Asker): Judge {
	/** What rows before file into which matter. */
	const seen = new Map<string, string>();
	return (values) => {
		const path = filePath(values.file ?? '');
		const given = asker.files?.[path];
		const row = readDocumentRow(db, asker, values);
		const fileFaults: Fault[] = given
			? faultOf('file', given.fault)
			: faultOf('file', path && 'Its file is not given yet.').map((fault) => ({
					...fault,
					awaited: true
				}));
		if (Array.isArray(row) || fileFaults.length || !given)
			return isFault([...(Array.isArray(row) ? row : []), ...fileFaults]);
		const number = findSame(db, row.matterId, given.sha256);
		if (number) return isKnown(`Filed there already, as ${number}.`);
		const key = `${row.matterId} ${given.sha256}`;
		const other = seen.get(key);
		if (other !== undefined)
			return isFault(faultOf('file', `The same file is in another row, as “${other}”.`));
		seen.set(key, row.name);
		return isNew(`new document in ${row.folder}${row.mark ? `, ${row.mark}` : ''}`);
	};
}

/** The same bytes as some version of a document of the matter. */
const findSame = (db: Db, matterId: string, sha256: string): string | undefined =>
	maybeOne<Pick<DocumentRow, 'number'>>(
		db,
		`SELECT d.number
		FROM document d
		JOIN document_version v ON v.document_id = d.id
		WHERE d.matter_id = @matterId AND v.sha256 = @sha256`,
		{ matterId, sha256 }
	)?.number;
