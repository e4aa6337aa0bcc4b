/**
 * The docket of a matter: events and the dates they set, what is done with them, and what stands
 * beside: books, orders, reminders.
 */
import { assignDeadlines } from '#server/docket/assign.ts';
import { answerReturn, docketDeadlines } from '#server/docket/deadlines.ts';
import { meetDeadline, vacateDeadline } from '#server/docket/deadlines.ts';
import { addDeadline, bringCalendar } from '#server/docket/by-hand.ts';
import { decideChanges, listWaitingChanges } from '#server/docket/changes.ts';
import { findDeadlineCount } from '#server/docket/counts.ts';
import { listClosedDays } from '#server/docket/days.ts';
import { editDeadline } from '#server/docket/details.ts';
import { listEventChoices, listMatterBookChoices } from '#server/docket/event-choices.ts';
import { enterEvent } from '#server/docket/events.ts';
import { listFeeds, makeFeed, revokeFeed } from '#server/docket/feeds.ts';
import { inviteToDate } from '#server/docket/invitations.ts';
import {
	listDateDocuments,
	listDateExhibits,
	listMatterEvents
} from '#server/docket/matter-docket.ts';
import { moveEvent } from '#server/docket/move-event.ts';
import {
	addMatterBook,
	endOrder,
	layOrder,
	listOrders,
	removeMatterBook
} from '#server/docket/orders.ts';
import { continueHearing, holdHearing, takeOffHearing } from '#server/docket/hearings.ts';
import { markDeadlines } from '#server/docket/mark-deadlines.ts';
import { listWorkingMarks } from '#server/docket/working-marks.ts';
import { judgeLateDeadline } from '#server/docket/met-late.ts';
import { setAsideDeadlines } from '#server/docket/set-aside.ts';
import { bringEventBack, takeBackDeadline, withdrawEvent } from '#server/docket/take-back.ts';
import { followEvent } from '#server/docket/follow.ts';
import { moveDeadline } from '#server/docket/reschedule.ts';
import { findSpan, parseMonth, spanOfDates } from '#server/docket/span.ts';
import { listDateLinks } from '#server/docket/date-links.ts';
import { listMatterMail } from '#server/mail/queries.ts';
import { findPaperFolder, listDocuments, listFolders } from '#server/documents/queries.ts';
import { readCalendarFile } from '#server/calendar/file.ts';
import { action, actionValue, callable } from '#server/http/action.ts';
import { requireAction } from '#server/http/request.ts';
import { muteMatter, setLadder, unmuteMatter } from '#server/reminders/commands.ts';
import { findLadders } from '#server/reminders/ladders.ts';
import { listMatterTasks } from '#server/tasks/queries.ts';

const VIEWS = ['tree', 'list', 'timeline', 'month'] as const;
const WHEN = ['future', 'past', 'all'] as const;

export async function load(event) {
	const me = requireAction(event, 'docket.read');
	const { caption } = await event.parent();
	const { app } = event.locals;
	const params = event.url.searchParams;
	const today = app.clock.today();
	const events = listMatterEvents(app, me, caption.id);
	const view = VIEWS.find((name) => name === params.get('view')) ?? 'tree';
	const dates = events.flatMap(({ date, deadlines }) => [
		date,
		...deadlines.map((due) => due.date)
	]);
	const next = [...dates].sort().find((date) => date >= today) ?? today;
	const month = parseMonth(params.get('month')) ?? next.slice(0, 7);
	const { from, to } =
		view === 'month' ? findSpan('month', { month, today }) : spanOfDates(dates, today);
	const drawn = view === 'timeline' || view === 'month';
	const named = params.get('deadline') ?? '';
	const feeds = listFeeds(app, me);
	return {
		events,
		/**
		 * The count of the date in the address; those of the others are asked for when they are opened.
		 */
		named: named ? { id: named, count: findDeadlineCount(app, me, named) ?? null } : null,
		view,
		when: WHEN.find((name) => name === params.get('when')) ?? 'future',
		month,
		from,
		to,
		closed: drawn ? listClosedDays(app, caption.rulebook, from, to) : {},
		tasks: listMatterTasks(app, me, caption.id).filter(
			({ state, hangs }) => state === 'open' && hangs
		).length,
		...listEventChoices(app, caption),
		...listMatterBookChoices(app, caption),
		documents: listDocuments(app, me, { matterId: caption.id }).rows.map(
			({ id, name, number }) => ({
				id,
				name,
				number
			})
		),
		paperFolder: findPaperFolder(app, caption),
		papers: listDateDocuments(app, caption.id),
		exhibits: listDateExhibits(app, caption.id),
		links: listDateLinks(app, caption.id),
		mails: listMatterMail(app, caption.id),
		folders: listFolders(app, caption),
		workingMarks: listWorkingMarks(app),
		orders: listOrders(app, me, caption.id),
		changes: listWaitingChanges(app, me, caption.id),
		ladder: findLadders(app, me, caption),
		feed:
			feeds.find(
				({ sort, matterNumber }) => sort === 'matter' && matterNumber === caption.number
			) ?? null
	};
}

const lookInto = callable({ action: 'docket.enter', ...readCalendarFile });

export const actions = {
	enter: action(enterEvent, { done: ({ docketed }) => ({ docketed }) }),
	hand: action(addDeadline),
	ics: actionValue(lookInto),
	bring: actionValue(bringCalendar),
	docket: actionValue(docketDeadlines),
	answer: action(answerReturn),
	meet: action(meetDeadline),
	vacate: action(vacateDeadline),
	shift: actionValue(moveDeadline),
	follow: action(followEvent),
	judge: action(judgeLateDeadline),
	back: actionValue(takeBackDeadline),
	withdraw: action(withdrawEvent),
	unwithdraw: action(bringEventBack),
	aside: action(setAsideDeadlines),
	assign: action(assignDeadlines),
	mark: action(markDeadlines),
	hold: action(holdHearing),
	off: action(takeOffHearing),
	continue: action(continueHearing),
	edit: actionValue(editDeadline),
	invite: action(inviteToDate),
	move: actionValue(moveEvent),
	decide: actionValue(decideChanges),
	order: actionValue(layOrder),
	endOrder: actionValue(endOrder),
	addBook: action(addMatterBook),
	removeBook: action(removeMatterBook),
	ladder: action(setLadder),
	mute: action(muteMatter),
	unmute: action(unmuteMatter),
	feed: actionValue(makeFeed, { input: () => ({ sort: 'matter' }) }),
	revoke: action(revokeFeed)
};
