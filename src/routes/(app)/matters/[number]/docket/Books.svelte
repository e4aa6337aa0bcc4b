<!--
	What the matter's dates are counted by: its books, the orders over them, and its calendar address.
-->
<script lang="ts">
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { formatInstant, formatDay } from '$lib/ui/format.ts';
	type Order = {
		id: string;
		book: string;
		sort: string;
		title: string;
		dated: string;
		documentId: string | null;
		by: string;
		says: string[];
		endedAt: string | null;
		endedReason: string;
	};
	const zone = $derived(page.data.zone as string);
	type Props = {
		matterId: string;
		books: { id: string; title: string; main: boolean; reviewed: string }[];
		others: { id: string; title: string }[];
		orders: Order[];
		ladder: { own: string; kind: string };
		muted: boolean;
		feed: { id: string; madeAt: string; readAt: string | null } | null;
		today: string;
		may: boolean;
		onorder: () => void;
	};
	let { matterId, books, others, orders, feed, ladder, muted, today, may, onorder }: Props =
		$props();
	let rungs = $state<string | null>(null);
	let adding = $state(false),
		book = $state(''),
		ending = $state(''),
		reason = $state(''),
		address = $state('');
	async function copy() {
		await navigator.clipboard.writeText(address);
		say('The address is copied.');
	}
</script>

<section class="mt-8" id="books">
	<div class="ruled">
		<h3 class="font-semibold">Counted by</h3>
		{#if may}<button class="act no-print ml-auto" onclick={onorder} disabled={books.length === 0}
				>Lay an order over the rules</button
			><button class="act no-print" onclick={() => (adding = !adding)}>Add a book</button>{/if}
	</div>
	{#each books as b (b.id)}<div class="row flex min-h-9 items-center gap-3">
			<a class="font-semibold hover:underline" href="/rulebooks/{b.id}">{b.title}</a><span
				class="sub grow">reviewed {formatDay(b.reviewed, today)}</span
			>{#if !b.main && may}<RowAction
					action="?/removeBook"
					fields={{ matterId, book: b.id }}
					look="act no-print">take out</RowAction
				>{/if}
		</div>{/each}
	{#if adding}<ActionForm
			action="?/addBook"
			class="row no-print flex items-center gap-2 py-2"
			ondone={() => {
				adding = false;
				book = '';
			}}
			>{#snippet children({ errors, busy })}<input
					type="hidden"
					name="matterId"
					value={matterId}
				/><select class="box w-auto" name="book" bind:value={book} aria-label="Book to add"
					><option value="">Choose a book</option>{#each others as b (b.id)}<option value={b.id}
							>{b.title}</option
						>{/each}</select
				><button class="btn" disabled={busy || !book}>Add it</button>{#if errors.book}<span
						class="fault">{errors.book}</span
					>{/if}{/snippet}</ActionForm
		>{/if}
	{#each orders as o (o.id)}
		<div class="row py-1.5" data-order={o.title}>
			<div class="flex items-baseline gap-3">
				<b class="font-semibold" class:line-through={o.endedAt}>{o.title}</b><span class="sub grow"
					>{o.sort}, {formatDay(o.dated, today)}, laid by {o.by}{o.endedAt
						? `; ended: ${o.endedReason}`
						: ''}</span
				>{#if o.documentId}<a class="act" href="/documents/{o.documentId}">the order</a
					>{/if}{#if may && !o.endedAt}<button
						class="act no-print"
						onclick={() => {
							ending = ending === o.id ? '' : o.id;
							reason = '';
						}}>it no longer holds</button
					>{/if}
			</div>
			{#each o.says as s (s)}<span class="block pl-4 text-ink-2">{s}</span>{/each}
			{#if ending === o.id}<ActionForm
					action="?/endOrder"
					class="mt-2 flex items-center gap-2"
					ondone={() => {
						ending = '';
						say('Ended. Dates it changed wait for a decision.');
					}}
					>{#snippet children({ errors, busy })}<input
							type="hidden"
							name="orderId"
							value={o.id}
						/><input
							class="box w-80"
							name="reason"
							bind:value={reason}
							placeholder="Why it no longer holds"
							aria-label="Why it no longer holds"
						/><button class="btn" disabled={busy}>End it</button>{#if errors.reason}<span
								class="fault">{errors.reason}</span
							>{/if}{/snippet}</ActionForm
				>{/if}
		</div>
	{/each}
	<div class="row no-print flex min-h-9 flex-wrap items-center gap-3 py-1">
		<b class="font-semibold">Reminders</b>
		{#if rungs === null}<span class="grow"
				>{ladder.own || ladder.kind || 'none'}
				<span class="sub"
					>days before{ladder.own ? ', of this matter' : ', as its kind says'}{muted
						? '; muted for you, but for the last ones'
						: ''}</span
				></span
			>{#if may}<button class="act" onclick={() => (rungs = ladder.own || ladder.kind)}
					>change the days</button
				>{/if}<RowAction action="?/{muted ? 'unmute' : 'mute'}" fields={{ matterId }}
				>{muted ? 'unmute for me' : 'mute for me'}</RowAction
			>
		{:else}<ActionForm
				action="?/ladder"
				class="flex grow flex-wrap items-center gap-2"
				ondone={() => {
					rungs = null;
				}}
				>{#snippet children({ errors, busy })}<input
						type="hidden"
						name="matterId"
						value={matterId}
					/><input type="hidden" name="was" value={ladder.own} /><input
						class="box w-64"
						name="ladder"
						bind:value={rungs}
						aria-label="Days before a date, and +1 for the day after"
					/><button class="btn" disabled={busy}>Keep</button><button
						type="button"
						class="btn slight"
						onclick={() => (rungs = null)}>Cancel</button
					>{#if errors.ladder}<span class="fault">{errors.ladder}</span>{:else}<span class="sub"
							>empty: as its kind says</span
						>{/if}{/snippet}</ActionForm
			>{/if}
	</div>
	<div class="row no-print flex min-h-9 flex-wrap items-center gap-3 py-1">
		<b class="font-semibold">Calendar address</b>
		{#if address}<input
				class="box w-[440px]"
				readonly
				value={address}
				aria-label="Calendar address"
				onfocus={(e) => e.currentTarget.select()}
			/><button class="btn" onclick={copy}>Copy</button><span class="sub"
				>shown this once; whoever has it reads these dates</span
			>
		{:else}<span class="sub grow"
				>{feed
					? `made ${formatInstant(feed.madeAt, zone, today)}${feed.readAt ? `, last read ${formatInstant(feed.readAt, zone, today)}` : ', not read yet'}`
					: 'for an ordinary calendar program: this matter, by a secret address'}</span
			>
			<RowAction
				action="?/feed"
				ondone={(d) => {
					address = String(d.address);
				}}
				fields={{ matterId }}>{feed ? 'make a new one' : 'make one'}</RowAction
			>
			{#if feed}<RowAction
					action="?/revoke"
					ondone={() => {
						say('Revoked: the address says so from now on.');
					}}
					fields={{ feedId: feed.id }}>revoke it</RowAction
				>{/if}{/if}
	</div>
</section>
