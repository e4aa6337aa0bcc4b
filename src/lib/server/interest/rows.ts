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
