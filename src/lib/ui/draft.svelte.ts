/** What is typed in a drawer is kept in this tab until it is sent. */
import { browser } from '$app/environment';

/** What lies in this tab under a name; undefined where nothing does, or what cannot be read. */
function findKept<T extends Record<string, unknown>>(place: string): Partial<T> | undefined {
	if (!browser) return undefined;
	try {
		const kept = sessionStorage.getItem(place);
		return kept ? (JSON.parse(kept) as Partial<T>) : undefined;
	} catch {
		return undefined;
	}
}

function keep<T>(place: string, value: T, isEmpty: boolean): void {
	if (isEmpty) sessionStorage.removeItem(place);
	else sessionStorage.setItem(place, JSON.stringify(value));
}

/** A form that goes on where it was left. */
export function draft<T extends Record<string, unknown>>(
	key: string,
	empty: T
): { value: T; clear(): void } {
	const place = `draft ${key}`;
	const value = $state({ ...empty, ...findKept<T>(place) }) as T;
	$effect(() => keep(place, value, JSON.stringify(value) === JSON.stringify(empty)));
	return {
		get value() {
			return value;
		},
		clear() {
			Object.assign(value, structuredClone(empty));
			if (browser) sessionStorage.removeItem(place);
		}
	};
}

export type OfferedDraft<T> = {
	value: T;
	/** What was left in it earlier, which is offered and not there by itself. */
	readonly left: T | null;
	/** The form is opened anew: what stands in it was left. */
	open(): void;
	take(): void;
	clear(): void;
};

/**
 * A form that begins empty each time it is opened; what was left in it is offered, since it may
 * belong to something else.
 */
export function offeredDraft<T extends Record<string, unknown>>(
	key: string,
	empty: T
): OfferedDraft<T> {
	const place = `draft ${key}`;
	const isEmpty = (one: T) => JSON.stringify(one) === JSON.stringify(empty);
	const kept = findKept<T>(place);
	let left = $state<T | null>(kept ? { ...empty, ...kept } : null);
	const value = $state(structuredClone(empty)) as T;
	$effect(() => {
		const shown = isEmpty(value) ? left : value;
		keep(place, shown, shown === null);
	});
	return {
		get value() {
			return value;
		},
		get left() {
			return left;
		},
		open() {
			if (isEmpty(value)) return;
			left = $state.snapshot(value) as T;
			Object.assign(value, structuredClone(empty));
		},
		take() {
			if (left) Object.assign(value, left);
			left = null;
		},
		clear() {
			left = null;
			Object.assign(value, structuredClone(empty));
			if (browser) sessionStorage.removeItem(place);
		}
	};
}
