<!--
	A month: each day with what is due and what is planned. A day that is chosen opens beneath its
	week, as the rulers of everybody's day.
-->
<script lang="ts">
	import { tick } from 'svelte';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatTime } from '#core/format/dates.ts';
	import { onEscape } from '$lib/ui/keys.ts';
	import type { DueItem } from '#server/calendar-sheet/due.ts';
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import type { TeamDay } from '#server/calendar-sheet/team-day.ts';
	import DueMark from './DueMark.svelte';
	import Ruler from './Ruler.svelte';
	import { dayNumber, nameDay, touches } from './words.ts';
	type Props = {
		days: PlainDate[];
		/** "2026-11" */
		month: string;
		items: CalendarItem[];
		due: DueItem[];
		closed: Record<string, { name: string; everywhere: boolean }>;
		hours: { first: number; last: number };
		today: PlainDate;
		opened: TeamDay | null;
		/** Opens a day, or closes it. */
		ontoggle: (day: PlainDate | null) => void;
		onopen: (item: CalendarItem) => void;
	};
	let { days, month, items, due, closed, hours, today, opened, ontoggle, onopen }: Props = $props();
	const weeks = $derived(
		Array.from({ length: days.length / 7 }, (_, at) => days.slice(at * 7, at * 7 + 7))
	);
	const MOST = 4;
	const itemsOn = (day: PlainDate) => items.filter((item) => touches(item, day));
	const dueOn = (day: PlainDate) => due.filter((one) => one.day === day);
	let rows = $state<HTMLElement>();
	const NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
	async function close(day: PlainDate) {
		ontoggle(null);
		await tick();
		rows?.querySelector<HTMLElement>(`[data-day="${day}"] .num`)?.focus();
	}
	const show = (element: HTMLElement) => element.scrollIntoView({ block: 'nearest' });
	const marksOf = (id: string) => opened?.due.filter(({ staff }) => staff.includes(id)) ?? [];
	const isAway = (id: string) => opened?.away.some(({ staffId }) => staffId === id) ?? false;
</script>

<div class="month" bind:this={rows}>
	<div class="week names">
		{#each NAMES as name (name)}<div class="sub">{name.slice(0, 3)}</div>{/each}
	</div>
	{#each weeks as week (week[0])}
		<div class="week">
			{#each week as day (day)}
				{@const planned = itemsOn(day)}
				{@const wanted = dueOn(day)}
				{@const room = Math.max(0, MOST - wanted.length)}
				<section
					class="day"
					class:hatch={closed[day]}
					class:out={!day.startsWith(month)}
					class:today={day === today}
					data-day={day}
					aria-label={nameDay(day)}
				>
					<div class="flex items-baseline gap-1">
						<button
							type="button"
							class="num"
							aria-expanded={opened?.day === day}
							aria-label="{nameDay(day)}, everybody’s day"
							onclick={() => ontoggle(opened?.day === day ? null : day)}
						>
							{dayNumber(day)}
						</button>
						{#if closed[day] && !/^(Satur|Sun)day$/.test(closed[day].name)}
							<span class="truncate text-tiny text-ink-2">{closed[day].name}</span>
						{/if}
					</div>
					{#each wanted.slice(0, MOST) as item (item.key)}<DueMark {item} {today} />{/each}
					{#each planned.slice(0, room) as item (item.key)}
						<button
							type="button"
							class="item"
							data-slip={item.subject}
							aria-disabled={item.id === null}
							onclick={() => item.id !== null && onopen(item)}
						>
							<span class="sub">{item.from === null ? '' : formatTime(item.from)}</span>
							<span class="truncate">{item.subject}</span>
						</button>
					{/each}
					{#if wanted.length + planned.length > Math.max(MOST, wanted.slice(0, MOST).length + room)}
						<button
							type="button"
							class="sub min-h-6 text-note underline"
							onclick={() => ontoggle(day)}
						>
							{wanted.length + planned.length - MOST} more
						</button>
					{/if}
				</section>
			{/each}
		</div>
		{#if opened && week.includes(opened.day)}
			<div
				class="opened"
				role="group"
				aria-label="Everybody on {nameDay(opened.day)}"
				use:onEscape={() => void close(opened.day)}
				use:show
			>
				<div class="flex items-baseline gap-3 pb-1">
					<h2 class="read text-head font-medium">{nameDay(opened.day)}</h2>
					<span class="sub">{hours.first} to {hours.last} o’clock</span>
					<a class="act" href="?view=day&day={opened.day}&who=all">as columns</a>
					<button type="button" class="act ml-auto" onclick={() => close(opened.day)}>close</button>
				</div>
				{#each opened.people as person (person.id)}
					<div class="line">
						<span class="truncate font-semibold">{person.name}</span>
						{#if isAway(person.id)}
							<span class="sub">away</span>
						{:else}
							<Ruler
								day={opened.day}
								person={null}
								items={opened.items.filter(({ staff }) => staff.includes(person.id))}
								first={hours.first}
								last={hours.last}
								{onopen}
							/>
						{/if}
						<span class="flex min-w-0 gap-2">
							{#each marksOf(person.id) as item (item.key)}<DueMark {item} {today} />{/each}
						</span>
					</div>
				{/each}
			</div>
		{/if}
	{/each}
</div>

<style>
	.month {
		border: 1px solid var(--color-rule);
		background: var(--color-white);
	}
	.week {
		display: grid;
		grid-template-columns: repeat(7, minmax(0, 1fr));
	}
	.names {
		border-bottom: 1.5px solid var(--color-ink);
	}
	.names > div {
		padding: 4px 8px;
	}
	.day {
		min-height: 94px;
		padding: 2px 6px 4px;
		border-right: 1px solid var(--color-rule-2);
		border-bottom: 1px solid var(--color-rule-2);
		min-width: 0;
	}
	.day.hatch {
		background: var(--hatch);
	}
	.day.out:not(.hatch) {
		background: var(--color-mist);
	}
	.day.out .num {
		color: var(--color-ink-3);
	}
	.day.today {
		box-shadow: inset 0 3px 0 var(--color-saffron);
	}
	.num {
		font: 500 15px/1.2 var(--font-read);
		min-width: 24px;
		min-height: 24px;
		text-align: left;
	}
	.num[aria-expanded='true'] {
		box-shadow: inset 0 -2px 0 var(--color-petrol);
	}
	.item {
		display: flex;
		gap: 5px;
		align-items: baseline;
		width: 100%;
		min-height: 24px;
		font-size: 12px;
		text-align: left;
		min-width: 0;
	}
	.item:hover {
		text-decoration: underline;
	}
	.hatch .item,
	.hatch :global(.due) {
		background: color-mix(in srgb, var(--color-white) 82%, transparent);
	}
	.opened {
		padding: 10px 14px 14px;
		border-bottom: 1.5px solid var(--color-ink);
		background: var(--color-mist);
	}
	.line {
		display: grid;
		grid-template-columns: 150px minmax(0, 1fr) 220px;
		gap: 14px;
		align-items: center;
		border-bottom: 1px solid var(--color-rule-2);
	}
	@media (max-width: 640px) {
		.line {
			grid-template-columns: 90px minmax(0, 1fr);
		}
		.day {
			padding: 2px;
			min-height: 70px;
		}
	}
</style>
