<!-- What comes, day by day, in a list that reads well on paper too. -->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatTime } from '#core/format/dates.ts';
	import Empty from '$lib/ui/Empty.svelte';
	import type { AwayItem, DueItem } from '#server/calendar-sheet/due.ts';
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import DueMark from './DueMark.svelte';
	import { hoursOf, nameDay, touches } from './words.ts';
	type Props = {
		days: PlainDate[];
		items: CalendarItem[];
		due: DueItem[];
		away: AwayItem[];
		people: { id: string; name: string }[];
		closed: Record<string, { name: string; everywhere: boolean }>;
		today: PlainDate;
		onopen: (item: CalendarItem) => void;
	};
	let { days, items, due, away, people, closed, today, onopen }: Props = $props();
	const nameOf = (id: string) => people.find((one) => one.id === id)?.name ?? '';
	const shown = $derived(
		days.filter(
			(day) =>
				items.some((item) => touches(item, day)) ||
				due.some((one) => one.day === day) ||
				away.some(({ from, to }) => from === day || (from <= day && to >= day && day === days[0]))
		)
	);
	const awayFrom = (day: PlainDate) =>
		away.filter(({ from }) => from === day || (day === days[0] && from < day));
</script>

<div class="flex flex-col gap-5">
	{#each shown as day (day)}
		<section aria-label={nameDay(day)}>
			<h2 class="ruled flex items-baseline gap-3">
				<span class="read text-head font-medium">{nameDay(day)}</span>
				{#if day === today}<span class="sub">today</span>{/if}
				{#if closed[day]}<span class="sub">{closed[day].name}</span>{/if}
			</h2>
			{#each awayFrom(day) as one (one.staffId)}
				<div class="row">
					<span class="when sub">away</span>
					<span>{nameOf(one.staffId)}, until {nameDay(one.to)}</span>
				</div>
			{/each}
			{#each due.filter((one) => one.day === day) as item (item.key)}
				<div class="row">
					<span class="when sub">{item.from === null ? 'due' : formatTime(item.from)}</span>
					<DueMark {item} {today} about />
				</div>
			{/each}
			{#each items.filter((item) => touches(item, day)) as item (item.key)}
				<div class="row">
					<span class="when">{hoursOf(item)}</span>
					<span class="min-w-0 grow">
						{#if item.id === null}
							<span class="font-semibold">busy</span>
						{:else}
							<button type="button" class="subject" onclick={() => onopen(item)}>
								{item.subject}
							</button>
						{/if}
						<span class="sub">
							{[item.about, item.staff.map(nameOf).filter(Boolean).join(', ')]
								.filter(Boolean)
								.join(', ')}
						</span>
					</span>
				</div>
			{/each}
		</section>
	{:else}
		<Empty>Nothing stands in these four weeks. Add an appointment, or look at other days.</Empty>
	{/each}
</div>

<style>
	.row {
		display: flex;
		gap: 14px;
		align-items: baseline;
		padding: 7px 4px;
		border-bottom: 1px solid var(--color-rule-2);
	}
	.when {
		flex: 0 0 110px;
	}
	.subject {
		font-weight: 600;
		text-align: left;
		min-height: 24px;
	}
	.subject:hover {
		text-decoration: underline;
	}
</style>
