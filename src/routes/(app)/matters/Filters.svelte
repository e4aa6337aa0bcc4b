<!-- Which matters are listed, how they are grouped, and the views that keep such a question. -->
<script lang="ts">
	import { page } from '$app/state';
	import { changeQuery, type Filter, type Switch } from '$lib/ui/address.ts';
	import FilterBar from '$lib/ui/FilterBar.svelte';
	import Switches from '$lib/ui/Switches.svelte';
	import type { PageData } from './$types.js';
	import ViewName from './ViewName.svelte';
	let { data, query, onchoose }: { data: PageData; query: string; onchoose: () => void } = $props();
	const filter = $derived(data.filter);
	const to = (change: Record<string, string>) => changeQuery(page.url.searchParams, change);
	const same = (list: readonly string[]) => list.map((name) => [name, name] as const);
	/** The stages of the kind that is listed; of all kinds there are too many to choose from. */
	const stages = $derived(data.kinds.find(({ id }) => id === filter.kind)?.stages ?? []);
	const endings = $derived([...new Set(data.kinds.flatMap((kind) => kind.endings))]);
	const active = $derived(data.views.find((view) => view.query === query));
	const switches = $derived<Switch[]>([
		{ label: 'Mine', on: filter.who === 'mine', href: to({ who: '' }) },
		{ label: 'All I may see', on: filter.who === 'all', href: to({ who: 'all' }) },
		{
			label: 'Gone quiet',
			on: Boolean(filter.quiet),
			href: to({ quiet: filter.quiet ? '' : '1' })
		},
		{
			label: 'Old for its kind',
			on: Boolean(filter.old),
			href: to({ old: filter.old ? '' : '1' })
		},
		{
			label: 'With closed',
			on: Boolean(filter.closed),
			href: to({ closed: filter.closed ? '' : '1', retained: '' })
		},
		...(filter.closed || filter.retained
			? [
					{
						label: 'Kept long enough',
						on: Boolean(filter.retained),
						href: to({ retained: filter.retained ? '' : '1' })
					}
				]
			: []),
		...data.views.map((view) => ({
			label: view.name,
			on: active?.id === view.id,
			href: `?${view.query}`,
			title: view.mine ? (view.shared ? 'Your view, shared' : 'Your view') : `Shared by ${view.by}`
		}))
	]);
	const filters = $derived<Filter[]>([
		{
			name: 'kind',
			label: 'Kind',
			any: 'Every kind',
			options: data.kinds.map((kind) => [kind.id, kind.plural]),
			value: filter.kind
		},
		{
			name: 'unit',
			label: 'Business unit',
			any: 'Every business unit',
			options: data.units.map((unit) => [unit.id, unit.name]),
			value: filter.unit
		},
		{
			name: 'lawyer',
			label: 'Lawyer',
			any: 'Every lawyer',
			options: data.staff.map((one) => [one.id, one.name]),
			value: filter.lawyer,
			change: (lawyer) => ({ who: lawyer ? 'all' : (filter.who ?? '') })
		},
		{
			name: 'status',
			label: 'Status',
			any: 'Every status',
			options: same(['proposed', 'open', 'on hold', 'closed']),
			value: filter.status
		},
		{
			name: 'priority',
			label: 'Priority',
			any: 'Every priority',
			options: same(['high', 'normal', 'low']),
			value: filter.priority
		},
		...(stages.length
			? [
					{
						name: 'stage',
						label: 'Stage',
						any: 'Every stage',
						options: same(stages),
						value: filter.stage
					}
				]
			: []),
		{
			name: 'origin',
			label: 'Origin',
			any: 'Every origin',
			options: data.origins.map(({ id, label }) => [id, label] as const),
			value: filter.origin
		},
		...(filter.closed || filter.ending || filter.status === 'closed'
			? [
					{
						name: 'ending',
						label: 'How it ended',
						any: 'Every ending',
						options: same(endings),
						value: filter.ending
					}
				]
			: []),
		{
			name: 'group',
			label: 'Group by',
			any: 'Not grouped',
			anyValue: '-',
			options: data.columns
				.filter((column) => column.group)
				.map((column) => [column.key, `by ${column.name.toLowerCase()}`]),
			value: data.columns.some((column) => column.key === filter.group) ? filter.group : undefined
		}
	]);
</script>

<div class="no-print mt-3 flex flex-wrap items-center gap-2">
	<Switches all={switches} />
	<span class="grow"></span>
	{#key active?.id}
		<ViewName {query} {active} />
	{/key}
	<a class="act" href="/matters/export?{query}&as=xlsx" download>XLSX</a>
	<a class="act" href="/matters/export?{query}&as=csv" download>CSV</a>
</div>
<FilterBar
	{filters}
	search={{ label: 'Find by title or number', placeholder: 'Title, number, any fact' }}
	class="mt-2"
>
	<button type="button" class="btn" onclick={onchoose}>Columns</button>
</FilterBar>
