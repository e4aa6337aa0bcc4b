<script lang="ts">
	import { goto } from '$app/navigation';
	import { say } from '$lib/ui/say.svelte.ts';
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Field from '$lib/ui/Field.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	let { data } = $props();
	let what = $state('people');
	const NAMES: Record<string, string> = {
		units: 'Business units and cost centers',
		people: 'People and organizations',
		matters: 'Matters with their parties',
		dates: 'Dates and hearings',
		documents: 'Documents: their index, then the folder',
		time: 'Time that was worked'
	};
	/** The import that is asked about before it is taken back. */
	let asked = $state('');
	const STATE: Record<string, string> = {
		reading: 'being read',
		judging: 'being looked through',
		ready: 'ready to import',
		failed: 'could not be read'
	};
</script>

<svelte:head><title>Imports · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="grow">Imports</h1>
		<HouseTabs />
	</div>
	<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[400px_minmax(0,1fr)]">
		<Section title="A file">
			<ActionForm
				action="?/begin"
				files
				stay
				class="mt-3"
				ondone={async (d) => {
					await goto(`/imports/${d.work}`);
				}}
			>
				{#snippet children({ errors, busy })}
					<div class="flex flex-col gap-3.5">
						<SelectField label="What is in it" error={errors.what} name="what" bind:value={what}
							>{#each data.whats as w (w)}<option value={w}>{NAMES[w]}</option>{/each}</SelectField
						>
						<Field
							label="File"
							error={errors.file}
							hint="CSV in UTF-8, or XLSX. The first row names the columns."
							>{#snippet children(x)}<input
									class="box"
									type="file"
									name="file"
									accept=".csv,.txt,.xlsx"
									{...x}
								/>{/snippet}</Field
						>
						<p class="sub">
							To begin from: <a class="act" href="/imports/sample?what={what}&as=csv" download
								>sample CSV</a
							> <a class="act" href="/imports/sample?what={what}&as=xlsx" download>sample XLSX</a>
						</p>
						<div><button class="btn go" disabled={busy}>Look through the file</button></div>
						<p class="sub">
							Nothing is saved by this. You see what becomes of each row first; then all new rows
							come in, or none.
						</p>
					</div>
				{/snippet}
			</ActionForm>
		</Section>
		<div class="flex flex-col gap-7">
			{#if data.works.length}<Section title="Under way"
					>{#each data.works as w (w.id)}<a
							class="row flex min-h-9 items-center gap-3 hover:bg-white"
							href="/imports/{w.id}"
							><b class="min-w-0 grow truncate font-semibold">{w.fileName}</b><span class="sub"
								>{NAMES[w.what]}</span
							><span class={{ 'font-semibold text-madder': w.state === 'ready' && w.faults > 0 }}
								>{w.state === 'ready' && w.faults
									? `${plural(w.faults, 'row')} to put right`
									: STATE[w.state]}{w.state === 'judging' ? ` ${w.done} of ${w.total}` : ''}</span
							></a
						>{/each}</Section
				>{/if}
			<Section title="Done">
				{#each data.batches as b (b.id)}<div
						class="row flex min-h-[40px] flex-wrap items-center gap-x-3 py-1"
						data-batch={b.fileName}
					>
						<b
							class="min-w-0 grow truncate font-semibold {b.undoneAt
								? 'text-ink-3 line-through'
								: ''}">{b.fileName}</b
						><span class="sub">{NAMES[b.what]}</span><span>{plural(b.rows, 'row')}</span><span
							class="sub">{b.by}, {formatInstant(b.at, data.zone, data.today)}</span
						>
						{#if b.undoneAt}
							<span class="sub">taken back</span>
							{#if b.again}
								<RowAction
									action="?/again"
									fields={{ batchId: b.id }}
									stay
									ondone={({ work }) => goto(`/imports/${work}`)}
								>
									do it anew
								</RowAction>
							{/if}
						{:else if asked === b.id}
							<span role="alert">
								All that its {plural(b.rows, 'row')} made goes.
							</span>
							<RowAction
								action="?/undo"
								look="btn"
								ondone={({ removed }) => {
									asked = '';
									say(`Taken back: ${removed} made by it are gone.`);
								}}
								fields={{ batchId: b.id }}
							>
								Take it back
							</RowAction>
							<button class="act" onclick={() => (asked = '')}>Cancel</button>
						{:else}
							<button class="act" onclick={() => (asked = b.id)}>take back</button>
						{/if}
					</div>
				{:else}<Empty>No import yet.</Empty>{/each}
			</Section>
		</div>
	</div>
</div>
