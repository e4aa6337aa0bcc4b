/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `mail_out`. */
export type MailOutRow = {
	id: string;
	matter_id: string | null;
	recipient: string;
	subject: string;
	text: string;
	attachment_sha256: string | null;
	attachment_name: string | null;
	queued_at: string;
	sent_at: string | null;
	tries: number;
	next_try: string | null;
	error: string | null;
};

/** Table `post`. */
export type PostRow = {
	id: string;
	message_id: string;
	received_at: string;
	sender: string;
	recipient: string;
	subject: string;
	text: string;
	raw_sha256: string;
	attachments: string;
};
