/** The interest check, in a worker. */
import { task } from '../app/task.ts';
import type { InterestFinding, InterestQuery } from './report.ts';

export const interestTask = task({
	name: 'check interest',
	lane: 'answers',
	seconds: 30,
	tooMuch: 'Checking these names takes too long. Check fewer at once.',
	run: async (query: InterestQuery, { db }): Promise<InterestFinding> =>
		(await import('./report.ts')).makeInterestReport(db, query)
});
