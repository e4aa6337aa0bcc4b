/** Every command of the docket, in one place to import from. */
export {
	addDate,
	bringCalendar,
	enterEvent,
	moveEvent,
	movesOf,
	proposals,
	type Move
} from './events.ts';
export {
	answerReturn,
	checkDeadline,
	docketDeadline,
	dropLeave,
	editDeadline,
	meetDeadline,
	moveDeadline,
	returnDeadline,
	setLeave,
	vacateDeadline
} from './deadlines.ts';
export { addClosure, decideChanges, dropClosure } from './changes.ts';
export { endOrder, layOrder, setMatterBook } from './orders.ts';
export { newTimeline, saveBook } from './bookshelf.ts';
export { inviteToDate, makeFeed, revokeFeed } from './feeds.ts';
export { mailReport } from './report.ts';
export { closuresOf, hangingDue } from './shared.ts';
