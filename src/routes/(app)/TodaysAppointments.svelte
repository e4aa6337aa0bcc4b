<!-- What stands in one's calendar today, and the hours that are left. -->
<script lang="ts">
	import { formatHours } from '#core/format/hours.ts';
	import { hoursOf } from '$lib/calendar/words.ts';
	import Section from '$lib/ui/Section.svelte';
	import type { Today } from '#server/day-sheet/today.ts';
	let { calendar, today }: { calendar: Today; today: string } = $props();
	const about = $derived(
		calendar.freeMinutes ? `${formatHours(calendar.freeMinutes)} h free` : 'nothing free any more'
	);
</script>

<Section title="Today" {about}>
	{#snippet tools()}<a class="act" href="/calendar">calendar</a>{/snippet}
	{#each calendar.items as item (item.key)}
		<a
			class="row flex min-h-[34px] items-center gap-3 hover:bg-white"
			href="/calendar?day={today}&appointment={item.id}&on={item.onDay}"
		>
			<span class="sub w-[104px] shrink-0">{hoursOf(item)}</span>
			<b class="min-w-0 grow truncate font-semibold">{item.subject}</b>
			<span class="sub max-w-[130px] truncate">{item.about}</span>
		</a>
	{:else}
		<p class="sub mt-2">No appointment today.</p>
	{/each}
	{#if calendar.free.length}
		<p class="sub mt-2">Free {calendar.free.join(', ')}.</p>
	{/if}
</Section>
