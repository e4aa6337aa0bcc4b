/** Blind questions as they are shown: to who is asked, and to who asked. */
import type { Reader, Staff } from '#server/app/application.ts';
import { all, exists } from '#server/db/sql.ts';
import type { InterestQuestionRow } from './rows.ts';

export type AskedQuestion = {
	id: string;
	by: string;
	at: string;
	names: string;
	number: string;
	title: string;
};
/** Those that wait for somebody's answer. */
export const listAskedQuestions = ({ db }: Pick<Reader, 'db'>, me: Staff): AskedQuestion[] =>
	all(
		db,
		`SELECT
			q.id, s.name AS "by", q.asked_at AS at, m.number, m.title,
			(
				SELECT group_concat(h.name, ', ')
				FROM interest_hidden h
				WHERE h.check_id = q.check_id AND h.matter_id = q.matter_id
			) AS names
		FROM interest_question q
		JOIN matter m ON m.id = q.matter_id
		JOIN staff s ON s.id = q.asked_by
		WHERE q.answer IS NULL AND (m.responsible_id = @me OR m.stand_in_id = @me)
		ORDER BY q.asked_at`,
		{ me: me.id }
	);

/** Where a blind question stands for who asked: how many were asked is not told. */
export type BlindState =
	| { state: 'none' }
	| { state: 'ask' }
	| { state: 'waits' | 'no conflict' }
	| { state: 'speak'; to: string[] };

export function findBlindState({ db }: Pick<Reader, 'db'>, checkId: string): BlindState {
	const rows = all<Pick<InterestQuestionRow, 'answer'> & { who: string | null }>(
		db,
		`SELECT q.answer, s.name AS who
		FROM interest_question q
		LEFT JOIN staff s ON s.id = q.answered_by
		WHERE q.check_id = @checkId`,
		{ checkId }
	);
	if (rows.length === 0) {
		const known = exists(db, 'SELECT 1 FROM interest_hidden WHERE check_id = @checkId', {
			checkId
		});
		return { state: known ? 'ask' : 'none' };
	}
	const to = rows.flatMap(({ answer, who }) => (answer === 'speak to me' && who ? [who] : []));
	if (to.length) return { state: 'speak', to: [...new Set(to)].sort() };
	return { state: rows.some(({ answer }) => answer === null) ? 'waits' : 'no conflict' };
}
