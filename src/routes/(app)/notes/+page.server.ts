/** One's own notes and reminders, those that belong to no matter. */
import { action } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { finishMemo, removeMemo, writeMemo } from '#server/memos/commands.ts';
import { listOwnMemos } from '#server/memos/queries.ts';

export function load(event) {
	const me = requireAction(event, 'memo.own');
	return { memos: listOwnMemos(event.locals.app, me) };
}

export const actions = {
	write: action(writeMemo),
	finish: action(finishMemo),
	remove: action(removeMemo)
};
