/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `interest_check`. */
export type InterestCheckRow = {
	id: string;
	matter_id: string | null;
	request_id: string | null;
	names: string;
	report: string;
	made_by: string;
	made_at: string;
	decision: 'clear' | 'waived' | 'declined' | null;
	reason: string;
	decided_by: string | null;
	decided_at: string | null;
};

/** Table `interest_hidden`. */
export type InterestHiddenRow = {
	check_id: string;
	matter_id: string;
	name: string;
};

/** Table `interest_question`. */
export type InterestQuestionRow = {
	id: string;
	check_id: string;
	matter_id: string;
	asked_by: string;
	asked_at: string;
	answer: 'no conflict' | 'speak to me' | null;
	answered_by: string | null;
	answered_at: string | null;
};
