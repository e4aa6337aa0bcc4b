<script lang="ts">
	import { walkLinks } from '$lib/ui/keys.ts';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { toast } from 'svelte-sonner';
	import { formatCents } from '#core/format/money.ts';
	import { formatHours } from '#core/format/hours.ts';

	import { opening } from '$lib/matters/opening.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import { formatAway, countDays, plural, formatShort } from '$lib/ui/format.ts';
	import Bulk from './Bulk.svelte';
	import Columns from './Columns.svelte';
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
	const cols = $derived(data.shown.map((k) => data.columns.find((c) => c.key === k)!));
	type Row = (typeof data.rows)[number];
	/** Rows under the heads of their group, in the order they came. */
	const groups = $derived.by(() => {
		const out: { name: string; n: number; rows: Row[] }[] = [];
		for (const r of data.rows) {
			const name = r.group ?? '';
			const last = out.at(-1);
			if (last && last.name === name) last.rows.push(r);
			else
				out.push({ name, n: data.groups.find((g) => g.name === name)?.n ?? data.total, rows: [r] });
		}
		return out;
	});
	const kindOf = (r: Row) => data.kinds.find((k) => k.id === r.kind);
	const quiet = (r: Row) => {
		const n = countDays(r.lastActivity, data.today);
		return r.status === 'open' && n > (kindOf(r)?.quietDays ?? 60) ? n : 0;
	};
	const old = (r: Row) =>
		r.status !== 'closed' && countDays(r.openedOn, data.today) > (kindOf(r)?.ageDays ?? 9999);
	let chosen = $state<string[]>([]),
		bulk = $state(false),
		choosing = $state(false),
		naming = $state(false),
		viewName = $state('');
	const sortOf = (k: string) =>
		f.sort === k ? 'ascending' : f.sort === `-${k}` ? 'descending' : undefined;
	const query = $derived.by(() => {
		const p = new URLSearchParams(page.url.searchParams);
		p.delete('page');
		return p.toString();
	});
	/** The space bar chooses the row on which one stands. */
	function choose(event: KeyboardEvent) {
		const number = (event.target as HTMLElement).dataset.row;
		if (event.key !== ' ' || number === undefined) return;
		event.preventDefault();
		chosen = chosen.includes(number)
			? chosen.filter((other) => other !== number)
			: [...chosen, number];
	}
	const first = (s: string) => s.charAt(0).toLowerCase() + s.slice(1);
	const active = $derived(data.views.find((v) => v.query === query));
</script>

