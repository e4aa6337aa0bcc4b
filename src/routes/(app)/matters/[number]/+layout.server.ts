/** What every room of a matter shows: its caption, its kind, its rulebook. */
import { notThere, requireAction } from '#server/http/request.ts';
import { requireKind } from '#server/kinds/queries.ts';
import { findCaption } from '#server/matters/caption.ts';
import { noteSeen } from '#server/matters/queries.ts';
import { bookOnMatter } from '#server/rulebooks/shelf.ts';

export function load(event) {
	const me = requireAction(event, 'matter.read');
	const { app } = event.locals;
	const caption = findCaption(app, me, event.params.number);
	if (!caption) return notThere('matter');
	noteSeen(app, me, caption.id);
	const { name, retentionYears, stages, endings } = requireKind(app, caption.kind);
	const book = caption.rulebook ? bookOnMatter(app, caption.id, caption.rulebook) : null;
	return {
		caption,
		kind: { name, retentionYears, stages, endings },
		book: book && {
			id: book.id,
			title: book.title,
			short: book.short,
			reviewed: book.reviewed
		}
	};
}
