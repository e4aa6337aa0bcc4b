<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { sayHours } from '#core/time/minutes.ts';
	import { opening } from '$lib/opening.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Kite from '$lib/ui/Kite.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import { away, days, short } from '$lib/ui/say.ts';
	let { data } = $props();
	const to = (change: Record<string, string>) => { const p = new URLSearchParams(page.url.searchParams); p.delete('page'); for (const [k, v] of Object.entries(change)) if (v) p.set(k, v); else p.delete(k); return `?${p}`; };
	const groups = $derived(data.kinds.map((k) => ({ ...k, rows: data.rows.filter((r) => r.kind === k.id) })).filter((g) => g.rows.length));
	const quiet = (r: (typeof data.rows)[number]) => { const n = days(r.lastActivity.slice(0, 10), data.today); return r.status === 'open' && n > (data.kinds.find((k) => k.id === r.kind)?.quietDays ?? 60) ? n : 0; };
	function arrows(e: KeyboardEvent) {
		if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return;
		const links = [...(e.currentTarget as HTMLElement).querySelectorAll<HTMLAnchorElement>('a[data-row]')];
		const i = links.indexOf(document.activeElement as HTMLAnchorElement);
		const next = links[Math.max(0, Math.min(links.length - 1, i + (e.key === 'ArrowDown' ? 1 : -1)))];
		if (next) { e.preventDefault(); next.focus(); }
	}
</script>

<svelte:head><title>Matters · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex items-center gap-3"><h1 class="grow">Matters</h1>{#if data.can.open}<button class="btn go" onclick={() => opening.show()}>Open a matter</button>{/if}</div>
	<div class="no-print mt-3 flex flex-wrap items-center gap-2">
		<a class="note" class:on={data.filter.who === 'mine'} href={to({ who: '' })}>Mine</a><a class="note" class:on={data.filter.who === 'all'} href={to({ who: 'all' })}>All I may see</a>
		<a class="note" class:on={data.filter.closed} href={to({ closed: data.filter.closed ? '' : '1' })}>With closed</a>
		<span class="grow"></span>
		<select class="box !w-auto" aria-label="Kind" value={data.filter.kind} onchange={(e) => goto(to({ kind: e.currentTarget.value }))}><option value="">Every kind</option>{#each data.kinds as k (k.id)}<option value={k.id}>{k.plural}</option>{/each}</select>
		<select class="box !w-auto" aria-label="Business unit" value={data.filter.unit} onchange={(e) => goto(to({ unit: e.currentTarget.value }))}><option value="">Every business unit</option>{#each data.units as u (u.id)}<option value={u.id}>{u.name}</option>{/each}</select>
		<form method="get" class="flex gap-2"><input type="hidden" name="who" value={data.filter.who === 'all' ? 'all' : ''} /><input class="box !w-44" name="q" value={data.filter.q} placeholder="Title or number" aria-label="Title or number" /></form>
	</div>
	{#if data.total === 0}
		<Empty>{data.filter.q || data.filter.kind || data.filter.unit ? 'No matter fits. ' : data.filter.who === 'mine' ? 'You are on no open matter. ' : 'There is no matter yet. '}{#if data.filter.who === 'mine'}<a class="act" href={to({ who: 'all' })}>Show all I may see</a>{:else if data.can.open}<button class="act" onclick={() => opening.show()}>Open a matter</button>{/if}</Empty>
	{:else}
		<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
		<table class="list mt-2" onkeydown={arrows}>
			<thead><tr><th class="w-[118px]">Number</th><th>Matter</th><th class="w-[150px] max-lg:hidden">Business unit</th><th class="w-[64px]">Lawyer</th><th class="w-[260px]">Next date</th><th class="num w-[70px]">Age</th><th class="num w-[70px]">Hours</th></tr></thead>
			{#each groups as g (g.id)}
				<tbody>
					<tr><th colspan="7" scope="colgroup" class="!border-0 !pt-4 !pb-1"><span class="read text-[17px] font-medium text-ink">{g.plural}</span> <span class="sub">{g.rows.length}</span></th></tr>
					{#each g.rows as r (r.id)}
						<tr class="link" class:text-ink-3={r.status === 'closed'}>
							<td class="text-ink-2">{r.number}</td>
							<td class="max-w-0 truncate"><a class="font-semibold" data-row href="/matters/{r.number}">{r.title}</a>{#if r.restricted}<span class="note warn ml-2 !py-0">restricted</span>{/if}{#if r.status !== 'open'}<span class="sub ml-2">{r.status}</span>{/if}</td>
							<td class="text-ink-2 max-lg:hidden">{r.unit}{r.units > 1 ? ` +${r.units - 1}` : ''}</td><td title={r.responsibleName}>{r.responsible}</td>
							<td class="max-w-0 truncate">{#if r.nextDate}<span class="flex items-center gap-2"><Kite state={r.nextDate < data.today ? 'missed' : 'docketed'} checked={r.nextChecked === 1} late={r.nextDate <= data.today} size={14} /><span class="truncate">{r.nextDate === data.today ? 'Today' : short(r.nextDate, data.today).slice(4)}, {r.nextTitle!.charAt(0).toLowerCase() + r.nextTitle!.slice(1)}</span></span>{:else if quiet(r)}<span class="font-semibold text-madder">quiet {quiet(r)} days</span>{:else}<span class="sub" title="last activity {away(r.lastActivity.slice(0, 10), data.today)}">none</span>{/if}</td>
							<td class="num">{days(r.openedOn, data.today)} d</td><td class="num">{sayHours(r.minutes)}</td>
						</tr>
					{/each}
				</tbody>
			{/each}
		</table>
		<Pages total={data.total} per={data.per} what="matters" />
	{/if}
</div>
