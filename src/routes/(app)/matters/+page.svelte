<!-- The matter list: any column, filtered, grouped and sorted; many can be changed at once. -->
<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { opening } from '$lib/matters/opening.svelte.ts';
	import { changeQuery } from '$lib/ui/address.ts';
	import DataTable from '$lib/ui/DataTable.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { plural } from '$lib/ui/format.ts';
	import Pages from '$lib/ui/Pages.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import Bulk from './Bulk.svelte';
	import { groupMatters, isNumeric, lookOf, type ListedMatter } from './cells.ts';
	import Columns from './Columns.svelte';
	import Filters from './Filters.svelte';
	import MatterCell from './MatterCell.svelte';
	let { data } = $props();
	const filter = $derived(data.filter);
	const to = (change: Record<string, string>) => changeQuery(page.url.searchParams, change);
	const query = $derived(to({}).slice(1));
	let chosen = $state<string[]>([]),
		bulk = $state(false),
		choosing = $state(false);

	const shown = $derived(
		data.shown.flatMap((key) => data.columns.filter((column) => column.key === key))
	);
	const directionOf = (key: string): 'ascending' | 'descending' | undefined =>
		filter.sort === key ? 'ascending' : filter.sort === `-${key}` ? 'descending' : undefined;
	/** The next click on a head: up, down, then as before. */
	const NEXT_SORT = { ascending: (key: string) => `-${key}`, descending: () => '' };
	const sortOf = (key: string) => {
		const direction = directionOf(key);
		return { direction, href: to({ sort: direction ? NEXT_SORT[direction](key) : key }) };
	};
	const columns = $derived(
		shown.map((column): Column<ListedMatter> => ({
			key: column.key,
			label: column.name,
			class: lookOf(column),
			numeric: isNumeric(column),
			sort: sortOf(column.key),
			...(column.key === 'title'
				? { text: (matter) => matter.title, leads: true, cell: marks }
				: { cell })
		}))
	);
	const LIMITS = ['q', 'kind', 'unit', 'status', 'lawyer', 'priority', 'quiet', 'old'] as const;
	const MORE_LIMITS = ['age', 'opened', 'closedIn'] as const;
	const limited = $derived([...LIMITS, ...MORE_LIMITS].some((name) => filter[name]));
</script>

<svelte:head><title>Matters · Kite Pen</title></svelte:head>

{#snippet cell(matter: ListedMatter, key: string)}
	{@const column = data.columns.find((one) => one.key === key)}
	{#if column}
		<MatterCell
			{matter}
			{column}
			kind={data.kinds.find((kind) => kind.id === matter.kind)}
			today={data.today}
		/>
	{/if}
{/snippet}
{#snippet marks(matter: ListedMatter)}
	{#if matter.priority === 'high'}<span class="note warn ml-2 py-0">high</span>{/if}
	{#if matter.restricted}<span class="note warn ml-2 py-0">restricted</span>{/if}
	{#if matter.status !== 'open' && !data.shown.includes('status')}
		<span class="sub ml-2">{matter.status}</span>
	{/if}
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="grow">Matters</h1>
		{#if data.can.figures}<a class="btn" href="/figures">Figures</a>{/if}
	</div>
	<Filters {data} {query} onchoose={() => (choosing = true)} />
	{#if chosen.length}
		<div
			class="no-print sticky top-0 z-10 mt-2 flex items-center gap-4 border-y-[1.5px] border-ink bg-saffron-wash px-3 py-2"
		>
			<b>{plural(chosen.length, 'matter')} chosen</b>
			<button class="btn go" onclick={() => (bulk = true)}>
				Change {chosen.length === 1 ? 'it' : 'them'}
			</button>
			<button class="act" onclick={() => (chosen = data.rows.map((matter) => matter.number))}>
				all on this page
			</button>
			<button class="act" onclick={() => (chosen = [])}>none</button>
		</div>
	{/if}
	<DataTable
		{columns}
		groups={data.groups.length
			? groupMatters(data.rows, data.groups)
			: [{ name: '', rows: data.rows }]}
		id={(matter) => matter.number}
		href={(matter) => `/matters/${matter.number}`}
		row={(matter) => ({ class: matter.status === 'closed' ? 'text-ink-3' : undefined })}
		bind:chosen
		fixed
		class="mt-2"
	>
		{#snippet empty()}
			<Empty>
				{limited
					? 'No matter fits.'
					: filter.who === 'mine'
						? 'You are on no open matter.'
						: 'There is no matter yet.'}
				{#if filter.who === 'mine'}
					<a class="act" href={to({ who: 'all' })}>Show all I may see</a>
				{:else if data.can.open}
					<button class="act" onclick={() => opening.show()}>Open a matter</button>
				{/if}
			</Empty>
		{/snippet}
	</DataTable>
	<Pages total={data.total} per={data.per} what="matters" />
</div>
<Columns
	bind:open={choosing}
	all={data.columns}
	shown={data.shown}
	onchoose={(keys) => goto(to({ cols: keys.join(',') }))}
/>
<Bulk bind:open={bulk} numbers={chosen} kinds={data.bulk} ondone={() => (chosen = [])} />
