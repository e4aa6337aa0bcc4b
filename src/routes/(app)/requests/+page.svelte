<script lang="ts">
	import { page } from '$app/state';
	import FilterBar from '$lib/ui/FilterBar.svelte';
	import Switches from '$lib/ui/Switches.svelte';
	import { changeQuery, type Filter, type Switch } from '$lib/ui/address.ts';
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { dayAt } from '#core/dates/zone.ts';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Requests from '$lib/requests/RequestRows.svelte';
	import { countDays, plural, formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	const WORDS: Record<string, string> = {
		sent: 'new',
		taken: 'taken',
		asked: 'waits for an answer',
		'turned down': 'turned down',
		withdrawn: 'withdrawn',
		matter: 'in work'
	};
	const show = [
		['open', 'Open'],
		['mine', 'Mine'],
		['done', 'Finished']
	];
	const queues = $derived<Switch[]>(
		show.map(([key, label]) => ({
			label: label!,
			on: data.show === key,
			href: changeQuery(page.url.searchParams, { show: key! })
		}))
	);
	const filters = $derived<Filter[]>([
		{
			name: 'unit',
			label: 'Business unit',
			any: 'Every business unit',
			options: data.units.map(({ id, name }) => [id, name] as const),
			value: data.filter?.unit
		},
		{
			name: 'holder',
			label: 'With',
			any: 'With anybody',
			options: data.staff.map(({ id, name }) => [id, name] as const),
			value: data.filter?.holder
		}
	]);
	type Queued = Exclude<typeof data.queue, undefined>[number];
	/** Days after which a request that nobody finished has waited too long. */
	const LONG = 5;
	const LATE = 'font-semibold text-madder';
	const URGENCY: Record<string, string> = { urgent: LATE, soon: 'text-saffron-ink' };
	const ageOf = ({ sentAt }: Queued) =>
		sentAt ? countDays(dayAt(sentAt, data.zone), data.today) : 0;
	const columns: Column<Queued>[] = [
		{
			key: 'number',
			label: 'Number',
			text: (one) => one.number,
			class: 'w-[112px] text-ink-2 max-md:hidden'
		},
		{
			key: 'about',
			label: 'About',
			text: (one) => one.about,
			leads: true,
			class: 'truncate'
		},
		{
			key: 'files',
			label: 'Files',
			text: (one) => one.files || '',
			numeric: true,
			class: 'w-[56px] sub max-md:hidden'
		},
		{
			key: 'from',
			label: 'From',
			text: (one) => one.by,
			cell: unit,
			class: 'w-[210px] truncate max-xl:w-[150px] max-md:hidden'
		},
		{
			key: 'urgency',
			label: 'Urgency',
			text: (one) => (one.urgency === 'normal' ? 'no hurry' : one.urgency),
			tone: (one) => URGENCY[one.urgency] ?? 'sub',
			class: 'w-[90px] max-md:w-[74px]'
		},
		{
			key: 'wanted',
			label: 'Wanted by',
			text: (one) => (one.wantedBy ? formatDay(one.wantedBy, data.today) : ''),
			tone: (one) =>
				one.wantedBy && one.wantedBy < data.today && data.show !== 'done' ? LATE : '',
			class: 'w-[110px] max-md:hidden'
		},
		{
			key: 'age',
			label: 'Age',
			text: (one) => `${ageOf(one)} d`,
			tone: (one) => (ageOf(one) > LONG && data.show !== 'done' ? LATE : ''),
			numeric: true,
			class: 'w-[70px] max-md:hidden'
		},
		{
			key: 'state',
			label: 'State',
			text: (one) => one.status ?? WORDS[one.state],
			tone: (one) => (one.state === 'sent' ? 'font-semibold text-saffron-ink' : ''),
			class: 'w-[150px] max-md:w-[110px]'
		},
		{
			key: 'with',
			label: 'With',
			text: (one) => one.takenBy,
			class: 'w-[140px] truncate max-xl:hidden'
		}
	];
</script>

<svelte:head><title>Requests · Kite Pen</title></svelte:head>
{#snippet unit(request: Queued)}
	{#if request.unit}<span class="sub">{request.unit}</span>{/if}
{/snippet}

<div class="px-5 py-4">
	<h1>Requests</h1>
	{#if data.own}
		{#if data.draft}<RowAction
				action="?/removeDraft"
				class="mt-1"
				ondone={() => {
					sessionStorage.removeItem('draft request');
					location.href = '/requests';
				}}
				fields={{ requestId: data.own ? data.draft!.id : '' }}>Throw this draft away</RowAction
			>{/if}
		<div class="mt-4"><Requests mine={data.mine} loaded={data.draft} /></div>
	{:else}
		<div class="no-print mt-3 flex flex-wrap items-center gap-2">
			<Switches all={queues} />
			<span class="sub ml-2">{plural(data.queue.length, 'request')}</span>
		</div>
		<FilterBar {filters} class="mt-2" />
		{#if data.queue.length === 0}<Empty
				>{data.filter.unit || data.filter.holder
					? 'No request fits.'
					: data.show === 'open'
						? 'No request waits. What business partners send comes here.'
						: data.show === 'mine'
							? 'You have taken none.'
							: 'None is finished yet.'}</Empty
			>
		{:else}
			<DataTable
				{columns}
				rows={data.queue}
				id={(request) => request.id}
				href={(request) => `/requests/${request.id}`}
				fixed
				class="mt-2"
			/>
		{/if}
	{/if}
</div>
