/**
 * What the matter list says of a matter: whether it has gone quiet or is old for its kind, and its
 * values in words.
 */
import { formatCents } from '#core/format/money.ts';
import { formatHours } from '#core/format/hours.ts';
import { countDays, formatDay } from '$lib/ui/format.ts';
import type { PageData } from './$types.js';

export type ListedMatter = PageData['rows'][number];
export type MatterKind = PageData['kinds'][number];
export type MatterColumn = PageData['columns'][number];

/** Where a kind does not say after how many days one of its matters is quiet. */
const QUIET_DAYS = 60;

/**
 * For how many days nothing happened on an open matter, where that is longer than its kind allows;
 * else 0.
 */
export function quietDays(
	{ lastActivity, status }: ListedMatter,
	kind: MatterKind | undefined,
	today: string
): number {
	const days = countDays(lastActivity, today);
	return status === 'open' && days > (kind?.quietDays ?? QUIET_DAYS) ? days : 0;
}

/** Whether a matter is older than its kind's are when they close. */
export const isOld = (
	{ openedOn, status }: ListedMatter,
	kind: MatterKind | undefined,
	today: string
): boolean => status !== 'closed' && countDays(openedOn, today) > (kind?.ageDays ?? Infinity);

const FORMATS: Readonly<Record<string, (value: string | number, today: string) => string>> = {
	date: (value, today) => formatDay(String(value), today),
	money: (value) => formatCents(Number(value)),
	hours: (value) => formatHours(Number(value)),
	days: (value) => `${value} d`
};

export const formatCell = (value: string | number, type: string, today: string): string =>
	FORMATS[type]?.(value, today) ?? String(value);

const isWords = ({ type }: MatterColumn): boolean => type === 'text' || type === 'date';

const WIDTHS: Readonly<Record<string, string>> = {
	title: '',
	number: 'w-[112px]',
	next: 'w-[230px] max-md:w-[140px]',
	lawyer: 'w-[64px]',
	why: 'w-[138px]'
};

/** Width of a column, and the screens that have no room for it. */
export function lookOf(column: MatterColumn): string {
	const { key, type, fact } = column;
	return [
		WIDTHS[key] ?? (type === 'text' ? 'w-[150px]' : 'w-[92px] max-xl:w-[70px]'),
		'truncate',
		key === 'number' || key === 'unit' ? 'text-ink-2' : '',
		key === 'unit' || fact ? 'max-xl:hidden' : '',
		key === 'title' || key === 'next' ? '' : 'max-md:hidden'
	].join(' ');
}
export const isNumeric = (column: MatterColumn): boolean => !isWords(column);

/** Rows under the heads of their group, in the order they came. */
export function groupMatters(
	rows: readonly ListedMatter[],
	groups: readonly { name: string; n: number }[]
): { name: string; about: number; rows: ListedMatter[] }[] {
	const found: { name: string; about: number; rows: ListedMatter[] }[] = [];
	for (const row of rows) {
		const name = row.group || 'none';
		const last = found.at(-1);
		const about = groups.find((group) => (group.name || 'none') === name)?.n ?? 0;
		if (last?.name === name) last.rows.push(row);
		else found.push({ name, about, rows: [row] });
	}
	return found;
}
