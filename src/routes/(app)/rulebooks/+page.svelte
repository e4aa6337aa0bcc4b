<script lang="ts">
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import { plural, formatShort } from '$lib/ui/format.ts';
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
</script>

<svelte:head><title>Rulebooks · Kite Pen</title></svelte:head>
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
		<table class="list mt-4 table-fixed">
			<caption class="read pb-1 text-left text-large font-medium">{g.name}</caption>
			<thead
				><tr
					><th>Book</th><th class="w-[140px]">Laid over</th><th class="num w-[70px]">Events</th><th
						class="num w-[70px]">Dates</th
					><th class="num w-[80px]">Matters</th><th class="w-[100px] pl-6">Version</th><th
						class="w-[190px]">Last review</th
					></tr
				></thead
			>
			<tbody
				>{#each g.books as b (b.id)}
					<tr class="link" data-book={b.id}
						><td
							><a class="font-semibold hover:underline" href="/rulebooks/{b.id}">{b.title}</a>
							<span class="sub">{b.id}</span>{#if b.own}<span class="sub ml-2"
									>the department's own</span
								>{:else if b.versions}<span class="ml-2 font-semibold text-saffron-ink"
									>changed by the department</span
								>{/if}</td
						>
						<td class="sub">{b.layers.filter((x) => x !== b.id).join(', ')}</td><td class="num"
							>{b.events}</td
						><td class="num">{b.rules}</td><td class="num">{b.matters || ''}</td><td
							class="pl-6 whitespace-nowrap">{b.version}</td
						><td class="whitespace-nowrap {b.stale ? 'font-semibold text-madder' : ''}"
							>{formatShort(b.reviewed, data.today)}{b.stale ? ', over a year ago' : ''}</td
						></tr
					>
				{/each}</tbody
			>
		</table>
	{/each}
	<p class="sub mt-3">
		{plural(data.books.length, 'book')}. Matters counted are open and not restricted.
	</p>
</div>
