<!--
	What must not slip: all that was missed and is not settled, hearings without an outcome, all of
	today, and then the days ahead; what is not shown is counted.
-->
<script lang="ts">
	import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
	import Kite from '$lib/docket/Kite.svelte';
	import WorkingMark from '$lib/docket/WorkingMark.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: Extract<PageData, { inside: true }> } = $props();
	const slip = $derived(data.slip);
	type Row = (typeof slip.rows)[number];
	const about = $derived(
		[
			slip.missed && `${slip.missed} missed`,
			slip.passed && `${plural(slip.passed, 'outcome')} wanted`,
			slip.returned && `${slip.returned} returned`,
			slip.today && `${slip.today} today`,
			`${plural(slip.near, 'date')} in 5 court days`
		]
			.filter(Boolean)
			.join(', ')
	);
	const PAST: Readonly<Record<string, string>> = {
		missed: 'Missed',
		late: 'Word wanted',
		passed: 'Outcome?'
	};
	const when = ({ state, courtDays, returnedBy }: Row) =>
		PAST[state] ??
		(returnedBy ? 'Returned' : undefined) ??
		(courtDays === 0 ? 'Today' : plural(courtDays, 'court day'));
	const dueWords = ({ date, time, sort }: Row) =>
		date === data.today
			? `${sort === 'deadline' ? 'due ' : ''}${time ?? (sort === 'deadline' ? 'by the end of the day' : 'today')}`
			: `${formatDay(date, data.today)}${time ? `, ${time}` : ''}`;
	function standing(row: Row): [words: string, look: string] {
		const { left, checked, authority } = row;
		if (left) return [NO_LONGER_FOLLOWS, 'font-semibold text-madder'];
		if (row.returnedBy)
			return [`${row.returnedBy}: ${row.returnedReason}`, 'font-semibold text-madder'];
		return checked
			? [authority, 'sub']
			: ['needs a second check', 'font-semibold text-saffron-ink'];
	}
	const tone = ({ date, checked, returnedBy }: Row) =>
		date <= data.today || returnedBy ? 'text-madder' : checked ? '' : 'text-saffron-ink';
</script>

<Section title="Must not slip" {about}>
	{#each slip.rows as row (row.id)}
		{@const [words, look] = standing(row)}
		<a
			class="row slip"
			href="/matters/{row.matterNumber}/docket?deadline={row.id}"
			data-slip={row.state}
		>
			<Kite
				state={row.state}
				sort={row.sort}
				checked={row.checked}
				adrift={row.left !== null}
				late={row.date <= data.today}
			/>
			<span class={['font-semibold', tone(row)]}>{when(row)}</span>
			<span class="min-w-0">
				<span class="block truncate" data-title>
					<b class="font-semibold">{row.title}</b>
					<WorkingMark mark={row.workingMark} />
					{#if row.sort === 'deadline'}<span class="sub ml-1">{row.event}</span>{/if}
				</span>
				<span class="sub block truncate">
					{row.matterTitle}
					{#if row.court}<span class="px-1 text-haze">/</span>{row.court}{/if}
				</span>
			</span>
			<span class="min-w-0 text-right">
				<span class="block text-ink-2">{dueWords(row)}</span>
				<span class={['block truncate', look]} title={words}>{words}</span>
			</span>
		</a>
	{:else}
		<Empty>
			No dates are docketed on your matters. Enter an event on a matter and its dates come here.
		</Empty>
	{/each}
	{#if slip.more}
		<a class="row act block py-2" href="/docket?who=mine" data-more>
			{plural(slip.more, 'date')} more ahead
		</a>
	{/if}
</Section>

<style>
	.slip {
		display: grid;
		grid-template-columns: 22px 96px minmax(0, 1fr) fit-content(42%);
		align-items: center;
		gap: 6px;
		min-height: 48px;
	}
	.slip:hover {
		background: var(--color-white);
	}
	@media (max-width: 640px) {
		.slip {
			grid-template-columns: 22px minmax(0, 1fr);
			padding-block: 6px;
		}
		.slip > :nth-child(n + 3) {
			grid-column: 2;
			text-align: left;
		}
	}
</style>
