<script lang="ts">
	import { page } from '$app/state';
	import { date, daysBetween, type PlainDate } from '#core/dates/plain.ts';
	import { short } from '$lib/ui/say.ts';
	let { data, children } = $props();
	const c = $derived(data.caption);
	const kind = $derived(data.kinds.find((k) => k.id === c.kind));
	const facts = $derived([
		['Court', c.court], ['Case no.', c.caseNumber], ['Judge', c.judge],
		['Next hearing', c.hearing ? `${short(c.hearing.date, data.today)}${c.hearing.time ? `, ${c.hearing.time}` : ''}` : ''], ['Next date', c.next && !c.hearing ? `${short(c.next.date, data.today)}, ${c.next.title}` : ''],
		['Trial', c.trial ? `in ${daysBetween(data.today as PlainDate, date(c.trial))} days` : ''],
		['Business unit', c.split.map((s) => `${s.unit}${c.split.length > 1 ? ` ${s.share / 10_000}` : ''}`).join(', ') || c.unit], ['Lawyer', c.responsibleName]
	].filter(([, v]) => v).slice(0, 6));
	const base = $derived(`/matters/${c.number}`);
	const sections = $derived([['', 'Overview', 0], ['/docket', 'Docket', c.counts.docket], ['/tasks', 'Tasks', c.counts.tasks], ['/documents', 'Documents', c.counts.documents], ['/logbook', 'Logbook', c.counts.logbook], ['/time', 'Time and cost', 0]] as [string, string, number][]);
</script>

<svelte:head><title>{c.title} · Kite Pen</title></svelte:head>
<div class="flex min-h-full flex-col">
	<header class="border-b border-rule bg-white px-5 pt-3.5 pb-2.5">
		<div class="flex flex-wrap items-center gap-x-3 gap-y-1"><span class="text-[15px] text-ink-3">{c.number}</span><h1 class="max-w-[62ch] truncate !text-[24px]" title={c.title}>{c.title}</h1><span class="note">{kind?.name ?? c.kind}</span><span class="note">{c.status === 'open' ? `Open ${daysBetween(date(c.openedOn), data.today as PlainDate)} days` : c.status}</span>{#if c.restricted}<span class="note warn">Restricted</span>{/if}{#if c.caution}<span class="note warn">{c.caution}</span>{/if}</div>
		<dl class="mt-2.5 flex flex-wrap">{#each facts as [k, v] (k)}<div class="mr-5 max-w-[260px] border-r border-rule pr-5 last:border-0"><dt class="sub text-[12px]">{k}</dt><dd class="truncate font-semibold" title={v}>{v}</dd></div>{/each}</dl>
	</header>
	<div class="grid grow grid-cols-[158px_minmax(0,1fr)] max-md:grid-cols-1">
		<nav class="no-print border-r border-rule py-4 max-md:flex max-md:flex-wrap" aria-label="Sections of the matter">
			{#each sections as [href, name, n] (name)}<a class="section" class:on={page.url.pathname === base + href} aria-current={page.url.pathname === base + href ? 'page' : undefined} href={base + href}><span>{name}</span>{#if n}<span class="sub">{n}</span>{/if}</a>{/each}
			{#if data.book}<div class="mt-6 px-5 text-[12.5px] max-md:hidden"><p class="sub">Rulebook</p><p class="font-semibold">{data.book.short}</p><p class="sub mt-1 whitespace-nowrap">reviewed {short(data.book.reviewed, data.today).slice(4)}</p></div>{/if}
		</nav>
		<div class="min-w-0 bg-white">{@render children()}</div>
	</div>
</div>

<style>
	.section { display: flex; justify-content: space-between; padding: 6px 12px 6px 20px; color: var(--color-ink-2); position: relative; }
	.section:hover { color: var(--color-ink); }
	.section.on { color: var(--color-ink); font-weight: 600; }
	.section.on::after { content: ''; position: absolute; right: 0; top: 0; bottom: 0; width: 3px; background: var(--color-saffron); }
</style>
