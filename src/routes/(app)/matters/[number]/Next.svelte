<!-- What is next, in the order of its days: late and today in madder. -->
<script lang="ts">
	import Kite from '$lib/docket/Kite.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { countDays, formatDay, plural } from '$lib/ui/format.ts';
	import { isOccasion } from '#core/docket/occasion.ts';
	import type { NextEntry } from '#server/matters/next.ts';
	type Props = { entries: readonly NextEntry[]; number: string; today: string };
	let { entries, number, today }: Props = $props();
	const hrefOf = ({ what, id }: NextEntry) =>
		what === 'date'
			? `/matters/${number}/docket?deadline=${id}`
			: what === 'task'
				? `/matters/${number}/tasks`
				: undefined;
	const standing = ({ sort, date }: NextEntry) =>
		date >= today ? 'docketed' : isOccasion(sort) ? 'passed' : 'missed';
	function when({ date, time, sort, what }: NextEntry): string {
		if (date === today) return time ? `Today, ${time}` : 'Today';
		const day = `${formatDay(date, today)}${time ? `, ${time}` : ''}`;
		if (date > today) return day;
		if (what === 'task') return `late ${plural(countDays(date, today), 'day')}`;
		return isOccasion(sort) ? `${day}, no outcome yet` : `missed, ${day}`;
	}
</script>

<Section title="What is next">
	{#each entries as entry (entry.what + entry.id)}
		{@const { what, title, about, date, sort, checked, isLeft } = entry}
		<svelte:element
			this={hrefOf(entry) ? 'a' : 'div'}
			class={['row flex min-h-10 items-center gap-2.5 py-1', { 'hover:bg-sail': hrefOf(entry) }]}
			href={hrefOf(entry)}
			data-next={title}
		>
			<span class="w-4 shrink-0">
				{#if what === 'date'}
					<Kite
						state={standing(entry)}
						{sort}
						{checked}
						adrift={isLeft}
						late={date <= today}
						size={15}
					/>
				{:else if what === 'task'}
					<Mark kind="task" size={13} color={date < today ? 'var(--color-madder)' : undefined} />
				{/if}
			</span>
			<span class="min-w-0 grow">
				<span class={{ 'font-semibold': what !== 'fact' }}>{title}</span>
				{#if about}<span class="sub">{about}</span>{/if}
			</span>
			<span class={['whitespace-nowrap', { 'font-semibold text-madder': date <= today }]}>
				{when(entry)}
			</span>
		</svelte:element>
	{:else}
		<Empty>
			No date is docketed. <a class="act" href="/matters/{number}/docket">Enter an event</a>
		</Empty>
	{/each}
</Section>
