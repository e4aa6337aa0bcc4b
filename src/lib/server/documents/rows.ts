/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `document`. */
export type DocumentRow = {
	id: string;
	number: string;
	matter_id: string;
	name: string;
	folder: string;
	mark: '' | 'privileged' | 'confidential';
	created_by: string;
	created_at: string;
};

/** Table `document_version`. */
export type DocumentVersionRow = {
	document_id: string;
	n: number;
	sha256: string;
	media_type: string;
	file_name: string;
	size: number;
	why: string;
	created_by: string;
	created_at: string;
	text: string;
	base_sha256: string | null;
	unread: string;
};
