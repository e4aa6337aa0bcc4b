/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `import_batch`. */
export type ImportBatchRow = {
	id: string;
	what: 'units' | 'people' | 'matters' | 'dates' | 'documents' | 'time';
	file_name: string;
	rows: number;
	made: number;
	by: string;
	at: string;
	undone_at: string | null;
	state: 'running' | 'done' | 'undoing' | 'undone';
	ended_at: string | null;
	/** The rows it was made from, as a CSV file. */
	file_sha256: string | null;
	/** By the number of a row, what was said of it; as JSON. */
	decisions: string;
};

/** Table `import_made`. */
export type ImportMadeRow = {
	batch_id: string;
	n: number;
	place: string;
	ref: string;
};

/** Table `import_mapping`. */
export type ImportMappingRow = {
	what: string;
	header: string;
	mapping: string;
};
