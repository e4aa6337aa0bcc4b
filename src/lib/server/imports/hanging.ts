/** What hangs on something that an import made: while anything does, it cannot be taken back. */
import { findMatter } from '#server/access/visibility.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { exists, maybeOne } from '#server/db/sql.ts';
import type { Made, Place } from './made.ts';

type Check = {
	/** Is there something? Takes @ref and @batchId. */
	sql: string;
	/** What it is, after the name of what it hangs on. */
	words: string;
};

/** What this import made itself goes with it. */
const notOwn = (column: string) =>
	`NOT EXISTS (
		SELECT 1 FROM import_made own WHERE own.ref = ${column} AND own.batch_id = @batchId
	)`;

/** Rows of other tables that name it in a column, each with what it then is or has. */
const usedIn = (column: string, tables: Readonly<Record<string, string>>): Check[] =>
	Object.entries(tables).map(([table, words]) => ({
		sql: `SELECT 1 FROM ${table} WHERE ${column} = @ref`,
		words
	}));

const HANGING: Readonly<Record<Place, readonly Check[]>> = {
	cost_center: [
		{
			sql: 'SELECT 1 FROM split_share WHERE cost_center_id = @ref',
			words: 'is used in a split'
		},
		{ sql: 'SELECT 1 FROM cost_share WHERE cost_center_id = @ref', words: 'is used in a split' }
	],
	business_unit: [
		{
			sql: `SELECT 1 FROM matter WHERE unit_id = @ref
				UNION ALL SELECT 1 FROM split_share WHERE unit_id = @ref
				UNION ALL SELECT 1 FROM request WHERE unit_id = @ref
				UNION ALL SELECT 1 FROM rate WHERE unit_id = @ref`,
			words: 'has matters, splits, rates or requests'
		},
		{
			sql: `SELECT 1 FROM cost_center WHERE unit_id = @ref AND ${notOwn('cost_center.id')}`,
			words: 'has other cost centers'
		}
	],
	event: [
		{
			sql: `SELECT 1 FROM deadline WHERE event_id = @ref AND ${notOwn('deadline.id')}`,
			words: 'has other dates'
		},
		{ sql: 'SELECT 1 FROM event WHERE id = @ref AND version > 1', words: 'was changed by hand' }
	],
	deadline: [
		{
			sql: `SELECT 1
				FROM deadline
				WHERE id = @ref AND (version > 1 OR checked_by IS NOT NULL OR returned_by IS NOT NULL)`,
			words: 'was checked or changed by hand'
		},
		...usedIn('deadline_id', {
			task: 'has tasks',
			date_document: 'has documents',
			date_exhibit: 'has exhibits',
			date_folder: 'has folders',
			date_mail: 'was sent by mail',
			invitation: 'was sent as an invitation',
			sign_off_date: 'was signed off',
			reconciliation_entry: 'was reconciled',
			escalation: 'was passed on to a supervisor'
		})
	],
	document: [
		...usedIn('document_id', {
			signing_round: 'has a signing round',
			exhibit: 'is an exhibit',
			date_document: 'belongs to a date',
			matter_order: 'is an order',
			paper: 'is a paper that came in'
		}),
		{ sql: 'SELECT 1 FROM event WHERE source_id = @ref', words: 'is the source of an event' },
		{ sql: 'SELECT 1 FROM deadline WHERE moved_document = @ref', words: 'moved a date' },
		{
			sql: 'SELECT 1 FROM document_version WHERE document_id = @ref AND n > 1',
			words: 'has a newer version'
		}
	],
	time_entry: [
		{ sql: 'SELECT 1 FROM cost_line WHERE entry_id = @ref', words: 'is in a cost run' },
		{
			sql: 'SELECT 1 FROM time_entry WHERE id = @ref AND version > 1',
			words: 'was changed by hand'
		}
	],
	person: [
		{
			sql: `SELECT 1 FROM matter_role WHERE person_id = @ref AND ${notOwn('matter_id')}`,
			words: 'has a role on a matter'
		},
		{
			sql: `SELECT 1 FROM person WHERE parent_id = @ref AND ${notOwn('person.id')}`,
			words: 'is the parent of another card'
		},
		{
			sql: 'SELECT 1 FROM person_merge WHERE kept_id = @ref OR gone_id = @ref',
			words: 'was merged'
		},
		{ sql: 'SELECT 1 FROM matter_fact WHERE value = @ref', words: 'is a fact of a matter' },
		{ sql: 'SELECT 1 FROM witness WHERE person_id = @ref', words: 'is a witness' },
		{ sql: 'SELECT 1 FROM person WHERE id = @ref AND version > 1', words: 'was changed by hand' }
	],
	matter: [
		...usedIn('matter_id', {
			event: 'has dates',
			task: 'has tasks',
			document: 'has documents',
			time_entry: 'has time',
			timer: 'has a timer',
			request: 'has a request',
			interest_check: 'has an interest check',
			exhibit: 'has exhibits',
			witness: 'has witnesses',
			mail_out: 'has mail'
		}),
		{
			sql: `SELECT 1 FROM matter WHERE id = @ref AND version > 1
				UNION ALL SELECT 1 FROM matter_relation WHERE a_id = @ref OR b_id = @ref`,
			words: 'was changed by hand'
		},
		{
			sql: `SELECT 1
				FROM logbook l
				WHERE l.matter_id = @ref
					AND l.at > (SELECT coalesce(ended_at, at) FROM import_batch WHERE id = @batchId)`,
			words: 'has new entries in its logbook'
		}
	]
};

/** What hangs on it, in words; null where it may go. */
export function findHanging(ctx: Context, { place, ref }: Made, batchId: string): string | null {
	const found = HANGING[place].find(({ sql }) => exists(ctx.db, sql, { ref, batchId }));
	return found ? `${nameOf(ctx, place, ref)} ${found.words}` : null;
}

const NAMES = {
	cost_center: "SELECT 'cost center ' || code AS name FROM cost_center WHERE id = @ref",
	business_unit: 'SELECT name FROM business_unit WHERE id = @ref',
	person: 'SELECT name FROM person WHERE id = @ref',
	event: 'SELECT text AS name FROM event WHERE id = @ref',
	deadline: 'SELECT title AS name FROM deadline WHERE id = @ref',
	document: 'SELECT number AS name FROM document WHERE id = @ref',
	time_entry: "SELECT 'time of ' || day AS name FROM time_entry WHERE id = @ref"
} as const;

/** A matter that was restricted since is not named to someone outside it. */
function nameOf(ctx: Context, place: Place, ref: string): string {
	if (place === 'matter')
		return findMatter(ctx.db, actingStaff(ctx), { id: ref })?.number ?? 'a matter';
	return maybeOne<{ name: string }>(ctx.db, NAMES[place], { ref })?.name ?? ref;
}
