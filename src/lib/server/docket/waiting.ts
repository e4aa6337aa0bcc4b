/** The changes that wait for a decision, as a new count is held against them. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';

export type WaitingChange = {
	eventId: string;
	rule: string;
	title: string;
	/** null where the date would be taken off. */
	becomes: PlainDate | null;
	becomesTime: string | null;
};

/** Every change that waits, by its event. */
export function listWaitingByEvent({
	db
}: Pick<Application, 'db'>): ReadonlyMap<string, WaitingChange[]> {
	const byEvent = new Map<string, WaitingChange[]>();
	const changes = all<WaitingChange>(
		db,
		`SELECT event_id AS eventId, rule, title, becomes, becomes_time AS becomesTime
		FROM date_change
		WHERE state = 'waits'`
	);
	for (const change of changes)
		byEvent.set(change.eventId, [...(byEvent.get(change.eventId) ?? []), change]);
	return byEvent;
}

/** The dates that somebody left where they stand, with what the rule gave then; null where none. */
export function listLeft({ db }: Pick<Application, 'db'>): ReadonlyMap<string, PlainDate | null> {
	const left = all<{ id: string; gives: PlainDate | null }>(
		db,
		'SELECT id, rule_gives AS gives FROM deadline WHERE left_by IS NOT NULL'
	);
	return new Map(left.map(({ id, gives }) => [id, gives]));
}
