/** What a form of a book does with its rows: begins them empty, names them, lets others follow. */
import {
	readDeadline,
	readEvent,
	readExample,
	readQuestion,
	readReplace,
	readSuggestion,
	readVariant,
	type FormDeadline,
	type FormEvent,
	type FormExample,
	type FormQuestion,
	type FormReplace,
	type FormSuggestion,
	type FormVariant
} from './book-form.ts';
import { slugOf } from './slug.ts';
import type { WrittenCount } from './written-count.ts';

/** A row as the form begins it: everything empty. */
export const emptyEvent = (): FormEvent => readEvent({});
export const emptyDeadline = (): FormDeadline => readDeadline({ act: 'file' });
export const emptyVariant = (): FormVariant => readVariant({});
export const emptyExample = (): FormExample => readExample({});
export const emptyReplace = (): FormReplace => readReplace({});
export const emptySuggestion = (): FormSuggestion => readSuggestion({});
export const emptyQuestion = (id: string): FormQuestion =>
	readQuestion({
		id,
		kind: 'choice',
		options: [
			{ id: 'yes', say: 'yes' },
			{ id: 'no', say: 'no' }
		]
	});

/** The count with another name for the date it starts from, wherever in it that is. */
function renameStart(count: WrittenCount, from: string, to: string): WrittenCount {
	if (count.kind === 'unread') return count;
	if (count.kind === 'earlier' || count.kind === 'later')
		return { ...count, of: count.of.map((part) => renameStart(part, from, to)) };
	const renamed = { ...count, from: count.from === from ? to : count.from };
	return renamed.kind === 'count' && renamed.of
		? { ...renamed, of: renameStart(renamed.of, from, to) }
		: renamed;
}

/** Lets everything on the event that hangs on a date follow the date's new id. */
export function renameDeadline(event: FormEvent, from: string, to: string): void {
	const start = `deadline:${from}`;
	const renamed = `deadline:${to}`;
	for (const deadline of event.deadlines) {
		deadline.count = renameStart(deadline.count, start, renamed);
		for (const variant of deadline.variants)
			variant.count = renameStart(variant.count, start, renamed);
	}
	for (const suggestion of event.suggestions) if (suggestion.of === from) suggestion.of = to;
}

/** The ids of an event's dates as the engine gives them: the same words twice get -2. */
export function deadlineIds({ deadlines }: Pick<FormEvent, 'deadlines'>): string[] {
	const ids: string[] = [];
	for (const { title } of deadlines) {
		let id = slugOf(title);
		while (ids.includes(id)) id += '-2';
		ids.push(id);
	}
	return ids;
}
