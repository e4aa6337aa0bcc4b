<script lang="ts">
	import { addDays, plainDate, MONTHS } from '#core/dates/plain.ts';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Month from '$lib/docket/Month.svelte';
	import Timeline, { type Lane } from '$lib/docket/Timeline.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import { formatAway, formatShort } from '$lib/ui/format.ts';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	let { data } = $props();
	const f = $derived(data.filter);
	const to = (change: Record<string, string>) => {
		const p = new URLSearchParams(page.url.searchParams);
		p.delete('page');
		for (const [k, v] of Object.entries(change))
			if (v) p.set(k, v);
			else p.delete(k);
		return `?${p}`;
	};
	const months = $derived(
		[...new Set(data.rows.map((r) => r.date.slice(0, 7)))].map((m) => ({
			m,
			name: `${MONTHS[Number(m.slice(5)) - 1]} ${m.slice(0, 4)}`,
			rows: data.rows.filter((r) => r.date.startsWith(m))
		}))
	);
	const yesterday = $derived(addDays(plainDate(data.today), -1));
	const shows = $derived([
		['open', 'Docketed'],
		['unchecked', 'Unchecked'],
		['missed', data.missed ? `Missed ${data.missed}` : 'Missed'],
		['proposed', 'Proposed'],
		['all', 'All']
	] as const);
	const views = [
		['list', 'List'],
		['timeline', 'Timeline'],
		['month', 'Month']
	] as const;
	const href = (d: { matterNumber: string; id: string }) =>
		`/matters/${d.matterNumber}/docket?deadline=${d.id}`;
	const lanes = $derived.by((): Lane[] => {
		const by = new Map<string, Lane>();
		const lane = (n: string, title: string) => {
			let l = by.get(n);
			if (!l)
				by.set(
					n,
					(l = {
						id: n,
						label: title,
						about: n,
						href: `/matters/${n}/docket`,
						event: null,
						marks: [],
						hearings: []
					})
				);
			return l;
		};
		for (const d of data.span?.rows ?? [])
			lane(d.matterNumber, d.matterTitle).marks.push({
				id: d.id,
				date: d.date,
				title: d.title,
				state: d.state,
				checked: d.checked,
				href: href(d),
				from: d.eventDate
			});
		for (const h of data.span?.hearings ?? [])
			lane(h.matterNumber, h.matterTitle).hearings!.push({
				id: h.id,
				date: h.date,
				title: h.title,
				href: `/matters/${h.matterNumber}/docket`
			});
		return [...by.values()];
	});
	const pick = (name: string) => (e: Event) =>
		void goto(to({ [name]: (e.currentTarget as HTMLSelectElement).value }), { keepFocus: true });
	const filters = $derived([
		[
			'who',
			'Anyone',
			[['mine', 'On my matters'], ...data.choices.people.map((s) => [s.id, s.name])],
			f.who
		],
		['unit', 'Any business unit', data.choices.units.map((u) => [u.id, u.name]), f.unit],
		['kind', 'Any kind', data.choices.kinds.map((k) => [k.id, k.name]), f.kind],
		['court', 'Any court', data.choices.courts.map((c) => [c, c]), f.court]
	] as [string, string, [string, string][], string | undefined][]);
	const filtered = $derived(filters.some((x) => x[3]) || f.from || f.to);
</script>

