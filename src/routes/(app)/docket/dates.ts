/** The department's dates as a list by month, and drawn. */
import { MONTHS } from '#core/dates/plain.ts';
import type { Lane } from '$lib/docket/Timeline.svelte';
import type { PageData } from './$types.js';

export type ListedDate = PageData['rows'][number];
type Span = NonNullable<PageData['span']>;

export const hrefOf = ({ matterNumber, id }: { matterNumber: string; id: string }): string =>
	`/matters/${matterNumber}/docket?deadline=${id}`;

/** Dates under the month they are in. */
export function groupByMonth(rows: readonly ListedDate[]): {
	month: string;
	name: string;
	rows: ListedDate[];
}[] {
	const months = [...new Set(rows.map(({ date }) => date.slice(0, 7)))];
	return months.map((month) => ({
		month,
		name: `${MONTHS[Number(month.slice(5)) - 1]} ${month.slice(0, 4)}`,
		rows: rows.filter(({ date }) => date.startsWith(month))
	}));
}

/** One lane a matter, in the order of its first date. */
export function lanesOf({ marks }: Span): Lane[] {
	const lanes = new Map<string, Lane>();
	const laneOf = (number: string, label: string): Lane => {
		const lane = lanes.get(number) ?? {
			id: number,
			label,
			about: number,
			href: `/matters/${number}/docket`,
			event: null,
			marks: []
		};
		lanes.set(number, lane);
		return lane;
	};
	for (const row of marks)
		laneOf(row.matterNumber, row.matterTitle).marks.push({
			id: row.id,
			date: row.date,
			title: row.title,
			state: row.state,
			sort: row.sort,
			checked: row.checked,
			adrift: row.adrift,
			workingMark: row.workingMark,
			href: hrefOf(row),
			from: row.eventDate
		});
	return [...lanes.values()];
}
