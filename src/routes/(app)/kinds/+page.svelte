<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { goto } from '$app/navigation';
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	let { data } = $props();
	let adding = $state(false),
		name = $state(''),
		like = $state('litigation');
	type Kind = (typeof data.list)[number];
	const figure = (
		key: string,
		label: string,
		text: (kind: Kind) => string | number
	): Column<Kind> => ({ key, label, text, numeric: true });
	const columns: Column<Kind>[] = [
		{ key: 'name', label: 'Kind', text: (kind) => kind.name, leads: true, cell: use },
		figure('matters', 'Matters', (kind) => kind.matters),
		figure('facts', 'Facts', (kind) => kind.facts),
		figure('groups', 'Repeating groups', (kind) => kind.groups || ''),
		figure('roles', 'Roles', (kind) => kind.roles),
		figure('folders', 'Folders', (kind) => kind.folders),
		figure('tasks', 'First tasks', (kind) => kind.tasks || ''),
		figure('quiet', 'Quiet after', (kind) => `${kind.quietDays} d`),
		figure('old', 'Old after', (kind) => `${kind.ageDays} d`),
		figure('kept', 'Kept', (kind) => `${kind.retentionYears} y`)
	];
</script>

<svelte:head><title>Matter kinds · Kite Pen</title></svelte:head>
{#snippet use(kind: Kind)}
	{#if !kind.active}<span class="sub ml-2">out of use</span>{/if}
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="grow">Matter kinds</h1>
		<HouseTabs /><button class="btn go" onclick={() => (adding = !adding)}>Add a kind</button>
	</div>
	{#if adding}<ActionForm
			action="?/add"
			class="mt-3 flex flex-wrap items-end gap-3"
			ondone={async (d) => {
				await goto(`/kinds/${d.kindId}`);
			}}
			>{#snippet children({ errors, busy })}<label
					><span class="label">Name</span><input
						class="box w-64"
						name="name"
						bind:value={name}
						aria-invalid={errors.name ? 'true' : undefined}
					/></label
				><label
					><span class="label">Begins like</span><select
						class="box w-52"
						name="like"
						bind:value={like}
						>{#each data.list as k (k.id)}<option value={k.id}>{k.name}</option>{/each}</select
					></label
				><button class="btn go" disabled={busy}>Add the kind</button>{#if errors.name}<p
						class="fault w-full"
					>
						{errors.name}
					</p>{/if}{/snippet}</ActionForm
		>{/if}
	<DataTable
		{columns}
		rows={data.list}
		id={(kind) => kind.id}
		href={(kind) => `/kinds/${kind.id}`}
		class="mt-3"
	/>
</div>
