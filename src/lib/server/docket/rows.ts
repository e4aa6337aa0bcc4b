/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Result, Sort } from '#core/docket/occasion.ts';

/** Table `event`. */
export type EventRow = {
	id: string;
	matter_id: string;
	event_key: string;
	text: string;
	name: string;
	book: string;
	book_version: string;
	date: PlainDate;
	time: string | null;
	service: string | null;
	answers: string;
	ahead: string | null;
	entered_by: string;
	entered_at: string;
	version: number;
	source_id: string | null;
	place: string;
	link: string;
	/** Entered by mistake. */
	withdrawn_by: string | null;
	withdrawn_at: string | null;
	withdrawn_reason: string;
	/** The scheduling order whose table set it. */
	schedule_id: string | null;
};

/** Table `deadline`. */
export type DeadlineRow = {
	id: string;
	matter_id: string;
	event_id: string;
	rule: string;
	title: string;
	authority: string;
	act: 'file' | 'serve';
	suggested: 0 | 1;
	state: 'proposed' | 'docketed' | 'met' | 'vacated';
	date: PlainDate;
	time: string | null;
	trace: string;
	book: string;
	book_version: string;
	docketed_by: string | null;
	docketed_at: string | null;
	checked_by: string | null;
	checked_at: string | null;
	closed_by: string | null;
	closed_at: string | null;
	closed_on: PlainDate | null;
	reason: string;
	version: number;
	computed: PlainDate | null;
	moved_how: 'order' | 'agreement' | null;
	moved_reason: string;
	moved_document: string | null;
	moved_by: string | null;
	moved_at: string | null;
	/** The day from which an order or agreement counted, how many days ("+14cd"), and that count. */
	move_from: PlainDate | null;
	move_count: string | null;
	move_trace: string | null;
	internal: PlainDate | null;
	hand_time: string | null;
	place: string;
	link: string;
	short: string;
	long: string;
	returned_by: string | null;
	returned_at: string | null;
	returned_reason: string;
	ladder: string | null;
	/**
	 * Who left it where it stood when its event or a book changed, and the day the rule gives
	 * instead: null where none sets it any more.
	 */
	left_by: string | null;
	left_at: string | null;
	left_reason: string;
	rule_gives: PlainDate | null;
	/** What it is; hearings and their like are held, taken off or continued. */
	sort: Sort;
	result: Result | null;
	outcome: string;
	appeared: string;
	/** Of a date met after its day: why, and who gave the second word on it. */
	late_reason: string;
	late_by: string | null;
	late_at: string | null;
	late_word: string;
	/** A proposal that was decided against. */
	set_aside: 0 | 1;
	/** Whose it is, and who stands in: null where the matter's people are. */
	assignee_id: string | null;
	stand_in_id: string | null;
	/** Of a proposal: when somebody was told that it has waited too long. */
	undecided_told_at: string | null;
	/** A word of the department's own on it. */
	working_mark_id: string | null;
};

/** Table `closure`. */
export type ClosureRow = {
	id: string;
	book: string;
	date: PlainDate;
	kind: 'holiday' | 'office';
	name: string;
};

/** Table `counted_book`. */
export type CountedBookRow = {
	book: string;
	/** As it was when the dates were last counted by it. */
	version: string;
	counted_at: string;
};

/** Table `matter_book`. */
export type MatterBookRow = {
	matter_id: string;
	book: string;
};

/** Table `matter_order`. */
export type MatterOrderRow = {
	id: string;
	matter_id: string;
	book: string;
	sort: 'standing order' | 'scheduling order';
	title: string;
	dated: PlainDate;
	document_id: string | null;
	rules: string;
	made_by: string;
	made_at: string;
	ended_at: string | null;
	ended_reason: string;
	/** The scheduling order whose table says so. */
	schedule_id: string | null;
};

/** Table `date_change`. */
export type DateChangeRow = {
	id: string;
	matter_id: string;
	event_id: string;
	deadline_id: string | null;
	rule: string;
	title: string;
	cause: 'book' | 'closure' | 'order';
	why: string;
	was: PlainDate | null;
	becomes: PlainDate | null;
	becomes_time: string | null;
	trace: string;
	authority: string;
	act: string;
	book_version: string;
	state: 'waits' | 'applied' | 'left' | 'replaced';
	made_at: string;
	decided_by: string | null;
	decided_at: string | null;
	reason: string;
};

/** Table `date_document`. */
export type DateDocumentRow = {
	deadline_id: string;
	document_id: string;
	role: 'proof' | 'linked';
};

/** Table `date_exhibit`. */
export type DateExhibitRow = {
	deadline_id: string;
	exhibit_id: string;
};

/** Table `date_mail`. */
export type DateMailRow = {
	deadline_id: string;
	mail_id: string;
};

/** Table `date_folder`. */
export type DateFolderRow = {
	deadline_id: string;
	folder: string;
};

/** Table `working_mark`. */
export type WorkingMarkRow = {
	id: string;
	label: string;
	position: number;
	/** Not offered any more. */
	retired: 0 | 1;
};

/** Table `feed`. */
export type FeedRow = {
	id: string;
	digest: string;
	sort: 'person' | 'matter' | 'department';
	matter_id: string | null;
	staff_id: string;
	made_at: string;
	revoked_at: string | null;
	read_at: string | null;
};

/** Table `invitation`. */
export type InvitationRow = {
	id: string;
	deadline_id: string;
	name: string;
	email: string;
	words: string;
	sent_by: string;
	sent_at: string;
	said: string;
};
