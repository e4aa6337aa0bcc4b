<!-- The dates and hearings that remain before the trial. -->
<script lang="ts">
	import { isOccasion } from '#core/docket/occasion.ts';
	import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
	import type { TrialView } from '#server/trial/queries.ts';
	import WorkingMark from '$lib/docket/WorkingMark.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import Section from '$lib/ui/Section.svelte';
	let { dates, today }: { dates: TrialView['dates']; today: string } = $props();
	const stateOf = ({ date, sort }: TrialView['dates'][number]) => {
		if (date >= today) return 'docketed';
		return isOccasion(sort) ? 'passed' : 'missed';
	};
</script>

<Section title="Dates that remain" about={String(dates.length || '')}>
	{#each dates as date, index (index)}
		<div class="row flex min-h-9 items-center gap-2 py-1">
			<Kite
				state={stateOf(date)}
				sort={date.sort}
				checked={date.checked}
				adrift={date.adrift}
				late={date.date <= today}
				size={14}
			/>
			<span class="min-w-0 grow">
				{date.title}
				<WorkingMark mark={date.workingMark} />
				{#if date.adrift}
					<span class="block font-semibold text-madder">{NO_LONGER_FOLLOWS}</span>
				{/if}
			</span>
			<span class={['whitespace-nowrap', { 'font-semibold text-madder': date.date <= today }]}>
				{formatDay(date.date, today)}
			</span>
		</div>
	{:else}
		<p class="sub mt-2">None.</p>
	{/each}
</Section>
