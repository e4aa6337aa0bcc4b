<script lang="ts">
	import { MONTHS } from '#core/dates/plain.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Kite from '$lib/ui/Kite.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import { away, short } from '$lib/ui/say.ts';
	import { page } from '$app/state';
	let { data } = $props();
	const to = (change: Record<string, string>) => { const p = new URLSearchParams(page.url.searchParams); p.delete('page'); for (const [k, v] of Object.entries(change)) if (v) p.set(k, v); else p.delete(k); return `?${p}`; };
	const months = $derived([...new Set(data.rows.map((r) => r.date.slice(0, 7)))].map((m) => ({ m, name: `${MONTHS[Number(m.slice(5)) - 1]} ${m.slice(0, 4)}`, rows: data.rows.filter((r) => r.date.startsWith(m)) })));
	const shows = $derived([['open', 'Docketed'], ['unchecked', `Need a second check ${data.unchecked}`], ['missed', `Missed ${data.missed}`], ['proposed', 'Proposed'], ['all', 'All']] as const);
</script>

<svelte:head><title>Docket · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3"><h1>Docket</h1><span class="sub grow">{data.department}: every date in the matters you may see</span></div>
	<div class="no-print mt-3 flex flex-wrap items-center gap-2">
		{#each shows as [k, n] (k)}<a class="note" class:on={data.filter.show === k} href={to({ show: k })}>{n}</a>{/each}
		<span class="grow"></span><a class="note" class:on={data.filter.who === 'mine'} href={to({ who: data.filter.who === 'mine' ? '' : 'mine' })}>On my matters</a>
		<form method="get" class="flex items-center gap-2"><input type="hidden" name="show" value={data.filter.show} /><input class="box !w-28" name="from" value={data.filter.from ?? ''} placeholder="2026-11-01" aria-label="From, as year-month-day" /><span class="sub">to</span><input class="box !w-28" name="to" value={data.filter.to ?? ''} placeholder="2027-01-31" aria-label="To, as year-month-day" /><button class="btn">Show</button></form>
	</div>
	{#if data.bad}<p class="fault mt-2">{data.bad}</p>{/if}
	{#if data.total === 0}<Empty>{data.filter.show === 'missed' ? 'Nothing was missed.' : data.filter.show === 'unchecked' ? 'Every docketed date was checked by a second person.' : 'No date fits. Dates come here when an event is entered on a matter.'}</Empty>{/if}
	{#each months as g (g.m)}
		<table class="list mt-3"><caption class="read pb-1 text-left text-[17px] font-medium">{g.name} <span class="sub font-ui text-[13.5px]">{g.rows.length}</span></caption>
			<thead class="vh"><tr><th>State</th><th>Date</th><th>What</th><th>Matter</th><th>Authority</th><th>Check</th></tr></thead>
			<tbody>
				{#each g.rows as d (d.id)}
					<tr class="link" data-deadline={d.title}>
						<td class="w-[26px]"><Kite state={d.state} checked={d.checked} late={d.state === 'docketed' && d.date <= data.today} /></td>
						<td class="w-[176px] whitespace-nowrap"><b class="font-semibold" class:text-madder={d.state === 'missed' || (d.state === 'docketed' && d.date === data.today)}>{short(d.date, data.today)}</b> <span class="sub">{d.state === 'missed' ? 'missed' : away(d.date, data.today)}</span></td>
						<td class="max-w-0 truncate"><a class="font-semibold hover:underline" href="/matters/{d.matterNumber}/docket?count={d.id}">{d.title}</a></td>
						<td class="max-w-0 w-[24%] truncate"><a class="hover:underline" href="/matters/{d.matterNumber}">{d.matterTitle}</a> <span class="sub">{d.court}</span></td>
						<td class="sub w-[210px] truncate">{d.authority}</td>
						<td class="w-[112px] text-right whitespace-nowrap">{#if d.state === 'proposed' || d.state === 'vacated' || d.state === 'met'}<span class="sub">{d.state}</span>{:else if d.checked}<span class="sub">checked by {d.checkedBy}</span>{:else if d.docketedById !== data.me.id && data.can.docket}<ActionForm action="?/check">{#snippet children({ busy })}<input type="hidden" name="deadlineId" value={d.id} /><button class="act" disabled={busy}>check it</button>{/snippet}</ActionForm>{:else}<span class="font-semibold text-saffron-ink">second check</span>{/if}</td>
					</tr>
				{/each}
			</tbody></table>
	{/each}
	<Pages total={data.total} per={data.per} what="dates" />
</div>
