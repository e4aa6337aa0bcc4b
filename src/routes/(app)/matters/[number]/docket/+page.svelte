<script lang="ts">
	import { page } from '$app/state';
	import { toast } from 'svelte-sonner';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Count from '$lib/docket/Count.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import Month from '$lib/docket/Month.svelte';
	import Timeline, { type Lane } from '$lib/docket/Timeline.svelte';
	import Waiting from '$lib/docket/Waiting.svelte';
	import { plural, formatShort } from '$lib/ui/format.ts';
	import Books from './Books.svelte';
	import DateDrawer, { type How } from './DateDrawer.svelte';
	import EnterEvent from './EnterEvent.svelte';
	import HandDate from './HandDate.svelte';
	import MoveEvent from './MoveEvent.svelte';
	import OrderDrawer from './OrderDrawer.svelte';
	import type { DeadlineView } from '#server/docket/list.ts';
	import type { CountView } from '#server/docket/counts.ts';
	let { data } = $props();
	const c = $derived(data.caption);
	let entering = $state(page.url.searchParams.has('enter')),
		byHand = $state(false),
		ordering = $state(false);
	let moving = $state('');
	/** The date named in the address is open at first; what one opens stays open through a change. */
	const named = $derived(page.url.searchParams.get('deadline') ?? '');
	let shown = $derived(named);
	/** Counts by date: the one of the address comes with the page, the others when they are opened. */
	let counts = $state<Record<string, CountView>>({});
	const count = $derived(counts[shown] ?? (data.named?.id === shown ? data.named.count : null));
	$effect(() => {
		void data.events;
		counts = {};
	});
	$effect(() => {
		const id = shown;
		if (!id || counts[id] || data.named?.id === id) return;
		void fetch(`/api/counts/${id}`).then(async (response) => {
			if (response.ok) counts[id] = (await response.json()) as CountView;
		});
	});
	let doing = $state<{ id: string; how: How }>({ id: '', how: 'meet' });
	let open = $state(false);
	const all = $derived(data.events.flatMap((e) => e.deadlines));
	const current = $derived(all.find((d) => d.id === doing.id) ?? null);
	const mover = $derived(data.events.find((e) => e.id === moving));
	const act = (d: DeadlineView, how: How) => {
		doing = { id: d.id, how };
		open = true;
	};
	const to = (change: Record<string, string>) => {
		const p = new URLSearchParams(page.url.searchParams);
		p.delete('deadline');
		for (const [k, v] of Object.entries(change))
			if (v) p.set(k, v);
			else p.delete(k);
		return `?${p}`;
	};
	let chosen = $state<string[]>([]);
	const proposed = $derived(all.filter((d) => d.state === 'proposed'));
	const picked = $derived(chosen.filter((x) => proposed.some((d) => d.id === x)));
	const views = [
		['tree', 'By event'],
		['list', 'By day'],
		['timeline', 'Timeline'],
		['month', 'Month']
	] as const;
	const inTime = (d: DeadlineView) =>
		data.when === 'all' ||
		(data.when === 'past' ? d.date < data.today : d.date >= data.today || d.state === 'missed');
	const ONLY: Record<string, (d: DeadlineView) => boolean> = {
		proposed: (d) => d.state === 'proposed',
		docketed: (d) => d.state === 'docketed' || d.state === 'missed',
		unchecked: (d) => (d.state === 'docketed' || d.state === 'missed') && !d.checked
	};
	const only = $derived(page.url.searchParams.get('only') ?? '');
	const list = $derived(
		[...all]
			.filter((d) => inTime(d) && (ONLY[only]?.(d) ?? true))
			.sort((a, b) => a.date.localeCompare(b.date))
	);
	const href = (id: string) => to({ deadline: id, view: '' });
	const lanes = $derived(
		data.events.map((e): Lane => ({
			id: e.id,
			label: e.text,
			about: `${e.name ? `${e.name}, ` : ''}${e.key === 'by-hand' && !e.ahead ? '' : formatShort(e.date, data.today)}`,
			href: to({ view: '' }),
			event: { date: e.date, hearing: e.ahead === 'hearing' || e.ahead === 'trial' },
			marks: e.deadlines.map((d) => ({
				id: d.id,
				date: d.date,
				title: d.short || d.title,
				state: d.state,
				checked: d.checked,
				href: href(d.id)
			}))
		}))
	);
	const about = (d: DeadlineView) =>
		[
			d.state === 'met'
				? `met ${formatShort(d.closedOn!, data.today)}${d.reason ? `, ${d.reason}` : ''}`
				: d.state === 'vacated'
					? `vacated: ${d.reason}`
					: d.state === 'missed'
						? 'missed'
						: d.date === data.today
							? `today${d.time ? `, ${d.time}` : ''}`
							: (d.time ?? ''),
			d.computed
				? `by ${d.movedHow}, the rule gives ${formatShort(d.computed, data.today).slice(4)}`
				: '',
			d.internal && d.state === 'docketed'
				? `ours ${formatShort(d.internal, data.today).slice(4)}`
				: '',
			d.short && d.short !== d.title ? d.short : ''
		]
			.filter(Boolean)
			.join('; ');
	const ROLES: Record<string, string> = { proof: 'proof', order: 'the order', linked: 'linked' };
