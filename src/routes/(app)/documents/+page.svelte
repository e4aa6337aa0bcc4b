<script lang="ts">
	import FilterBar from '$lib/ui/FilterBar.svelte';
	import DocumentRows from '$lib/documents/DocumentRows.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	let { data } = $props();
</script>

<svelte:head><title>Documents · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1>Documents</h1>
		<span class="sub grow">{data.total}, newest first</span>
		<FilterBar
			search={{ label: 'Name, number or matter', placeholder: 'Name, number or matter' }}
		/>
	</div>
	{#if data.total}<DocumentRows rows={data.rows} today={data.today} zone={data.zone} /><Pages
			total={data.total}
			per={data.per}
			what="documents"
		/>{:else}<Empty
			>{data.q
				? 'No document fits. The pen line also searches inside documents.'
				: 'No document yet. Documents are filed on a matter’s sheet.'}</Empty
		>{/if}
</div>
