import { visible } from '#server/access/visibility.ts';
import type { Reader, Staff } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';

export type RoundView = {
	id: string;
	title: string;
	createdAt: string;
	wantedBy: string | null;
	withdrawnAt: string | null;
	finishedVersion: number | null;
	by: string;
	signers: {
		name: string;
		state: string;
		endedAt: string | null;
		openedAt: string | null;
		toldAt: string | null;
		reason: string | null;
	}[];
};
/** The rounds of a document already found by `document`. */
export function listRounds(app: Reader, documentId: string): RoundView[] {
	return all<Omit<RoundView, 'signers'>>(
		app.db,
		`SELECT r.id, r.title, r.created_at AS createdAt, r.wanted_by AS wantedBy,
			r.withdrawn_at AS withdrawnAt, r.finished_version AS finishedVersion, s.name AS by
		FROM signing_round r
		JOIN staff s ON s.id = r.created_by
		WHERE r.document_id = @documentId
		ORDER BY r.created_at DESC`,
		{ documentId }
	).map((row) => ({
		...row,
		signers: all<RoundView['signers'][number]>(
			app.db,
			`SELECT name, state, ended_at AS endedAt, opened_at AS openedAt, told_at AS toldAt, reason
			FROM signer
			WHERE round_id = @roundId
			ORDER BY position`,
			{ roundId: row.id }
		)
	}));
}

/** Documents waiting for my signature. */
export const listMineToSign = (app: Reader, me: Staff) =>
	all<{ signerId: string; title: string; wantedBy: string | null; by: string }>(
		app.db,
		`SELECT g.id AS signerId, r.title, r.wanted_by AS wantedBy, s.name AS by
		FROM signer g
		JOIN signing_round r ON r.id = g.round_id
		JOIN staff s ON s.id = r.created_by
		WHERE g.staff_id = @staffId
			AND g.state = 'waiting'
			AND g.told_at IS NOT NULL
			AND r.withdrawn_at IS NULL
		ORDER BY r.wanted_by IS NULL, r.wanted_by`,
		{ staffId: me.id }
	);

/** Rounds I may see that wait for someone. */
export const listSigningWithOthers = (app: Reader, me: Staff, most = 6) =>
	all<{
		documentId: string;
		title: string;
		createdAt: string;
		signed: number;
		signers: number;
		next: string;
	}>(
		app.db,
		`SELECT r.document_id AS documentId, r.title, r.created_at AS createdAt,
			(SELECT count(*) FROM signer x WHERE x.round_id = r.id AND x.state = 'signed') AS signed,
			(SELECT count(*) FROM signer x WHERE x.round_id = r.id) AS signers,
			(
				SELECT name
				FROM signer x
				WHERE x.round_id = r.id AND x.state = 'waiting'
				ORDER BY x.position
				LIMIT 1
			) AS next
		FROM signing_round r
		JOIN matter m ON m.id = r.matter_id
		WHERE r.created_by = @me
			AND r.withdrawn_at IS NULL
			AND r.finished_version IS NULL
			AND ${visible('m')}
			AND (
				SELECT x.staff_id IS NOT @me
				FROM signer x
				WHERE x.round_id = r.id AND x.state = 'waiting'
				ORDER BY x.position
				LIMIT 1
			)
		ORDER BY r.created_at DESC
		LIMIT @most`,
		{ me: me.id, most }
	);
