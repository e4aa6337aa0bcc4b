<script lang="ts">
	import { goto } from '$app/navigation';
	import { say } from '$lib/ui/say.svelte.ts';
	import { opening } from '$lib/matters/opening.svelte.ts';
	import { findMatters, findPeople } from '$lib/people/find.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant, formatDay, formatSize } from '$lib/ui/format.ts';
	import Handling from './Handling.svelte';
	import Talk from './Talk.svelte';
	let { data } = $props();
	const r = $derived(data.request);
	const open = $derived(['sent', 'taken', 'asked'].includes(r.state));
	let doing = $state<'' | 'ask' | 'down' | 'merge' | 'withdraw'>(''),
		words = $state(''),
		number = $state('');

	const stands = $derived(
		{
			draft: 'Draft',
			sent: 'Sent, nobody has taken it yet',
			taken: `${r.takenBy ?? 'Someone'} looks at it`,
			asked: r.mine ? 'The department asks you something' : 'Waits for an answer',
			'turned down': 'Turned down',
			withdrawn: 'Withdrawn',
			matter: r.handler ? `In work with ${r.handler}` : 'In work'
		}[r.state]
	);
	/** Its writer reads it now; who talks to them sees that they did. */
	$effect(() => {
		if (!r.mine || r.talk.length === 0) return;
		void fetch(`/requests/${r.id}?/seen`, { method: 'POST', body: new FormData() });
	});
	/** What the department said last is known to whom it was said. */
	const hasRead = $derived(
		r.seenAt !== null && r.talk.every(({ who, at }) => who === r.by || at <= r.seenAt!)
	);
	const talkLabel = $derived(
		!r.mine ? `A word to ${r.by}` : r.state === 'asked' ? 'Your answer' : 'Add something'
	);
	async function start() {
		// A card of the counterparty is found, so that no second one is made.
		const known = r.counterparty ? (await findPeople(r.counterparty))[0] : undefined;
		const exact =
			known && known.label.toLowerCase() === r.counterparty.toLowerCase() ? known : undefined;
		opening.show({
			title: r.about,
			kind: 'agreement',
			unitId: r.unitId ?? '',
			opponent: r.counterparty,
			opponentId: exact?.value ?? '',
			requestId: r.id,
			requestNumber: r.number ?? '',
			priority: r.urgency === 'urgent' ? 'high' : 'normal'
		});
	}
</script>

