/** A deadline as it is proposed; the steps of its count are worked out when they are asked for. */
import type { PlainDate } from '../dates/plain.ts';
import type { Step } from './trace.ts';

export type Proposal = {
	readonly rule: string;
	readonly title: string;
	readonly authority: string;
	readonly act: 'file' | 'serve';
	readonly date: PlainDate;
	readonly time: string | null;
	/** An early warning of the department's; not from law. */
	readonly suggested: boolean;
	/** The book whose rule it is: one of the layers. */
	readonly book: string;
	/** Who does it, where the book says. */
	readonly owner: string | null;
	/** Its steps, worked out when they are asked for. */
	readonly trace: Step[];
};
/** A day that was counted. */
export type Value = { date: PlainDate; time: string | null; trace: () => Step[] };

export class Proposed implements Proposal {
	readonly rule: string;
	readonly title: string;
	readonly authority: string;
	readonly act: 'file' | 'serve';
	readonly date: PlainDate;
	readonly time: string | null;
	readonly suggested: boolean;
	readonly book: string;
	readonly owner: string | null;
	readonly #steps: () => Step[];
	#trace: Step[] | undefined;
	constructor(
		of: Pick<Proposal, 'rule' | 'title' | 'authority' | 'act' | 'suggested' | 'book' | 'owner'>,
		value: Value
	) {
		this.rule = of.rule;
		this.title = of.title;
		this.authority = of.authority;
		this.act = of.act;
		this.suggested = of.suggested;
		this.book = of.book;
		this.owner = of.owner;
		this.date = value.date;
		this.time = value.time;
		this.#steps = value.trace;
	}
	get trace(): Step[] {
		return (this.#trace ??= this.#steps());
	}
}
