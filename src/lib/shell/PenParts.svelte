<!--
	The parts of a line of time, of a task, a note or an appointment: each is shown as it was
	understood and can be corrected where it stands; which of several matters is meant is asked.
-->
<script lang="ts">
	import { formatHours } from '#core/format/hours.ts';
	import PenDay from './PenDay.svelte';
	import type { Answer } from './PenShown.svelte';
	type Props = {
		got: Answer;
		/** Why it cannot be committed yet. */
		fault: string;
		today: string;
		oncorrect: (part: { date?: string; matter?: string; assignee?: string }) => void;
		oncommit: () => void;
	};
	let { got, fault, today, oncorrect, oncommit }: Props = $props();
	const shown = $derived(got.understood);
	function key(event: KeyboardEvent) {
		if (event.key !== 'Enter') return;
		event.preventDefault();
		oncommit();
	}
</script>

<div class="parts" role="group" aria-label="Understood as">
	<div class="flex flex-wrap items-center gap-2">
		{#if got.fits.length > 1}
			<select
				class="note max-w-[300px] pr-6"
				aria-label="Which matter"
				value={got.matter?.number ?? ''}
				onkeydown={key}
				onchange={({ currentTarget }) => oncorrect({ matter: currentTarget.value })}
			>
				{#if !got.matter}<option value="">which matter?</option>{/if}
				{#each got.fits as { number, title } (number)}
					<option value={number}>{title} ({number})</option>
				{/each}
			</select>
		{:else if got.matter}
			<span class="note">{got.matter.title}</span>
		{/if}
		{#if shown.kind === 'time'}
			<span class="note">{formatHours(shown.minutes ?? 0)} h</span>
			<PenDay
				label="On which day"
				day={shown.day ?? today}
				{today}
				oncorrect={(date) => oncorrect({ date })}
				{oncommit}
			/>
		{:else if shown.kind === 'task' && got.task}
			<select
				class="note max-w-[190px] pr-6"
				aria-label="For whom"
				value={got.task.assignee.id}
				onkeydown={key}
				onchange={({ currentTarget }) => oncorrect({ assignee: currentTarget.value })}
			>
				{#each got.task.colleagues as { id, name } (id)}
					<option value={id}>{name}</option>
				{/each}
			</select>
			<PenDay
				label="Until which day"
				day={got.task.due}
				none="no day"
				{today}
				oncorrect={(date) => oncorrect({ date })}
				{oncommit}
			/>
		{:else if shown.kind === 'appointment' && got.appointment}
			<PenDay
				label="On which day"
				day={got.appointment.day}
				none="no day"
				{today}
				oncorrect={(date) => oncorrect({ date })}
				{oncommit}
			/>
			<span class="note">{got.appointment.hours}</span>
			<span class="note">{got.appointment.colleagues.map(({ name }) => name).join(', ')}</span>
			{#if got.appointment.resource}
				<span class="note">{got.appointment.resource.name}</span>
			{:else if got.appointment.place}
				<span class="note">at {got.appointment.place}</span>
			{/if}
		{/if}
		{#if fault}<span class="fault" role="alert">{fault}</span>{/if}
	</div>
</div>
