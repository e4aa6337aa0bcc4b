<!--
	What the server does by itself: mail, reminders, seals. What failed stays here until it goes well
	again.
-->
<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { plural } from '#core/format/words.ts';
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import Failures from '$lib/failures/Failures.svelte';
	import Section from '$lib/ui/Section.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatInstant } from '$lib/ui/format.ts';
	let { data } = $props();
	const instant = (at: string | null) => (at ? formatInstant(at, data.zone, data.today) : '');
	type Job = (typeof data.jobs)[number];
	const columns: Column<Job>[] = [
		{ key: 'job', label: 'Job', text: (job) => job.label, class: 'w-[240px] font-semibold' },
		{
			key: 'worked',
			label: 'Last worked',
			text: (job) => instant(job.workedAt),
			class: 'w-[150px] sub whitespace-nowrap'
		},
		{ key: 'error', label: 'Last error', cell: error }
	];
</script>

<svelte:head><title>Jobs · Kite Pen</title></svelte:head>
{#snippet error(job: Job)}
	{#if job.error}
		<b class="font-semibold text-madder">{job.error}</b>
		<span class="sub block">
			{instant(job.errorAt)}, {plural(job.failedRows, 'row')}; it is tried again by itself
		</span>
	{:else}
		<span class="sub">none</span>
	{/if}
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Jobs</h1>
		<span class="sub grow">what the server does by itself, each apart from the others</span>
		<HouseTabs />
	</div>
	{#if data.jobs.length}
		<DataTable
			{columns}
			rows={data.jobs}
			id={(job) => job.name}
			row={(job) => ({ 'data-job': job.name })}
			class="mt-4 max-w-page"
		/>
	{:else}
		<Empty>No job has had anything to do yet.</Empty>
	{/if}
	{#if data.failures.length}
		<Section title="Does not work" about={String(data.failures.length)} class="mt-7 max-w-form">
			<Failures failures={data.failures} />
		</Section>
	{/if}
</div>
