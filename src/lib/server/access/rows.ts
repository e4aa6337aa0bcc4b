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

/** Table `second_factor`. */
export type SecondFactorRow = {
	id: string;
	staff_id: string;
	sort: 'code' | 'passkey';
	label: string;
	added_at: string;
	used_at: string | null;
	secret: Buffer | null;
	last_step: number;
	credential_id: string | null;
	public_key: Buffer | null;
	counter: number;
	/** Divided by commas. */
	transports: string;
};

/** Table `factor_offer`. */
export type FactorOfferRow = {
	staff_id: string;
	sort: 'code' | 'passkey' | 'sign-in';
	secret: Buffer | null;
	challenge: string | null;
	expires_at: string;
};

/** Table `sign_in_step`. */
export type SignInStepRow = {
	token_hash: string;
	staff_id: string;
	at: string;
	expires_at: string;
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
	/** JSON of `RowChange[]`. */
	changes: string | null;
};
