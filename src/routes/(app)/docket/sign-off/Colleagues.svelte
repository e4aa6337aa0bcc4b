<!-- Who has given their word this week, and the weeks of which there is a record. -->
<script lang="ts">
	import { page } from '$app/state';
	import type { ColleagueState } from '#server/sign-off/queries.ts';
	import { formatDate } from '#core/format/dates.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	import Section from '$lib/ui/Section.svelte';
	type Props = { colleagues: readonly ColleagueState[]; weeks: readonly PlainDate[] };
	let { colleagues, weeks }: Props = $props();
	const wanting = $derived(colleagues.filter(({ at, open }) => at === null || open > 0).length);
	function state({ at, open, wrong }: ColleagueState): [words: string, look: string] {
		if (at === null) return ['not yet', 'font-semibold text-saffron-ink'];
		if (open > 0) return [`${plural(open, 'date')} new since`, 'font-semibold text-saffron-ink'];
		return [
			wrong ? `${wrong} not right` : formatInstant(at, page.data.zone, page.data.today),
			wrong ? 'text-madder' : 'sub'
		];
	}
</script>

<div class="flex flex-col gap-6">
	{#if colleagues.length}
		<Section title="This week" about={wanting ? `${wanting} wanting` : 'everyone has signed off'}>
			{#each colleagues as colleague (colleague.id)}
				{@const [words, look] = state(colleague)}
				<a
					class="row flex min-h-9 items-center gap-2 hover:bg-white"
					data-colleague={colleague.name}
					href="/docket?who={colleague.id}"
				>
					<span class="min-w-0 grow truncate font-semibold">{colleague.name}</span>
					<span class="sub">{colleague.dates}</span>
					<span class="w-[140px] text-right {look}">{words}</span>
				</a>
			{/each}
		</Section>
	{/if}
	{#if weeks.length}
		<Section title="Kept" about="what was signed off, week by week">
			{#each weeks as week (week)}
				<a class="row act block py-1.5" href="/docket/sign-off?week={week}">
					Week of {formatDate(week)}
				</a>
			{/each}
		</Section>
	{/if}
</div>
