/** The trial view: exhibits, witnesses, remaining dates and tasks on one sheet. */
import type { Sort } from '#core/docket/occasion.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { contactSql } from '#server/people/sql.ts';
import type { ExhibitRow, WitnessRow } from './rows.ts';

type TrialDate = {
	title: string;
	date: PlainDate;
	/** "" of a hearing. */
	state: string;
	checked: boolean;
	/** It no longer follows its event. */
	adrift: boolean;
	sort: Sort;
	/** A word of the department's own on it. */
	workingMark: string | null;
};
export type TrialView = {
	exhibits: {
		id: string;
		number: string;
		side: ExhibitRow['side'];
		title: string;
		documentId: string | null;
		documentNumber: string | null;
		offered: PlainDate | null;
		ruling: ExhibitRow['ruling'];
		ruledOn: PlainDate | null;
	}[];
	witnesses: {
		id: string;
		personId: string;
		name: string;
		side: WitnessRow['side'];
		about: string;
		minutes: number | null;
		heard: PlainDate | null;
		phone: string;
	}[];
	dates: TrialDate[];
	tasks: { subject: string; due: PlainDate | null; who: string }[];
	documents: { id: string; number: string; name: string }[];
};

/** The view of a matter that the caller has found. */
export function findTrialView({ db }: Application, matterId: string): TrialView {
	const params = { matterId };
	const dates = all<Omit<TrialDate, 'checked' | 'adrift'> & { checked: 0 | 1; adrift: 0 | 1 }>(
		db,
		`SELECT
			d.title, d.date, d.state, d.checked_by IS NOT NULL AS checked,
			d.left_by IS NOT NULL AS adrift, d.sort, w.label AS workingMark
		FROM deadline d
		LEFT JOIN working_mark w ON w.id = d.working_mark_id
		WHERE d.matter_id = @matterId AND d.state = 'docketed'
		ORDER BY d.date`,
		params
	);
	return {
		exhibits: all(
			db,
			`SELECT
				e.id, e.number, e.side, e.title, e.document_id AS documentId,
				d.number AS documentNumber, e.offered_on AS offered, e.ruling, e.ruled_on AS ruledOn
			FROM exhibit e
			LEFT JOIN document d ON d.id = e.document_id
			WHERE e.matter_id = @matterId
			ORDER BY e.side, length(e.number), e.number`,
			params
		),
		witnesses: all(
			db,
			`SELECT
				w.id, p.id AS personId, p.name, w.side, w.about, w.minutes, w.heard_on AS heard,
				${contactSql('p', 'phone')} AS phone
			FROM witness w
			JOIN person p ON p.id = w.person_id
			WHERE w.matter_id = @matterId
			ORDER BY w.position`,
			params
		),
		dates: dates.map((date) => ({
			...date,
			checked: date.checked === 1,
			adrift: date.adrift === 1
		})),
		tasks: all(
			db,
			`SELECT t.subject, t.due, s.name AS who
			FROM task t
			JOIN staff s ON s.id = t.assignee_id
			WHERE t.matter_id = @matterId AND t.state = 'open'
			ORDER BY t.due IS NULL, t.due`,
			params
		),
		documents: all(
			db,
			'SELECT id, number, name FROM document WHERE matter_id = @matterId ORDER BY number',
			params
		)
	};
}
