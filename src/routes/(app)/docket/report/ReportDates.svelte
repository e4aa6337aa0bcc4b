<!-- The dates of a report, under the heads of their groups. -->
<script lang="ts">
	import Kite from '$lib/docket/Kite.svelte';
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	type Row = (typeof data.groups)[number]['rows'][number];
	const WIDTHS: Readonly<Record<string, string>> = {
		date: 'w-[96px]',
		time: 'w-[60px]',
		number: 'w-[110px]',
		state: 'w-[86px]',
		checked: 'w-[156px]',
		responsible: 'w-[64px]',
		computed: 'w-[96px]',
		internal: 'w-[96px]',
		eventDate: 'w-[96px]',
		changed: 'w-[96px]',
		workingMark: 'w-[96px] read italic'
	};
	const cells = $derived<string[]>(data.asked.columns.filter((column) => column !== 'count'));
	const shown = $derived(
		data.columns
			.filter(([column]) => cells.includes(column) && !data.said.includes(column))
			.sort(([one], [other]) => cells.indexOf(one) - cells.indexOf(other))
	);
	/** The title, and under it what it is of and its long description. */
	const linesOf = ({ cells: texts }: Row) => (texts[cells.indexOf('title')] ?? '').split('\n');
	const columns = $derived<Column<Row>[]>([
		{ key: 'mark', label: 'State', unlabeled: true, cell: mark, class: 'w-[26px]' },
		...shown.map(([key, label]): Column<Row> => ({
			key,
			label,
			...(key === 'title'
				? { text: (row) => linesOf(row)[0], cell: under, leads: true, class: 'py-1' }
				: {
						text: (row) => row.cells[cells.indexOf(key)],
						class: `${WIDTHS[key] ?? ''} truncate`
					})
		}))
	]);
	/** Under so many columns the page is moved sideways rather than the words cut to nothing. */
	const wide = $derived(columns.length > 9);
</script>

{#snippet mark(row: Row)}
	<Kite
		state={row.state}
		sort={row.sort}
		checked={row.checked}
		adrift={row.adrift}
		late={row.late && row.state === 'docketed'}
	/>
{/snippet}
{#snippet under(row: Row)}
	<span class="sub block whitespace-pre-line">{linesOf(row).slice(1).join('\n')}</span>
{/snippet}
{#snippet counted(row: Row)}
	{#if row.count}
		<tr>
			<td></td>
			<td colspan={shown.length} class="h-auto pb-1.5 text-note text-ink-2">{row.count}</td>
		</tr>
	{/if}
{/snippet}

<div class={['dates', { wide }]}>
	{#each data.groups as group, place (group.key + place)}
		<DataTable
			{columns}
			rows={group.rows}
			caption={group.name}
			about={group.rows.length}
			headless={place > 0}
			id={(row) => row.id}
			href={(row) => row.href}
			row={() => ({ 'data-group': group.key })}
			below={data.asked.columns.includes('count') ? counted : undefined}
			fixed
			class="mt-4"
		/>
	{/each}
</div>

<style>
	.wide {
		overflow-x: auto;
	}
	.wide :global(table) {
		min-width: 1500px;
	}
	@media (max-width: 760px) {
		.dates :global(table) {
			min-width: 940px;
		}
	}
	/* On paper nothing is cut, and each group says its columns again. */
	@media print {
		.dates :global(table) {
			min-width: 0;
			table-layout: auto;
		}
		.dates :global(thead.bare th) {
			height: auto;
			line-height: 1.3;
		}
		.dates :global(thead.bare .vh) {
			position: static;
			width: auto;
			height: auto;
			clip-path: none;
		}
	}
</style>
