<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { formatCents } from '#core/format/money.ts';
	import { formatHours } from '#core/format/hours.ts';

	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import LogTime from '$lib/time/LogTime.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	const total = $derived(data.entries.reduce((a, e) => a + e.minutes, 0));
	let words = $state('');
	type Entry = (typeof data.entries)[number];
	const columns: Column<Entry>[] = [
		{
			key: 'day',
			label: 'Day',
			text: (entry) => formatDay(entry.day, data.today),
			class: 'w-[92px] whitespace-nowrap'
		},
		{ key: 'who', label: 'Who', text: (entry) => entry.who, class: 'w-[52px]' },
		{
			key: 'what',
			label: 'What was done',
			text: (entry) => entry.narrative,
			cell: activity,
			class: 'py-1.5'
		},
		{
			key: 'state',
			label: 'State',
			text: (entry) => (entry.state === 'allocated' ? entry.run : entry.state),
			class: 'w-[110px] sub'
		},
		{
			key: 'hours',
			label: 'Hours',
			text: (entry) => formatHours(entry.minutes),
			numeric: true,
			class: 'w-[64px]'
		}
	];
</script>

{#snippet activity(entry: Entry)}
	{#if entry.activityName}<span class="sub ml-2">{entry.activityName}</span>{/if}
{/snippet}

<div class="grid grid-cols-1 gap-8 p-5 lg:grid-cols-[minmax(0,1fr)_280px]">
	<div>
		<div class="flex items-center gap-3">
			<h2 class="read grow text-title font-medium">Time and cost</h2>
		</div>
		<div class="no-print mt-2">
			<LogTime
				action="?/log"
				today={data.today}
				activities={data.activities}
				matterId={data.caption.id}
			/>
		</div>
		<DataTable {columns} rows={data.entries} id={(entry) => entry.id} class="mt-3">
			{#snippet empty()}
				<Empty>No time is logged on this matter. Write a line below: 0.4 and what you did.</Empty>
			{/snippet}
		</DataTable>
	</div>
	<aside class="flex flex-col gap-7">
		<Section title="Timer"
			><ActionForm
				action="?/start"
				class="mt-3 flex gap-2"
				ondone={() => {
					words = '';
				}}
				>{#snippet children({ busy })}<input
						type="hidden"
						name="matterId"
						value={data.caption.id}
					/><input
						class="box"
						name="words"
						bind:value={words}
						placeholder="What are you doing?"
						aria-label="What are you doing?"
					/><button class="btn" disabled={busy}>Start</button>{/snippet}</ActionForm
			></Section
		>
		<Section title="Hours" about={formatHours(total)} />
		<Section
			title="Allocated so far"
			about={formatCents(data.allocated.reduce((a, x) => a + x.cents, 0))}
			>{#each data.allocated as a (a.name)}<div class="row flex h-9 items-center gap-2">
					<span class="h-2.5 w-2.5" style="background:var(--unit-{a.hue})"></span><span class="grow"
						>{a.name}</span
					><b class="font-semibold">{formatCents(a.cents)}</b>
				</div>{:else}<p class="sub py-2">Nothing is allocated yet.</p>{/each}</Section
		>
	</aside>
</div>
