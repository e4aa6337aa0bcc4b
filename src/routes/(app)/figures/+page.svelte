<script lang="ts">
	import Bars from '$lib/ui/Bars.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Section from '$lib/ui/Section.svelte';
	let { data } = $props();
	const g = $derived(data.figures);
	const parts = $derived([
		['By kind', g.kind],
		['By age', g.age],
		['By business unit', g.unit],
		['By lawyer', g.lawyer]
	] as [string, typeof g.kind][]);
</script>

<svelte:head><title>Figures · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-x-6 gap-y-1">
		<h1>Figures</h1>
		<a class="hover:underline" href="/matters?who=all"
			><b class="read text-title font-medium">{g.open}</b> open</a
		><a class="hover:underline" href="/matters?who=all&priority=high"
			><b class="read text-title font-medium">{g.high}</b> of high priority</a
		><a class="hover:underline {g.quiet ? 'text-madder' : ''}" href="/matters?who=all&quiet=1"
			><b class="read text-title font-medium">{g.quiet}</b> gone quiet</a
		><a class="hover:underline" href={g.hearings.href}
			><b class="read text-title font-medium">{g.hearings.n}</b> hearings in 30 days</a
		>{#if g.passed.n}<a class="text-madder hover:underline" href={g.passed.href}
				><b class="read text-title font-medium">{g.passed.n}</b> outcomes wanted</a
			>{/if}<span class="sub ml-auto">Each bar opens the list behind it.</span>
	</div>
	<div class="mt-4 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-2">
		{#each parts as [name, slices] (name)}<Section title="Open matters, {name.toLowerCase()}"
				><Bars
					title="Open matters {name.toLowerCase()}"
					names={slices.map((s) => s.name)}
					series={[{ label: 'open', color: '--color-petrol', slices }]}
					across
					height={Math.max(130, slices.length * 27 + 30)}
				/></Section
			>{/each}
		<Section class="lg:col-span-2" title="Opened and closed" about="by month, the last twelve"
			><Bars
				title="Opened and closed by month"
				names={g.months.map((m) => m.name)}
				series={[
					{ label: 'opened', color: '--color-petrol', slices: g.months.map((m) => m.opened) },
					{ label: 'closed', color: '--color-haze', slices: g.months.map((m) => m.closed) }
				]}
				height={200}
			/></Section
		>
		<Section class="lg:col-span-2" title="Missed dates" about="by month, the last twelve">
			{#if g.missed.some(({ open, settled }) => open.n + settled.n > 0)}
				<Bars
					title="Missed dates by month"
					names={g.missed.map(({ name }) => name)}
					series={[
						{
							label: 'not settled',
							color: '--color-madder',
							slices: g.missed.map(({ open }) => open)
						},
						{
							label: 'met late, settled',
							color: '--color-haze',
							slices: g.missed.map(({ settled }) => settled)
						}
					]}
					height={200}
				/>
			{:else}
				<Empty>Nothing was missed in these months.</Empty>
			{/if}
		</Section>
	</div>
</div>
