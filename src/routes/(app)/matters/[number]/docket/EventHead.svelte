<!--
	An event above the dates it sets: its day, what and which, how it was served; moved, corrected,
	withdrawn.
-->
<script lang="ts">
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { formatDay, plural } from '$lib/ui/format.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import type { PageData } from './$types.js';
	type Props = {
		event: PageData['events'][number];
		today: string;
		mayDocket: boolean;
		onmove: () => void;
	};
	let { event, today, mayDocket, onmove }: Props = $props();
	let asking = $state(false);
	let reason = $state('');
	/** Dates by hand have no event of their own: they stand under a head that has no day. */
	const isHead = $derived(event.key === 'by-hand' && !event.ahead);
	const about = $derived(
		[event.name, event.time, event.serviceLabel, event.place].filter((words) => words)
	);
</script>

<div class="ruled max-md:flex-wrap">
	<span class="w-[135px] shrink-0 font-medium whitespace-nowrap">
		{isHead ? '' : formatDay(event.date, today)}
	</span>
	<h3 class="min-w-0 font-semibold">
		{event.text}
		{#each about as words, place (place)}
			&nbsp;<span class="sub ml-1 font-normal">{words}</span>
		{/each}
		{#if event.source}
			<a class="act ml-1 font-normal" href="/documents/{event.source.id}">{event.source.name}</a>
		{/if}
	</h3>
	{#if mayDocket && !isHead && !event.withdrawn}
		{#if event.key === 'schedule'}
			<a
				class="act no-print ml-auto whitespace-nowrap"
				href="/matters/{page.params.number}/docket/schedule?order={event.id}">amend its table</a
			>
		{:else}
			<button class="act no-print ml-auto whitespace-nowrap" onclick={onmove}
				>move or correct</button
			>
		{/if}
		<button
			class="act no-print whitespace-nowrap"
			aria-label="withdraw {event.text}, {formatDay(event.date, today)}"
			onclick={() => (asking = !asking)}>withdraw</button
		>
	{:else if mayDocket && event.withdrawn}
		<button class="act no-print ml-auto whitespace-nowrap" onclick={() => (asking = !asking)}>
			bring it back
		</button>
	{/if}
</div>
{#if event.withdrawn}
	<p class="py-1.5 font-semibold text-madder" data-withdrawn>
		Withdrawn by {event.withdrawn.by}: {event.withdrawn.reason}
	</p>
{/if}
{#if asking}
	<ActionForm
		action={event.withdrawn ? '?/unwithdraw' : '?/withdraw'}
		class="no-print flex flex-wrap items-end gap-3 border-b border-rule bg-white px-3 py-2"
		ondone={({ vacated, back }) => {
			asking = false;
			reason = '';
			say(
				vacated === undefined
					? `It stands again, with ${plural(Number(back), 'date')}.`
					: `Withdrawn, and ${plural(Number(vacated), 'docketed date')} with it.`
			);
		}}
	>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="eventId" value={event.id} />
			<TextField
				label={event.withdrawn ? 'Why it stands after all' : 'Why it was entered by mistake'}
				error={errors.reason}
				class="min-w-[280px] grow"
				name="reason"
				bind:value={reason}
				autocomplete="off"
			/>
			<button class="btn go" disabled={busy}>
				{event.withdrawn ? 'Bring it back' : 'Withdraw the event and its dates'}
			</button>
			<button type="button" class="btn slight" onclick={() => (asking = false)}>Cancel</button>
		{/snippet}
	</ActionForm>
{/if}
