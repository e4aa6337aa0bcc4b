import type { Staff, World } from '../command.ts';
import { visible } from '../trust/scope.ts';

export type DocumentView = {
	id: string;
	number: string;
	name: string;
	folder: string;
	mark: string;
	matterId: string;
	matterNumber: string;
	matterTitle: string;
	version: number;
	mediaType: string;
	size: number;
	by: string;
	at: string;
	fileName: string;
	/** Of the newest signing round: null where there is none. */
	waiting: number | null;
	signed: number | null;
	finished: number | null;
};
const SELECT = `SELECT d.id, d.number, d.name, d.folder, d.mark, m.id AS matterId, m.number AS matterNumber, m.title AS matterTitle, v.n AS version, v.media_type AS mediaType, v.size, s.initials AS by, v.created_at AS at, v.file_name AS fileName,
 (SELECT sum(g.state = 'waiting') FROM signer g WHERE g.round_id = r.id) AS waiting, (SELECT sum(g.state = 'signed') FROM signer g WHERE g.round_id = r.id) AS signed, r.finished_version AS finished
 FROM document d JOIN matter m ON m.id = d.matter_id JOIN document_version v ON v.document_id = d.id AND v.n = (SELECT max(n) FROM document_version x WHERE x.document_id = d.id)
 JOIN staff s ON s.id = v.created_by LEFT JOIN signing_round r ON r.id = (SELECT id FROM signing_round y WHERE y.document_id = d.id AND y.withdrawn_at IS NULL ORDER BY y.created_at DESC, y.id DESC LIMIT 1)`;
export const DOCUMENT_PAGE = 60;

export function documents(
	w: World,
	me: Staff,
	f: { matterId?: string; q?: string; page?: number } = {}
): { rows: DocumentView[]; total: number } {
	const cond = [visible('m')];
	const p: Record<string, unknown> = {
		me: me.id,
		limit: DOCUMENT_PAGE,
		offset: DOCUMENT_PAGE * ((f.page ?? 1) - 1)
	};
	if (f.matterId) {
		cond.push('d.matter_id = @matter');
		p.matter = f.matterId;
	}
	if (f.q) {
		cond.push(
			"(d.name LIKE @q ESCAPE '\\' OR d.number LIKE @q ESCAPE '\\' OR m.title LIKE @q ESCAPE '\\')"
		);
		p.q = `%${f.q.replace(/[\\%_]/g, '\\$&')}%`;
	}
	const where = cond.join(' AND ');
	return {
		total: w.db
			.prepare<unknown[], { n: number }>(
				`SELECT count(*) AS n FROM document d JOIN matter m ON m.id = d.matter_id WHERE ${where}`
			)
			.get(p)!.n,
		rows: w.db
			.prepare<unknown[], DocumentView>(
				`${SELECT} WHERE ${where} ORDER BY d.created_at DESC, d.id DESC LIMIT @limit OFFSET @offset`
			)
			.all(p)
	};
}

export const document = (w: World, me: Staff, id: string): DocumentView | undefined =>
	w.db
		.prepare<unknown[], DocumentView>(`${SELECT} WHERE d.id = @id AND ${visible('m')}`)
		.get({ id, me: me.id });

export type VersionView = {
	n: number;
	sha256: string;
	mediaType: string;
	fileName: string;
	size: number;
	why: string;
	by: string;
	at: string;
};
/** Versions of a document already found by `document`. */
export const versions = (w: World, documentId: string): VersionView[] =>
	w.db
		.prepare<[string], VersionView>(
			'SELECT v.n, v.sha256, v.media_type AS mediaType, v.file_name AS fileName, v.size, v.why, s.name AS by, v.created_at AS at FROM document_version v JOIN staff s ON s.id = v.created_by WHERE v.document_id = ? ORDER BY v.n DESC'
		)
		.all(documentId);
