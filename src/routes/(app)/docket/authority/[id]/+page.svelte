<!-- The authority of a date: the rule in words, its text or its place, and how it counted here. -->
<script lang="ts">
	import { formatDate } from '#core/format/dates.ts';
	import Count from '$lib/docket/Count.svelte';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	const authority = $derived(data.authority);
	const rule = $derived(authority.rule);
	const docket = $derived(`/matters/${authority.matterNumber}/docket`);
</script>

<svelte:head><title>{authority.authority} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1 class="min-w-0 grow">{authority.authority}</h1>
		<DocketTabs />
	</div>
	<p class="mt-1">
		<a class="act" href="{docket}?deadline={authority.id}">{authority.title}</a>
		on <b class="font-semibold">{formatDate(authority.date)}</b>, {authority.matterNumber}
		{authority.matterTitle}
	</p>
	<div class="mt-4 grid max-w-page gap-8 lg:grid-cols-2">
		<section>
			{#if rule}
				<div class="ruled"><h2>What it says</h2></div>
				{#if rule.text}
					<p class="read mt-2 text-read whitespace-pre-line" data-text>{rule.text}</p>
				{/if}
				{#if rule.link}
					<p class="mt-2">
						<a class="act" href={rule.link} rel="noreferrer" target="_blank"
							>Read it where it is kept</a
						>
					</p>
				{/if}
				<p class="mt-2">
					{rule.event}: <b class="font-semibold">{rule.count || 'by its answers'}</b>
				</p>
				{#each rule.variants as variant (variant)}<p class="sub">{variant}</p>{/each}
				{#if rule.note}<p class="mt-1">{rule.note}</p>{/if}
				<p class="sub mt-3">
					<a class="hover:underline" href="/rulebooks/{rule.bookId}">{rule.book}</a>, version
					{rule.version}, reviewed {formatDay(rule.reviewed, data.today)}; to be checked against the
					current rules.
				</p>
				{#if rule.stale}<p class="font-semibold text-saffron-ink">{rule.stale}</p>{/if}
				{#if rule.tags.length}
					<p class="mt-2 flex flex-wrap gap-2" aria-label="Tags">
						{#each rule.tags as tag (tag)}<a class="note" href="/docket?tag={tag}">{tag}</a>{/each}
					</p>
				{/if}
				{#if !rule.text && !rule.link}
					<p class="sub mt-2">
						The book has neither its words nor a link: both can be added to the rule’s row.
					</p>
				{/if}
			{:else}
				<div class="ruled"><h2>No rule sets this date</h2></div>
				<p class="mt-2">It was set by hand, by an order or an agreement.</p>
			{/if}
			{#if authority.document}
				<p class="mt-3">
					From <a class="act" href="/documents/{authority.document.id}">{authority.document.name}</a
					>
				</p>
			{/if}
		</section>
		<section>
			<div class="ruled"><h2>How it was counted</h2></div>
			{#if authority.count}<div class="mt-2"><Count count={authority.count} /></div>{/if}
		</section>
	</div>
</div>
