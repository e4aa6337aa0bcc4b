<!-- One cell of the matter list: a derived column, or a fact of its kind. -->
<script lang="ts">
	import Kite from '$lib/docket/Kite.svelte';
	import { formatAway, formatDay } from '$lib/ui/format.ts';
	import { formatCell, isOld, quietDays, type ListedMatter, type MatterKind } from './cells.ts';
	type Props = {
		matter: ListedMatter;
		column: { key: string; type: string };
		kind: MatterKind | undefined;
		today: string;
	};
	let { matter, column, kind, today }: Props = $props();
	const value = $derived(matter.cells[column.key]);
	const quiet = $derived(quietDays(matter, kind, today));
	const old = $derived(isOld(matter, kind, today));
	const lowerFirst = (words: string) => words.charAt(0).toLowerCase() + words.slice(1);
</script>

{#if column.key === 'number'}
	{matter.number}
{:else if column.key === 'next' && matter.nextDate}
	<span class="flex items-center gap-2">
		<Kite
			state={matter.nextDate < today ? 'missed' : 'docketed'}
			checked={matter.nextChecked === 1}
			late={matter.nextDate <= today}
			size={14}
		/>
		<span class="truncate">
			{matter.nextDate === today ? 'Today' : formatDay(matter.nextDate, today).slice(4)},
			{lowerFirst(matter.nextTitle ?? '')}
		</span>
	</span>
{:else if column.key === 'next' && quiet}
	<span class="font-semibold text-madder">quiet {quiet} days</span>
{:else if column.key === 'next'}
	<span class="sub" title="last activity {formatAway(matter.lastActivity, today)}">none</span>
{:else if column.key === 'unit'}
	{matter.unit}{matter.units > 1 ? ` +${matter.units - 1}` : ''}
{:else if column.key === 'lawyer'}
	<span title={matter.responsibleName}>{matter.responsible}</span>
{:else if column.key === 'age'}
	<span
		class={{ 'font-semibold text-madder': old }}
		title={old ? `older than ${kind?.ageDays} days` : undefined}
	>
		{value} d
	</span>
{:else if column.key === 'activity'}
	<span class={{ 'font-semibold text-madder': quiet }}>{formatAway(String(value), today)}</span>
{:else if value === null || value === undefined || value === ''}
	<span class="sub">–</span>
{:else}
	{formatCell(value, column.type, today)}
{/if}
