/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `paper`. */
export type PaperRow = {
	id: string;
	sha256: string;
	media_type: string;
	file_name: string;
	size: number;
	/** Its words, and why they are not known, where they are not. */
	text: string;
	unread: string;
	received_by: string;
	received_at: string;
	/** Who has it. */
	holder_id: string;
	matter_id: string | null;
	document_id: string | null;
	event_id: string | null;
	state: 'waits' | 'docketed' | 'aside';
	closed_by: string | null;
	closed_at: string | null;
	reason: string;
};
