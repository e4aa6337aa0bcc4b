<!-- Addresses at which an ordinary calendar program reads dates. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	type Feed = (typeof data.feeds)[number];
	let made = $state({ sort: '', address: '' });
	const SORTS = [
		{ sort: 'person', name: 'My dates' },
		{ sort: 'department', name: "The department's dates, as I may see them" }
	] as const;
	const when = (instant: string) => formatInstant(instant, data.zone, data.today);
	const readWords = ({ readAt }: Feed) => (readAt ? `last read ${when(readAt)}` : 'not read yet');
	const words = (feed: Feed | undefined) =>
		feed ? `made ${when(feed.madeAt)}, ${readWords(feed)}` : 'no address yet';
	function revoked() {
		made = { sort: '', address: '' };
		say('Revoked: the address says so from now on.');
	}
</script>

<div id="calendars" class="no-print mt-8 max-w-form">
	<Section
		title="Calendar addresses"
		about="for an ordinary calendar program; whoever has one reads its dates until it is revoked"
	>
		{#each SORTS as { sort, name } (sort)}
			{@const feed = data.feeds.find((one) => one.sort === sort)}
			<div class="row flex min-h-10 flex-wrap items-center gap-3 py-1">
				<b class="font-semibold">{name}</b>
				{#if made.sort === sort}
					<input
						class="box w-[440px] max-w-full"
						readonly
						value={made.address}
						aria-label="Address of {name}"
						onfocus={({ currentTarget }) => currentTarget.select()}
					/>
					<span class="sub">shown this once</span>
				{:else}
					<span class="sub grow">{words(feed)}</span>
				{/if}
				<RowAction
					action="?/feed"
					fields={{ sort }}
					ondone={({ address }) => void (made = { sort, address: String(address) })}
				>
					{feed ? 'make a new one' : 'make one'}
				</RowAction>
				{#if feed}
					<RowAction action="?/revoke" fields={{ feedId: feed.id }} ondone={revoked}>
						revoke it
					</RowAction>
				{/if}
			</div>
		{/each}
		{#each data.feeds.filter(({ sort }) => sort === 'matter') as feed (feed.id)}
			<div class="row flex min-h-10 flex-wrap items-center gap-3">
				<b class="font-semibold">{feed.matterTitle}</b>
				<span class="sub grow">{feed.matterNumber}, made {when(feed.madeAt)}</span>
				<RowAction action="?/revoke" fields={{ feedId: feed.id }}>revoke it</RowAction>
			</div>
		{/each}
	</Section>
</div>
