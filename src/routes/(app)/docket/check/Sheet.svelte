<!-- One event as a sheet: the paper it stands on, and each of its dates counted anew. -->
<script lang="ts">
	import type { CheckSheet } from '#server/docket/check-queue.ts';
	import { formatDate } from '#core/format/dates.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { plural } from '$lib/ui/format.ts';
	import { mayConfirmUnread } from './check.ts';
	import SheetDate from './SheetDate.svelte';
	type Props = {
		sheet: CheckSheet;
		/** The ids of the date that is open, and of the one that is being returned. */
		open: string;
		returning: string;
		staffId: string;
		mayDocket: boolean;
		today: string;
		/** Where there is no room beside the queue, it stands before it: one came for it. */
		first: boolean;
		ondone: (words: string) => void | Promise<void>;
	};
	let {
		sheet,
		open,
		returning = $bindable(),
		staffId,
		mayDocket,
		today,
		first,
		ondone
	}: Props = $props();
	const event = $derived(sheet.items[0]!);
	const able = $derived(sheet.items.filter((item) => mayConfirmUnread(item, staffId)));
</script>

<section aria-label="The event" class={['min-w-0', { 'max-lg:order-first': first }]} data-sheet>
	<div class="ruled">
		<h2 class="read text-title font-medium">{event.event}</h2>
		<a class="act ml-auto" href="/matters/{event.matterNumber}/docket">{event.matterNumber}</a>
	</div>
	<dl class="mt-2 grid grid-cols-[130px_minmax(0,1fr)] gap-y-1">
		<dt class="sub">Matter</dt>
		<dd>{event.matterTitle}{event.court ? `, ${event.court}` : ''}; {event.responsible}</dd>
		<dt class="sub">Day of the event</dt>
		<dd>
			<b class="font-semibold">{formatDate(event.eventDate)}</b>{event.eventTime
				? ` at ${event.eventTime}`
				: ''}{event.service ? `, served ${event.service}` : ''}; entered by {event.enteredBy}
		</dd>
		{#each event.answers as { ask, answer } (ask)}
			<dt class="sub">{ask}</dt>
			<dd>{answer}</dd>
		{/each}
		<dt class="sub">Source</dt>
		<dd>
			{#if event.source}
				<a class="act" href="/documents/{event.source.id}">{event.source.name}</a>
			{:else}
				<span class="font-semibold text-saffron-ink">no document was put with the event</span>
			{/if}
		</dd>
	</dl>
	{#if mayDocket && able.length > 1}
		<div class="mt-3 flex flex-wrap items-center gap-3">
			<ActionForm
				action="?/check"
				stay
				ondone={({ checked }) => ondone(`${plural(Number(checked), 'date')} confirmed.`)}
			>
				{#snippet children({ errors, busy })}
					{#each able as { id } (id)}<input type="hidden" name="deadlineIds" value={id} />{/each}
					<button class="btn go" disabled={busy}>Confirm all {able.length} that agree</button>
					{#each Object.values(errors) as fault (fault)}<p class="fault">{fault}</p>{/each}
				{/snippet}
			</ActionForm>
			<span class="sub">each was counted anew just now</span>
		</div>
	{/if}
	<div class="mt-3">
		{#each sheet.items as item (item.id)}
			<SheetDate
				{item}
				isOpen={item.id === open}
				bind:returning
				{staffId}
				{mayDocket}
				{today}
				{ondone}
			/>
		{/each}
	</div>
	<p class="no-print sub mt-4 flex flex-wrap items-center gap-1.5 max-md:hidden">
		<span class="key">.</span> next
		<span class="key">,</span> previous
		<span class="key">c</span> confirm
		<span class="key">x</span> disagree
	</p>
</section>
