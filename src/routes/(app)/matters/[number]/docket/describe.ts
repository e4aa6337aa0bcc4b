/** What is said of a date beside its title, and which dates a list shows. */
import { isOccasion, RESULT_WORDS } from '#core/docket/occasion.ts';
import { describeClosed, describeLeft } from '#core/docket/standing.ts';
import type { DeadlineView } from '#server/docket/list.ts';
import { formatDay } from '$lib/ui/format.ts';

const dayOnly = (date: string, today: string): string => formatDay(date, today).slice(4);

function describeState(deadline: DeadlineView, today: string): string {
	const { state, result, outcome, appeared, date, time, closedOn, reason } = deadline;
	if (result)
		return [RESULT_WORDS[result], outcome, reason, appeared && `appeared: ${appeared}`]
			.filter(Boolean)
			.join(', ');
	if (state === 'passed') return 'outcome not entered';
	if (state === 'late')
		return `met late ${closedOn ? formatDay(closedOn, today) : ''}: ${deadline.lateReason}`;
	if (state === 'met')
		return `met ${closedOn ? formatDay(closedOn, today) : ''}${reason ? `, ${reason}` : ''}`;
	if (state === 'vacated') return `${deadline.setAside ? 'set aside' : 'vacated'}: ${reason}`;
	if (state === 'missed') return 'missed';
	if (date === today) return `today${time ? `, ${time}` : ''}`;
	return time ?? '';
}

/** How it stands, what moved it, our own date before it, its short description. */
export function describeDeadline(deadline: DeadlineView, today: string): string {
	const { state, computed, movedHow, internal, short, title, sort, place } = deadline;
	return [
		describeState(deadline, today),
		isOccasion(sort) ? place : '',
		deadline.closed && isDocketed(deadline) ? describeClosed(deadline.closed) : '',
		deadline.left ? describeLeft(deadline.left.gives) : '',
		computed ? `by ${movedHow}, the rule gives ${dayOnly(computed, today)}` : '',
		internal && state === 'docketed' ? `ours ${dayOnly(internal, today)}` : '',
		short && short !== title ? short : ''
	]
		.filter(Boolean)
		.join('; ');
}

/** Docketed, whether its day has passed or not. */
export const isDocketed = ({ state }: Pick<DeadlineView, 'state'>): boolean =>
	state === 'docketed' || state === 'missed' || state === 'passed';

const ONLY: Readonly<Record<string, (deadline: DeadlineView) => boolean>> = {
	proposed: ({ state }) => state === 'proposed',
	docketed: isDocketed,
	unchecked: (deadline) => isDocketed(deadline) && !deadline.checked
};

/** A missed date is still ahead of somebody. */
const WHEN: Readonly<Record<string, (deadline: DeadlineView, today: string) => boolean>> = {
	past: ({ date }, today) => date < today,
	future: ({ date, state }, today) => date >= today || state === 'missed' || state === 'passed'
};

/** The dates of a list by day. */
export const pickDeadlines = (
	deadlines: readonly DeadlineView[],
	{ when, only, today }: { when: string; only: string; today: string }
): DeadlineView[] =>
	deadlines
		.filter(
			(deadline) => (WHEN[when]?.(deadline, today) ?? true) && (ONLY[only]?.(deadline) ?? true)
		)
		.sort((one, other) => one.date.localeCompare(other.date));
