<!--
	The department's docket: every date in the matters one may see, as a list, on a timeline or in a
	month.
-->
<script lang="ts">
	import { page } from '$app/state';
	import { formatTotal } from '#core/format/words.ts';
	import { addDays, plainDate } from '#core/dates/plain.ts';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Month from '$lib/docket/Month.svelte';
	import Timeline from '$lib/docket/Timeline.svelte';
	import { changeQuery, type Filter } from '$lib/ui/address.ts';
	import Empty from '$lib/ui/Empty.svelte';
	import FilterBar from '$lib/ui/FilterBar.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import Switches from '$lib/ui/Switches.svelte';
	import ChosenDates from './ChosenDates.svelte';
	import DateRows from './DateRows.svelte';
	import { groupByMonth, hrefOf, lanesOf } from './dates.ts';
	let { data } = $props();
	const filter = $derived(data.filter);
	let chosen = $state<string[]>([]);
	const to = (change: Record<string, string>) => changeQuery(page.url.searchParams, change);
	const SHOWS = [
		['open', 'Docketed'],
		['hearings', 'Hearings'],
		['unchecked', 'Unchecked'],
		['missed', 'Missed'],
		['passed', 'Outcome wanted'],
		['proposed', 'Proposed'],
		['all', 'All']
	] as const;
	const VIEWS = [
		['list', 'List'],
		['timeline', 'Timeline'],
		['month', 'Month']
	] as const;
	const counts = $derived<Record<string, number>>({
		missed: data.missed,
		passed: data.passed,
		proposed: data.proposed
	});
	const shows = $derived(
		SHOWS.map(([show, label]) => ({
			label: counts[show] ? `${label} ${formatTotal(counts[show])}` : label,
			on: (filter.show ?? 'open') === show,
			href: to({ show: show === 'open' ? '' : show })
		}))
	);
	const spans = $derived(
		[
			{ label: 'Past', from: '', until: addDays(plainDate(data.today), -1) as string },
			{ label: 'Ahead', from: data.today as string, until: '' }
		].map(({ label, from, until }) => ({
			label,
			on: (filter.from ?? '') === from && (filter.to ?? '') === until,
			href: to({ from, to: until })
		}))
	);
	const views = $derived(
		VIEWS.map(([view, label]) => ({
			label,
			on: data.view === view,
			href: to({ view: view === 'list' ? '' : view })
		}))
	);
	const filters = $derived<Filter[]>([
		{
			name: 'who',
			label: 'Anyone',
			any: 'Anyone',
			options: [
				['mine', 'On my matters'],
				['held', 'Mine to see to today'],
				['nobody', 'Held by nobody here'],
				...data.choices.people.map(({ id, name }): [string, string] => [id, name])
			],
			value: filter.who
		},
		{
			name: 'unit',
			label: 'Any business unit',
			any: 'Any business unit',
			options: data.choices.units.map(({ id, name }) => [id, name]),
			value: filter.unit
		},
		{
			name: 'kind',
			label: 'Any kind',
			any: 'Any kind',
			options: data.choices.kinds.map(({ id, name }) => [id, name]),
			value: filter.kind
		},
		{
			name: 'court',
			label: 'Any court',
			any: 'Any court',
			options: data.choices.courts.map((court) => [court, court]),
			value: filter.court
		},
		{
			name: 'tag',
			label: 'Any tag',
			any: 'Any tag',
			options: data.choices.tags.map((tag) => [tag, tag]),
			value: filter.tag
		},
		...(data.choices.marks.length
			? [
					{
						name: 'mark',
						label: 'Any mark',
						any: 'Any mark',
						options: [
							['any', 'With a mark'] as [string, string],
							...data.choices.marks.map(({ id, label }): [string, string] => [id, label])
						],
						value: filter.mark
					}
				]
			: [])
	]);
	/** What waits for a decision stands by its age, everything else by its month. */
	const groupsOf = (rows: typeof data.rows) =>
		filter.show === 'proposed' && rows.length
			? [{ month: '', name: 'Undecided, the oldest first', rows }]
			: groupByMonth(rows);
	const filtered = $derived(filters.some(({ value }) => value) || filter.from || filter.to);
	const NO_FILTER = {
		...{ who: '', unit: '', kind: '', court: '', tag: '', mark: '' },
		...{ from: '', to: '' }
	};
	const NONE: Record<string, string> = {
		missed: 'Nothing was missed.',
		unchecked: 'Every docketed date was checked by a second person.'
	};
	const none = $derived(
		NONE[filter.show ?? ''] ??
			(filtered
				? 'No date fits. Take a filter off to see more.'
				: 'No date fits. Dates come here when an event is entered on a matter.')
	);
</script>

<svelte:head><title>Docket · Kite Pen</title></svelte:head>

{#snippet days()}
	{#if data.view !== 'month'}
		<input
			class="box w-28"
			name="from"
			value={filter.from ?? ''}
			placeholder="from, a day"
			aria-label="From which day"
		/>
		<input
			class="box w-28"
			name="to"
			value={filter.to ?? ''}
			placeholder="to, a day"
			aria-label="To which day"
		/>
	{/if}
	<button class="btn">Show</button>
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Docket</h1>
		<span class="sub grow">{data.department}: every date in the matters you may see</span>
		<DocketTabs />
	</div>
	<div class="no-print mt-3 flex flex-wrap items-center gap-2">
		<Switches all={shows} />
		<span class="sub px-1" aria-hidden="true">|</span>
		<Switches all={spans} />
		<span class="grow"></span>
		<Switches all={views} />
	</div>
	<FilterBar {filters} fields={days} class="mt-2">
		{#if filtered}
			<a class="act" href={to(NO_FILTER)}> take filters off </a>
		{/if}
	</FilterBar>
	{#if data.bad}<p class="fault mt-2">{data.bad}</p>{/if}
	{#if data.span && data.cut}
		<p class="sub mt-2">
			Only the first {data.span.marks.length} dates are drawn. Narrow the days or the filters to see the
			rest.
		</p>
	{/if}
	{#if data.span && data.view === 'month'}
		<div class="mt-3">
			<Month
				month={data.span.month}
				closed={data.span.closed}
				today={data.today}
				marks={data.span.marks.map((due) => ({
					id: due.id,
					date: due.date,
					title: due.short,
					full: due.title,
					about: due.matterTitle,
					workingMark: due.workingMark,
					state: due.state,
					sort: due.sort,
					checked: due.checked,
					adrift: due.adrift,
					href: hrefOf(due)
				}))}
			/>
		</div>
	{:else if data.span}
		{@const lanes = lanesOf(data.span)}
		<div class="mt-3">
			{#if lanes.length}
				<Timeline
					{lanes}
					from={data.span.from}
					to={data.span.to}
					today={data.today}
					closed={data.span.closed}
					spread={false}
				/>
			{:else}
				<Empty>No date fits between these days.</Empty>
			{/if}
		</div>
	{:else}
		{#if data.total === 0}<Empty>{none}</Empty>{/if}
		{#if chosen.length}
			<ChosenDates
				bind:chosen
				all={data.rows.map(({ id }) => id)}
				acts={data.acts}
				marks={data.choices.marks}
				mayDocket={data.can.docket}
			/>
		{/if}
		{#each groupsOf(data.rows) as { month, name, rows } (month)}
			<DateRows
				{rows}
				{name}
				today={data.today}
				staffId={data.me.id}
				mayDocket={data.can.docket}
				bind:chosen
			/>
		{/each}
		<Pages total={data.total} per={data.per} what="dates" />
	{/if}
</div>
