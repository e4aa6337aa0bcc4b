<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { dayAt } from '#core/dates/zone.ts';
	import { goto } from '$app/navigation';
	import { formatCents } from '#core/format/money.ts';
	import { formatHours } from '#core/format/hours.ts';

	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	let open = $state(false);
	// svelte-ignore state_referenced_locally
	let from = $state(data.next.from),
		to = $state(data.next.to);
	const most = $derived(Math.max(1, ...data.runs.map((r) => r.cents)));
	type Run = (typeof data.runs)[number];
	const TONES: Record<string, string> = {
		approved: 'text-spruce',
		reversed: 'text-ink-3 line-through'
	};
	const approval = ({ approvedBy, approvedAt }: Run) =>
		[approvedBy, approvedAt && formatDay(dayAt(approvedAt, data.zone), data.today)]
			.filter(Boolean)
			.join(', ');
	const columns: Column<Run>[] = [
		{
			key: 'number',
			label: 'Number',
			text: (run) => run.number ?? 'none yet',
			class: 'w-[120px] text-ink-2'
		},
		{ key: 'title', label: 'Cost run', text: (run) => run.title, leads: true },
		{
			key: 'state',
			label: 'State',
			text: (run) => run.state,
			tone: (run) => TONES[run.state] ?? 'font-semibold text-saffron-ink',
			class: 'w-[150px]'
		},
		{ key: 'made', label: 'Made by', text: (run) => run.madeBy },
		{ key: 'approved', label: 'Approved by', text: approval },
		{
			key: 'hours',
			label: 'Hours',
			text: (run) => formatHours(run.minutes),
			numeric: true,
			class: 'w-[80px]'
		},
		{
			key: 'cost',
			label: 'Cost',
			text: (run) => formatCents(run.cents),
			numeric: true,
			class: 'w-[120px] font-semibold'
		},
		{ key: 'size', label: 'Size', unlabeled: true, cell: size, class: 'w-[220px]' }
	];
</script>

<svelte:head><title>Costs · Kite Pen</title></svelte:head>
{#snippet size(run: Run)}
	<span
		class="ml-2 block h-2"
		style="width:{(100 * run.cents) / most}%; background:{run.state === 'reversed'
			? 'var(--color-rule-3)'
			: 'var(--color-petrol)'}"
	></span>
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1>Costs</h1>
		<span class="sub grow">{formatHours(data.waiting.minutes)} h released and not yet shared</span
		>{#if data.mayRun}<button class="btn go" onclick={() => (open = true)}>Make a cost run</button
			>{/if}
	</div>
	{#if data.runs.length}
		<DataTable
			{columns}
			rows={data.runs}
			id={(run) => run.id}
			href={(run) => `/costs/${run.id}`}
			class="mt-3"
		/>
	{:else}<Empty
			>No cost run yet. A run takes all released time up to a day, prices it and shares it among the
			business units.</Empty
		>{/if}
</div>
<Drawer
	bind:open
	title="Make a cost run"
	about="Takes everything released and not yet allocated up to the last day. Nothing is booked until a second person approves."
>
	<ActionForm
		action="?/make"
		ondone={async (d) => {
			open = false;
			await goto(`/costs/${d.runId}`);
		}}
	>
		{#snippet children({ errors, busy })}<div class="flex flex-col gap-2">
				<DateField
					name="from"
					label="First day"
					bind:value={from}
					today={data.today}
					error={errors.from}
				/><DateField
					name="to"
					label="Last day"
					bind:value={to}
					today={data.today}
					error={errors.to}
				/>
				<div>
					<button class="btn go" disabled={busy}>{busy ? 'Gathering…' : 'Gather and share'}</button>
				</div>
			</div>{/snippet}
	</ActionForm>
</Drawer>