<svelte:head><title>Matters · Kite Pen</title></svelte:head>
{#snippet cell(r: Row, key: string)}
	{@const v = r.cells[key]}
	{@const type = data.columns.find((c) => c.key === key)!.type}
	{#if key === 'next'}
		{#if r.nextDate}<span class="flex items-center gap-2"
				><Kite
					state={r.nextDate < data.today ? 'missed' : 'docketed'}
					checked={r.nextChecked === 1}
					late={r.nextDate <= data.today}
					size={14}
				/><span class="truncate"
					>{r.nextDate === data.today ? 'Today' : formatShort(r.nextDate, data.today).slice(4)}, {first(
						r.nextTitle!
					)}</span
				></span
			>{:else if quiet(r)}<span class="font-semibold text-madder">quiet {quiet(r)} days</span
			>{:else}<span class="sub" title="last activity {formatAway(r.lastActivity, data.today)}"
				>none</span
			>{/if}
	{:else if key === 'unit'}{r.unit}{r.units > 1 ? ` +${r.units - 1}` : ''}
	{:else if key === 'lawyer'}<span title={r.responsibleName}>{r.responsible}</span>
	{:else if key === 'age'}<span
			class={old(r) ? 'font-semibold text-madder' : ''}
			title={old(r) ? `older than ${kindOf(r)?.ageDays} days` : undefined}>{v} d</span
		>
	{:else if key === 'activity'}<span class={quiet(r) ? 'font-semibold text-madder' : ''}
			>{formatAway(String(v), data.today)}</span
		>
	{:else if v === null || v === ''}<span class="sub">–</span>
	{:else if type === 'date'}{formatShort(String(v), data.today)}
	{:else if type === 'money'}{formatCents(Number(v))}
	{:else if type === 'hours'}{formatHours(Number(v))}
	{:else if type === 'days'}{v} d
	{:else}{v}{/if}
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="grow">Matters</h1>
		{#if data.can.figures}<a class="btn" href="/figures">Figures</a>{/if}
	</div>
	<div class="no-print mt-3 flex flex-wrap items-center gap-2">
		<a class="note" class:on={f.who === 'mine'} href={to({ who: '' })}>Mine</a><a
			class="note"
			class:on={f.who === 'all'}
			href={to({ who: 'all' })}>All I may see</a
		>
		<a class="note" class:on={f.quiet} href={to({ quiet: f.quiet ? '' : '1' })}>Gone quiet</a><a
			class="note"
			class:on={f.old}
			href={to({ old: f.old ? '' : '1' })}>Old for its kind</a
		><a class="note" class:on={f.closed} href={to({ closed: f.closed ? '' : '1', retained: '' })}
			>With closed</a
		>{#if f.closed || f.retained}<a
				class="note"
				class:on={f.retained}
				href={to({ retained: f.retained ? '' : '1' })}>Kept long enough</a
			>{/if}
		{#each data.views as v (v.id)}<a
				class="note"
				class:on={active?.id === v.id}
				href="?{v.query}"
				title={v.mine ? (v.shared ? 'Your view, shared' : 'Your view') : `Shared by ${v.by}`}
				>{v.name}</a
			>{/each}
		<span class="grow"></span>
		<form method="get" class="flex gap-2 max-md:w-full">
			<input type="hidden" name="who" value={f.who === 'all' ? 'all' : ''} /><input
				class="box w-52"
				name="q"
				value={f.q ?? ''}
				placeholder="Title, number, any fact"
				aria-label="Title or number"
			/>
		</form>
	</div>
	<div class="no-print mt-2 flex flex-wrap items-center gap-2">
		<select
			class="box w-[150px]"
			aria-label="Kind"
			value={f.kind ?? ''}
			onchange={(e) => goto(to({ kind: e.currentTarget.value }))}
			><option value="">Every kind</option>{#each data.kinds as k (k.id)}<option value={k.id}
					>{k.plural}</option
				>{/each}</select
		>
		<select
			class="box w-[168px]"
			aria-label="Business unit"
			value={f.unit ?? ''}
			onchange={(e) => goto(to({ unit: e.currentTarget.value }))}
			><option value="">Every business unit</option>{#each data.units as u (u.id)}<option
					value={u.id}>{u.name}</option
				>{/each}</select
		>
		<select
			class="box w-[140px]"
			aria-label="Lawyer"
			value={f.lawyer ?? ''}
			onchange={(e) =>
				goto(
					to({ lawyer: e.currentTarget.value, who: e.currentTarget.value ? 'all' : (f.who ?? '') })
				)}
			><option value="">Every lawyer</option>{#each data.staff as s (s.id)}<option value={s.id}
					>{s.name}</option
				>{/each}</select
		>
		<select
			class="box w-auto"
			aria-label="Status"
			value={f.status ?? ''}
			onchange={(e) => goto(to({ status: e.currentTarget.value }))}
			><option value="">Every status</option
			>{#each ['proposed', 'open', 'on hold', 'closed'] as s (s)}<option>{s}</option>{/each}</select
		>
		<select
			class="box w-auto"
			aria-label="Priority"
			value={f.priority ?? ''}
			onchange={(e) => goto(to({ priority: e.currentTarget.value }))}
			><option value="">Every priority</option>{#each ['high', 'normal', 'low'] as s (s)}<option
					>{s}</option
				>{/each}</select
		>
		<select
			class="box w-[150px]"
			aria-label="Group by"
			value={data.columns.some((c) => c.key === f.group) ? f.group : '-'}
			onchange={(e) => goto(to({ group: e.currentTarget.value }))}
			><option value="-">Not grouped</option
			>{#each data.columns.filter((c) => c.group) as c (c.key)}<option value={c.key}
					>by {c.name.toLowerCase()}</option
				>{/each}</select
		>
		<button class="btn" onclick={() => (choosing = true)}>Columns</button>
		<span class="grow"></span>
		{#if naming}
			<ActionForm
				action="?/view"
				class="flex items-center gap-2"
				ondone={() => {
					naming = false;
					toast('The view is kept.');
				}}
				>{#snippet children({ errors, busy })}<input
						type="hidden"
						name="query"
						value={query}
					/><input
						class="box w-36"
						name="name"
						bind:value={viewName}
						placeholder="Name of the view"
						aria-label="Name of the view"
						aria-invalid={errors.name ? 'true' : undefined}
					/><label class="sub"><input type="checkbox" name="shared" /> for all</label><button
						class="btn"
						disabled={busy}>Keep it</button
					><button type="button" class="btn slight" onclick={() => (naming = false)}>Leave</button
					>{#if errors.name}<span class="fault">{errors.name}</span>{/if}{/snippet}</ActionForm
			>
		{:else}
			<button
				class="act"
				onclick={() => {
					viewName = active?.name ?? '';
					naming = true;
				}}>keep this view</button
			>
			{#if active?.mine}<RowAction action="?/removeView" fields={{ viewId: active.id }}
					>forget it</RowAction
				>{/if}
		{/if}
		<a class="act" href="/matters/export?{query}&as=xlsx" download>XLSX</a><a
			class="act"
			href="/matters/export?{query}&as=csv"
			download>CSV</a
		>
	</div>
	{#if chosen.length}<div
			class="no-print sticky top-0 z-10 mt-2 flex items-center gap-4 border-y-[1.5px] border-ink bg-saffron-wash px-3 py-2"
		>
			<b>{plural(chosen.length, 'matter')} chosen</b><button
				class="btn go"
				onclick={() => (bulk = true)}>Change {chosen.length === 1 ? 'it' : 'them'}</button
			><button class="act" onclick={() => (chosen = data.rows.map((r) => r.number))}
				>all on this page</button
			><button class="act" onclick={() => (chosen = [])}>none</button>
		</div>{/if}
	{#if data.total === 0}
		<Empty
			>{f.q ||
			f.kind ||
			f.unit ||
			f.status ||
			f.lawyer ||
			f.priority ||
			f.quiet ||
			f.old ||
			f.age ||
			f.opened ||
			f.closedIn
				? 'No matter fits. '
				: f.who === 'mine'
					? 'You are on no open matter. '
					: 'There is no matter yet. '}{#if f.who === 'mine'}<a
					class="act"
					href={to({ who: 'all' })}>Show all I may see</a
				>{:else if data.can.open}<button class="act" onclick={() => opening.show()}
					>Open a matter</button
				>{/if}</Empty
		>
	{:else}
		<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
		<table class="list mt-2 table-fixed" use:walkLinks={'a[data-row]'} onkeydown={choose}>
			<thead
				><tr
					><th class="no-print w-[26px]"><span class="vh">Chosen</span></th
					>{#each cols as c (c.key)}<th
							class="{c.key === 'title'
								? ''
								: c.key === 'number'
									? 'w-[112px]'
									: c.key === 'next'
										? 'w-[230px] max-md:w-[140px]'
										: c.key === 'lawyer'
											? 'w-[64px]'
											: c.type === 'text'
												? 'w-[150px]'
												: 'w-[92px]'} {c.type === 'text' || c.type === 'date'
								? ''
								: 'num'} {c.key === 'unit' || c.fact ? 'max-lg:hidden' : ''} {c.key === 'title' ||
							c.key === 'next'
								? ''
								: 'max-md:hidden'}"
							aria-sort={sortOf(c.key)}
							><a
								class="hover:underline"
								href={to({
									sort: f.sort === c.key ? `-${c.key}` : f.sort === `-${c.key}` ? '' : c.key
								})}
								>{c.name}{sortOf(c.key) === 'ascending'
									? ' ↑'
									: sortOf(c.key) === 'descending'
										? ' ↓'
										: ''}</a
							></th
						>{/each}</tr
				></thead
			>
			{#each groups as g, gi (gi)}
				<tbody>
					{#if data.groups.length}<tr
							><th colspan={cols.length + 1} scope="colgroup" class="border-0 pt-4 pb-1"
								><span class="read text-large font-medium text-ink">{g.name || 'none'}</span>
								<span class="sub">{g.n}</span></th
							></tr
						>{/if}
					{#each g.rows as r (r.id)}
						<tr class="link" class:text-ink-3={r.status === 'closed'}>
							<td class="no-print"
								><input
									type="checkbox"
									aria-label="Choose {r.number}"
									value={r.number}
									bind:group={chosen}
								/></td
							>
							{#each cols as c (c.key)}
								{#if c.key === 'title'}<td class="truncate"
										><a class="font-semibold" data-row={r.number} href="/matters/{r.number}"
											>{r.title}</a
										>{#if r.priority === 'high'}<span class="note warn ml-2 py-0">high</span
											>{/if}{#if r.restricted}<span class="note warn ml-2 py-0">restricted</span
											>{/if}{#if r.status !== 'open' && !data.shown.includes('status')}<span
												class="sub ml-2">{r.status}</span
											>{/if}</td
									>
								{:else}<td
										class="truncate {c.type === 'text' || c.type === 'date' ? '' : 'num'} {c.key ===
											'number' || c.key === 'unit'
											? 'text-ink-2'
											: ''} {c.key === 'unit' || c.fact ? 'max-lg:hidden' : ''} {c.key === 'next'
											? ''
											: 'max-md:hidden'}">{@render cell(r, c.key)}</td
									>{/if}
							{/each}
						</tr>
					{/each}
				</tbody>
			{/each}
		</table>
		<Pages total={data.total} per={data.per} what="matters" />
	{/if}
</div>
<Columns
	bind:open={choosing}
	all={data.columns}
	shown={data.shown}
	onchoose={(keys) => goto(to({ cols: keys.join(',') }))}
/>
<Bulk
	bind:open={bulk}
	numbers={chosen}
	kinds={data.bulk}
	ondone={() => {
		chosen = [];
	}}
/>
