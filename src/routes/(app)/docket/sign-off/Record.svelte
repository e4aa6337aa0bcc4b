<!-- What was signed off in one week, by whom: the record. -->
<script lang="ts">
	import { page } from '$app/state';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import type { SignedDate } from '#server/sign-off/queries.ts';
	import DataTable from '$lib/ui/DataTable.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatDay, formatInstant } from '$lib/ui/format.ts';
	import type { Column } from '$lib/ui/table.ts';
	type Props = { week: PlainDate; dates: readonly SignedDate[]; today: string };
	let { week, dates, today }: Props = $props();
	const columns: Column<SignedDate>[] = [
		{ key: 'date', label: 'Date', text: ({ date }) => formatDay(date, today), class: 'w-[110px]' },
		{ key: 'title', label: 'What', text: ({ title }) => title },
		{
			key: 'matter',
			label: 'Matter',
			text: ({ matterNumber, matterTitle }) => `${matterNumber} ${matterTitle}`,
			class: 'max-md:hidden'
		},
		{ key: 'who', label: 'Signed off by', text: ({ name }) => name, class: 'w-[150px]' },
		{
			key: 'at',
			label: 'When',
			text: ({ at }) => formatInstant(at, page.data.zone, page.data.today),
			class: 'w-[150px] max-md:hidden'
		},
		{
			key: 'words',
			label: 'Word',
			text: ({ words }) => words || 'seen and right',
			tone: ({ words }) => (words ? 'text-madder' : 'sub')
		}
	];
</script>

<p class="no-print mt-3"><a class="act" href="/docket/sign-off">Back to this week</a></p>
<DataTable
	class="mt-2"
	{columns}
	rows={dates}
	id={({ at, date, title, matterNumber }) => `${at} ${matterNumber} ${date} ${title}`}
	caption="Week of {formatDate(week)}"
	{empty}
/>

{#snippet empty()}
	<Empty>Nobody signed off a date of yours to see in that week.</Empty>
{/snippet}
