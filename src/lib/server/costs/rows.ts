/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */
import type { PlainDate } from '#core/dates/plain.ts';

/** Table `rate`. */
export type RateRow = {
	id: string;
	staff_id: string | null;
	level: string | null;
	matter_id: string | null;
	unit_id: string | null;
	from_day: PlainDate;
	cents_per_hour: number;
};

/** Table `split`. */
export type SplitRow = {
	id: string;
	matter_id: string;
	from_day: PlainDate;
};

/** Table `split_share`. */
export type SplitShareRow = {
	split_id: string;
	position: number;
	unit_id: string;
	cost_center_id: string | null;
	share: number;
};

/** Table `cost_run`. */
export type CostRunRow = {
	id: string;
	number: string | null;
	period_from: PlainDate;
	period_to: PlainDate;
	cut_off: PlainDate;
	state: 'draft' | 'awaiting approval' | 'approved' | 'reversed' | 'discarded';
	made_by: string;
	made_at: string;
	approved_by: string | null;
	approved_at: string | null;
	reversed_by: string | null;
	reversed_at: string | null;
	reason: string;
};

/** Table `cost_line`. */
export type CostLineRow = {
	id: string;
	run_id: string;
	entry_id: string;
	matter_id: string;
	minutes: number;
	cents_per_hour: number;
	rate_say: string;
	cents: number;
	late: 0 | 1;
	holds: 1 | null;
};

/** Table `cost_share`. */
export type CostShareRow = {
	line_id: string;
	position: number;
	unit_id: string;
	cost_center_id: string | null;
	share: number;
	cents: number;
};

/** Table `cost_statement`. */
export type CostStatementRow = {
	run_id: string;
	unit_id: string;
	sha256: string;
	made_at: string;
};
