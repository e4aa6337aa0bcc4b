/**
 * Whether the server is well: the database answers, and no job fails. It tells no more than names
 * of jobs.
 */
import { json } from '@sveltejs/kit';
import { listJobStates } from '#server/jobs/state.ts';

export function GET({ locals }) {
	const failing = listJobStates(locals.app).filter(({ error }) => error !== null);
	return json({
		ok: true,
		failingJobs: failing.map(({ name, errorAt }) => ({ name, since: errorAt }))
	});
}
