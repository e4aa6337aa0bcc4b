<script lang="ts">
	import { page } from '$app/state';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Count from '$lib/ui/Count.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Kite from '$lib/ui/Kite.svelte';
	import { short } from '$lib/ui/say.ts';
	import EnterEvent from './EnterEvent.svelte';
	import MoveEvent from './MoveEvent.svelte';
	let { data } = $props();
	const c = $derived(data.caption);
	let entering = $state(page.url.searchParams.has('enter'));
	let moving = $state('');
	let shown = $derived(data.open);
	let settle = $state<{ id: string; title: string; how: 'meet' | 'vacate' } | null>(null);
	let settling = $state(false);
	let on = $state(''), proof = $state(''), reason = $state('');
	const mover = $derived(data.events.find((e) => e.id === moving));
	function open(id: string, title: string, how: 'meet' | 'vacate') { settle = { id, title, how }; on = data.today; proof = ''; reason = ''; settling = true; }
</script>

<div class="grid min-h-full {mover ? 'xl:grid-cols-[minmax(0,1fr)_392px]' : ''}">
	<div class="min-w-0 p-5">
		<div class="flex items-center gap-3"><h2 class="read !text-[20px] !font-medium">Docket</h2><span class="sub grow">by event</span>{#if data.book && data.can.docket}<button class="btn go" onclick={() => (entering = true)}>Enter an event</button>{/if}</div>
		{#if !data.book}<Empty>This matter has no rulebook, so no dates can be counted. <a class="act" href="/matters/{c.number}">Choose one</a></Empty>
		{:else if data.events.length === 0}<Empty>No event yet. Enter the first, and its deadlines are counted before your eyes.</Empty>{/if}
		{#each data.events as e (e.id)}
			<section class="mt-5" data-event={e.key}>
				<div class="ruled"><span class="w-[135px] font-medium whitespace-nowrap">{short(e.date, data.today)}</span><h3 class="min-w-0 font-semibold">{e.text}{#if e.name}<span class="sub ml-2 font-normal">{e.name}</span>{/if}{#if e.time}<span class="sub ml-2 font-normal">{e.time}</span>{/if}{#if e.serviceSay}<span class="sub ml-2 font-normal">{e.serviceSay}</span>{/if}</h3>{#if data.can.docket}<button class="act no-print ml-auto whitespace-nowrap" onclick={() => (moving = moving === e.id ? '' : e.id)}>change the date</button>{/if}</div>
				{#each e.deadlines as d (d.id)}
					<div class="row" data-deadline={d.title} data-state={d.state}>
						<div class="line">
							<Kite state={d.state} checked={d.checked} late={d.state === 'docketed' && d.date <= data.today} />
							<span class="font-semibold whitespace-nowrap" data-date={d.date}>{short(d.date, data.today)}</span>
							<button class="min-w-0 truncate text-left" onclick={() => (shown = shown === d.id ? '' : d.id)} aria-expanded={shown === d.id}><b class="font-semibold" class:line-through={d.state === 'vacated'}>{d.title}</b><span class="sub ml-2">{d.state === 'met' ? `met ${short(d.closedOn!, data.today)}${d.reason ? `, ${d.reason}` : ''}` : d.state === 'vacated' ? `vacated: ${d.reason}` : d.state === 'missed' ? 'missed' : d.date === data.today ? `today${d.time ? `, ${d.time}` : ''}` : (d.time ?? '')}</span></button>
							<span class="sub truncate" title={d.authority}>{d.authority}</span>
							<span class="text-right whitespace-nowrap">
								{#if d.state === 'proposed'}{#if data.can.docket}<ActionForm action="?/docket">{#snippet children({ busy })}<input type="hidden" name="deadlineId" value={d.id} /><button class="act" disabled={busy}>docket it</button>{/snippet}</ActionForm>{:else}proposed{/if}
								{:else if d.checked}<span class="sub">checked by {d.checkedBy}</span>
								{:else if d.state === 'docketed' || d.state === 'missed'}{#if d.docketedById === data.me.id}<span class="font-semibold text-saffron-ink">second check</span>{:else if data.can.docket}<ActionForm action="?/check">{#snippet children({ busy })}<input type="hidden" name="deadlineId" value={d.id} /><button class="act" disabled={busy}>check it</button>{/snippet}</ActionForm>{/if}{/if}
							</span>
						</div>
						{#if shown === d.id && data.counts[d.id]}
							<div class="pb-3"><Count count={data.counts[d.id]!} late={d.date <= data.today && d.state !== 'met'} />
								{#if (d.state === 'docketed' || d.state === 'missed') && data.can.docket}<div class="no-print mt-2 flex gap-3"><button class="btn" onclick={() => open(d.id, d.title, 'meet')}>It was met</button><button class="btn" onclick={() => open(d.id, d.title, 'vacate')}>Vacate it</button><span class="sub self-center">docketed by {d.docketedBy}</span></div>{/if}
							</div>
						{/if}
					</div>
				{/each}
			</section>
		{/each}
	</div>
	{#if mover}{#key mover.id}<MoveEvent event={mover} today={data.today} onclose={() => (moving = '')} />{/key}{/if}
</div>

{#if data.book}<EnterEvent bind:open={entering} matter={c} book={data.book.short} choices={data.choices} services={data.services} today={data.today} people={c.members.map((m) => m.initials).join(', ')} />{/if}
<Drawer bind:open={settling} title={settle?.how === 'meet' ? 'It was met' : 'Vacate the date'} about={settle?.title ?? ''}>
	{#if settle}
		<ActionForm action="?/{settle.how}" ondone={() => { settling = false; }}>
			{#snippet children({ errors, busy })}
				<input type="hidden" name="deadlineId" value={settle!.id} />
				{#if settle!.how === 'meet'}<DateField name="on" label="Met on" bind:value={on} today={data.today} error={errors.on} /><Field label="Proof" error={errors.proof} hint="optional: the filing's number, the document" class="mt-3">{#snippet children(x)}<input class="box" name="proof" bind:value={proof} {...x} />{/snippet}</Field>
				{:else}<Field label="Reason" error={errors.reason}>{#snippet children(x)}<input class="box" name="reason" bind:value={reason} {...x} />{/snippet}</Field>{/if}
				<div class="mt-4"><button class="btn go" disabled={busy}>{settle!.how === 'meet' ? 'Record it as met' : 'Vacate the date'}</button></div>
			{/snippet}
		</ActionForm>
	{/if}
</Drawer>

<style>
	.line { display: grid; grid-template-columns: 20px 118px minmax(0, 1.6fr) minmax(0, 1fr) 104px; gap: 6px; align-items: center; min-height: 37px; }
	@media (max-width: 760px) { .line { grid-template-columns: 20px 118px 1fr; } }
</style>
