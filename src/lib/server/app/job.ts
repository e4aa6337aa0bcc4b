/**
 * Jobs: what the department's server does by itself. Each by itself, each of its rows by itself:
 * one bad row stops no other.
 */
import type { Application } from './application.ts';
import { pause } from './pause.ts';

type Failed = { row: string; error: unknown };
/** What a job tells of one pass. */
export type JobReport = {
	/** How many rows it worked off: mails sent, rounds sealed. */
	worked: number;
	failed: Failed[];
};

export type Job = {
	/** Its key in the table of jobs. */
	readonly name: string;
	/** What it does, for people: "Reminders of dates". */
	readonly label: string;
	/** From this hour on where the department is, once a day; otherwise with every pass. */
	readonly hour?: number;
	/** @param held rows to leave out: settled by somebody, or tried only a moment ago */
	run(app: Application, held?: ReadonlySet<string>): Promise<JobReport> | JobReport;
	/** Whose a row is, so that they are told where it fails again and again. */
	concernOf?(app: Application, row: string): Concern | undefined;
	/** Of a job that does not reach every row in a pass: whether one still waits. */
	isWaiting?(app: Application, row: string): boolean;
};

/** What was to be done with a row, and whom it concerns. */
export type Concern = {
	/** In words: "The seal of “Lease”". */
	what: string;
	/** Where it belongs: a path of this application. */
	path: string;
	matterId: string | null;
	staffId: string | null;
};

/** So many milliseconds of work at once; then whatever else waits goes first. */
const AT_ONCE = 10;

/**
 * Does the work for each row; those that fail are told, and the others go on. However many there
 * are, nobody waits for them.
 */
export async function eachRow<Row>(
	rows: Iterable<Row>,
	idOf: (row: Row) => string,
	work: (row: Row) => number | Promise<number>,
	held?: ReadonlySet<string>
): Promise<JobReport> {
	const report: JobReport = { worked: 0, failed: [] };
	let since = performance.now();
	for (const row of rows) {
		if (held?.has(idOf(row))) continue;
		try {
			report.worked += await work(row);
		} catch (error) {
			report.failed.push({ row: idOf(row), error });
		}
		if (performance.now() - since < AT_ONCE) continue;
		await pause();
		since = performance.now();
	}
	return report;
}
