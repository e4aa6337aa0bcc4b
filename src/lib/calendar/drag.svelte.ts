/**
 * Drawing, moving and stretching with the pointer. A cell is one day of one calendar; along its
 * axis run the hours. A finger scrolls: it taps, and does not drag.
 */
import { plainDate, type PlainDate } from '#core/dates/plain.ts';
import type { CalendarItem } from '#server/calendar-sheet/items.ts';
import { targetOf, type CalendarDesk, type Target } from './desk.svelte.ts';

/** Less than this is a click. */
const SLACK_PX = 4;
const MIDNIGHT = 1440;

type Spot = { day: PlainDate; staffId: string | null; minute: number };

/** The cell under a point and the minute there. */
function spotAt(x: number, y: number): Spot | undefined {
	const cell = document
		.elementsFromPoint(x, y)
		.map((element) => element.closest<HTMLElement>('[data-cell]'))
		.find((element) => element !== null);
	if (!cell) return undefined;
	const { day = '', staff, first = '0', last = '24', axis } = cell.dataset;
	const box = cell.getBoundingClientRect();
	const part = axis === 'x' ? (x - box.left) / box.width : (y - box.top) / box.height;
	const [from, to] = [Number(first) * 60, Number(last) * 60];
	return { day: plainDate(day), staffId: staff || null, minute: from + part * (to - from) };
}

export class CalendarDrag {
	/** What is being moved or stretched, where it would be. */
	ghost = $state.raw<Target | null>(null);
	readonly #desk: CalendarDesk;
	readonly #step: () => number;
	readonly #nameOf: (staffId: string) => string;
	/** A drag ends in a click, which opens nothing. */
	#wasDragged = false;

	constructor(desk: CalendarDesk, step: () => number, nameOf: (staffId: string) => string) {
		this.#desk = desk;
		this.#step = step;
		this.#nameOf = nameOf;
	}

	get isDragged(): boolean {
		return this.#wasDragged;
	}
	#snap = (minute: number, way: 'round' | 'floor' = 'round'): number =>
		Math.max(0, Math.min(MIDNIGHT, Math[way](minute / this.#step()) * this.#step()));

	/** Follows the pointer until it is let go; Escape gives it up. */
	#follow(event: PointerEvent, move: (at: PointerEvent) => void, end: () => void): void {
		const { clientX: x, clientY: y } = event;
		let isFar = false;
		this.#wasDragged = false;
		const moved = (at: PointerEvent) => {
			if (!isFar && Math.hypot(at.clientX - x, at.clientY - y) < SLACK_PX) return;
			isFar = true;
			this.#wasDragged = true;
			move(at);
		};
		const stop = () => {
			window.removeEventListener('pointermove', moved);
			window.removeEventListener('pointerup', finish);
			window.removeEventListener('keydown', giveUp);
		};
		const finish = () => {
			stop();
			if (isFar) end();
		};
		const giveUp = (key: KeyboardEvent) => {
			if (key.key !== 'Escape') return;
			stop();
			this.ghost = null;
		};
		window.addEventListener('pointermove', moved);
		window.addEventListener('pointerup', finish);
		window.addEventListener('keydown', giveUp);
	}

	/** Over empty time: a click draws an hour, a pull as much as it covers. */
	draw(event: PointerEvent): void {
		if (event.button !== 0 || event.pointerType === 'touch') return;
		const spot = spotAt(event.clientX, event.clientY);
		if (!spot) return;
		event.preventDefault();
		const start = this.#snap(spot.minute, 'floor');
		const show = (to: number) => {
			const [low, high] = to > start ? [start, to] : [to, start + this.#step()];
			const subject = this.#desk.draft?.subject ?? '';
			this.#desk.draw({ day: spot.day, staffId: spot.staffId, subject, from: low, to: high });
		};
		this.tap(spot, start);
		this.#follow(
			event,
			(at) => {
				const now = spotAt(at.clientX, at.clientY);
				if (now) show(this.#snap(now.minute));
			},
			() => undefined
		);
	}
	/** An hour from a minute on. */
	tap({ day, staffId }: Omit<Spot, 'minute'>, start: number): void {
		const to = Math.min(MIDNIGHT, start + 60);
		const subject = this.#desk.draft?.subject ?? '';
		this.#desk.draw({ day, staffId, subject, from: Math.min(start, to - this.#step()), to });
	}
	touch(event: MouseEvent): void {
		const spot = spotAt(event.clientX, event.clientY);
		if (spot) this.tap(spot, this.#snap(spot.minute, 'floor'));
	}

	/** @param staffId whose row or column it is taken from */
	move(event: PointerEvent, item: CalendarItem, staffId: string | null): void {
		if (event.button !== 0 || event.pointerType === 'touch' || !item.free) return;
		const grip = spotAt(event.clientX, event.clientY);
		if (!grip) return;
		this.#follow(
			event,
			(at) => {
				const spot = spotAt(at.clientX, at.clientY);
				if (spot) this.ghost = this.#moved(item, grip, spot, staffId);
			},
			() => this.#finish()
		);
	}

	#moved(item: CalendarItem, grip: Spot, spot: Spot, staffId: string | null): Target {
		const to = spot.staffId;
		const over =
			staffId !== null && to !== null && to !== staffId
				? { from: staffId, to, name: this.#nameOf(to) }
				: undefined;
		const stays = { ...targetOf(item), day: spot.day, over };
		const isShort = item.day === item.lastDay;
		if (item.from === null || item.to === null || !isShort || over) {
			return over ? { ...targetOf(item), over } : stays;
		}
		const length = item.to - item.from;
		const wanted = this.#snap(item.from + spot.minute - grip.minute);
		const from = Math.max(0, Math.min(MIDNIGHT - length, wanted));
		return { ...stays, from, to: from + length };
	}

	/** Its end follows the pointer. */
	stretch(event: PointerEvent, item: CalendarItem): void {
		if (event.button !== 0 || !item.free || item.from === null) return;
		event.stopPropagation();
		event.preventDefault();
		const start = item.from;
		this.#follow(
			event,
			(at) => {
				const spot = spotAt(at.clientX, at.clientY);
				if (!spot || spot.day !== item.day) return;
				const to = Math.max(start + this.#step(), this.#snap(spot.minute));
				this.ghost = { ...targetOf(item), to };
			},
			() => this.#finish()
		);
	}

	#finish(): void {
		const target = this.ghost;
		this.ghost = null;
		if (target) void this.#desk.move(target);
	}
}
