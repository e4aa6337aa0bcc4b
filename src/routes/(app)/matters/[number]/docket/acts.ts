/** What can be done with one date, and what each of these forms is given. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { DeadlineView } from '#server/docket/list.ts';

export type DateAct =
	| 'meet'
	| 'vacate'
	| 'shift'
	| 'hold'
	| 'continue'
	| 'off'
	| 'back'
	| 'judge'
	| 'assign'
	| 'edit'
	| 'answer'
	| 'invite';

export type Exhibit = { id: string; number: string; title: string; dates: string[] };

export type DateActProps = {
	deadline: DeadlineView;
	/** The matter's documents. */
	documents: { id: string; name: string }[];
	/** The open dates that hang on the same event. */
	hanging: readonly DeadlineView[];
	/** Those that were vacated when this hearing was taken off. */
	went: readonly DeadlineView[];
	today: string;
	/** A hearing gets a new day: its event is moved. */
	onmove: () => void;
	ondone: (result: Record<string, unknown>) => void;
};

/** An event whose day is changed, as its form begins. */
export type MovedEvent = {
	id: string;
	text: string;
	name: string;
	date: PlainDate;
	version: number;
	ahead: string | null;
	time: string | null;
	service: string | null;
	given: Record<string, string>;
};

/** What its book asks of it. */
export type MovedChoice = {
	served: boolean;
	timed: boolean;
	questions: {
		id: string;
		ask: string;
		kind: 'choice' | 'date';
		options?: { id: string; label: string }[] | undefined;
		if?: Record<string, string> | undefined;
	}[];
};
