/**
 * Whose a date is: its responsible person and a stand-in, by default those of the matter. Who holds
 * it today is derived (`date_people`): the stand-in, while the other is away or gone.
 */
import { listTeam } from '#server/access/team.ts';
import { onTeam } from '#server/access/visibility.ts';
import type { Application } from '#server/app/application.ts';
import { one } from '#server/db/sql.ts';
import type { Recipient } from '#server/mail/queue.ts';
import { findColleague } from '#server/staff/queries.ts';

/**
 * A condition on a date and its matter: someone is on the matter, or the date is theirs. What may
 * be seen at all is asked beside it.
 */
export const concerns = (deadline: string, matter: string, who = '@me'): string =>
	`(
		${onTeam(matter, who)}
		OR (
			${matter}.restricted = 0
			AND (${deadline}.assignee_id = ${who} OR ${deadline}.stand_in_id = ${who})
		)
	)`;

/**
 * A condition on a date (`d`), its matter (`m`) and its people (`p`): it is somebody's, or
 * they hold it today for another. Whose it cannot be is passed over before its people are looked
 * up.
 */
export const heldBy = (who: string): string =>
	`(
		d.assignee_id = ${who}
		OR d.stand_in_id = ${who}
		OR m.responsible_id = ${who}
		OR m.stand_in_id = ${who}
	)
	AND (p.assignee_id = ${who} OR p.holder_id = ${who})`;

type DatePeople = {
	assigneeId: string;
	standInId: string | null;
	/** Who sees to it today. */
	holderId: string;
};
const findDatePeople = ({ db }: Pick<Application, 'db'>, deadlineId: string): DatePeople =>
	one(
		db,
		`SELECT assignee_id AS assigneeId, stand_in_id AS standInId, holder_id AS holderId
		FROM date_people
		WHERE deadline_id = @deadlineId`,
		{ deadlineId }
	);

/** Everyone who is told of a date: the team of its matter, and whose it is beside them. */
export function listTold(
	app: Pick<Application, 'db'>,
	{ id, matterId }: { id: string; matterId: string }
): (Recipient & { id: string })[] {
	const team = listTeam(app.db, matterId);
	const { assigneeId, standInId } = findDatePeople(app, id);
	const others = [assigneeId, standInId].flatMap((staffId) => {
		const colleague = staffId === null ? undefined : findColleague(app, staffId);
		return colleague && team.every((member) => member.id !== colleague.id) ? [colleague] : [];
	});
	return [...team, ...others];
}
