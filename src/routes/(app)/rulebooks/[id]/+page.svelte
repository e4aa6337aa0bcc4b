<script lang="ts">
	import FilterBar from '$lib/ui/FilterBar.svelte';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	import { formatDate } from '#core/format/dates.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	let { data } = $props();
	const b = $derived(data.book);
</script>

<svelte:head><title>{b.title} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>{b.title}</h1>
		<span class="sub grow">{b.id}</span><DocketTabs />
	</div>
	<p class="mt-2 max-w-form">
		<b class="font-semibold {b.stale ? 'text-madder' : ''}"
			>Last reviewed {formatDate(b.reviewed as PlainDate)}{b.stale
				? ', more than a year ago'
				: ''}.</b
		>
		It must be checked against the current rules before it is relied on. Version {b.version}{#if b.layers.length > 1};
			laid over {b.layers.filter((x) => x !== b.id).join(', ')}{/if}.
	</p>
	{#each b.changes as change (change.version)}
		<p class="mt-1 max-w-form">
			<b class="font-semibold">New in {change.version}:</b>
			{change.text}
		</p>
	{/each}
	<dl class="mt-3 grid max-w-page grid-cols-[120px_minmax(0,1fr)] gap-y-1">
		<dt class="sub">Closed days</dt>
		<dd>
			forwards on ({b.roll.forward}), backwards back ({b.roll.backward}); clock of {b.zone}.
			<a class="act" href="/docket/closures?court={b.id}">Its holidays</a>
		</dd>
		{#if b.services.length}<dt class="sub">Service</dt>
			<dd>
				{b.services
					.map(
						(s) =>
							`${s.label}${s.add ? ` +${s.add.replace('cd', ` ${b.dayWord}s`).replace(/d$/, ' days')}` : ''}`
					)
					.join('; ')} ({b.serviceAuthority})
			</dd>{/if}
	</dl>
	<div class="no-print mt-3 flex flex-wrap items-center gap-4">
		<FilterBar
			search={{ label: 'Find in this book', placeholder: 'An event, a date or a citation' }}
		>
			<button class="btn">Find</button>
		</FilterBar>
		{#if data.mayWrite}<a class="act" href="/rulebooks/{b.id}/edit">Change it</a>{/if}<a
			class="act"
			href="/rulebooks/{b.id}/yaml"
			download>YAML</a
		><a class="act" href="/docket/calculator?court={b.id}">Count a date by it</a>
	</div>
	{#each data.events as e (e.id)}
		<section class="mt-5" id={e.id}>
			<div class="ruled">
				<h2>{e.text.charAt(0).toUpperCase() + e.text.slice(1)}</h2>
				<span class="sub"
					>{[
						e.served ? 'asks how it was served' : '',
						e.timed ? 'asks the time' : '',
						...e.questions
					]
						.filter(Boolean)
						.join('; ')}</span
				>
			</div>
			{#if e.hint}<p class="sub mt-1">{e.hint}</p>{/if}
			{#each e.rules as r (r.id)}
				<div
					class="row grid items-baseline gap-x-4 py-1.5 md:grid-cols-[minmax(0,1.2fr)_minmax(0,1.1fr)_minmax(0,1fr)]"
					data-rule={r.id}
				>
					<span
						><b class="font-semibold">{r.title}</b>{#if r.owner}<span class="sub block"
								>{r.owner}</span
							>{/if}{#if r.note}<span class="sub block">{r.note}</span>{/if}</span
					>
					<span
						><span class="read text-lead">{r.count}</span>{#each r.variants as v (v)}<span
								class="sub block">{v}</span
							>{/each}{#if r.only}<span class="sub block">only: {r.only}</span>{/if}{#if r.by}<span
								class="sub block">counted as {r.by} counts</span
							>{/if}</span
					>
					<span
						>{r.authority}{#if r.book !== b.id}<span class="sub block">from {r.book}</span
							>{/if}<span class="sub block"
							>{#if r.examples}{plural(r.examples, 'worked example')}{/if}
							{#if data.mayWrite && r.book === b.id}<a
									class="act no-print"
									href="/rulebooks/{b.id}/edit?event={e.id}&rule={r.id}"
									aria-label="Change “{r.title}”">Change</a
								>{/if}</span
						></span
					>
				</div>
			{/each}
			{#each e.suggestions as s (s.title)}<div
					class="row grid grid-cols-1 gap-x-4 py-1.5 text-ink-2 md:grid-cols-[minmax(0,1.2fr)_minmax(0,1.1fr)_minmax(0,1fr)]"
				>
					<span>{s.title}</span><span>{s.count} “{s.of}”</span><span class="sub"
						>an early warning of the department, not from law</span
					>
				</div>{/each}
		</section>
	{:else}<Empty>{data.q ? 'Nothing in this book fits.' : 'This book has no events.'}</Empty>{/each}
	{#if data.versions.length}
		<section class="mt-6">
			<div class="ruled"><h2>Versions</h2></div>
			{#each data.versions as v (v.n)}<div class="row flex h-9 items-center gap-3">
					<b class="w-8 font-semibold">{v.n}</b><span class="min-w-0 grow truncate">{v.reason}</span
					><span class="sub whitespace-nowrap"
						>{v.by}, {formatInstant(v.at, data.zone, data.today)}</span
					><a class="act" href="/rulebooks/{b.id}/yaml?n={v.n}" download>YAML</a>
				</div>{/each}
			{#if !b.own}<div class="row flex h-9 items-center gap-3">
					<b class="w-8 font-semibold">0</b><span class="grow">as shipped</span><a
						class="act"
						href="/rulebooks/{b.id}/yaml?n=0"
						download>YAML</a
					>
				</div>{/if}
		</section>
	{/if}
</div>
