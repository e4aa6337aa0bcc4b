<!--
	The weekly sign-off: one's own dates with a word on each, who has given theirs, and the record of
	earlier weeks.
-->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Colleagues from './Colleagues.svelte';
	import OwnDates from './OwnDates.svelte';
	import Record from './Record.svelte';
	let { data } = $props();
	const until = $derived(formatDate(data.state.until as PlainDate));
</script>

<svelte:head><title>Sign-off · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Sign-off</h1>
		<span class="sub grow">each week, everyone’s word on their dates of the next four</span>
		<DocketTabs />
	</div>
	{#if data.past}
		<Record week={data.past.week} dates={data.past.dates} today={data.today} />
	{:else}
		<div class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_360px]">
			<OwnDates own={data.own} state={data.state} {until} today={data.today} />
			<Colleagues colleagues={data.colleagues} weeks={data.weeks} />
		</div>
	{/if}
</div>
