<!--
	Dates of the department in one month: what, of which matter, by what authority, and who checked
	it.
-->
<script lang="ts">
	import { RESULT_WORDS } from '#core/docket/occasion.ts';
	import { formatHolder } from '#core/docket/people.ts';
	import { describeClosed, describeLeft } from '#core/docket/standing.ts';
	import Kite from '$lib/docket/Kite.svelte';
	import WorkingMark from '$lib/docket/WorkingMark.svelte';
	import DataTable from '$lib/ui/DataTable.svelte';
	import { page } from '$app/state';
	import { dayAt } from '#core/dates/zone.ts';
	import { countDays, formatAway, formatDay, plural } from '$lib/ui/format.ts';
	import type { Column } from '$lib/ui/table.ts';
	import { hrefOf, type ListedDate } from './dates.ts';
	type Props = {
		rows: readonly ListedDate[];
		name: string;
		today: string;
		staffId: string;
		mayDocket: boolean;
		/** Ids of the chosen dates. */
		chosen: string[];
	};
	let { rows, name, today, staffId, mayDocket, chosen = $bindable() }: Props = $props();
	const columns: Column<ListedDate>[] = [
		{ key: 'state', label: 'State', cell: mark, class: 'w-[26px]' },
		{
			key: 'date',
			label: 'Date',
			cell: day,
			class: 'w-[176px] whitespace-nowrap max-md:w-[104px] max-md:whitespace-normal'
		},
		{
			key: 'what',
			label: 'What',
			text: (due) => due.title,
			leads: true,
			cell: moved,
			class: 'truncate'
		},
		{ key: 'matter', label: 'Matter', cell: matter, class: 'w-[24%] truncate max-md:hidden' },
		{
			key: 'authority',
			label: 'Authority',
			cell: authority,
			class: 'sub w-[210px] truncate max-md:hidden'
		},
		{
			key: 'check',
			label: 'Check',
			cell: check,
			class: 'w-[112px] text-right whitespace-nowrap max-md:hidden'
		}
	];
	const PAST: Readonly<Record<string, string>> = {
		missed: 'missed',
		passed: 'outcome wanted',
		late: 'met late'
	};
	const isLate = ({ state, date }: ListedDate) =>
		state === 'missed' || state === 'late' || (state === 'docketed' && date === today);
	function settledWords(due: ListedDate): string {
		const { result, state, setAside, lateBy, enteredAt } = due;
		if (result) return RESULT_WORDS[result];
		if (state === 'proposed')
			return `waits ${plural(countDays(dayAt(enteredAt, page.data.zone), today), 'day')}`;
		if (state === 'late') return lateBy ? `settled, ${lateBy}` : 'word wanted';
		return setAside ? 'set aside' : state;
	}
	const isSettled = ({ state }: ListedDate) =>
		state === 'proposed' || state === 'vacated' || state === 'met' || state === 'late';
</script>

{#snippet mark(due: ListedDate)}
	<Kite
		state={due.state}
		sort={due.sort}
		checked={due.checked}
		adrift={due.left !== null}
		late={due.state === 'docketed' && due.date <= today}
	/>
{/snippet}
{#snippet day(due: ListedDate)}
	<b class={['font-semibold', { 'text-madder': isLate(due) }]}>{formatDay(due.date, today)}</b>
	<span class="sub">
		{PAST[due.state] ?? due.time ?? formatAway(due.date, today)}
	</span>
{/snippet}
{#snippet moved(due: ListedDate)}
	<WorkingMark mark={due.workingMark} />
	{#if due.sort === 'deadline' && due.bookShort !== 'by hand'}
		<span class="sub ml-1">{due.event}</span>
	{/if}
	<span class="sub block truncate md:hidden">{due.matterTitle}</span>
	{#if due.left}
		<span class="ml-2 font-semibold text-madder">{describeLeft(due.left.gives)}</span>
	{/if}
	{#if due.closed && !isSettled(due)}
		<span class="ml-2 font-semibold text-saffron-ink">{describeClosed(due.closed)}</span>
	{/if}
	{#if due.computed}
		<span class="sub ml-2">by {due.movedHow}, rule {formatDay(due.computed, today).slice(4)}</span>
	{/if}
	{#if due.internal && due.state === 'docketed'}
		<span class="sub ml-2">ours {formatDay(due.internal, today).slice(4)}</span>
	{/if}
{/snippet}
{#snippet matter(due: ListedDate)}
	<a class="hover:underline" href="/matters/{due.matterNumber}">{due.matterTitle}</a>
	<span class="sub">{formatHolder(due)}{due.court ? `, ${due.court}` : ''}</span>
{/snippet}
{#snippet authority(due: ListedDate)}
	<span title={due.stale ?? due.authority}>
		{#if due.stale}<span class="font-semibold text-saffron-ink">review overdue</span>{/if}
		<a class="hover:underline" href="/docket/authority/{due.id}">{due.authority}</a>
	</span>
{/snippet}
{#snippet check(due: ListedDate)}
	{#if isSettled(due)}
		<span class="sub">{settledWords(due)}</span>
	{:else if due.checked}
		<span class="sub">checked by {due.checkedBy}</span>
	{:else if due.returnedBy}
		<a class="font-semibold text-madder" href={hrefOf(due)} title={due.returnedReason}>
			returned by {due.returnedBy}
		</a>
	{:else if due.docketedById !== staffId && mayDocket}
		<a class="act" href="/docket/check?deadline={due.id}">check it</a>
	{:else}
		<span class="font-semibold text-saffron-ink">second check</span>
	{/if}
{/snippet}

<DataTable
	{columns}
	{rows}
	caption={name}
	about={rows.length}
	headless
	fixed
	id={(due) => due.id}
	href={hrefOf}
	bind:chosen
	named={(due) => `${due.title}, ${due.matterTitle}`}
	row={(due) => ({
		'data-deadline': due.title,
		...(chosen.length && !chosen.includes(due.id) ? { class: 'link no-print' } : {})
	})}
	class="mt-3"
/>
