<!-- The counts behind a date: the order's, if one moved it, the rule's own, and both made anew. -->
<script lang="ts">
	import type { CheckItem } from '#server/docket/matter-docket.ts';
	import { formatDate } from '#core/format/dates.ts';
	import Count from '$lib/docket/Count.svelte';
	type Props = { item: CheckItem; today: string };
	let { item, today }: Props = $props();
	const late = $derived(item.date <= today && !item.checked);
	const look = (same: boolean) => `mt-2 font-semibold ${same ? 'text-spruce' : 'text-madder'}`;
</script>

{#if item.computed}
	<h3 class="mt-3 mb-2 font-semibold">
		The {item.movedHow}: {item.move
			? `${item.move.by} from ${formatDate(item.move.from)}`
			: formatDate(item.date)}
	</h3>
	{#if item.move}
		<Count count={item.move.count} {late} />
		<p class={look(item.move.same)} data-move={item.move.same}>
			{item.move.same
				? `Counted anew just now: the same day, ${formatDate(item.move.fresh)}.`
				: `Counted anew just now: ${formatDate(item.move.fresh)}, not ${formatDate(item.date)}. Move it again.`}
		</p>
	{:else}
		<p class="sub">It sets the day itself: there is nothing to count. Compare it with the paper.</p>
	{/if}
{/if}
<h3 class="mt-3 mb-2 font-semibold">
	{item.computed ? `The rule's own day, ${formatDate(item.computed)}` : 'The count'}
</h3>
<Count count={item.count} {late} />
{#if item.fresh}
	<p class={look(item.fresh.same)} data-fresh={item.fresh.same}>
		{item.fresh.same
			? `Counted anew just now: the same day, ${formatDate(item.fresh.date)}.`
			: `Counted anew just now: ${formatDate(item.fresh.date)}, not ${formatDate(item.computed ?? item.date)}.`}
	</p>
	{#if !item.fresh.same}
		<div class="mt-2"><Count count={item.fresh.count} late /></div>
	{/if}
{:else if !item.byHand}
	<p class={look(false)} data-fresh="false">
		Counted anew just now: no rule sets this date any more.
	</p>
{:else}
	<p class="sub mt-2">
		Entered by hand: there is no rule to count anew. Compare it with the source.
	</p>
{/if}
