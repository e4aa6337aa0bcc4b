/**
 * What was done on a matter on a day: what its story tells of is what it stands at now; before that
 * came what matters of its kind begin with.
 */
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import type { Made } from './scene.ts';

type Work = Made['work'];
type Phases = {
	/** In its first weeks. */
	first: Work;
	/** Between those and what the story tells of. */
	middle: Work;
};

/** So many days before today, or before its end, begins what the story tells of. */
const NOW_DAYS = 80;
const FIRST_DAYS = 35;

const DISPUTE: Phases = {
	first: [
		['Read the first papers', 'REVIEW'],
		['Meeting with the business unit about what happened', 'MEET'],
		['Asked for documents to be kept', 'ADVICE'],
		['Call with the insurer', 'CALL']
	],
	middle: [
		['Collected documents from the business unit', 'DISC'],
		['Read documents before they were given', 'DISC'],
		['Research on the law of the claim', 'RESEARCH'],
		['Call with opposing counsel about dates', 'CALL'],
		['Prepared the interview of a witness', 'MEET'],
		['Report to the business unit', 'ADVICE']
	]
};
const AGREEMENT: Phases = {
	first: [
		['Read the first draft', 'REVIEW'],
		['Meeting with the business unit about what it needs', 'MEET'],
		['Drafted the list of open points', 'DRAFT']
	],
	middle: [
		['Redlined the draft', 'DRAFT'],
		['Call with the other side about open points', 'NEGO'],
		['Compared the draft with our standard', 'REVIEW'],
		['Advice to the business unit on a term', 'ADVICE']
	]
};
const STANDING: Phases = {
	first: [
		['Read the file that was handed over', 'REVIEW'],
		['Wrote the list of what is due and when', 'DRAFT']
	],
	middle: [
		['Answered a question of the business unit', 'ADVICE'],
		['Read what came in and filed it', 'REVIEW'],
		['Prepared what was due this quarter', 'DRAFT'],
		['Call about what is due next', 'CALL']
	]
};

const NOTICE: Phases = {
	first: [
		['Read the notice and what is asked', 'REVIEW'],
		['Meeting with the business unit about the facts', 'MEET'],
		['Research on the rules that apply', 'RESEARCH']
	],
	middle: [
		['Call about what is still wanted', 'CALL'],
		['Read what the business unit sent', 'REVIEW'],
		['Drafted an answer to questions', 'DRAFT']
	]
};

const PHASES: Readonly<Record<string, Phases>> = {
	litigation: DISPUTE,
	claims: DISPUTE,
	employment: DISPUTE,
	agreement: AGREEMENT,
	'real-estate': AGREEMENT,
	regulatory: NOTICE,
	trademark: NOTICE
};

export function workOn(made: Made, day: PlainDate, today: PlainDate): Work {
	const end = made.until ?? today;
	if (made.story === null || daysBetween(day, end) <= NOW_DAYS) return made.work;
	const { first, middle } = PHASES[made.kind] ?? STANDING;
	return daysBetween(made.from, day) <= FIRST_DAYS ? first : middle;
}
