/**
 * What a table of rows is made of: its columns, its groups, and the keys and clicks on its rows.
 */
import type { Snippet } from 'svelte';

export type Column<Row> = {
	key: string;
	label: string;
	/** The head is for those who do not see it. */
	unlabeled?: boolean;
	/** The words of a cell; a snippet, where there is one, stands after them. */
	text?: (row: Row) => string | number | null | undefined;
	cell?: Snippet<[row: Row, key: string]>;
	/** Its words are the link to what the row stands for. */
	leads?: boolean;
	/** Figures, which stand at the right. */
	numeric?: boolean;
	/** Classes of head and cells: width, and the screens that have no room for it. */
	class?: string;
	/** Classes of one row's cell. */
	tone?: (row: Row) => string;
	sort?: { href: string; direction: 'ascending' | 'descending' | undefined };
};

export type RowGroup<Row> = { name: string; about?: string | number; rows: readonly Row[] };

const ACTS = 'a, button, input, select, textarea, label, summary';

/**
 * A click anywhere on a row opens what it stands for, but for one on something that does a thing of
 * its own.
 */
export function openRows(table: HTMLTableElement): { destroy(): void } {
	const open = (event: MouseEvent) => {
		const target = event.target as Element;
		if (event.defaultPrevented || target.closest(ACTS) || getSelection()?.toString()) return;
		const link = target.closest('tr')?.querySelector<HTMLAnchorElement>('a[data-row]');
		if (!link) return;
		if (event.metaKey || event.ctrlKey) window.open(link.href);
		else link.click();
	};
	table.addEventListener('click', open);
	return { destroy: () => table.removeEventListener('click', open) };
}
