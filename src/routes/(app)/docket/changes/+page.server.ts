/**
 * Dates that would change by a new book, an order or a closure, and wait for a decision; by matter.
 */
import { decideChanges, listWaitingChanges, type ChangeView } from '#server/docket/changes.ts';
import { actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';

export function load(event) {
	const changes = listWaitingChanges(event.locals.app, requireAction(event, 'docket.read'));
	return { matters: groupByMatter(changes), total: changes.length };
}

type MatterChanges = { number: string; title: string; changes: ChangeView[] };
function groupByMatter(changes: readonly ChangeView[]): MatterChanges[] {
	const matters = new Map<string, MatterChanges>();
	for (const change of changes) {
		const { matterNumber: number, matterTitle: title } = change;
		const matter = matters.get(number) ?? { number, title, changes: [] };
		matter.changes.push(change);
		matters.set(number, matter);
	}
	return [...matters.values()];
}

export const actions = { decide: actionValue(decideChanges) };
