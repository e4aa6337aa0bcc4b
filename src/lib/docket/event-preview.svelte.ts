/** What an event would set, asked for while it is typed; only the newest answer counts. */
import type { ProposalView } from '#server/docket/events.ts';

type Answer = {
	deadlines?: ProposalView[];
	left?: { title: string; reason: string }[];
	errors?: Record<string, string>;
};
/** So long nobody has typed. */
const PAUSE_MS = 160;

export class EventPreview {
	proposals = $state<ProposalView[]>([]);
	/** Those that cannot be counted, and why. */
	left = $state<{ title: string; reason: string }[]>([]);
	faults = $state<Record<string, string>>({});
	/** Rules that will be docketed, and the one whose count is open. */
	chosen = $state<string[]>([]);
	shown = $state('');
	looking = $state(false);
	#asked = 0;

	clear(): void {
		this.#asked++;
		this.proposals = [];
		this.left = [];
		this.faults = {};
		this.looking = false;
	}

	/** Asks when nobody has typed for a moment; gives what takes the question back. */
	ask(body: string): () => void {
		const mine = ++this.#asked;
		this.looking = true;
		const wait = setTimeout(async () => {
			const response = await fetch('/api/preview/event', {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body
			});
			if (mine !== this.#asked) return;
			this.looking = false;
			this.#take((await response.json()) as Answer);
		}, PAUSE_MS);
		return () => clearTimeout(wait);
	}

	/** What was chosen stays so; what is new is chosen where a rule, and no suggestion, sets it. */
	#take({ deadlines = [], left = [], errors = {} }: Answer): void {
		const before = new Set(this.proposals.map(({ rule }) => rule));
		this.faults = errors;
		this.proposals = deadlines;
		this.left = left;
		this.chosen = deadlines
			.filter(({ rule, suggested }) => (before.has(rule) ? this.chosen.includes(rule) : !suggested))
			.map(({ rule }) => rule);
		if (!deadlines.some(({ rule }) => rule === this.shown)) this.shown = deadlines[0]?.rule ?? '';
	}
}
