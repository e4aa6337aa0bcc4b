/** What is typed in a drawer is kept in this tab until it is sent. */
import { browser } from '$app/environment';

export function draft<T extends Record<string, unknown>>(
	key: string,
	empty: T
): { value: T; clear(): void } {
	const place = `draft ${key}`;
	let start = empty;
	if (browser) {
		try {
			const kept = sessionStorage.getItem(place);
			if (kept) start = { ...empty, ...(JSON.parse(kept) as Partial<T>) };
		} catch {
			/* a draft that cannot be read is no draft */
		}
	}
	const value = $state(start) as T;
	$effect(() => {
		const json = JSON.stringify(value);
		if (json === JSON.stringify(empty)) sessionStorage.removeItem(place);
		else sessionStorage.setItem(place, json);
	});
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
