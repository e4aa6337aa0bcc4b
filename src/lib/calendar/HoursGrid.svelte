<!--
	Days beside one another, or the calendars of several people on one day: what is due on top, below
	it the hours.
-->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatTime } from '#core/format/dates.ts';
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import { hoursShown, listColumns, type ColumnData, type Person } from './columns.ts';
	import type { CalendarDesk } from './desk.svelte.ts';
	import type { CalendarDrag } from './drag.svelte.ts';
	import HoursColumn from './HoursColumn.svelte';

	type Props = {
		data: ColumnData;
		/** Whose calendars are looked at. */
		chosen: Person[];
		hours: { first: number; last: number; step: number };
		today: PlainDate;
		/** Minutes after midnight now. */
		now: number;
		me: string;
		desk: CalendarDesk;
		drag: CalendarDrag;
		onopen: (item: CalendarItem) => void;
		onmore: () => void;
	};
	let { data, chosen, hours, today, now, me, desk, drag, onopen, onmore }: Props = $props();

	const HOUR_PX = 42;
	const columns = $derived(
		listColumns(data).map((column) => ({
			...column,
			isNarrow: column.isNarrow && desk.draft?.day !== column.day
		}))
	);
	const shown = $derived({ ...hoursShown(columns, hours), step: hours.step, px: HOUR_PX });
	const marks = $derived(
		Array.from({ length: shown.last - shown.first }, (_, at) => shown.first + at)
	);
	const tracks = $derived(
		columns.map(({ isNarrow }) => (isNarrow ? '26px' : 'minmax(0, 1fr)')).join(' ')
	);
	/** Where not all days fit, the one that is today is in sight. */
	const showToday = (element: HTMLElement) =>
		element.querySelector('.now')?.closest('section')?.firstElementChild?.scrollIntoView({
			block: 'nearest',
			inline: 'start'
		});
</script>

<div class="scroll" use:showToday>
	<div class="grid" style="grid-template-columns:46px {tracks}" class:many={columns.length > 4}>
		<div class="corner"></div>
		<div class="corner rail"></div>
		<div class="clock" style="height:{marks.length * HOUR_PX}px" aria-hidden="true">
			{#each marks.slice(1) as hour (hour)}
				<span style="top:{(hour - shown.first) * HOUR_PX}px">{formatTime(hour * 60)}</span>
			{/each}
		</div>
		{#each columns as column, at (column.key)}
			<HoursColumn
				{column}
				place={at + 2}
				people={data.people}
				shut={data.closed[column.day]}
				hours={shown}
				now={column.day === today ? now : null}
				{chosen}
				{today}
				{me}
				{desk}
				{drag}
				{onopen}
				{onmore}
			/>
		{/each}
	</div>
</div>

<style>
	.grid {
		display: grid;
		grid-template-rows: auto auto auto;
		border: 1px solid var(--color-rule);
		background: var(--color-white);
	}
	.corner {
		grid-column: 1;
		grid-row: 1;
	}
	.corner.rail {
		grid-row: 2;
		border-bottom: 1.5px solid var(--color-ink);
	}
	.clock {
		grid-column: 1;
		grid-row: 3;
		position: relative;
	}
	.clock span {
		position: absolute;
		right: 7px;
		transform: translateY(-50%);
		font-size: 12px;
		color: var(--color-ink-2);
	}
	/* A narrow screen shows some of the days, and scrolls to the others. */
	@media (max-width: 640px) {
		.scroll {
			overflow-x: auto;
		}
		.many {
			min-width: 820px;
		}
	}
</style>
