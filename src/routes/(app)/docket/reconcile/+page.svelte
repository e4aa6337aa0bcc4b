<!-- Reconciliation: the court's own list of entries beside our docket. -->
<script lang="ts">
	import { page } from '$app/state';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatInstant } from '$lib/ui/format.ts';
	import Compared from './Compared.svelte';
	import GiveList from './GiveList.svelte';
	let { data } = $props();
</script>

<svelte:head><title>Reconcile · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Reconcile</h1>
		<span class="sub grow">the court's own list beside our docket</span>
		<DocketTabs />
	</div>
	<div class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[300px_minmax(0,1fr)]">
		<div class={['no-print min-w-0', { 'max-lg:order-last': data.shown }]}>
			{#if data.can.docket}<GiveList />{/if}
			{#if data.past.length}
				<h2 class="mt-5 font-semibold">Compared before</h2>
				{#each data.past as { id, at, by, source, agrees, open } (id)}
					<a
						class={['row block py-1.5', { 'bg-white': id === data.shown?.id }]}
						href="/docket/reconcile?id={id}"
						aria-current={id === data.shown?.id ? 'true' : undefined}
					>
						<b class="block truncate font-semibold">{source}</b>
						<span class="sub">
							{formatInstant(at, page.data.zone, page.data.today)}, {by}: {agrees} agree, {open} not
						</span>
					</a>
				{/each}
			{/if}
		</div>
		<div class="min-w-0">
			{#if data.shown}
				<Compared shown={data.shown} mayDocket={data.can.docket} />
			{:else}
				<Empty>
					{data.isLost
						? 'This comparison is not there.'
						: "Paste the court's list of a case or of a day, or choose its file: each entry is found on our docket, or it is said that it is not there."}
				</Empty>
			{/if}
		</div>
	</div>
</div>
