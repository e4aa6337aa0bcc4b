/** Paper in: what came and is not docketed yet, and the one that is opened with its matter. */
import { listLikelyEvents } from '#core/papers/read-paper.ts';
import { findMatter } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { listEventChoices } from '#server/docket/event-choices.ts';
import { listFolders } from '#server/documents/queries.ts';
import { action, actionValue } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { docketPaper, handPaper, receivePapers, setPaperAside } from '#server/papers/commands.ts';
import { listWaitingPapers, viewPaper, type PaperView } from '#server/papers/queries.ts';

export function load(event) {
	const me = requireAction(event, 'docket.read');
	const { app } = event.locals;
	const params = event.url.searchParams;
	const queue = listWaitingPapers(app, me);
	const wanted = params.get('paper');
	const first = queue.find(({ holderId }) => holderId === me.id) ?? queue[0];
	const paper = viewPaper(app, me, wanted ?? first?.id ?? '') ?? null;
	const number = params.get('matter') ?? paper?.matterNumber ?? '';
	return {
		queue,
		paper,
		isWanted: wanted !== null,
		lost: wanted !== null && !paper,
		entry: paper && number ? entryOn(app, me, number, paper) : null,
		wantedMatter: number
	};
}

/** What can be entered on the matter, with what the paper looks like; of a closed one nothing. */
function entryOn(app: Application, me: Staff, number: string, paper: PaperView) {
	const matter = findMatter(app.db, me, { number });
	if (!matter || matter.status === 'closed') return null;
	const { choices, services } = listEventChoices(app, matter);
	const likely = listLikelyEvents(`${paper.fileName} ${paper.text}`, choices);
	return {
		matter: { id: matter.id, number: matter.number, title: matter.title },
		folders: listFolders(app, matter),
		choices,
		services,
		likely: likely.map(({ id, text }) => ({ id, text }))
	};
}

export const actions = {
	receive: actionValue(receivePapers),
	docket: actionValue(docketPaper),
	hand: action(handPaper),
	aside: action(setPaperAside)
};
