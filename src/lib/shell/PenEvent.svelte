<!--
	The parts of an event on the pen line: each is shown as it was understood and can be corrected
	where it stands; which of several is meant is asked.
-->
<script lang="ts" module>
	export type Entry = {
		event: string | null;
		fits: { id: string; words: string }[];
		text: string;
		date: string | null;
		time: string | null;
		place: string;
		service: string | null;
		services: { id: string; label: string }[];
		dates: { rule: string; title: string; date: string }[];
		/** What there is to say against its day. */
		warnings: string[];
	};
	export type Parts = {
		event?: string;
		date?: string;
		service?: string;
		matter?: string;
		assignee?: string;
	};
</script>

<script lang="ts">
	import { capitalize } from '#core/format/words.ts';
	import { formatDay, plural } from '$lib/ui/format.ts';
	import PenDay from './PenDay.svelte';
	type Props = {
		entry: Entry;
		matter: string;
		/** Why it cannot be committed yet. */
		fault: string;
		today: string;
		oncorrect: (part: Parts) => void;
		oncommit: () => void;
	};
	let { entry, matter, fault, today, oncorrect, oncommit }: Props = $props();
	function key(event: KeyboardEvent) {
		if (event.key !== 'Enter') return;
		event.preventDefault();
		oncommit();
	}
	const shown = $derived(
		entry.dates
			.map(({ title, date }) => `${capitalize(title)} ${formatDay(date, today)}`)
			.join('; ')
	);
</script>

<div class="parts" role="group" aria-label="Understood as">
	<div class="flex flex-wrap items-center gap-2">
		{#if matter}<span class="note">{matter}</span>{/if}
		{#if entry.fits.length > 1}
			<select
				class="note max-w-[300px] pr-6"
				aria-label="Which event"
				value={entry.event ?? ''}
				onkeydown={key}
				onchange={({ currentTarget }) => oncorrect({ event: currentTarget.value })}
			>
				{#if !entry.event}<option value="">which one?</option>{/if}
				{#each entry.fits as { id, words } (id)}<option value={id}>{capitalize(words)}</option
					>{/each}
			</select>
		{:else if entry.text}<span class="note">{entry.text}</span>{/if}
		{#if entry.date}
			<PenDay
				label="On which day"
				day={entry.date}
				{today}
				oncorrect={(date) => oncorrect({ date })}
				{oncommit}
			/>
		{/if}
		{#if entry.time}<span class="note">{entry.time}</span>{/if}
		{#if entry.place}<span class="note">{entry.place}</span>{/if}
		{#if entry.services.length}
			<select
				class="note max-w-[190px] pr-6"
				aria-label="How it was served"
				value={entry.service ?? ''}
				onkeydown={key}
				onchange={({ currentTarget }) => oncorrect({ service: currentTarget.value })}
			>
				<option value="">service not known</option>
				{#each entry.services as { id, label } (id)}<option value={id}>{label}</option>{/each}
			</select>
		{/if}
		{#if fault}<span class="fault" role="alert">{fault}</span>{/if}
	</div>
	{#each entry.warnings as warning (warning)}
		<p class="mt-1.5 font-semibold text-saffron-ink" data-warning>{capitalize(warning)}</p>
	{/each}
	{#if entry.dates.length}
		<p class="mt-1.5" data-sets>
			<b class="font-semibold">{plural(entry.dates.length, 'date')}:</b>
			{shown}
		</p>
	{/if}
</div>
