<!-- What is due in the days that are shown, in order of days. -->
<script lang="ts">
	import Section from '$lib/ui/Section.svelte';
	import type { DueItem } from '#server/calendar-sheet/due.ts';
	import DueMark from './DueMark.svelte';
	import { dayName } from './words.ts';
	let { due, today }: { due: DueItem[]; today: string } = $props();
	const sorted = $derived([...due].sort((one, other) => (one.day < other.day ? -1 : 1)));
	const SHOWN = 12;
</script>

<Section title="Due in these days" about={String(due.length || '')}>
	{#each sorted.slice(0, SHOWN) as item (item.key)}
		<div class="row flex items-baseline gap-2 py-1">
			<span class="min-w-0 grow"><DueMark {item} {today} about /></span>
			<span class="sub">{dayName(item.day).slice(0, 3)}</span>
		</div>
	{:else}
		<p class="sub mt-2">Nothing is due in these days.</p>
	{/each}
	{#if due.length > SHOWN}<p class="sub mt-2">{due.length - SHOWN} more</p>{/if}
</Section>