<svelte:head><title>{r.about} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<span class="text-lead text-ink-3">{r.number}</span>
		<h1 class="min-w-0 break-words">{r.about}</h1>
		<span class="note" class:warn={r.state === 'asked' || r.urgency === 'urgent'}>{stands}</span>
		{#if r.status}<span class="note" data-status>{r.status}</span>{/if}
	</div>
	<dl class="mt-2 flex flex-wrap gap-y-1">
		{#each [['From', r.by], ['Business unit', r.unit], ['Other side', r.counterparty], ['Urgency', r.urgency === 'normal' ? 'no hurry' : r.urgency], ['Wanted by', r.wantedBy ? formatDay(r.wantedBy, data.today) : ''], ['Sent', r.sentAt ? formatInstant(r.sentAt, data.zone, data.today) : '']].filter((x) => x[1]) as [k, x] (k)}<div
				class="mr-5 border-r border-rule pr-5 last:border-0"
			>
				<dt class="sub text-note">{k}</dt>
				<dd class="font-semibold">{x}</dd>
			</div>{/each}
	</dl>
	<div class="mt-5 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_340px]">
		<div class="flex min-w-0 flex-col gap-6">
			{#if r.words}<p class="read text-read leading-[1.45] break-words whitespace-pre-line">
					{r.words}
				</p>{/if}
			<Section title="To and fro">
				{#each r.talk as t, i (i)}<div class="row grid grid-cols-[96px_minmax(0,1fr)] gap-3 py-2">
						<span class="sub">{formatInstant(t.at, data.zone, data.today)}</span><span
							class="break-words whitespace-pre-line"
							>{#if t.kind === 'state'}<span class="sub">{t.text}</span>{:else}<b
									class="font-semibold">{t.who} {t.kind === 'question' ? 'asks' : 'writes'}:</b
								>
								{t.text}{/if}</span
						>
					</div>{:else}<p class="sub mt-2">Not sent yet.</p>{/each}
				{#if r.live && (r.mine || data.triage)}
					<Talk action={r.mine ? '?/answer' : '?/write'} label={talkLabel} />
				{/if}
				{#if !r.mine && r.talk.length}
					<p class="sub mt-2" data-seen>
						{r.by}
						{hasRead
							? `read this ${formatInstant(r.seenAt!, data.zone, data.today)}`
							: 'has not read the last of it yet'}
					</p>
				{/if}
			</Section>
		</div>
		<aside class="flex flex-col gap-6">
			{#if data.triage && r.live}
				<Section title="Where it stands">
					<Handling request={r} statuses={data.statuses} {open} />
				</Section>
			{/if}
			{#if data.triage}
				<Section title="Triage">
					{#if r.matter}<p class="mt-2">
							Went into <a class="act" href="/matters/{r.matter.number}"
								>{r.matter.number} {r.matter.title}</a
							>.
						</p>
					{:else if open}
						<div class="mt-3 flex flex-wrap gap-2">
							<button class="btn go" onclick={start}>Open a matter</button
							>{#if r.takenBy !== data.me.name}<ActionForm action="?/take"
									>{#snippet children({ busy })}<button class="btn" disabled={busy}
											>{r.takenBy ? 'Take it over' : 'Take it'}</button
										>{/snippet}</ActionForm
								>{/if}<button
								class="btn"
								onclick={() => {
									doing = 'ask';
									words = '';
								}}>Ask back</button
							><button class="btn" onclick={() => (doing = 'merge')}>Put to a matter</button><button
								class="btn"
								onclick={() => {
									doing = 'down';
									words = '';
								}}>Turn down</button
							>
						</div>
						{#if doing === 'ask'}<ActionForm
								action="?/ask"
								class="mt-3"
								ondone={() => {
									doing = '';
								}}
								>{#snippet children({ errors, busy })}<textarea
										class="box"
										rows={3}
										name="words"
										bind:value={words}
										aria-label="Your question"
										placeholder="Your question"
										aria-invalid={errors.words ? 'true' : undefined}></textarea>{#if errors.words}<p
											class="fault"
										>
											{errors.words}
										</p>{/if}<button class="btn mt-2" disabled={busy}>Send the question</button
									>{/snippet}</ActionForm
							>
						{:else if doing === 'down'}<ActionForm
								action="?/down"
								class="mt-3"
								ondone={() => {
									doing = '';
								}}
								>{#snippet children({ errors, busy })}<textarea
										class="box"
										rows={3}
										name="reason"
										bind:value={words}
										aria-label="Reason"
										placeholder="Reason, which the sender reads"
										aria-invalid={errors.reason ? 'true' : undefined}
									></textarea>{#if errors.reason}<p class="fault">{errors.reason}</p>{/if}<button
										class="btn mt-2"
										disabled={busy}>Turn it down</button
									>{/snippet}</ActionForm
							>
						{:else if doing === 'merge'}<ActionForm
								action="?/merge"
								class="mt-3"
								ondone={async (d) => {
									doing = '';
									say(`Put to ${d.number}.`);
									await goto(`/matters/${d.number}`);
								}}
								>{#snippet children({ errors, busy })}<Choose
										label="The matter it belongs to"
										name="number"
										bind:value={number}
										find={findMatters}
										error={errors.number}
									/><button class="btn mt-2" disabled={busy}>Put it there</button
									>{/snippet}</ActionForm
							>{/if}
						{#if r.counterparty}<p class="mt-3">
								<a class="act" href="/interest?names={encodeURIComponent(r.counterparty)}"
									>Check {r.counterparty} for interests</a
								>
							</p>{/if}
					{:else}<p class="sub mt-2">Finished{r.reason ? `: ${r.reason}` : '.'}</p>{/if}
				</Section>
			{/if}
			<Section title="Files" about={String(r.papers.length || '')}
				>{#each r.papers as p (p.id)}<a
						class="row flex min-h-9 items-center gap-2 hover:bg-white"
						href="/requests/{r.id}/file/{p.id}?download=1"
						><b class="min-w-0 grow truncate font-semibold">{p.name}</b><span class="sub"
							>{formatSize(p.size)}</span
						></a
					>{:else}<p class="sub mt-2">None.</p>{/each}</Section
			>
			{#if r.mine && open}<Section title="No longer needed?"
					>{#if doing === 'withdraw'}<ActionForm
							action="?/withdraw"
							class="mt-2"
							ondone={() => {
								doing = '';
							}}
							>{#snippet children({ busy })}<input
									class="box"
									name="reason"
									bind:value={words}
									placeholder="Reason, if you like"
									aria-label="Reason"
								/><button class="btn mt-2" disabled={busy}>Withdraw it</button
								>{/snippet}</ActionForm
						>{:else}<p class="mt-2">
							<button
								class="act"
								onclick={() => {
									doing = 'withdraw';
									words = '';
								}}>Withdraw the request</button
							>
						</p>{/if}</Section
				>{/if}
		</aside>
	</div>
</div>
