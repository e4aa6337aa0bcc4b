<!-- Dates that were missed, then those of the next five court days. -->
<script lang="ts">
	import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
	import Kite from '$lib/docket/Kite.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: Extract<PageData, { inside: true }> } = $props();
	const rows = $derived(
		[...data.missed.map((missed) => ({ ...missed, courtDays: -1 })), ...data.mustNotSlip].slice(
			0,
			6
		)
	);
</script>

<Section
	title="Must not slip"
	about={data.missed.length
		? `${data.missed.length} missed, ${plural(data.nearCount, 'date')} in 5 court days`
		: `next 5 court days, ${plural(data.nearCount, 'date')}`}
>
	{#each rows as d (d.id)}
		<a class="row slip" href="/matters/{d.matterNumber}/docket?deadline={d.id}">
			<Kite
				state={d.state}
				sort={d.sort}
				checked={d.checked}
				adrift={d.left !== null}
				late={d.date <= data.today}
			/>
			<span
				class="font-semibold {d.date <= data.today
					? 'text-madder'
					: d.checked
						? ''
						: 'text-saffron-ink'}"
				>{d.state === 'missed'
					? 'Missed'
					: d.courtDays === 0
						? 'Today'
						: plural(d.courtDays, 'court day')}</span
			>
			<span class="min-w-0"
				><span class="block truncate"
					><b class="font-semibold">{d.title}</b>{#if d.sort === 'deadline'}<span class="sub ml-1"
							>{d.event}</span
						>{/if}</span
				><span class="sub block truncate"
					>{d.matterTitle}{#if d.court}<span class="px-1 text-haze">/</span>{d.court}{/if}</span
				></span
			>
			<span class="text-right"
				><span class="block text-ink-2"
					>{d.date === data.today
						? `due ${d.time ?? 'by the end of the day'}`
						: `${formatDay(d.date, data.today)}${d.time ? `, ${d.time}` : ''}`}</span
				><span
					class={[
						'block',
						d.left
							? 'font-semibold text-madder'
							: d.checked
								? 'sub'
								: 'font-semibold text-saffron-ink'
					]}>{d.left ? NO_LONGER_FOLLOWS : d.checked ? d.authority : 'needs a second check'}</span
				></span
			>
		</a>
	{:else}<Empty
			>No dates are docketed on your matters. Enter an event on a matter and its dates come here.</Empty
		>{/each}
</Section>

<style>
	.slip {
		display: grid;
		grid-template-columns: 22px 96px minmax(0, 1fr) auto;
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
