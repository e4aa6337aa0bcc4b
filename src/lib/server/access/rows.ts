/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `session`. */
export type SessionRow = {
	token_hash: string;
	staff_id: string;
	created_at: string;
	expires_at: string;
	/** For ending it. */
	id: string | null;
	/** When it was used last. */
	seen_at: string | null;
	/** From where, and by which program, it was begun. */
	address: string;
	agent: string;
};

/** Table `password_link`. */
export type PasswordLinkRow = {
	token_hash: string;
	staff_id: string;
	made_by: string;
	made_at: string;
	expires_at: string;
	used_at: string | null;
};

/** Table `sign_in_attempt`. */
export type SignInAttemptRow = {
	id: number;
	who: string;
	at: string;
};

/** Table `audit`. */
export type AuditRow = {
	seq: number;
	at: string;
	actor: string;
	action: string;
	matter_id: string | null;
	detail: string;
	prev_hash: string;
	hash: string;
};
