<script lang="ts">
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Waiting from '$lib/docket/Waiting.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	let { data } = $props();
</script>

<svelte:head><title>Changes · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Changes</h1>
		<span class="sub grow"
			>what a book, a closure or an order would change; nothing has moved yet</span
		><DocketTabs />
	</div>
	{#if data.waiting.changes > data.total}<p class="sub mt-2">
			The first {data.total} of {data.waiting.changes}; the others come as these are decided.
		</p>{/if}
	{#each data.matters as m (m.number)}
		<section class="mt-5" data-matter={m.number}>
			<div class="ruled">
				<h2><a class="hover:underline" href="/matters/{m.number}/docket">{m.title}</a></h2>
				<span class="sub">{m.number}</span>
			</div>
			{#key m.changes.map((c) => c.id).join()}<Waiting
					changes={m.changes}
					today={data.today}
					may={data.can.docket}
				/>{/key}
		</section>
	{:else}<Empty
			>No date waits for a decision. When a book, a closure or an order would change a docketed
			date, it stands here before anything moves.</Empty
		>{/each}
</div>
