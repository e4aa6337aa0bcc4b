<!--
	One date of the sheet: in a line whether a fresh count agrees; opened, the counts day by day and
	what is said to it.
-->
<script lang="ts">
	import type { CheckItem } from '#server/docket/matter-docket.ts';
	import { explainLeft } from '#core/docket/standing.ts';
	import { formatDate } from '#core/format/dates.ts';
	import { capitalize } from '#core/format/words.ts';
	import WorkingMark from '$lib/docket/WorkingMark.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { formatAway, formatDay } from '$lib/ui/format.ts';
	import { agrees, mayConfirm, waitsFor } from './check.ts';
	import Counts from './Counts.svelte';
	import ReturnDate from './ReturnDate.svelte';
	type Props = {
		item: CheckItem;
		isOpen: boolean;
		returning: string;
		staffId: string;
		mayDocket: boolean;
		today: string;
		ondone: (words: string) => void | Promise<void>;
	};
	let {
		item,
		isOpen,
		returning = $bindable(),
		staffId,
		mayDocket,
		today,
		ondone
	}: Props = $props();
	const waits = $derived(waitsFor(item, staffId));
	function stand(date: CheckItem): [words: string, look: string] {
		if (date.checked) return [`checked by ${date.checkedBy}`, 'text-spruce'];
		if (date.returnedBy) return [`returned by ${date.returnedBy}`, 'text-madder'];
		if (!agrees(date)) return ['does not agree', 'text-madder'];
		if (!waits && date.docketedById === staffId) return ['docketed by you', 'text-saffron-ink'];
		if (date.unanswered.length) return ['agrees, but not all was answered', 'text-saffron-ink'];
		return [date.byHand ? 'by hand' : 'agrees', 'text-spruce'];
	}
	const [words, look] = $derived(stand(item));
</script>

<article class="border-b border-rule" data-check={item.title}>
	<a
		class="flex min-h-11 items-center gap-2 py-1.5"
		href="/docket/check?event={item.eventId}&deadline={item.id}"
		data-sveltekit-noscroll
		aria-expanded={isOpen}
		aria-current={isOpen ? 'true' : undefined}
	>
		<Kite
			state={item.state}
			sort={item.sort}
			checked={item.checked}
			adrift={item.left !== null}
			late={item.date <= today}
		/>
		<span class="min-w-0 grow">
			<b class="font-semibold">{item.title}</b>
			<WorkingMark mark={item.workingMark} />
			<span class="sub max-md:block">{item.authority}</span>
		</span>
		<span class="text-right whitespace-nowrap">
			<b class="block font-semibold" class:text-madder={item.date <= today}>
				{formatDay(item.date, today)}
			</b>
			<span class="block font-semibold {look}">{words}</span>
		</span>
	</a>
	{#if isOpen}
		<div class="pb-4">
			<p class="read text-head">
				{formatDate(item.date)}{item.time ? `, ${item.time}` : ''}
				<span class="sub text-lead">{formatAway(item.date, today)}</span>
			</p>
			<p class="sub">
				docketed by {item.docketedBy ?? 'nobody yet'}{item.computed
					? `, moved by ${item.movedHow}: ${item.movedReason}`
					: ''};
				<a class="hover:underline" href="/docket/authority/{item.id}">read the authority</a>
			</p>
			{#if item.left}
				<p class="mt-2 font-semibold text-madder" data-left>
					{capitalize(explainLeft(item.left))}. It is not confirmed as it stands: let it follow its
					event, move it by order or agreement, or vacate it.
				</p>
			{/if}
			{#if item.unanswered.length && !item.checked}
				<p class="mt-2 font-semibold text-saffron-ink" data-unanswered>
					The rule asks what nobody answered. The date may be another one: read its count before you
					confirm it, or return it.
				</p>
			{/if}
			{#if item.closed}
				<p class="mt-2 font-semibold text-madder" data-shut>
					{formatDate(item.date)} is no day on which the court sits: {item.closed}.
				</p>
			{/if}
			<Counts {item} {today} />
			{#if ['met', 'late', 'vacated', 'proposed'].includes(item.state)}
				<p class="sub mt-3">This date is {item.state === 'late' ? 'met' : item.state}.</p>
			{:else if item.checked}
				<p class="mt-3 font-semibold text-spruce">Checked by {item.checkedBy}.</p>
			{:else if item.returnedBy}
				<p class="mt-3">
					<b class="font-semibold text-madder">Returned by {item.returnedBy}:</b>
					{item.returnedReason}
				</p>
			{:else if item.docketedById === staffId}
				<p class="mt-3 font-semibold text-saffron-ink">
					You docketed this date: the second check is for someone else.
				</p>
			{:else if mayDocket && returning === item.id}
				<ReturnDate {item} onleave={() => (returning = '')} {ondone} />
			{:else if mayDocket}
				<div class="mt-3 flex flex-wrap gap-2" data-confirm-one>
					{#if mayConfirm(item, staffId)}
						<RowAction
							action="?/check"
							stay
							ondone={() => ondone(`${item.title}: confirmed.`)}
							fields={{ deadlineIds: item.id }}
							look="btn go"
						>
							Confirm {formatDay(item.date, today)}
						</RowAction>
					{/if}
					<button class="btn" onclick={() => (returning = item.id)}>I do not agree</button>
				</div>
			{/if}
		</div>
	{/if}
</article>
