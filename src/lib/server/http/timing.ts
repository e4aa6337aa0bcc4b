/** What a request's SQL took, for whoever measures: `KITE_TIMING=1` makes the server say it. */
import { sqlTime } from '#server/db/sql.ts';

/** Begins to measure; what it gives adds the header `Server-Timing` to the response. */
export function startTiming(): (response: Response) => void {
	if (process.env.KITE_TIMING !== '1') return () => undefined;
	const before = sqlTime();
	return (response) =>
		response.headers.set('Server-Timing', `sql;dur=${(sqlTime() - before).toFixed(1)}`);
}
