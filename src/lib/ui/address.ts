/**
 * The question of a list is its address: what limits and sorts it can be kept, sent and gone back
 * to.
 */

/**
 * A query with some of its values changed; an empty value takes its name away. The page begins
 * anew.
 */
export function changeQuery(
	query: URLSearchParams,
	change: Readonly<Record<string, string | undefined>>
): string {
	const changed = new URLSearchParams(query);
	changed.delete('page');
	for (const [name, value] of Object.entries(change))
		if (value) changed.set(name, value);
		else changed.delete(name);
	return `?${changed}`;
}

/** A link that stands for a value of a list's question, and whether it is that value now. */
export type Switch = {
	label: string;
	on: boolean;
	href: string;
	title?: string;
};

/** A select of a list's question. */
export type Filter = {
	/** Its name in the address. */
	name: string;
	/** What it is called by those who do not see it. */
	label: string;
	/** What it says where nothing is chosen. */
	any: string;
	/**
	 * What stands in the address where nothing is chosen; nothing, unless a list has a choice of its
	 * own without it.
	 */
	anyValue?: string;
	options: readonly (readonly [value: string, label: string])[];
	value: string | undefined;
	/** What else changes with it. */
	change?: (value: string) => Record<string, string>;
};
