<!-- A file that is looked through: its columns, its faults, what becomes of each row. -->
<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { goto, invalidateAll } from '$app/navigation';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { plural } from '$lib/ui/format.ts';
	import Columns from './Columns.svelte';
	import Faults from './Faults.svelte';
	import Files from './Files.svelte';
	let { data } = $props();
	const work = $derived(data.work);
	const plan = $derived(data.plan);
	const isLooking = $derived(work.state === 'reading' || work.state === 'judging');
	// While it is looked through, the page asks again; one may leave and come back.
	$effect(() => {
		if (!isLooking) return;
		const timer = setInterval(() => void invalidateAll(), 500);
		return () => clearInterval(timer);
	});
	type Row = NonNullable<typeof data.plan>['rows'][number];
	const columns: Column<Row>[] = [
		{ key: 'n', label: 'Row', text: (row) => row.n, numeric: true, class: 'w-[60px]' },
		{ key: 'what', label: 'What', text: (row) => row.what, class: 'truncate font-semibold' },
		{
			key: 'fate',
			label: 'Fate',
			text: (row) => (row.fate === 'new' ? 'new' : 'stays'),
			tone: (row) => (row.fate === 'new' ? 'text-spruce' : 'sub'),
			class: 'w-[80px]'
		},
		{ key: 'why', label: 'Why', cell: why, class: 'w-[52%] h-auto py-1.5' }
	];
	const about = $derived(
		plan &&
			`${plural(plan.made, 'new row')}, ${plan.known} there already, ${plural(plan.faults, 'fault')}`
	);
</script>

<svelte:head><title>{work.fileName} · Imports · Kite Pen</title></svelte:head>

{#snippet why(row: Row)}
	{row.why}
	{#if row.out}
		<RowAction action="?/decide" class="inline" look="act ml-2" fields={{ n: row.n, decision: '' }}>
			take it in
		</RowAction>
	{/if}
	{#if row.namesake}
		<RowAction
			action="?/decide"
			class="inline"
			look="act ml-2"
			fields={{ n: row.n, decision: row.fate === 'new' ? 'same' : 'other' }}
		>
			{row.fate === 'new' ? 'it is the same' : 'it is another'}
		</RowAction>
	{/if}
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<a class="sub hover:underline" href="/imports">Imports</a>
		<h1 class="min-w-0 grow truncate">{work.fileName}</h1>
		{#if work.state !== 'writing'}
			<RowAction action="?/drop" fields={{}} look="btn" ondone={() => goto('/imports')}>
				Put the file away
			</RowAction>
		{/if}
	</div>
	{#if work.state === 'failed'}
		<p class="mt-4 border-l-[3px] border-madder bg-madder-wash px-4 py-3" role="alert">
			{work.fault} Nothing was imported. <a class="act" href="/imports">Choose another file</a>
		</p>
	{:else}
		{#if isLooking}
			<div class="mt-4" role="status">
				<p>
					{work.state === 'reading'
						? 'The file is being read.'
						: `Looked through ${work.done} of ${work.total} rows.`} You may leave this page and come back.
				</p>
				<div class="mt-2 h-2 w-full max-w-[480px] overflow-hidden rounded-full bg-rule">
					<div
						class="h-full bg-petrol"
						style:width="{(100 * work.done) / (work.total || 1)}%"
					></div>
				</div>
			</div>
		{/if}
		<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[330px_minmax(0,1fr)]">
			<Section title="Columns" about="which one is what">
				{#if work.head.length}<Columns {data} busy={isLooking} />{/if}
			</Section>
			<div class="flex min-w-0 flex-col gap-7">
				<!-- Stays while it is looked through again: it says what became of the folder. -->
				{#if work.what === 'documents' && work.head.length}
					<Section title="Files" about="{work.given} given">
						<Files wanted={work.wanted} given={work.given} busy={isLooking} />
					</Section>
				{/if}
				{#if plan}
					{#if plan.toMend}
						<Section title="To put right" about={plural(plan.toMend, 'row')}>
							<Faults
								rows={plan.wrong}
								more={plan.moreWrong}
								fields={data.fields}
								fileId={work.id}
								busy={isLooking}
							/>
						</Section>
					{/if}
					<Section title="What becomes of each row" about={about ?? ''}>
						{#snippet tools()}
							<ActionForm
								action="?/finish"
								ondone={async ({ rows, cards }) => {
									const more = cards ? `, and ${plural(Number(cards), 'card')} named in them` : '';
									say(`Imported: ${plural(Number(rows), 'row')}${more}.`);
									await goto('/imports');
								}}
							>
								{#snippet children({ busy })}
									<button class="btn go" disabled={busy || plan.faults > 0 || plan.made === 0}>
										{busy
											? 'Writing…'
											: plan.toMend
												? 'All rows or none: put the faults right'
												: plan.faults
													? 'All rows or none: give the files'
													: `Import ${plural(plan.made, 'row')}`}
									</button>
								{/snippet}
							</ActionForm>
						{/snippet}
						<DataTable
							{columns}
							rows={plan.rows}
							id={(row) => String(row.n)}
							row={(row) => ({ 'data-fate': row.fate })}
							fixed
							class="mt-1"
						/>
						{#if plan.more}<p class="sub mt-2">And {plan.more} more.</p>{/if}
					</Section>
				{/if}
			</div>
		</div>
	{/if}
</div>
