<!--
	The docket of a matter: its events with the dates they set, by day, on a timeline or in a month.
-->
<script lang="ts">
	import { untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import type { CountView } from '#server/docket/counts.ts';
	import type { DeadlineView } from '#server/docket/list.ts';
	import Waiting from '$lib/docket/Waiting.svelte';
	import { changeQuery } from '$lib/ui/address.ts';
	import Empty from '$lib/ui/Empty.svelte';
	import { plural } from '$lib/ui/format.ts';
	import Switches from '$lib/ui/Switches.svelte';
	import type { DateAct } from './acts.ts';
	import Books from './Books.svelte';
	import DateDrawer from './DateDrawer.svelte';
	import DeadlineDetail from './DeadlineDetail.svelte';
	import DeadlineRow from './DeadlineRow.svelte';
	import { isDocketed, pickDeadlines } from './describe.ts';
	import DocketChosen from './DocketChosen.svelte';
	import Drawn from './Drawn.svelte';
	import EnterEvent from './EnterEvent.svelte';
	import EventHead from './EventHead.svelte';
	import AddDeadline from './AddDeadline.svelte';
	import MoveEvent from './MoveEvent.svelte';
	import OrderDrawer from './OrderDrawer.svelte';
	let { data } = $props();
	const caption = $derived(data.caption);
	/** What is closed stays as it is. */
	const mayDocket = $derived(data.can.docket && caption.mayChange && caption.status !== 'closed');
	const deadlines = $derived(data.events.flatMap((event) => event.deadlines));
	let entering = $state(false),
		byHand = $state(page.url.searchParams.has('hand')),
		ordering = $state(false);
	/** A key or a link asks in the address for a new event; then the address forgets it. */
	$effect(() => {
		if (!page.url.searchParams.has('enter')) return;
		untrack(() => {
			if (mayDocket && data.choices.length) entering = true;
			else if (mayDocket) byHand = true;
			const plain = new URL(page.url);
			plain.searchParams.delete('enter');
			void goto(plain, { replaceState: true, keepFocus: true, noScroll: true });
		});
	});

	let moving = $state('');
	const moved = $derived(data.events.find(({ id }) => id === moving));

	/** The date named in the address is open at first; what one opens stays open through a change. */
	const named = $derived(page.url.searchParams.get('deadline') ?? '');
	let shown = $derived(named);
	/**
	 * Counts by date: the one of the address comes with the page, the others when they are opened.
	 */
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

	let acting = $state<{ id: string; act: DateAct }>({ id: '', act: 'meet' });
	let open = $state(false);
	const current = $derived(deadlines.find(({ id }) => id === acting.id) ?? null);
	/** What hangs on a hearing: the open dates of its event. */
	const hanging = $derived(
		deadlines.filter(
			(one) =>
				one.eventId === current?.eventId &&
				one.id !== current.id &&
				(one.state === 'proposed' || isDocketed(one))
		)
	);
	/** What was vacated when a hearing was taken off. */
	const went = $derived(
		deadlines.filter(
			({ eventId, state, reason }) =>
				eventId === current?.eventId &&
				state === 'vacated' &&
				reason.startsWith(`${current.title} is off: `)
		)
	);
	function start(id: string, act: DateAct) {
		acting = { id, act };
		open = true;
	}

	let chosen = $state<string[]>([]);
	const proposed = $derived(deadlines.filter(({ state }) => state === 'proposed'));
	const picked = $derived(chosen.filter((id) => proposed.some((one) => one.id === id)));

	const to = (change: Record<string, string>) =>
		changeQuery(page.url.searchParams, { deadline: '', ...change });
	const only = $derived(page.url.searchParams.get('only') ?? '');
	const list = $derived(pickDeadlines(deadlines, { when: data.when, only, today: data.today }));
	const VIEWS = [
		['tree', 'By event'],
		['list', 'By day'],
		['timeline', 'Timeline'],
		['month', 'Month']
	] as const;
	const WHEN = [
		['future', 'Ahead'],
		['past', 'Past'],
		['all', 'All']
	] as const;
	const STATES = [
		['', 'Any state'],
		['docketed', 'Docketed'],
		['proposed', 'Proposed'],
		['unchecked', 'Unchecked']
	] as const;
	const views = $derived(
		VIEWS.map(([view, label]) => ({
			label,
			on: data.view === view,
			href: to({ view: view === 'tree' ? '' : view })
		}))
	);
	const times = $derived(
		WHEN.map(([when, label]) => ({
			label,
			on: data.when === when,
			href: to({ when: when === 'future' ? '' : when })
		}))
	);
	const states = $derived(
		STATES.map(([state, label]) => ({ label, on: only === state, href: to({ only: state }) }))
	);
	const NONE: Record<string, string> = {
		past: 'No date lies in the past.',
		future: 'No date lies ahead.'
	};
</script>

{#snippet row(deadline: DeadlineView, event: string)}
	<DeadlineRow
		{deadline}
		{event}
		today={data.today}
		staffId={data.me.id}
		{mayDocket}
		choosable={mayDocket && proposed.length > 1}
		chosen={chosen.includes(deadline.id)}
		onchoose={(on) => {
			const others = chosen.filter((id) => id !== deadline.id);
			chosen = on ? [...others, deadline.id] : others;
		}}
		open={shown === deadline.id && count !== null}
		ontoggle={() => (shown = shown === deadline.id ? '' : deadline.id)}
	>
		{#if count}
			<DeadlineDetail
				{deadline}
				{count}
				papers={data.papers[deadline.id] ?? []}
				exhibits={data.exhibits}
				links={data.links[deadline.id]}
				marks={data.workingMarks}
				matterNumber={caption.number}
				today={data.today}
				initials={data.me.initials}
				{mayDocket}
				onact={(act) => start(deadline.id, act)}
			/>
		{/if}
	</DeadlineRow>
{/snippet}

<div class="grid min-h-full {moved ? 'xl:grid-cols-[minmax(0,1fr)_392px]' : ''}">
	<div class="min-w-0 p-5">
		<div class="flex flex-wrap items-center gap-3">
			<h2 class="read text-title font-medium">Docket</h2>
			<span class="no-print flex grow flex-wrap gap-2"><Switches all={views} /></span>
			{#if mayDocket}
				<a class="btn no-print" href="/matters/{caption.number}/docket/schedule">Scheduling order</a
				>
				<button class="btn no-print" onclick={() => (byHand = true)}>By hand</button>
				{#if data.choices.length}
					<button class="btn go no-print" onclick={() => (entering = true)}>Enter an event</button>
				{/if}
			{/if}
		</div>
		{#if data.changes.length}
			<section
				class="mt-4 border-l-[3px] border-saffron bg-saffron-wash px-4 py-3"
				aria-label="Changes that wait"
			>
				<h3 class="mb-1 font-semibold">
					{plural(data.changes.length, 'date')} would change. Nothing has moved yet.
				</h3>
				{#key data.changes.map(({ id }) => id).join()}
					<Waiting changes={data.changes} today={data.today} may={mayDocket} />
				{/key}
			</section>
		{/if}
		{#if data.choices.length === 0}
			<Empty>
				This matter has no rulebook, so no dates can be counted.
				<a class="act" href="/matters/{caption.number}">Choose one</a>, add a book below, or enter
				dates by hand.
			</Empty>
		{:else if data.events.length === 0}
			<Empty>No event yet. Enter the first, and its deadlines are counted before your eyes.</Empty>
		{/if}
		{#if picked.length}<DocketChosen ids={picked} onclear={() => (chosen = [])} />{/if}
		{#if data.view === 'tree'}
			{#each data.events as event (event.id)}
				<section class="mt-5" data-event={event.key}>
					<EventHead
						{event}
						today={data.today}
						{mayDocket}
						onmove={() => (moving = moving === event.id ? '' : event.id)}
					/>
					{#each event.deadlines as deadline (deadline.id)}
						{@render row(deadline, '')}
					{/each}
				</section>
			{/each}
		{:else if data.view === 'list'}
			<div class="no-print mt-3 flex flex-wrap gap-2">
				<Switches all={times} />
				<span class="sub px-1" aria-hidden="true">|</span>
				<Switches all={states} />
			</div>
			<div class="mt-2 border-t-[1.5px] border-ink">
				{#each list as deadline (deadline.id)}
					{@render row(deadline, deadline.event)}
				{:else}
					<Empty>{(!only && NONE[data.when]) || 'No date fits.'}</Empty>
				{/each}
			</div>
		{:else}
			<Drawn {data} {to} />
		{/if}
		<Books
			matterId={caption.id}
			books={data.matterBooks}
			others={data.otherBooks}
			orders={data.orders}
			feed={data.feed}
			ladder={data.ladder}
			muted={data.ladder.muted}
			today={data.today}
			may={mayDocket}
			onorder={() => (ordering = true)}
		/>
	</div>
	{#if moved}
		{#key moved.id}
			<MoveEvent
				event={moved}
				choice={data.choices.find(({ id }) => id === `${moved.book}|${moved.key}`) ?? null}
				services={data.services[moved.book] ?? []}
				documents={data.documents}
				today={data.today}
				onclose={() => (moving = '')}
			/>
		{/key}
	{/if}
</div>

{#if data.choices.length}
	<EnterEvent
		bind:open={entering}
		matter={caption}
		choices={data.choices}
		services={data.services}
		documents={data.documents}
		today={data.today}
		people={caption.members.map(({ initials }) => initials).join(', ')}
	/>
{/if}
<AddDeadline bind:open={byHand} matter={caption} documents={data.documents} today={data.today} />
{#if data.matterBooks.length}
	<OrderDrawer
		bind:open={ordering}
		matter={caption}
		books={data.matterBooks}
		choices={data.choices}
		documents={data.documents}
		today={data.today}
	/>
{/if}
<DateDrawer
	bind:open
	act={acting.act}
	deadline={current}
	{hanging}
	{went}
	onmove={() => {
		open = false;
		moving = current?.eventId ?? '';
	}}
	documents={data.documents}
	exhibits={data.exhibits}
	links={data.links[acting.id]}
	folders={data.folders}
	mails={data.mails}
	linked={(data.papers[acting.id] ?? [])
		.filter(({ role }) => role === 'linked')
		.map(({ id }) => id)}
	ladder={data.ladder.dates[acting.id] ?? ''}
	today={data.today}
/>
