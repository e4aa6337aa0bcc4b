<!--
	A timeline or a calendar of the department's own: an anchor and the days around it; or any book as
	YAML.
-->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import BookEditor from '$lib/rulebooks/BookEditor.svelte';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	let { data } = $props();
	const WAYS = [
		{
			as: 'timeline',
			name: 'A timeline or a calendar',
			title: 'Write a timeline or a calendar',
			about: 'an anchor, and the days before and after it'
		},
		{
			as: 'rules',
			name: 'Rules of a court or an agency',
			title: 'Write the rules of a court or an agency',
			about: 'events, the dates they set, and examples that are counted while you write'
		},
		{
			as: 'yaml',
			name: 'As text',
			title: 'Bring in a book',
			about: 'in YAML; checked while you write'
		}
	] as const;
	const heading = $derived(WAYS.find(({ as }) => as === data.as) ?? WAYS[0]);
	const shared = $derived({ shape: data.shape, today: data.today });
	let name = $state(''),
		anchor = $state('');
	let rows = $state([
		{ title: '', count: '', owner: '', authority: '' },
		{ title: '', count: '', owner: '', authority: '' },
		{ title: '', count: '', owner: '', authority: '' }
	]);
</script>

<svelte:head><title>Write a book · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>{heading.title}</h1>
		<span class="sub grow">{heading.about}</span><DocketTabs />
	</div>
	<nav class="mt-3 flex flex-wrap gap-2" aria-label="What kind of book">
		{#each WAYS.filter(({ as }) => as !== 'yaml') as way (way.as)}
			<a
				class="note"
				class:on={data.as === way.as}
				aria-current={data.as === way.as ? 'page' : undefined}
				href="/rulebooks/new?as={way.as}">{way.name}</a
			>
		{/each}
	</nav>
	{#if data.as === 'rules'}
		{#key 'rules'}
			<BookEditor id={null} yaml={data.begun} base={0} {...shared} as="form" />
		{/key}
	{:else if data.as === 'yaml'}
		{#key 'yaml'}
			<BookEditor id={null} yaml={data.sample} base={0} {...shared} as="text" />
		{/key}
	{:else}
		<ActionForm action="?/write" class="mt-4 max-w-page">
			{#snippet children({ errors, busy })}
				<div class="grid grid-cols-1 gap-3 md:grid-cols-2">
					<TextField
						label="Name"
						error={errors.name}
						hint="what the book is called"
						name="name"
						bind:value={name}
						autocomplete="off"
					/>
					<TextField
						label="Anchor"
						error={errors.anchor}
						hint="the day everything hangs on: signing, closing, end of the fiscal year"
						name="anchor"
						bind:value={anchor}
						autocomplete="off"
					/>
					<SelectField label="What it is" error={errors.sort} name="sort"
						><option value="transaction">A transaction timeline</option><option value="compliance"
							>A compliance calendar</option
						></SelectField
					>
					<SelectField
						label="Whose days it counts"
						error={errors.counts}
						hint="weekends and holidays"
						name="counts"
						>{#each data.courts as b (b.id)}<option value={b.id} selected={b.id === 'us-agency'}
								>{b.title}</option
							>{/each}</SelectField
					>
				</div>
				<div class="ruled mt-5">
					<h2>Dates</h2>
					<span class="sub">days like −14d, +3cd (court days), 2 weeks before, 1 month after</span>
				</div>
				<table class="list">
					<thead
						><tr
							><th>What is due</th><th class="w-[110px]">Days</th><th class="w-[190px]">Owner</th
							><th class="w-[240px]">Authority</th><th class="w-[40px]"
								><span class="vh">Take out</span></th
							></tr
						></thead
					>
					<tbody
						>{#each rows as r, i (i)}
							<tr
								><td class="py-1"
									><input
										class="box"
										name="rows.{i}.title"
										bind:value={r.title}
										aria-label="What is due, row {i + 1}"
										aria-invalid={errors[`rows.${i}`] ? 'true' : undefined}
									/>{#if errors[`rows.${i}`]}<p class="fault">{errors[`rows.${i}`]}</p>{/if}</td
								><td
									><input
										class="box"
										name="rows.{i}.count"
										bind:value={r.count}
										placeholder="days"
										aria-label="Days, row {i + 1}"
									/></td
								><td
									><input
										class="box"
										name="rows.{i}.owner"
										bind:value={r.owner}
										aria-label="Owner, row {i + 1}"
									/></td
								><td
									><input
										class="box"
										name="rows.{i}.authority"
										bind:value={r.authority}
										placeholder="set by the department"
										aria-label="Authority, row {i + 1}"
									/></td
								><td
									><button
										type="button"
										class="btn slight"
										aria-label="Take out row {i + 1}"
										onclick={() => (rows = rows.filter((_, k) => k !== i))}>×</button
									></td
								></tr
							>
						{/each}</tbody
					>
				</table>
				{#if errors.rows}<p class="fault mt-2">{errors.rows}</p>{/if}
				<div class="mt-3 flex gap-2">
					<button
						type="button"
						class="btn"
						onclick={() => (rows = [...rows, { title: '', count: '', owner: '', authority: '' }])}
						>One more date</button
					><button class="btn go" disabled={busy}>Write the book</button><a
						class="btn slight"
						href="/rulebooks">Cancel</a
					>
				</div>
			{/snippet}
		</ActionForm>
	{/if}
</div>
