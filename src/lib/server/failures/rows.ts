/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `job_failure`. */
export type JobFailureRow = {
	job: string;
	/** Empty where the job as a whole failed. */
	row_id: string;
	what: string;
	path: string;
	matter_id: string | null;
	staff_id: string | null;
	error: string;
	tries: number;
	first_at: string;
	last_at: string;
	next_try: string;
	settled_at: string | null;
	settled_by: string | null;
	reason: string | null;
};
