<!-- One card: on which matters, how to reach them, what else is known and noted. -->
<script lang="ts">
	import { opening } from '$lib/matters/opening.svelte.ts';
	import MemoForm from '$lib/memos/MemoForm.svelte';
	import MemoRows from '$lib/memos/MemoRows.svelte';
	import Banner from '$lib/ui/Banner.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatDay, formatInstant } from '$lib/ui/format.ts';
	import { say } from '$lib/ui/say.svelte.ts';
	import CardAside from './CardAside.svelte';
	import CardForm from './CardForm.svelte';
	import IdentityNumbers from './IdentityNumbers.svelte';
	let { data } = $props();
	const person = $derived(data.person);
	const fields = $derived(person.fields);
	const isPerson = $derived(fields.kind === 'person');
	const categories = $derived(fields.categories.split(', ').filter(Boolean));
	let editing = $state(false);
	const day = (date: string | null) => (date ? formatDay(date, data.today).slice(4) : '');
	function open() {
		opening.show({ opponentId: person.id, opponent: fields.name, opponentKind: fields.kind });
	}
</script>

<svelte:head><title>{fields.name} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1>{fields.name}</h1>
		<span class="note">{isPerson ? 'Person' : 'Organization'}</span>
		{#if fields.status !== 'active'}<span class="note warn">{fields.status}</span>{/if}
		{#each categories as category (category)}
			<a class="note" href="/people?category={encodeURIComponent(category)}">{category}</a>
		{/each}
		<span class="no-print ml-auto flex flex-wrap gap-2">
			<a class="btn" href="/people/{person.id}/vcard" download>vCard</a>
			<a class="btn" href="/interest?names={encodeURIComponent(fields.name)}">Interest check</a>
			<a class="btn" href="/people/{person.id}/merge">Merge</a>
			<button class="btn" onclick={open}>Open a matter</button>
			<button class="btn go" onclick={() => (editing = true)}>Change</button>
		</span>
	</div>
	{#if fields.status === 'do not contact'}
		<Banner class="mt-3">Not to be contacted. {fields.note}</Banner>
	{/if}
	{#if data.near.length}
		<Banner class="mt-3">
			Near to this name:
			{#each data.near as { id, name }, at (id)}
				{at ? ', ' : ''}<a class="act" href="/people/{id}">{name}</a>
			{/each}. The same?
			<a class="act" href="/people/{person.id}/merge?with={data.near[0]?.id}">Compare and merge</a>
		</Banner>
	{/if}
	<div class="mt-5 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_360px]">
		<div class="flex min-w-0 flex-col gap-6">
			<Section title="On matters" about={String(person.matters.length || '')}>
				{#each person.matters as matter, at (at)}
					<a
						class="row flex min-h-[38px] flex-wrap items-center gap-x-3 py-1 hover:bg-white"
						href="/matters/{matter.number}"
					>
						<span class="sub">{matter.number}</span>
						<b
							class={[
								'min-w-0 grow truncate font-semibold max-md:basis-2/3',
								{ 'text-ink-3': matter.status === 'closed' }
							]}
						>
							{matter.title}
						</b>
						{#if matter.note}<span class="sub max-w-[240px] truncate">{matter.note}</span>{/if}
						<span>{matter.role}</span>
						{#if matter.from || matter.to}
							<span class="sub">{day(matter.from)} to {day(matter.to) || 'now'}</span>
						{/if}
					</a>
				{:else}
					<Empty>On no matter that you may see.</Empty>
				{/each}
			</Section>
			<Section title="Notes and reminders" about={String(data.memos.length || '')}>
				<MemoRows memos={data.memos} finish="?/memoDone" remove="?/removeMemo" card />
				<div class="mt-3 max-w-[520px]"><MemoForm action="?/memo" /></div>
			</Section>
		</div>
		<aside class="flex min-w-0 flex-col gap-6">
			<CardAside {person} />
			{#if data.mayShow && isPerson}
				<IdentityNumbers numbers={data.identity} name={fields.name} today={data.today} />
			{/if}
			{#if person.merged.length}
				<Section title="Merged into this card">
					{#each person.merged as { id, name, at } (id)}
						<div class="row flex min-h-9 items-center gap-2">
							<span class="grow">{name}</span>
							<span class="sub">{formatInstant(at, data.zone, data.today)}</span>
							<RowAction
								action="?/undo"
								ondone={() => say(`${name} has a card of its own again.`)}
								fields={{ mergeId: id }}>take apart</RowAction
							>
						</div>
					{/each}
				</Section>
			{/if}
		</aside>
	</div>
</div>

<Drawer bind:open={editing} title="Change the card" about={fields.name} wide>
	<CardForm {data} ondone={() => (editing = false)} />
</Drawer>
