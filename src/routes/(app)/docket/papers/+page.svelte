<!--
	Paper in: what came and is not docketed yet at the left; at the right the paper that is open,
	beside the event it becomes.
-->
<script lang="ts">
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import PaperSheet from './PaperSheet.svelte';
	import Receive from './Receive.svelte';
	import Waiting from './Waiting.svelte';
	let { data } = $props();
</script>

<svelte:head><title>Papers · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Paper in</h1>
		<span class="sub grow">what came, and is not docketed yet</span>
		<DocketTabs />
	</div>
	<div class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[290px_minmax(0,1fr)]">
		<div class={['min-w-0', { 'max-lg:order-last': data.isWanted }]}>
			{#if data.can.docket}<Receive />{/if}
			<Waiting papers={data.queue} current={data.paper?.id ?? ''} />
		</div>
		{#if data.paper}
			{#key data.paper.id}
				<PaperSheet
					paper={data.paper}
					entry={data.entry}
					wantedMatter={data.wantedMatter}
					staff={data.staff}
					mayDocket={data.can.docket}
				/>
			{/key}
		{:else}
			<Empty>
				{data.lost
					? 'This paper does not wait any more, or it is not yours to see.'
					: 'No paper waits. Put one in at the left, and it becomes an event with its dates.'}
			</Empty>
		{/if}
	</div>
</div>
