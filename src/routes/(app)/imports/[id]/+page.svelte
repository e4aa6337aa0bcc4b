<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { goto, invalidateAll } from '$app/navigation';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { plural } from '$lib/ui/format.ts';
	let { data } = $props();
	const w = $derived(data.work),
		p = $derived(data.plan);
	const busyState = $derived(w.state === 'reading' || w.state === 'judging');
	// While it is looked through, the page asks again; one may leave and come back.
	$effect(() => {
		if (!busyState) return;
		const t = setInterval(() => void invalidateAll(), 500);
		return () => clearInterval(t);
	});
	type Row = NonNullable<typeof data.plan>['rows'][number];
	const FATES: Record<string, { word: string; tone: string }> = {
		fault: { word: 'fault', tone: 'font-semibold text-madder' },
		new: { word: 'new', tone: 'text-spruce' }
	};
	const columns: Column<Row>[] = [
		{ key: 'n', label: 'Row', text: (row) => row.n, numeric: true, class: 'w-[60px]' },
		{ key: 'what', label: 'What', text: (row) => row.what, class: 'truncate font-semibold' },
		{
			key: 'fate',
			label: 'Fate',
			text: (row) => FATES[row.fate]?.word ?? 'stays',
			tone: (row) => FATES[row.fate]?.tone ?? 'sub',
			class: 'w-[80px]'
		},
		{ key: 'why', label: 'Why', text: (row) => row.why, class: 'w-[52%] h-auto py-1.5' }
	];
</script>

<svelte:head><title>{w.fileName} · Imports · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<a class="sub hover:underline" href="/imports">Imports</a>
		<h1 class="min-w-0 grow truncate">{w.fileName}</h1>
	</div>
	{#if w.state === 'failed'}<p
			class="mt-4 border-l-[3px] border-madder bg-madder-wash px-4 py-3"
			role="alert"
		>
			{w.fault} Nothing was imported. <a class="act" href="/imports">Choose another file</a>
		</p>
	{:else}
		{#if busyState}<div class="mt-4" role="status">
				<p>
					{w.state === 'reading'
						? 'The file is being read.'
						: `Looked through ${w.done} of ${w.total} rows.`} You may leave this page and come back.
				</p>
				<progress
					class="mt-2 h-2 w-full max-w-[480px]"
					max={w.total || 1}
					value={w.state === 'reading' ? undefined : w.done}
					aria-label="Rows looked through"
				></progress>
			</div>{/if}
		<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[330px_minmax(0,1fr)]">
			<Section title="Columns" about="which one is what">
				{#if w.head.length}
					<ActionForm action="?/map" class="mt-2"
						>{#snippet children({ busy })}{#each data.fields as f (f.key)}<label
									class="row grid min-h-10 grid-cols-[140px_minmax(0,1fr)] items-center gap-2 py-1"
									><span
										>{f.name}{#if f.needed}<span class="sub"> needed</span>{/if}</span
									><select class="box" name={f.key} value={w.mapping[f.key] ?? ''}
										><option value="">not in the file</option
										>{#each w.head.filter(Boolean) as h (h)}<option value={h}>{h}</option
											>{/each}</select
									></label
								>{/each}<button class="btn mt-3" disabled={busy || busyState}
								>Look through again</button
							>
							<p class="sub mt-2">
								The columns are remembered for files with the same head.
							</p>{/snippet}</ActionForm
					>
				{/if}
			</Section>
			<div>
				{#if p}
					<Section
						title="What becomes of each row"
						about="{plural(p.made, 'new row')}, {p.known} there already, {plural(
							p.faults,
							'fault'
						)}"
					>
						{#snippet tools()}<ActionForm
								action="?/finish"
								ondone={async (d) => {
									say(`Imported: ${d.made} made.`);
									await goto('/imports');
								}}
								>{#snippet children({ busy })}<button
										class="btn go"
										disabled={busy || p.faults > 0 || p.made === 0}
										>{busy
											? 'Writing…'
											: p.faults
												? 'All rows or none: mend the faults'
												: `Import ${plural(p.made, 'row')}`}</button
									>{/snippet}</ActionForm
							>{/snippet}
						<DataTable
							{columns}
							rows={p.rows}
							id={(row) => String(row.n)}
							row={(row) => ({ 'data-fate': row.fate })}
							fixed
							class="mt-1"
						/>
						{#if p.more}<p class="sub mt-2">And {p.more} more.</p>{/if}
					</Section>
				{/if}
			</div>
		</div>
	{/if}
</div>
