<script lang="ts">
	import { page } from '$app/state';
	import { plainDate, daysBetween, type PlainDate } from '#core/dates/plain.ts';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	let { data, children } = $props();
	const c = $derived(data.caption);
	const facts = $derived([
		...c.strip.map((f) => [f.name, f.text]),
		[
			'Business unit',
			c.split
				.map((s) => `${s.unit}${c.split.length > 1 ? ` ${s.share / 10_000}` : ''}`)
				.join(', ') || c.unit
		],
		['Lawyer', c.responsibleName]
	] as [string, string][]);
	const base = $derived(`/matters/${c.number}`);
	const sections = $derived(
		(
			[
				['', 'Overview', 0],
				['/docket', 'Docket', c.counts.docket],
				['/tasks', 'Tasks', c.counts.tasks],
				['/documents', 'Documents', c.counts.documents],
				['/logbook', 'Logbook', c.counts.logbook],
				['/trial', 'Trial', 0],
				['/time', 'Time and cost', 0]
			] as [string, string, number][]
		).filter(([h]) => h !== '/trial' || c.litigated)
	);
</script>

<svelte:head><title>{c.title} · Kite Pen</title></svelte:head>
<div class="flex min-h-full flex-col">
	<header class="border-b border-rule bg-white px-5 pt-3.5 pb-2.5">
		<div class="flex flex-wrap items-center gap-x-3 gap-y-1">
			<span class="text-lead text-ink-3">{c.number}</span>
			<h1 class="max-w-[58ch] truncate text-display" title={c.title}>{c.title}</h1>
			<span class="note">{c.kindName}</span>
			<span class="note" class:warn={c.status === 'on hold'} title={c.statusReason}
				>{c.status === 'open'
					? `Open ${daysBetween(plainDate(c.openedOn), data.today as PlainDate)} days`
					: c.status === 'closed'
						? `closed ${formatDay(c.closedOn!, data.today).slice(4)}`
						: c.status}</span
			>
			{#if c.stage}<span class="note" title="Stage">{c.stage}</span>{/if}
			{#if c.priority !== 'normal'}<span class="note" class:warn={c.priority === 'high'}
					>{c.priority} priority</span
				>{/if}
			{#if c.restricted}<span class="note warn">Restricted</span
				>{/if}{#each c.cautions as x (x)}<span class="note warn">{x}</span>{/each}
			<RowAction
				action="{base}?/{c.pinned ? 'unpin' : 'pin'}"
				class="no-print ml-auto"
				fields={{ matterId: c.id }}>{c.pinned ? 'unpin' : 'pin'}</RowAction
			>
		</div>
		<dl class="mt-2.5 flex flex-wrap gap-y-1.5">
			{#each facts as [k, v] (k)}<div
					class="mr-5 max-w-[230px] border-r border-rule pr-5 last:border-0"
				>
					<dt class="sub text-note">{k}</dt>
					<dd class="truncate font-semibold" title={v}>{v}</dd>
				</div>{/each}
		</dl>
	</header>
	<div class="grid grow grid-cols-[158px_minmax(0,1fr)] max-md:grid-cols-1">
		<nav
			class="no-print border-r border-rule py-4 max-md:flex max-md:flex-wrap"
			aria-label="Sections of the matter"
		>
			{#each sections as [href, name, n] (name)}<a
					class="section"
					class:on={page.url.pathname === base + href}
					aria-current={page.url.pathname === base + href ? 'page' : undefined}
					href={base + href}
					><span>{name}</span>{#if n}<span class="sub">{n}</span>{/if}</a
				>{/each}
			{#if data.book}<div class="mt-6 px-5 text-note max-md:hidden">
					<p class="sub">Rulebook</p>
					<p class="font-semibold">{data.book.short}</p>
					<p class="sub mt-1 whitespace-nowrap">
						reviewed {formatDay(data.book.reviewed, data.today).slice(4)}
					</p>
				</div>{/if}
		</nav>
		<div class="min-w-0 bg-white">{@render children()}</div>
	</div>
</div>

<style>
	.section {
		display: flex;
		justify-content: space-between;
		gap: 6px;
		padding: 6px 12px 6px 20px;
		color: var(--color-ink-2);
		position: relative;
	}
	.section:hover {
		color: var(--color-ink);
	}
	.section.on {
		color: var(--color-ink);
		font-weight: 600;
	}
	.section.on::after {
		content: '';
		position: absolute;
		right: 0;
		top: 0;
		bottom: 0;
		width: 3px;
		background: var(--color-saffron);
	}
	@media (max-width: 767px) {
		.section {
			padding: 6px 10px;
		}
		.section.on::after {
			inset: auto 10px 0;
			width: auto;
			height: 3px;
		}
	}
	@media print {
		.grid {
			display: block;
		}
	}
</style>
