<!-- What the server does by itself: mail, reminders, seals. What failed stays here until it goes well again. -->
<script lang="ts">
	import { plural } from '#core/format/words.ts';
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatInstant } from '$lib/ui/format.ts';
	let { data } = $props();
	const instant = (at: string | null) => (at ? formatInstant(at, data.zone, data.today) : '');
</script>

<svelte:head><title>Jobs · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Jobs</h1>
		<span class="sub grow">what the server does by itself, each apart from the others</span>
		<HouseTabs />
	</div>
	{#if data.jobs.length}
		<table class="list mt-4 max-w-page">
			<thead>
				<tr>
					<th class="w-[240px]">Job</th>
					<th class="w-[150px]">Last worked</th>
					<th>Last error</th>
				</tr>
			</thead>
			<tbody>
				{#each data.jobs as job (job.name)}
					<tr data-job={job.name}>
						<td><b class="font-semibold">{job.label}</b></td>
						<td class="sub whitespace-nowrap">{instant(job.workedAt)}</td>
						<td>
							{#if job.error}
								<b class="font-semibold text-madder">{job.error}</b>
								<span class="sub block">
									{instant(job.errorAt)}, {plural(job.failedRows, 'row')}; it is tried again by
									itself
								</span>
							{:else}
								<span class="sub">none</span>
							{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{:else}
		<Empty>No job has had anything to do yet.</Empty>
	{/if}
</div>
