/**
 * What somebody does at a calendar: draws an appointment, moves, stretches and hands over, each
 * sent at once and taken back by a word.
 */
import { invalidateAll } from '$app/navigation';
import { addDays, toDay, type PlainDate } from '#core/dates/plain.ts';
import { formatTime } from '#core/format/dates.ts';
import { postAction } from '$lib/ui/post.ts';
import { say } from '$lib/ui/say.svelte.ts';
import type { CalendarItem } from '#server/calendar-sheet/items.ts';
import { dayName } from './words.ts';

export type Draft = {
	day: PlainDate;
	from: number;
	to: number;
	/** Whose calendar it is drawn in; null: one's own. */
	staffId: string | null;
	subject: string;
	/** Needed beside it: from common hours. */
	staff?: string[];
	resources?: string[];
};
/** Where an appointment goes. */
export type Target = {
	item: CalendarItem;
	day: PlainDate;
	from: number | null;
	to: number | null;
	/** From whom to whom, where it is handed over. */
	over?: { from: string; to: string; name: string } | undefined;
};
export type Scope = 'this' | 'later' | 'all';

/** Who draws, and in whose calendar where no column says. */
type Drawing = {
	id: string;
	matterId: string | null;
	whose: string;
	/** Those whose calendars they keep. */
	keeps: readonly string[];
};

const MIDNIGHT = 1440;
/** 24:00 is written 0:00, and meant as the end of the day. */
const clock = (minutes: number): string => formatTime(minutes % MIDNIGHT);

/** Keys pressed one after the other are one move. */
const KEYS_REST_MS = 700;

export class CalendarDesk {
	draft = $state<Draft | null>(null);
	/** What was refused of the draft. */
	fault = $state('');
	busy = $state(false);
	/** A move of one of a series waits for which of them are meant. */
	asking = $state.raw<Target | null>(null);
	/** Where something is shown while it is moved by keys. */
	moving = $state.raw<Target | null>(null);
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly #me: () => Drawing;

	constructor(me: () => Drawing) {
		this.#me = me;
	}

	/** Nothing is under the hand of somebody who draws, moves or chooses. */
	get isAtRest(): boolean {
		return !this.busy && !this.draft && !this.moving && !this.asking;
	}

	draw(draft: Draft): void {
		this.draft = draft;
		this.fault = '';
	}
	drop(): void {
		this.draft = null;
		this.fault = '';
	}

	/** In a colleague's calendar that one does not keep, one is there too. */
	staffOf({ staff, staffId }: Draft): string[] {
		const { id, whose, keeps } = this.#me();
		const owner = staffId ?? whose;
		return staff ?? (owner === id || keeps.includes(owner) ? [owner] : [owner, id]);
	}

	/** Makes the appointment that is drawn. */
	async add(): Promise<void> {
		const { draft } = this;
		if (!draft || this.busy) return;
		this.busy = true;
		const { matterId } = this.#me();
		const sent = await postAction('?/add', {
			...{ subject: draft.subject, day: draft.day, matterId },
			...{ from: clock(draft.from), to: clock(draft.to) },
			staff: this.staffOf(draft),
			resources: draft.resources ?? []
		});
		this.busy = false;
		if (!sent.ok) {
			this.fault = sent.message;
			return;
		}
		this.drop();
		await this.settle(sent.data);
	}

	/** Moves, stretches or hands over; asks first where it is one of a series. */
	async move(target: Target, scope?: Scope): Promise<void> {
		const { item, over } = target;
		this.#stopKeys();
		if (item.recurs && !scope) {
			this.asking = target;
			return;
		}
		this.asking = null;
		const isMoved = target.day !== item.day || target.from !== item.from || target.to !== item.to;
		const which = { appointmentId: item.id, onDay: item.onDay, scope: scope ?? 'all' };
		this.busy = true;
		const sent = over
			? await postAction('?/handOver', { ...which, fromId: over.from, toId: over.to })
			: isMoved
				? await postAction('?/move', { ...which, ...whenOf(target) })
				: null;
		this.busy = false;
		if (!sent) return;
		if (sent.ok) await this.settle(sent.data);
		else {
			say(sent.message);
			await invalidateAll();
		}
	}

	/** What was done is said, with what takes it back. */
	async settle(data: Record<string, unknown>): Promise<void> {
		await invalidateAll();
		const warnings = (data.warnings as string[] | undefined) ?? [];
		say([String(data.words ?? ''), ...warnings].join(' '), {
			action: { label: 'Take back', onClick: () => void this.takeBack(String(data.changeId)) }
		});
	}

	/** What is asked of one of a series, in words. */
	get question(): string {
		if (!this.asking) return '';
		const { item, over, day, from } = this.asking;
		const when = from === null ? dayName(day) : `${dayName(day)} ${clock(from)}`;
		const what = over
			? `Hand “${item.subject}” over to ${over.name}?`
			: `Move “${item.subject}” to ${when}?`;
		return `${what} It comes again:`;
	}

	async takeBack(changeId: string): Promise<void> {
		const sent = await postAction('?/takeBack', { changeId });
		say(sent.ok ? `Taken back: ${String(sent.data.words)}` : sent.message);
		await invalidateAll();
	}

	/** Moves by keys: shown at once, sent when no key follows. */
	nudge(item: CalendarItem, change: (target: Target) => Target): void {
		const now = this.moving?.item === item ? this.moving : targetOf(item);
		this.moving = change(now);
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => this.commitKeys(), KEYS_REST_MS);
	}
	commitKeys(): void {
		const target = this.moving;
		this.#stopKeys();
		if (target) void this.move(target);
	}
	leave(): void {
		this.#stopKeys();
		this.asking = null;
	}
	#stopKeys(): void {
		clearTimeout(this.#timer);
		this.moving = null;
	}
}

export const targetOf = (item: CalendarItem): Target => ({
	item,
	day: item.day,
	from: item.from,
	to: item.to
});

/** The fields of a move: by the clock, over as many days as it lasted. */
function whenOf({ item, day, from, to }: Target): Record<string, string> {
	const more = toDay(item.lastDay) - toDay(item.day);
	return {
		day,
		lastDay: more ? addDays(day, more) : '',
		from: from === null ? '' : clock(from),
		to: to === null ? '' : clock(to)
	};
}

/** By so many minutes, within its day. */
export function shiftMinutes(target: Target, by: number): Target {
	const { from, to } = target;
	if (from === null || to === null || target.item.day !== target.item.lastDay) return target;
	const held = Math.max(-from, Math.min(MIDNIGHT - to, by));
	return { ...target, from: from + held, to: to + held };
}
/** Its end by so many minutes; it keeps a step at least. */
export function stretchMinutes(target: Target, by: number, step: number): Target {
	const { from, to } = target;
	if (from === null || to === null || target.item.day !== target.item.lastDay) return target;
	return { ...target, to: Math.max(from + step, Math.min(MIDNIGHT, to + by)) };
}
export const shiftDays = (target: Target, by: number): Target => ({
	...target,
	day: addDays(target.day, by)
});
