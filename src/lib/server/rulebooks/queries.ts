/** The books of the house and their versions, as their screens show them. */
import type { BookFile } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';
import type { BookVersionRow } from './rows.ts';
import { shelfOf, shippedShelf, shippedYaml, staleWarning } from './shelf.ts';

export type BookView = {
	id: string;
	title: string;
	short: string;
	sort: BookFile['sort'];
	version: string;
	reviewed: string;
	stale: string | null;
	events: number;
	rules: number;
	layers: string[];
	/** Made here, not shipped. */
	own: boolean;
	versions: number;
	matters: number;
};

/**
 * Every book of the house. The matters counted are those that stand under it and may be seen by
 * everyone.
 */
export function listBookViews(app: Application): BookView[] {
	const shelf = shelfOf(app);
	const versions = countBy(
		app,
		'SELECT book AS name, max(n) AS count FROM book_version GROUP BY book'
	);
	const matters = countBy(
		app,
		`SELECT rulebook AS name, count(*) AS count
		FROM (
			SELECT rulebook
			FROM matter
			WHERE rulebook IS NOT NULL AND status <> 'closed' AND restricted = 0
			UNION ALL
			SELECT b.book
			FROM matter_book b
			JOIN matter m ON m.id = b.matter_id
			WHERE m.status <> 'closed' AND m.restricted = 0
		)
		GROUP BY rulebook`
	);
	return shelf.ids().map((id) => {
		const book = shelf.book(id);
		const events = [...book.events.values()];
		return {
			id,
			title: book.title,
			short: book.short,
			sort: book.sort,
			version: shelf.files.get(id)?.version ?? '',
			reviewed: book.reviewed,
			stale: staleWarning(book, app.clock.today()),
			events: book.events.size,
			rules: events.reduce((sum, event) => sum + event.rules.length, 0),
			layers: book.layers,
			own: !shippedShelf().files.has(id),
			versions: versions.get(id) ?? 0,
			matters: matters.get(id) ?? 0
		};
	});
}

const countBy = ({ db }: Application, sql: string): Map<string, number> =>
	new Map(all<{ name: string; count: number }>(db, sql).map(({ name, count }) => [name, count]));

/** The text of a version, and who saved it; of version 0, the shipped one. */
export function findVersion(
	{ db }: Pick<Application, 'db'>,
	book: string,
	n: number
): { yaml: string; by: string } | undefined {
	if (n === 0)
		return shippedShelf().files.has(book) ? { yaml: shippedYaml(book), by: '' } : undefined;
	return maybeOne(
		db,
		`SELECT v.yaml, s.name AS "by"
		FROM book_version v
		JOIN staff s ON s.id = v.saved_by
		WHERE v.book = @book AND v.n = @n`,
		{ book, n }
	);
}

export type BookText = { yaml: string; n: number };

/**
 * A book's text: the version asked for, or as it stands.
 * @param n 0 is the shipped file; undefined is the department's last version, or else the shipped
 * file
 */
export function findBookText(app: Application, book: string, n?: number): BookText | undefined {
	const saved =
		n === 0
			? undefined
			: maybeOne<BookText>(
					app.db,
					`SELECT yaml, n
					FROM book_version
					WHERE book = @book AND (@n IS NULL OR n = @n)
					ORDER BY n DESC
					LIMIT 1`,
					{ book, n: n ?? null }
				);
	if (saved) return saved;
	const shipped = (n ?? 0) === 0 && shippedShelf().files.has(book);
	return shipped ? { yaml: shippedYaml(book), n: 0 } : undefined;
}

export type VersionView = Pick<BookVersionRow, 'n' | 'reason' | 'reviewed'> & {
	by: string;
	at: string;
};
/** The versions of a book that were saved here, the newest first. */
export const listBookVersions = (app: Application, book: string): VersionView[] =>
	all(
		app.db,
		`SELECT v.n, v.reason, s.name AS by, v.saved_at AS at, v.reviewed
		FROM book_version v
		JOIN staff s ON s.id = v.saved_by
		WHERE v.book = @book
		ORDER BY v.n DESC`,
		{ book }
	);
