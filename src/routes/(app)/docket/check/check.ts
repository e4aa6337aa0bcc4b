/** Which dates of a sheet the viewer may check, and which can be confirmed as they stand. */
import type { CheckItem } from '#server/docket/matter-docket.ts';

/** It waits for a second person, and that can be the viewer. */
export const waitsFor = (
	{ state, checked, docketedById, returnedBy }: CheckItem,
	staffId: string
): boolean =>
	(state === 'docketed' || state === 'missed' || state === 'passed') &&
	!checked &&
	docketedById !== staffId &&
	returnedBy === null;

/** It stands where its rule, or the order that moved it, puts it. */
export const agrees = ({ left, byHand, fresh, move }: CheckItem): boolean =>
	!left && (byHand || fresh?.same === true) && (move === null || move.same);

export const mayConfirm = (item: CheckItem, staffId: string): boolean =>
	waitsFor(item, staffId) && agrees(item);

/** It can be confirmed among others: nothing that its rule asks was left open. */
export const mayConfirmUnread = (item: CheckItem, staffId: string): boolean =>
	mayConfirm(item, staffId) && item.unanswered.length === 0;
