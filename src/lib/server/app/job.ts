/**
 * Jobs: what the department's server does by itself. Each by itself, each of its rows by itself:
 * one bad row stops no other.
 */
import type { Application } from '#server/app/application.ts';

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
	run(app: Application): Promise<JobReport> | JobReport;
};

/** Does the work for each row; those that fail are told, and the others go on. */
export async function eachRow<Row>(
	rows: readonly Row[],
	idOf: (row: Row) => string,
	work: (row: Row) => number | Promise<number>
): Promise<JobReport> {
	const report: JobReport = { worked: 0, failed: [] };
	for (const row of rows)
		try {
			report.worked += await work(row);
		} catch (error) {
			report.failed.push({ row: idOf(row), error });
		}
	return report;
}
