/** What an event would set, asked for while it is typed; only the newest answer counts. */
import { askServer } from '$lib/ui/ask.ts';
import type { ProposalView } from '#server/docket/events.ts';

type Answer = {
	deadlines?: ProposalView[];
	left?: { title: string; reason: string }[];
	warnings?: string[];
	errors?: Record<string, string>;
};
/** So long nobody has typed. */
const PAUSE_MS = 160;

export class EventPreview {
	proposals = $state<ProposalView[]>([]);
	/** Those that cannot be counted, and why. */
	left = $state<{ title: string; reason: string }[]>([]);
	/** What there is to say against a day that somebody set. */
	warnings = $state<string[]>([]);
	faults = $state<Record<string, string>>({});
	/** Rules that will be docketed, and the one whose count is open. */
	chosen = $state<string[]>([]);
	shown = $state('');
	looking = $state(false);
	/** Why there is no answer, where that is not for what was typed. */
	unreached = $state('');
	#asked = 0;
	/** What was ticked or not, by rule, of one event: it outlasts a day that was mistyped. */
	#of = '';
	#ticked = new Map<string, boolean>();

	clear(): void {
		this.#asked++;
		this.#remember();
		this.proposals = [];
		this.left = [];
		this.warnings = [];
		this.faults = {};
		this.unreached = '';
		this.looking = false;
	}

	/** Another event begins. */
	forget(): void {
		this.clear();
		this.#ticked.clear();
		this.#of = '';
	}

	/** Asks when nobody has typed for a moment; gives what takes the question back. */
	ask(question: { eventKey: string }): () => void {
		if (question.eventKey !== this.#of) this.forget();
		this.#of = question.eventKey;
		const mine = ++this.#asked;
		this.looking = true;
		const wait = setTimeout(async () => {
			const asked = await askServer<Answer>('/api/preview/event', question);
			if (mine !== this.#asked) return;
			this.looking = false;
			this.unreached = asked.ok || Object.keys(asked.errors).length ? '' : asked.message;
			this.#take(asked.ok ? asked.value : { errors: asked.errors });
		}, PAUSE_MS);
		return () => clearTimeout(wait);
	}

	#remember(): void {
		for (const { rule } of this.proposals) this.#ticked.set(rule, this.chosen.includes(rule));
	}
	/** What was chosen stays so; what is new is chosen where a rule, and no suggestion, sets it. */
	#take({ deadlines = [], left = [], warnings = [], errors = {} }: Answer): void {
		this.#remember();
		this.faults = errors;
		this.proposals = deadlines;
		this.left = left;
		this.warnings = warnings;
		this.chosen = deadlines
			.filter(({ rule, suggested }) => this.#ticked.get(rule) ?? !suggested)
			.map(({ rule }) => rule);
		if (!deadlines.some(({ rule }) => rule === this.shown)) this.shown = deadlines[0]?.rule ?? '';
	}
}
