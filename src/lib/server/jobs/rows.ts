/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `job_state`. */
export type JobStateRow = {
	name: string;
	label: string;
	worked_at: string | null;
	error: string | null;
	error_at: string | null;
	failed_rows: number;
};
