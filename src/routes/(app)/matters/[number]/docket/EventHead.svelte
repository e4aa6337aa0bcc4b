<!-- An event above the dates it sets: its day, what and which, and how it was served. -->
<script lang="ts">
	import { formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	type Props = {
		event: PageData['events'][number];
		today: string;
		mayDocket: boolean;
		onmove: () => void;
	};
	let { event, today, mayDocket, onmove }: Props = $props();
	/** Dates by hand have no event of their own: they stand under a head that has no day. */
	const isHead = $derived(event.key === 'by-hand' && !event.ahead);
	const about = $derived(
		[event.name, event.time, event.serviceLabel, event.place].filter((words) => words)
	);
</script>

<div class="ruled max-md:flex-wrap">
	<span class="w-[135px] shrink-0 font-medium whitespace-nowrap">
		{isHead ? '' : formatDay(event.date, today)}
	</span>
	<h3 class="min-w-0 font-semibold">
		{event.text}
		{#each about as words, place (place)}
			&nbsp;<span class="sub ml-1 font-normal">{words}</span>
		{/each}
		{#if event.source}
			<a class="act ml-1 font-normal" href="/documents/{event.source.id}">{event.source.name}</a>
		{/if}
	</h3>
	{#if mayDocket && !isHead}
		<button class="act no-print ml-auto whitespace-nowrap" onclick={onmove}>move or correct</button>
	{/if}
</div>
