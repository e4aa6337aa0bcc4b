<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	const groups = $derived(
		[
			['court', 'Courts'],
			['agency', 'Agencies and regulation'],
			['transaction', 'Transaction timelines'],
			['compliance', 'Compliance calendars']
		]
			.map(([k, name]) => ({ k, name, books: data.books.filter((b) => b.sort === k) }))
			.filter((g) => g.books.length)
	);
	type Book = (typeof data.books)[number];
	const columns: Column<Book>[] = [
		{ key: 'book', label: 'Book', text: (book) => book.title, leads: true, cell: whose },
		{
			key: 'over',
			label: 'Laid over',
			text: (book) => book.layers.filter((layer) => layer !== book.id).join(', '),
			class: 'w-[140px] sub'
		},
		{
			key: 'events',
			label: 'Events',
			text: (book) => book.events,
			numeric: true,
			class: 'w-[70px]'
		},
		{ key: 'dates', label: 'Dates', text: (book) => book.rules, numeric: true, class: 'w-[70px]' },
		{
			key: 'matters',
			label: 'Matters',
			text: (book) => book.matters || '',
			numeric: true,
			class: 'w-[80px]'
		},
		{
			key: 'version',
			label: 'Version',
			text: (book) => book.version,
			class: 'w-[100px] pl-6 whitespace-nowrap'
		},
		{
			key: 'review',
			label: 'Last review',
			text: (book) =>
				`${formatDay(book.reviewed, data.today)}${book.stale ? ', over a year ago' : ''}`,
			tone: (book) => (book.stale ? 'font-semibold text-madder' : ''),
			class: 'w-[190px] whitespace-nowrap'
		}
	];
</script>

<svelte:head><title>Rulebooks · Kite Pen</title></svelte:head>
{#snippet whose(book: Book)}
	<span class="sub">{book.id}</span>
	{#if book.own}
		<span class="sub ml-2">the department's own</span>
	{:else if book.versions}
		<span class="ml-2 font-semibold text-saffron-ink">changed by the department</span>
	{/if}
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Rulebooks</h1>
		<span class="sub grow">what each court says, and when that was last checked</span><DocketTabs />
	</div>
	<p class="mt-2 max-w-form text-ink-2">
		Every book must be checked against the current rules before it is relied on. Each says when that
		was last done.
	</p>
	{#if data.mayWrite}<p class="no-print mt-2 flex gap-4">
			<a class="act" href="/rulebooks/new">Write a timeline or a calendar</a><a
				class="act"
				href="/rulebooks/new?as=yaml">Bring in a book as YAML</a
			>
		</p>{/if}
	{#each groups as g (g.k)}
		<DataTable
			{columns}
			rows={g.books}
			caption={g.name}
			id={(book) => book.id}
			href={(book) => `/rulebooks/${book.id}`}
			row={(book) => ({ 'data-book': book.id })}
			fixed
			class="mt-4"
		/>
	{/each}
	<p class="sub mt-3">
		{plural(data.books.length, 'book')}. Matters counted are open and not restricted.
	</p>
</div>
