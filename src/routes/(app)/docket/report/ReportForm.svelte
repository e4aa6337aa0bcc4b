<!-- What the report holds: which dates, in what order, with which columns. -->
<script lang="ts">
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	const filter = $derived(data.asked.filter);
	let chosen = $derived<string[]>(data.asked.columns);
	/** In the order of the list, whatever was ticked first. */
	const columns = $derived(
		data.columns.map(([column]) => column).filter((column) => chosen.includes(column))
	);
	const SHOWS = [
		['open', 'Docketed'],
		['hearings', 'Hearings'],
		['unchecked', 'Unchecked'],
		['missed', 'Missed'],
		['proposed', 'Proposed'],
		['all', 'All']
	];
	type Choice = { name: string; label: string; value: string; options: string[][] };
	const choices = $derived<Choice[]>([
		{
			name: 'who',
			label: 'Person',
			value: filter.who ?? '',
			options: [
				['', 'Anyone'],
				['mine', 'On my matters'],
				...data.choices.people.map(({ id, name }) => [id, name])
			]
		},
		{
			name: 'unit',
			label: 'Business unit',
			value: filter.unit ?? '',
			options: [['', 'Any business unit'], ...data.choices.units.map(({ id, name }) => [id, name])]
		},
		{
			name: 'court',
			label: 'Court',
			value: filter.court ?? '',
			options: [['', 'Any court'], ...data.choices.courts.map((court) => [court, court])]
		},
		{
			name: 'tag',
			label: 'Tag',
			value: filter.tag ?? '',
			options: [['', 'Any tag'], ...data.choices.tags.map((tag) => [tag, tag])]
		},
		{
			name: 'mark',
			label: 'Mark',
			value: filter.mark ?? '',
			options: [
				['', 'Any mark or none'],
				['any', 'With a mark'],
				...data.choices.marks.map(({ id, label }) => [id, label])
			]
		},
		{
			name: 'order',
			label: 'Order',
			value: filter.order ?? 'day',
			options: data.orders.map(({ id, label }) => [id, label])
		},
		{
			name: 'long',
			label: 'Descriptions',
			value: data.asked.long ? '1' : '',
			options: [
				['', 'Short descriptions'],
				['1', 'Long descriptions']
			]
		},
		{
			name: 'paper',
			label: 'Paper',
			value: data.asked.paper,
			options: [
				['letter', 'Letter paper'],
				['a4', 'A4 paper']
			]
		}
	]);
</script>

{#snippet select({ name, label, value, options }: Choice)}
	<select class="box w-auto max-w-[170px]" {name} aria-label={label} {value}>
		{#each options as [id, words] (id)}<option value={id}>{words}</option>{/each}
	</select>
{/snippet}
{#snippet day(name: 'from' | 'to', label: string)}
	<input
		class="box w-28"
		{name}
		value={filter[name] ?? ''}
		placeholder="a day"
		aria-label={label}
	/>
{/snippet}

<form method="get" class="no-print mt-3">
	<input type="hidden" name="go" value="1" />
	<input type="hidden" name="cols" value={columns.join(',')} />
	<div class="flex flex-wrap items-center gap-2">
		{@render select({
			name: 'show',
			label: 'Which dates',
			value: filter.show ?? 'open',
			options: SHOWS
		})}
		{@render day('from', 'From which day')}
		<span class="sub">to</span>
		{@render day('to', 'To which day')}
		<input
			class="box w-36"
			name="matter"
			value={filter.matter ?? ''}
			placeholder="number"
			aria-label="One matter, by its number"
		/>
		{#each choices as choice (choice.name)}{@render select(choice)}{/each}
		<button class="btn go">Show</button>
	</div>
	<details class="mt-2">
		<summary class="act inline-block">Columns: {columns.length}</summary>
		<div class="mt-2 grid max-w-form grid-cols-2 gap-1.5 md:grid-cols-4">
			{#each data.columns as [column, name] (column)}
				<label class="flex gap-2">
					<input type="checkbox" class="accent-petrol" value={column} bind:group={chosen} />
					{name}
				</label>
			{/each}
		</div>
	</details>
</form>
