/**
 * What a new version of a book, a closure or an order would change of dates in open matters: every
 * event is counted again from its stored inputs. Only looked at, nothing is saved.
 */
import type { Closure } from '#core/dates/calendar.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { answersTo, parseAnswers } from '#core/docket/answers.ts';
import { CountError } from '#core/docket/amount.ts';
import type { Proposal } from '#core/docket/proposal.ts';
import { propose } from '#core/docket/propose.ts';
import { capitalize } from '#core/format/words.ts';
import type { Rulebook } from '#core/rulebooks/book.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import type { Order, Shelf } from '#server/rulebooks/shelf.ts';
import { listClosuresFor } from './counting.ts';
import type { ClosureRow, DeadlineRow, MatterOrderRow } from './rows.ts';
import { listLeft, listWaitingByEvent, type WaitingChange } from './waiting.ts';
import { iterateEvents, type StandingDate, type StandingEvent } from './standing-events.ts';

type Has = Pick<Application, 'db'>;

/** One date that would change. */
export type Effect = {
	eventId: string;
	matterId: string;
	/** The id of the book its event stands under. */
	book: string;
	/** null where the rule is new. */
	deadlineId: string | null;
	rule: string;
	title: string;
	state: DeadlineRow['state'] | 'new';
	/** null where the rule is new. */
	was: PlainDate | null;
	/** undefined where no rule sets it any more. */
	fresh: Proposal | undefined;
	/**
	 * It stays as it is: what waited for it falls away, and so does its mark of not following its
	 * rule.
	 */
	settles: boolean;
};

/** What would be otherwise. */
export type Alteration = {
	/** The books whose events are looked at. */
	books: string[];
	/** Only this matter. */
	matterId?: string;
	/** The books as they would be. */
	shelf: Shelf;
	/** The orders over a book on a matter, as they would be; without it, as they are. */
	orders?: (matterId: string, book: string) => Order[];
	/** Closures that are not there yet, or one as if it were not there any more. */
	closures?: readonly (Closure & { book: string })[];
	without?: ClosureRow;
	/** Whether rules that are new raise new proposals. */
	fresh: boolean;
	/**
	 * Counts every event anew, also those a closure cannot touch: for the test that both ways agree.
	 */
	everything?: boolean;
};

/** Every date of the open matters that would change, event by event. */
export function findEffects(app: Has, alteration: Alteration): Effect[] {
	const judge = new Judge(app, alteration);
	const effects: Effect[] = [];
	for (const event of iterateEvents(app, alteration)) effects.push(...judge.effectsOf(event));
	// In an order of their own: how they were read says nothing.
	const key = ({ eventId, rule }: Effect) => `${eventId} ${rule}`;
	return withTitles(
		app,
		effects.sort((one, other) => (key(one) < key(other) ? -1 : 1))
	);
}

/** The titles of dates that stand, read at once for all of them. */
function withTitles({ db }: Has, effects: readonly Effect[]): Effect[] {
	const standing = effects.flatMap(({ deadlineId }) => deadlineId ?? []);
	const titles = new Map(
		all<{ id: string; title: string }>(
			db,
			'SELECT id, title FROM deadline WHERE id IN (SELECT value FROM json_each(@standing))',
			{ standing: JSON.stringify(standing) }
		).map(({ id, title }) => [id, title])
	);
	return effects.map((effect) =>
		effect.deadlineId ? { ...effect, title: titles.get(effect.deadlineId) ?? '' } : effect
	);
}

/** So many counts of a book are kept at once, for their memory. */
const COUNTS_KEPT = 2_000;

/** Counts events as they would be, and says what differs. */
class Judge {
	readonly #app: Has;
	readonly #alteration: Alteration;
	readonly #closedMatters: ReadonlySet<string>;
	readonly #takenOff: ReadonlySet<string>;
	readonly #orders: ReadonlyMap<string, Order[]>;
	readonly #waiting: ReadonlyMap<string, readonly WaitingChange[]>;
	/** What the rule gives for each date that was left where it stands. */
	readonly #left: ReadonlyMap<string, PlainDate | null>;
	readonly #closures = new Map<Rulebook, Closure[]>();
	readonly #counts = new Map<Rulebook, Map<string, readonly Proposal[]>>();

