/** Removes what an import made, with what hangs on nothing else. */
import type { Context } from '#server/app/application.ts';
import type { Recorder } from '#server/app/record.ts';
import { one, run } from '#server/db/sql.ts';
import type { Made, Place } from './made.ts';

export function removeMade(ctx: Context, { place, ref }: Made, record: Recorder): void {
	logTakenBack(ctx, { place, ref }, record);
	for (const sql of REMOVE[place]) run(ctx.db, sql, { ref });
}

/** What its matter's logbook said came in is said to be gone. */
function logTakenBack(ctx: Context, { place, ref }: Made, record: Recorder): void {
	if (place !== 'deadline' && place !== 'document') return;
	const { name, matterId } = one<{ name: string; matterId: string }>(ctx.db, ON_MATTER[place], {
		ref
	});
	record.logOn(matterId, place === 'deadline' ? 'date' : 'document', `Taken back: ${name}.`);
}
const ON_MATTER = {
	deadline: 'SELECT title AS name, matter_id AS matterId FROM deadline WHERE id = @ref',
	document:
		"SELECT name || ' ' || number AS name, matter_id AS matterId FROM document WHERE id = @ref"
} as const;

const REMOVE: Readonly<Record<Place, readonly string[]>> = {
	cost_center: ['DELETE FROM cost_center WHERE id = @ref'],
	business_unit: ['DELETE FROM business_unit WHERE id = @ref'],
	event: ['DELETE FROM event WHERE id = @ref'],
	deadline: [
		'DELETE FROM reminder_to WHERE deadline_id = @ref',
		'DELETE FROM reminder WHERE deadline_id = @ref',
		'DELETE FROM date_change WHERE deadline_id = @ref',
		"DELETE FROM search_text WHERE kind IN ('hearing', 'date') AND ref = @ref",
		'DELETE FROM deadline WHERE id = @ref'
	],
	document: [
		"DELETE FROM search_text WHERE kind = 'document' AND ref = @ref",
		'DELETE FROM document_version WHERE document_id = @ref',
		'DELETE FROM document WHERE id = @ref'
	],
	time_entry: ['DELETE FROM time_entry WHERE id = @ref'],
	person: [
		'UPDATE person SET parent_id = NULL WHERE parent_id = @ref',
		'DELETE FROM matter_role WHERE person_id = @ref',
		'DELETE FROM person_name WHERE person_id = @ref',
		'DELETE FROM person_contact WHERE person_id = @ref',
		'DELETE FROM person_category WHERE person_id = @ref',
		'DELETE FROM person WHERE id = @ref'
	],
	matter: [
		"DELETE FROM search_text WHERE kind = 'note' AND matter_id = @ref",
		'DELETE FROM logbook WHERE matter_id = @ref',
		'DELETE FROM matter_role WHERE matter_id = @ref',
		'DELETE FROM matter_member WHERE matter_id = @ref',
		'DELETE FROM matter_fact WHERE matter_id = @ref',
		'DELETE FROM matter_reference WHERE matter_id = @ref',
		'DELETE FROM matter_link WHERE matter_id = @ref',
		'DELETE FROM matter_caution WHERE matter_id = @ref',
		'DELETE FROM pinned WHERE matter_id = @ref',
		'DELETE FROM recent WHERE matter_id = @ref',
		'DELETE FROM split_share WHERE split_id IN (SELECT id FROM split WHERE matter_id = @ref)',
		'DELETE FROM split WHERE matter_id = @ref',
		'DELETE FROM matter WHERE id = @ref'
	]
};
