/** Documents and their versions, as one may see them. */
import { visible } from '#server/access/visibility.ts';
import type { Staff, Application } from '#server/app/application.ts';
import { all, likeWithin, maybeOne, scalar } from '#server/db/sql.ts';
import { requireKind } from '#server/kinds/queries.ts';
import type { MatterRow } from '#server/matters/rows.ts';

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
	/** Why its words are not searched, where they are not. */
	unread: string;
	/** Of the newest signing round: null where there is none. */
	waiting: number | null;
	signed: number | null;
	finished: number | null;
};
const SELECT = `SELECT d.id, d.number, d.name, d.folder, d.mark, m.id AS matterId, m.number AS matterNumber,
		m.title AS matterTitle, v.n AS version, v.media_type AS mediaType, v.size, s.initials AS by,
		v.created_at AS at, v.file_name AS fileName, v.unread,
		(SELECT sum(g.state = 'waiting') FROM signer g WHERE g.round_id = r.id) AS waiting,
		(SELECT sum(g.state = 'signed') FROM signer g WHERE g.round_id = r.id) AS signed,
		r.finished_version AS finished
	FROM document d
	JOIN matter m ON m.id = d.matter_id
	JOIN document_version v ON v.document_id = d.id
		AND v.n = (SELECT max(n) FROM document_version x WHERE x.document_id = d.id)
	JOIN staff s ON s.id = v.created_by
	LEFT JOIN signing_round r ON r.id = (
		SELECT id
		FROM signing_round y
		WHERE y.document_id = d.id AND y.withdrawn_at IS NULL
		ORDER BY y.created_at DESC, y.id DESC
		LIMIT 1
	)`;
/** The folders of a matter: those of its kind, and any that hold something already. */
export function listFolders(app: Pick<Application, 'db'>, matter: Pick<MatterRow, 'id' | 'kind'>) {
	const used = all<{ folder: string }>(
		app.db,
		'SELECT DISTINCT folder FROM document WHERE matter_id = @matterId ORDER BY folder',
		{ matterId: matter.id }
	);
	const { folders } = requireKind(app, matter.kind);
	return [...new Set([...folders, CORRESPONDENCE, ...used.map(({ folder }) => folder)])];
}
/** Where a paper of the court is filed: the folder for such papers, or the one every matter has. */
export const findPaperFolder = (
	app: Pick<Application, 'db'>,
	matter: Pick<MatterRow, 'id' | 'kind'>
): string =>
	listFolders(app, matter).find((folder) => /court|pleading|order|filing/i.test(folder)) ??
	CORRESPONDENCE;
/** The folder every matter has. */
export const CORRESPONDENCE = 'Correspondence';

export const DOCUMENT_PAGE = 60;
type DocumentFilter = { matterId?: string; q?: string; page?: number };

/**
 * Documents, the newest first, a page at a time: those of a matter, or those whose name, number or
 * matter has the words.
 */
export function listDocuments(
	app: Application,
	me: Staff,
	{ matterId, q, page = 1 }: DocumentFilter = {}
): { rows: DocumentView[]; total: number } {
	const conditions = [visible('m')];
	if (matterId) conditions.push('d.matter_id = @matterId');
	if (q)
		conditions.push(
			`(d.name LIKE @like ESCAPE '\\' OR d.number LIKE @like ESCAPE '\\' OR m.title LIKE @like ESCAPE '\\')`
		);
	const where = conditions.join(' AND ');
	const params = { me: me.id, matterId, like: likeWithin(q ?? '') };
	const total = scalar(
		app.db,
		`SELECT count(*)
		FROM document d
		JOIN matter m ON m.id = d.matter_id
		WHERE ${where}`,
		params
	);
	const rows = all<DocumentView>(
		app.db,
		`${SELECT}
		WHERE ${where}
		ORDER BY d.created_at DESC, d.id DESC
		LIMIT @limit OFFSET @offset`,
		{ ...params, limit: DOCUMENT_PAGE, offset: DOCUMENT_PAGE * (page - 1) }
	);
	return { rows, total };
}

export const findDocument = (app: Application, me: Staff, id: string): DocumentView | undefined =>
	maybeOne<DocumentView>(app.db, `${SELECT} WHERE d.id = @id AND ${visible('m')}`, {
		id,
		me: me.id
	});

export type VersionView = {
	n: number;
	sha256: string;
	mediaType: string;
	fileName: string;
	size: number;
	why: string;
	by: string;
	at: string;
	/** Why its words are not searched, where they are not. */
	unread: string;
};

/** The versions of a document that was found, the newest first. */
export const listVersions = (app: Application, documentId: string): VersionView[] =>
	all<VersionView>(
		app.db,
		`SELECT v.n, v.sha256, v.media_type AS mediaType, v.file_name AS fileName, v.size, v.why,
			s.name AS by, v.created_at AS at, v.unread
		FROM document_version v
		JOIN staff s ON s.id = v.created_by
		WHERE v.document_id = @documentId
		ORDER BY v.n DESC`,
		{ documentId }
	);