<svelte:head><title>Docket · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Docket</h1>
		<span class="sub grow">{data.department}: every date in the matters you may see</span
		><DocketTabs />
	</div>
	<div class="no-print mt-3 flex flex-wrap items-center gap-2">
		{#each shows as [k, n] (k)}<a
				class="note"
				class:on={(f.show ?? 'open') === k}
				href={to({ show: k === 'open' ? '' : k })}>{n}</a
			>{/each}
		<span class="sub px-1" aria-hidden="true">|</span
		>{#each [['Past', '', yesterday], ['Ahead', data.today, '']] as [n, from, until] (n)}<a
				class="note"
				class:on={(f.from ?? '') === from && (f.to ?? '') === until}
				href={to({ from: from!, to: until! })}>{n}</a
			>{/each}
		<span class="grow"></span>
		{#each views as [k, n] (k)}<a
				class="note"
				class:on={data.view === k}
				aria-current={data.view === k ? 'true' : undefined}
				href={to({ view: k === 'list' ? '' : k })}>{n}</a
			>{/each}
	</div>
	<form method="get" class="no-print mt-2 flex flex-wrap items-center gap-2">
		{#if f.show}<input
				type="hidden"
				name="show"
				value={f.show}
			/>{/if}{#if data.view !== 'list'}<input type="hidden" name="view" value={data.view} />{/if}
		{#each filters as [name, any, options, value] (name)}<select
				class="box w-auto max-w-[190px] {value ? 'border-ink' : ''}"
				{name}
				aria-label={any}
				onchange={pick(name)}
				value={value ?? ''}
				><option value="">{any}</option>{#each options as [v, n] (v)}<option value={v}>{n}</option
					>{/each}</select
			>{/each}
		{#if data.view !== 'month'}<input
				class="box w-36"
				name="from"
				value={f.from ?? ''}
				placeholder="from 2026-11-01"
				aria-label="From, as year-month-day"
			/><input
				class="box w-36"
				name="to"
				value={f.to ?? ''}
				placeholder="to 2027-01-31"
				aria-label="To, as year-month-day"
			/>{/if}<button class="btn">Show</button>
		{#if filtered}<a
				class="act"
				href="?{new URLSearchParams(
					Object.entries({
						show: f.show ?? '',
						view: data.view === 'list' ? '' : data.view
					}).filter((x) => x[1])
				)}">take filters off</a
			>{/if}
	</form>
	{#if data.bad}<p class="fault mt-2">{data.bad}</p>{/if}
	{#if data.span && data.view === 'month'}
		<div class="mt-3">
			<Month
				month={data.span.month}
				closed={data.span.closed}
				today={data.today}
				marks={data.span.rows.map((d) => ({
					id: d.id,
					date: d.date,
					title: d.short || d.title,
					about: d.matterTitle,
					state: d.state,
					checked: d.checked,
					href: href(d)
				}))}
				hearings={data.span.hearings.map((h) => ({
					id: h.id,
					date: h.date,
					title: h.title,
					about: h.matterTitle,
					href: `/matters/${h.matterNumber}/docket`
				}))}
			/>
		</div>
	{:else if data.span}
		{#if data.cut}<p class="sub mt-2">
				Only the first {data.span.rows.length} dates are drawn. Narrow the days or the filters to see
				the rest.
			</p>{/if}
		<div class="mt-3">
			{#if lanes.length}<Timeline
					{lanes}
					from={data.span.from}
					to={data.span.to}
					today={data.today}
					closed={data.span.closed}
					spread={false}
				/>{:else}<Empty>No date fits between these days.</Empty>{/if}
		</div>
	{:else}
		{#if data.total === 0}<Empty
				>{f.show === 'missed'
					? 'Nothing was missed.'
					: f.show === 'unchecked'
						? 'Every docketed date was checked by a second person.'
						: filtered
							? 'No date fits. Take a filter off to see more.'
							: 'No date fits. Dates come here when an event is entered on a matter.'}</Empty
			>{/if}
		{#each months as g (g.m)}
			<table class="list mt-3">
				<caption class="read pb-1 text-left text-large font-medium"
					>{g.name} <span class="sub font-ui text-body">{g.rows.length}</span></caption
				>
				<thead class="vh"
					><tr
						><th>State</th><th>Date</th><th>What</th><th>Matter</th><th>Authority</th><th>Check</th
						></tr
					></thead
				>
				<tbody>
					{#each g.rows as d (d.id)}
						<tr class="link" data-deadline={d.title}>
							<td class="w-[26px]"
								><Kite
									state={d.state}
									checked={d.checked}
									late={d.state === 'docketed' && d.date <= data.today}
								/></td
							>
							<td class="w-[176px] whitespace-nowrap"
								><b
									class="font-semibold"
									class:text-madder={d.state === 'missed' ||
										(d.state === 'docketed' && d.date === data.today)}
									>{formatShort(d.date, data.today)}</b
								>
								<span class="sub"
									>{d.state === 'missed'
										? 'missed'
										: d.time
											? d.time
											: formatAway(d.date, data.today)}</span
								></td
							>
							<td class="max-w-0 truncate"
								><a class="font-semibold hover:underline" href={href(d)}>{d.title}</a
								>{#if d.computed}<span class="sub ml-2"
										>by {d.movedHow}, rule {formatShort(d.computed, data.today).slice(4)}</span
									>{/if}{#if d.internal && d.state === 'docketed'}<span class="sub ml-2"
										>ours {formatShort(d.internal, data.today).slice(4)}</span
									>{/if}</td
							>
							<td class="w-[24%] max-w-0 truncate"
								><a class="hover:underline" href="/matters/{d.matterNumber}">{d.matterTitle}</a>
								<span class="sub">{d.court}</span></td
							>
							<td class="sub w-[210px] truncate" title={d.stale ?? d.authority}
								>{#if d.stale}<span class="font-semibold text-saffron-ink">review overdue</span>
								{/if}{d.authority}</td
							>
							<td class="w-[112px] text-right whitespace-nowrap"
								>{#if d.state === 'proposed' || d.state === 'vacated' || d.state === 'met'}<span
										class="sub">{d.state}</span
									>{:else if d.checked}<span class="sub">checked by {d.checkedBy}</span
									>{:else if d.returnedBy}<a
										class="font-semibold text-madder"
										href={href(d)}
										title={d.returnedReason}>returned by {d.returnedBy}</a
									>{:else if d.docketedById !== data.me.id && data.can.docket}<a
										class="act"
										href="/docket/check?deadline={d.id}">check it</a
									>{:else}<span class="font-semibold text-saffron-ink">second check</span>{/if}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		{/each}
		<Pages total={data.total} per={data.per} what="dates" />
	{/if}
</div>