</script>

{#snippet row(d: DeadlineView, event: string)}
	<div class="row" data-deadline={d.title} data-state={d.state}>
		<div class="line">
			<span class="flex items-center gap-1.5"
				>{#if d.state === 'proposed' && data.can.docket && proposed.length > 1}<input
						type="checkbox"
						class="no-print h-4 w-4 accent-petrol"
						value={d.id}
						bind:group={chosen}
						aria-label="Choose {d.title}"
					/>{/if}<Kite
					state={d.state}
					checked={d.checked}
					late={d.state === 'docketed' && d.date <= data.today}
				/></span
			>
			<span class="font-semibold whitespace-nowrap" data-date={d.date}
				>{formatShort(d.date, data.today)}</span
			>
			<button
				class="min-w-0 truncate text-left"
				onclick={() => (shown = shown === d.id ? '' : d.id)}
				aria-expanded={shown === d.id}
				><b class="font-semibold" class:line-through={d.state === 'vacated'}>{d.title}</b
				>{#if event}&nbsp;<span class="sub ml-1">{event}</span>{/if}&nbsp;<span class="sub ml-1"
					>{about(d)}</span
				></button
			>
			<span class="sub truncate" title={d.authority}>{d.authority}</span>
			<span class="text-right whitespace-nowrap">
				{#if d.state === 'proposed'}{#if data.can.docket}<RowAction
							action="?/docket"
							fields={{ deadlineIds: d.id }}>docket it</RowAction
						>{:else}proposed{/if}
				{:else if d.returnedBy}<button
						class="font-semibold text-madder"
						onclick={() => (shown = d.id)}>returned by {d.returnedBy}</button
					>
				{:else if d.checked}<span class="sub">checked by {d.checkedBy}</span>
				{:else if d.state === 'docketed' || d.state === 'missed'}{#if d.docketedById === data.me.id || !data.can.docket}<span
							class="font-semibold text-saffron-ink">second check</span
						>{:else}<a class="act" href="/docket/check?deadline={d.id}">check it</a>{/if}{/if}
			</span>
		</div>
		{#if shown === d.id && count}
			<div class="pb-3">
				{#if d.returnedBy}<p class="mb-2">
						<b class="font-semibold text-madder">{d.returnedBy} does not agree:</b>
						{d.returnedReason}
					</p>{/if}
				{#if d.long}<p class="mb-2 whitespace-pre-line">{d.long}</p>{/if}
				{#if d.place || d.link}<p class="mb-2 text-ink-2">
						{d.place}{#if d.link}
							<a class="act" href={d.link} rel="noreferrer" target="_blank">{d.link}</a>{/if}
					</p>{/if}
				{#if d.stale}<p class="mb-2 font-semibold text-madder">{d.stale}</p>{/if}
				<Count {count} late={d.date <= data.today && d.state !== 'met'} />
				{#if d.computed}<p class="mt-2">
						<b class="font-semibold">Moved by {d.movedHow} to {formatShort(d.date, data.today)}:</b>
						{d.movedReason}
					</p>{/if}
				{#if data.papers[d.id]}<p class="mt-2 flex flex-wrap gap-3">
						{#each data.papers[d.id]! as x (x.id + x.role)}<span
								><a class="act" href="/documents/{x.id}">{x.name}</a>
								<span class="sub">{ROLES[x.role]}</span></span
							>{/each}
					</p>{/if}
				{#if data.exhibits.some((x) => x.dates.includes(d.id))}<p class="mt-2">
						<a class="act" href="/matters/{c.number}/trial">Exhibits</a>
						{data.exhibits
							.filter((x) => x.dates.includes(d.id))
							.map((x) => `${x.number} ${x.title}`)
							.join('; ')}
					</p>{/if}
				{#if (d.state === 'docketed' || d.state === 'missed') && data.can.docket}<div
						class="no-print mt-2 flex flex-wrap gap-2"
					>
						<button class="btn" onclick={() => act(d, 'meet')}>It was met</button><button
							class="btn"
							onclick={() => act(d, 'shift')}>Move it</button
						><button class="btn" onclick={() => act(d, 'vacate')}>Vacate it</button><button
							class="btn"
							onclick={() => act(d, 'edit')}>Details</button
						><button class="btn" onclick={() => act(d, 'invite')}>Send outside</button
						>{#if d.returnedBy && d.returnedBy !== data.me.initials}<button
								class="btn"
								onclick={() => act(d, 'answer')}>Answer the check</button
							>{/if}<span class="sub self-center">docketed by {d.docketedBy}</span>
					</div>{/if}
			</div>
		{/if}
	</div>
{/snippet}

<div class="grid min-h-full {mover ? 'xl:grid-cols-[minmax(0,1fr)_392px]' : ''}">
	<div class="min-w-0 p-5">
		<div class="flex flex-wrap items-center gap-3">
			<h2 class="read text-title font-medium">Docket</h2>
			<span class="no-print flex grow flex-wrap gap-2"
				>{#each views as [k, n] (k)}<a
						class="note"
						class:on={data.view === k}
						aria-current={data.view === k ? 'true' : undefined}
						href={to({ view: k === 'tree' ? '' : k })}>{n}</a
					>{/each}</span
			>
			{#if data.can.docket}<button class="btn no-print" onclick={() => (byHand = true)}
					>By hand</button
				>{#if data.choices.length}<button class="btn go no-print" onclick={() => (entering = true)}
						>Enter an event</button
					>{/if}{/if}
		</div>
		{#if data.changes.length}
			<section
				class="mt-4 border-l-[3px] border-saffron bg-saffron-wash px-4 py-3"
				aria-label="Changes that wait"
			>
				<h3 class="mb-1 font-semibold">
					{plural(data.changes.length, 'date')} would change. Nothing has moved yet.
				</h3>
				{#key data.changes.map((x) => x.id).join()}<Waiting
						changes={data.changes}
						today={data.today}
						may={data.can.docket}
					/>{/key}
			</section>
		{/if}
		{#if data.choices.length === 0}<Empty
				>This matter has no rulebook, so no dates can be counted. <a
					class="act"
					href="/matters/{c.number}">Choose one</a
				>, add a book below, or enter dates by hand.</Empty
			>
		{:else if data.events.length === 0}<Empty
				>No event yet. Enter the first, and its deadlines are counted before your eyes.</Empty
			>{/if}
		{#if picked.length}<ActionForm
				action="?/docket"
				class="no-print mt-3 flex items-center gap-3 border border-rule bg-white px-3 py-2"
				ondone={(x) => {
					chosen = [];
					toast(
						`Docketed ${plural(Number(x.docketed), 'date')}. A second person is asked to check.`
					);
				}}
				>{#snippet children({ busy })}{#each picked as id (id)}<input
							type="hidden"
							name="deadlineIds"
							value={id}
						/>{/each}<button class="btn go" disabled={busy}
						>Docket {plural(picked.length, 'date')}</button
					><button type="button" class="btn slight" onclick={() => (chosen = [])}>Leave</button
					>{/snippet}</ActionForm
			>{/if}
		{#if data.view === 'tree'}
			{#each data.events as e (e.id)}
				<section class="mt-5" data-event={e.key}>
					<div class="ruled max-md:flex-wrap">
						<span class="w-[135px] shrink-0 font-medium whitespace-nowrap"
							>{e.key === 'by-hand' && !e.ahead ? '' : formatShort(e.date, data.today)}</span
						>
						<h3 class="min-w-0 font-semibold">
							{e.text}{#if e.name}&nbsp;<span class="sub ml-1 font-normal">{e.name}</span
								>{/if}{#if e.time}&nbsp;<span class="sub ml-1 font-normal">{e.time}</span
								>{/if}{#if e.serviceLabel}&nbsp;<span class="sub ml-1 font-normal"
									>{e.serviceLabel}</span
								>{/if}{#if e.place}&nbsp;<span class="sub ml-1 font-normal">{e.place}</span
								>{/if}{#if e.source}&nbsp;<a
									class="act ml-1 font-normal"
									href="/documents/{e.source.id}">{e.source.name}</a
								>{/if}
						</h3>
						{#if data.can.docket && !(e.key === 'by-hand' && !e.ahead)}<button
								class="act no-print ml-auto whitespace-nowrap"
								onclick={() => (moving = moving === e.id ? '' : e.id)}>move or correct</button
							>{/if}
					</div>
					{#each e.deadlines as d (d.id)}{@render row(d, '')}{/each}
				</section>
			{/each}
		{:else if data.view === 'list'}
			<div class="no-print mt-3 flex gap-2">
				{#each [['', 'Ahead'], ['past', 'Past'], ['all', 'All']] as [k, n] (k)}<a
						class="note"
						class:on={(data.when === 'future' ? '' : data.when) === k}
						href={to({ when: k ?? '' })}>{n}</a
					>{/each}<span class="sub px-1" aria-hidden="true">|</span
				>{#each [['', 'Any state'], ['docketed', 'Docketed'], ['proposed', 'Proposed'], ['unchecked', 'Unchecked']] as [k, n] (k)}<a
						class="note"
						class:on={only === k}
						href={to({ only: k ?? '' })}>{n}</a
					>{/each}
			</div>
			<div class="mt-2 border-t-[1.5px] border-ink">
				{#each list as d (d.id)}{@render row(d, d.event)}{:else}<Empty
						>{only
							? 'No date fits.'
							: data.when === 'past'
								? 'No date lies in the past.'
								: 'No date lies ahead.'}</Empty
					>{/each}
			</div>
		{:else if data.view === 'timeline'}
			<div class="mt-3">
				{#if lanes.length}<Timeline
						{lanes}
						from={data.from}
						to={data.to}
						today={data.today}
						closed={data.closed}
					/>{/if}
			</div>
		{:else}
			<div class="mt-3">
				<Month
					month={data.month}
					closed={data.closed}
					today={data.today}
					marks={all
						.filter((d) => d.state !== 'vacated')
						.map((d) => ({
							id: d.id,
							date: d.date,
							title: d.short || d.title,
							about: d.event,
							state: d.state,
							checked: d.checked,
							href: href(d.id)
						}))}
					hearings={data.events
						.filter((e) => e.ahead === 'hearing' || e.ahead === 'trial')
						.map((e) => ({
							id: e.id,
							date: e.date,
							title: e.name || e.text,
							about: c.title,
							href: to({ view: '' })
						}))}
				/>
			</div>
		{/if}
		<Books
			matterId={c.id}
			books={data.matterBooks}
			others={data.otherBooks}
			orders={data.orders}
			feed={data.feed}
			ladder={data.ladder}
			muted={data.ladder.muted}
			today={data.today}
			may={data.can.docket}
			onorder={() => (ordering = true)}
		/>
	</div>
	{#if mover}{#key mover.id}<MoveEvent
				event={mover}
				choice={data.choices.find((x) => x.id === `${mover.book}|${mover.key}`) ?? null}
				services={data.services[mover.book] ?? []}
				documents={data.documents}
				today={data.today}
				onclose={() => (moving = '')}
			/>{/key}{/if}
</div>

{#if data.choices.length}<EnterEvent
		bind:open={entering}
		matter={c}
		choices={data.choices}
		services={data.services}
		documents={data.documents}
		today={data.today}
		people={c.members.map((m) => m.initials).join(', ')}
	/>{/if}
<HandDate bind:open={byHand} matter={c} documents={data.documents} today={data.today} />
{#if data.matterBooks.length}<OrderDrawer
		bind:open={ordering}
		matter={c}
		books={data.matterBooks}
		choices={data.choices}
		documents={data.documents}
		today={data.today}
	/>{/if}
<DateDrawer
	bind:open
	how={doing.how}
	d={current}
	documents={data.documents}
	exhibits={data.exhibits}
	linked={(data.papers[doing.id] ?? []).filter((x) => x.role === 'linked').map((x) => x.id)}
	ladder={data.ladder.dates[doing.id] ?? ''}
	today={data.today}
/>

<style>
	.line {
		display: grid;
		grid-template-columns: 42px 118px minmax(0, 1.6fr) minmax(0, 1fr) 108px;
		gap: 6px;
		align-items: center;
		min-height: 37px;
	}
	@media (max-width: 760px) {
		.line {
			grid-template-columns: 42px 118px 1fr;
		}
	}
</style>
