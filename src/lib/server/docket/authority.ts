/**
 * What stands behind the authority of a date: the rule with its words or the place where they can
 * be read, or the paper that set it.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import { capitalize } from '#core/format/words.ts';
import { visible } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { maybeOne } from '#server/db/sql.ts';
import { describeRule } from '#server/rulebooks/describe.ts';
import { bookOnMatter, requireBook, staleWarning } from '#server/rulebooks/shelf.ts';
import { findDeadlineCount, type CountView } from './counts.ts';

export type AuthorityView = {
	id: string;
	title: string;
	date: PlainDate;
	authority: string;
	matterNumber: string;
	matterTitle: string;
	/** The paper that its event or its order comes from. */
	document: { id: string; name: string } | null;
	/** null where no rule of a book sets the date. */
	rule: {
		event: string;
		/** The words of the authority, and where they can be read; empty where the book has none. */
		text: string;
		link: string;
		tags: string[];
		count: string;
		variants: string[];
		note: string;
		bookId: string;
		book: string;
		version: string;
		reviewed: string;
		stale: string | null;
	} | null;
	count: CountView | null;
};

type Row = Omit<AuthorityView, 'document' | 'rule' | 'count'> & {
	matterId: string;
	book: string;
	eventKey: string;
	ruleId: string;
	documentId: string | null;
	documentName: string | null;
};

/** Undefined where the date is not there, or not for this person. */
export function findAuthority(app: Application, me: Staff, id: string): AuthorityView | undefined {
	const row = maybeOne<Row>(
		app.db,
		`SELECT
			d.id, d.title, d.date, d.authority, m.id AS matterId, m.number AS matterNumber,
			m.title AS matterTitle, e.book, e.event_key AS eventKey, d.rule AS ruleId,
			x.id AS documentId, x.name AS documentName
		FROM deadline d
		JOIN event e ON e.id = d.event_id
		JOIN matter m ON m.id = d.matter_id
		LEFT JOIN event o ON o.id = e.schedule_id
		LEFT JOIN document x ON x.id = coalesce(d.moved_document, e.source_id, o.source_id)
		WHERE d.id = @id AND ${visible('m')}`,
		{ id, me: me.id }
	);
	if (!row) return undefined;
	const { matterId, book, eventKey, ruleId, documentId, documentName, ...view } = row;
	return {
		...view,
		document: documentId ? { id: documentId, name: documentName ?? '' } : null,
		rule: book ? findRule(app, matterId, { book, eventKey, ruleId }) : null,
		count: findDeadlineCount(app, me, id) ?? null
	};
}

function findRule(
	app: Application,
	matterId: string,
	{ book: bookId, eventKey, ruleId }: Pick<Row, 'book' | 'eventKey' | 'ruleId'>
): AuthorityView['rule'] {
	const book = bookOnMatter(app, matterId, bookId);
	const event = book.events.get(eventKey);
	const rule = event?.rules.find(({ id }) => id === ruleId);
	if (!event || !rule) return null;
	const { count, variants, note } = describeRule(rule, event, book.method.dayWord);
	const own = requireBook(app, bookId);
	return {
		event: capitalize(event.text),
		text: rule.text ?? '',
		link: rule.link ?? '',
		tags: rule.tags,
		...{ count, variants, note },
		bookId: own.id,
		book: own.title,
		version: own.version,
		reviewed: own.reviewed,
		stale: staleWarning(own, app.clock.today())
	};
}