	constructor(app: Has, alteration: Alteration) {
		this.#app = app;
		this.#alteration = alteration;
		this.#closedMatters = listClosedMatters(app);
		this.#takenOff = listTakenOff(app);
		this.#waiting = listWaitingByEvent(app);
		this.#left = listLeft(app);
		this.#orders = alteration.orders ? new Map() : listAllOrders(app);
	}

	effectsOf(event: StandingEvent): Effect[] {
		if (this.#closedMatters.has(event.matterId)) return [];
		const book = this.#bookFor(event);
		const proposals = this.#propose(book, event);
		const waiting = this.#waiting.get(event.id) ?? [];
		const effects: Effect[] = [];
		for (const date of event.dates) {
			const fresh = proposals.find(({ rule }) => rule === date.rule);
			const waits = waiting.find(({ rule }) => rule === date.rule);
			const isOther = this.#comesBack(date, fresh) || differs(date, fresh);
			if (isOther && !this.#isAsked(date, fresh, waits))
				effects.push(this.#effectOf(event, date, fresh));
			else if (!isOther && (waits || this.#isLeftForNothing(date, fresh)))
				effects.push({ ...this.#effectOf(event, date, fresh), settles: true });
		}
		if (!this.#alteration.fresh) return effects;
		return [...effects, ...newOnes(event, proposals), ...noLongerNew(event, proposals, waiting)];
	}

	/**
	 * A closure asks nothing again that waits already, or that somebody has left with the same day
	 * before their eyes.
	 */
	#isAsked(
		date: StandingDate,
		fresh: Proposal | undefined,
		waits: WaitingChange | undefined
	): boolean {
		if (this.#alteration.fresh) return false;
		const [gives, time] = [fresh?.date ?? null, fresh?.time ?? null];
		if (waits) return waits.becomes === gives && waits.becomesTime === time;
		return this.#left.get(date.id) === gives && this.#left.has(date.id);
	}

	/** A date that was left where the rule gave another day, which it gives no more. */
	#isLeftForNothing({ id, due, moved, state }: StandingDate, fresh: Proposal | undefined): boolean {
		return this.#left.has(id) && moved === null && state === 'docketed' && fresh?.date === due;
	}

	#bookFor({ matterId, bookId }: StandingEvent): Rulebook {
		const { shelf, orders } = this.#alteration;
		if (!orders && this.#orders.size === 0) return shelf.book(bookId);
		const over = orders
			? orders(matterId, bookId)
			: (this.#orders.get(`${matterId} ${bookId}`) ?? []);
		return shelf.laid(bookId, over);
	}

	/** Events of one day with the same inputs set the same dates: they are counted once. */
	#propose(book: Rulebook, event: StandingEvent): readonly Proposal[] {
		const moved = movedOf(event);
		if (moved.size > 0) return this.#count(book, event, moved);
		let known = this.#counts.get(book);
		if (!known) this.#counts.set(book, (known = new Map()));
		const key = [event.key, event.date, event.time, event.service, event.answers].join('|');
		let proposals = known.get(key);
		if (!proposals) {
			if (known.size >= COUNTS_KEPT) known.clear();
			known.set(key, (proposals = this.#count(book, event, moved)));
		}
		return proposals;
	}

	#count(
		book: Rulebook,
		event: StandingEvent,
		moved: ReadonlyMap<string, PlainDate>
	): readonly Proposal[] {
		const asked = book.events.get(event.key);
		if (!asked) return [];
		try {
			return propose(book, {
				event: event.key,
				date: event.date,
				time: event.time ?? undefined,
				service: event.service ?? undefined,
				// An answer to a question that is not asked any more is left aside.
				answers: event.answers === '{}' ? {} : answersTo(asked, parseAnswers(event.answers)),
				closures: this.#closuresFor(book),
				moved
			}).deadlines;
		} catch (error) {
			if (error instanceof CountError) return [];
			throw error;
		}
	}

	#closuresFor(book: Rulebook): Closure[] {
		let known = this.#closures.get(book);
		if (!known) {
			const { closures = [], without } = this.#alteration;
			const standing = listClosuresFor(this.#app, book).filter(({ id }) => id !== without?.id);
			known = [...standing, ...closures];
			this.#closures.set(book, known);
		}
		return known;
	}

	/** A date that such a change took off can come back by another. */
	#comesBack(date: StandingDate, fresh: Proposal | undefined): boolean {
		return (
			this.#alteration.fresh &&
			fresh !== undefined &&
			date.state === 'vacated' &&
			this.#takenOff.has(date.id)
		);
	}

	#effectOf(event: StandingEvent, date: StandingDate, fresh: Proposal | undefined): Effect {
		return {
			eventId: event.id,
			matterId: event.matterId,
			book: event.bookId,
			deadlineId: date.id,
			rule: date.rule,
			title: '',
			state: date.state,
			was: date.state === 'vacated' ? null : date.due,
			fresh,
			settles: false
		};
	}
}

const NONE_MOVED: ReadonlyMap<string, PlainDate> = new Map();
function movedOf({ dates }: StandingEvent): ReadonlyMap<string, PlainDate> {
	if (dates.every(({ moved }) => moved === null)) return NONE_MOVED;
	return new Map(dates.flatMap(({ rule, moved }) => (moved === null ? [] : [[rule, moved]])));
}

const differs = ({ state, due, time }: StandingDate, fresh: Proposal | undefined): boolean =>
	(state === 'docketed' || state === 'proposed') &&
	(!fresh || fresh.date !== due || fresh.time !== time);

const newOnes = (event: StandingEvent, proposals: readonly Proposal[]): Effect[] =>
	proposals
		.filter(({ rule }) => !event.dates.some((date) => date.rule === rule))
		.map((fresh) => ({
			eventId: event.id,
			matterId: event.matterId,
			book: event.bookId,
			deadlineId: null,
			rule: fresh.rule,
			title: capitalize(fresh.title),
			state: 'new',
			was: null,
			fresh,
			settles: false
		}));

/** Dates that were to come, wait to be taken, and are set by no rule any more. */
const noLongerNew = (
	event: StandingEvent,
	proposals: readonly Proposal[],
	waiting: readonly WaitingChange[]
): Effect[] =>
	waiting
		.filter(
			({ rule }) =>
				!proposals.some((fresh) => fresh.rule === rule) &&
				!event.dates.some((date) => date.rule === rule)
		)
		.map(({ rule, title }) => ({
			eventId: event.id,
			matterId: event.matterId,
			book: event.bookId,
			deadlineId: null,
			rule,
			title,
			state: 'new',
			was: null,
			fresh: undefined,
			settles: true
		}));

const ids = (rows: { id: string }[]) => new Set(rows.map(({ id }) => id));
const listClosedMatters = ({ db }: Has): Set<string> =>
	ids(all(db, "SELECT id FROM matter WHERE status = 'closed'"));
const listTakenOff = ({ db }: Has): Set<string> =>
	ids(
		all(
			db,
			`SELECT c.deadline_id AS id
			FROM date_change c
			JOIN deadline d ON d.id = c.deadline_id
			WHERE c.state = 'applied' AND c.becomes IS NULL AND d.state = 'vacated'`
		)
	);

function listAllOrders({ db }: Has): Map<string, Order[]> {
	const orders = new Map<string, Order[]>();
	const rows = all<Pick<MatterOrderRow, 'id' | 'rules' | 'matter_id' | 'book'>>(
		db,
		'SELECT id, rules, matter_id, book FROM matter_order WHERE ended_at IS NULL ORDER BY dated, id'
	);
	for (const row of rows) {
		const key = `${row.matter_id} ${row.book}`;
		orders.set(key, [...(orders.get(key) ?? []), row]);
	}
	return orders;
}
