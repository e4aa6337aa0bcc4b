<!--
	Rows under heads: a click anywhere on a row opens it, arrows walk from row to row, the space bar
	chooses one.
-->
<script lang="ts" generics="Row">
	import type { Snippet } from 'svelte';
	import { walkLinks } from './keys.ts';
	import { openRows, type Column, type RowGroup } from './table.ts';
	type Props = {
		columns: readonly Column<Row>[];
		rows?: readonly Row[];
		/** Rows under the heads of their group, instead of rows. */
		groups?: readonly RowGroup<Row>[];
		id: (row: Row) => string;
		href?: (row: Row) => string;
		caption?: string;
		/** Stands after the caption. */
		about?: string | number;
		/** Heads that are for those who do not see the table: the caption and the rows say enough. */
		headless?: boolean;
		/** Ids of the chosen rows, where rows can be chosen. */
		chosen?: string[];
		/** What a row is called where it is chosen. */
		named?: (row: Row) => string;
		/** Attributes of a row. */
		row?: (row: Row) => Record<string, string | undefined>;
		/** Cells of a second row beneath one. */
		below?: Snippet<[Row]>;
		/** What stands instead of the table where it has no rows. */
		empty?: Snippet;
		fixed?: boolean;
		class?: string;
	};
	let {
		columns,
		rows = [],
		groups,
		id,
		href,
		caption,
		about,
		headless = false,
		chosen = $bindable(),
		named = id,
		row: attributes,
		below,
		empty,
		fixed = false,
		class: more = ''
	}: Props = $props();
	const parts = $derived<readonly RowGroup<Row>[]>(groups ?? [{ name: '', rows }]);
	const hasRows = $derived(parts.some((part) => part.rows.length > 0));
	const ARROWS = { ascending: ' ↑', descending: ' ↓' };

	function choose(event: KeyboardEvent) {
		const key = (event.target as HTMLElement).dataset.row;
		if (event.key !== ' ' || key === undefined || !chosen) return;
		event.preventDefault();
		chosen = chosen.includes(key) ? chosen.filter((other) => other !== key) : [...chosen, key];
	}
</script>

{#snippet head({ label, unlabeled, numeric, sort, class: look }: Column<Row>)}
	<th class={[look, { num: numeric }]} aria-sort={sort?.direction}>
		{#if sort}
			<a class="hover:underline" href={sort.href}>
				{label}{sort.direction ? ARROWS[sort.direction] : ''}
			</a>
		{:else if unlabeled || headless}
			<span class="vh">{label}</span>
		{:else}
			{label}
		{/if}
	</th>
{/snippet}

{#snippet body({ key, text, cell, leads, numeric, class: look, tone }: Column<Row>, row: Row)}
	<td class={[look, { num: numeric }, tone?.(row)]}>
		{#if leads && href}
			<a class="font-semibold hover:underline max-md:py-[3px]" data-row={id(row)} href={href(row)}
				>{text?.(row)}</a
			>
		{:else if text}
			{text(row) ?? ''}
		{/if}
		{@render cell?.(row, key)}
	</td>
{/snippet}

{#if hasRows || !empty}
	<!-- On a telephone a table that cannot be narrower is moved sideways, not the page. -->
	<div class="relative max-md:overflow-x-auto">
		<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
		<table
			class={['list', more, { 'table-fixed': fixed }]}
			use:walkLinks={'a[data-row]'}
			use:openRows
			onkeydown={choose}
		>
			{#if caption}
				<caption class="read pb-1 text-left text-large font-medium">
					{caption}
					{#if about !== undefined}<span class="sub font-ui text-body">{about}</span>{/if}
				</caption>
			{/if}
			<thead class:bare={headless}>
				<tr>
					{#if chosen}<th class="no-print w-[26px]"><span class="vh">Chosen</span></th>{/if}
					{#each columns as column (column.key)}
						{@render head(column)}
					{/each}
				</tr>
			</thead>
			{#each parts as part, place (place)}
				<tbody>
					{#if part.name}
						<!-- Not over all columns: those a telephone hides would take room from the others. -->
						<tr>
							<th colspan={chosen ? 2 : 1} scope="rowgroup" class="border-0 pt-4 pb-1">
								<span class="read text-large font-medium text-ink">{part.name}</span>
								<span class="sub">{part.about ?? ''}</span>
							</th>
						</tr>
					{/if}
					{#each part.rows as row (id(row))}
						<tr class:link={href} {...attributes?.(row)}>
							{#if chosen}
								<td class="no-print">
									<input
										type="checkbox"
										aria-label="Choose {named(row)}"
										value={id(row)}
										bind:group={chosen}
									/>
								</td>
							{/if}
							{#each columns as column (column.key)}
								{@render body(column, row)}
							{/each}
						</tr>
						{#if below}{@render below(row)}{/if}
					{/each}
				</tbody>
			{/each}
		</table>
	</div>
{:else}
	{@render empty()}
{/if}

<style>
	/* Its cells still give the columns their widths. */
	.bare th {
		height: 0;
		padding-block: 0;
		line-height: 0;
	}
</style>
