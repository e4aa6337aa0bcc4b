<script lang="ts">
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import BookEditor from '$lib/rulebooks/BookEditor.svelte';
	let { data } = $props();
</script>

<svelte:head><title>Change {data.title} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>{data.title}</h1>
		<span class="sub grow"
			>{data.id}, {data.n ? `version ${data.n} of the department` : 'as shipped'}</span
		><DocketTabs />
	</div>
	{#key `${data.id} ${data.n}`}<BookEditor
			id={data.id}
			yaml={data.yaml}
			base={data.n}
			today={data.today}
			shape={data.shape}
			as={data.as}
			event={data.event}
			rule={data.rule}
		/>{/key}
</div>
