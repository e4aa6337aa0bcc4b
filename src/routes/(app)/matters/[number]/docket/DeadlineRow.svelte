<!-- One date of a matter in a line; opened, its count and what can be done with it. -->
<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { DeadlineView } from '#server/docket/list.ts';
	import Kite from '$lib/docket/Kite.svelte';
	import WorkingMark from '$lib/docket/WorkingMark.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import { describeDeadline, isDocketed } from './describe.ts';
	type Props = {
		deadline: DeadlineView;
		/** What sets it, where its heading does not say so. */
		event: string;
		today: string;
		/** Who looks. */
		staffId: string;
		mayDocket: boolean;
		choosable: boolean;
		chosen: boolean;
		onchoose: (chosen: boolean) => void;
		open: boolean;
		ontoggle: () => void;
		children: Snippet;
	};
	let {
		deadline,
		event,
		today,
		staffId,
		mayDocket,
		choosable,
		chosen,
		onchoose,
		open,
		ontoggle,
		children
	}: Props = $props();
	const isOpen = $derived(isDocketed(deadline));
	const mayCheck = $derived(mayDocket && deadline.docketedById !== staffId);
</script>

{#snippet standing()}
	{#if deadline.state === 'proposed' && mayDocket}
		<RowAction action="?/docket" fields={{ deadlineIds: deadline.id }}>docket it</RowAction>
	{:else if deadline.state === 'proposed'}
		proposed
	{:else if deadline.returnedBy}
		<button class="font-semibold text-madder" onclick={() => open || ontoggle()}>
			returned by {deadline.returnedBy}
		</button>
	{:else if deadline.left && mayCheck}
		<a class="font-semibold text-madder underline" href="/docket/check?deadline={deadline.id}">
			left behind
		</a>
	{:else if deadline.left}
		<button class="font-semibold text-madder" onclick={() => open || ontoggle()}>
			left behind
		</button>
	{:else if deadline.checked}
		<span class="sub">checked by {deadline.checkedBy}</span>
	{:else if isOpen && mayCheck}
		<a class="act" href="/docket/check?deadline={deadline.id}">check it</a>
	{:else if isOpen}
		<span class="font-semibold text-saffron-ink">second check</span>
	{/if}
{/snippet}

<div class="row" data-deadline={deadline.title} data-state={deadline.state}>
	<div class="line">
		<span class="flex items-center gap-1.5">
			{#if choosable && deadline.state === 'proposed'}
				<input
					type="checkbox"
					class="no-print h-4 w-4 accent-petrol"
					checked={chosen}
					onchange={({ currentTarget }) => onchoose(currentTarget.checked)}
					aria-label="Choose {deadline.title}"
				/>
			{/if}
			<Kite
				state={deadline.state}
				sort={deadline.sort}
				checked={deadline.checked}
				adrift={deadline.left !== null}
				late={deadline.state === 'docketed' && deadline.date <= today}
			/>
		</span>
		<span class="font-semibold whitespace-nowrap" data-date={deadline.date}>
			{formatDay(deadline.date, today)}
		</span>
		<button class="min-w-0 truncate text-left" onclick={ontoggle} aria-expanded={open}>
			<b class="font-semibold" class:line-through={deadline.state === 'vacated'}>
				{deadline.title}
			</b>
			<WorkingMark mark={deadline.workingMark} />
			{#if event}<span class="sub ml-1">{event}</span>{/if}
			<span class="sub ml-1">{describeDeadline(deadline, today)}</span>
			{#if deadline.state === 'proposed' && deadline.date < today}
				<span class="ml-1 font-semibold text-madder">in the past, undecided</span>
			{/if}
		</button>
		<a
			class="sub truncate hover:underline"
			title={deadline.authority}
			href="/docket/authority/{deadline.id}">{deadline.authority}</a
		>
		<span class="text-right whitespace-nowrap">{@render standing()}</span>
	</div>
	{#if open}<div class="pb-3">{@render children()}</div>{/if}
</div>

<style>
	.line {
		display: grid;
		grid-template-columns: 42px 118px minmax(0, 1.6fr) minmax(0, 1fr) 108px;
		gap: 6px;
		align-items: center;
		min-height: 37px;
	}
	@media (max-width: 760px) {
		/* Two lines that can be read: the day and how it stands, then what, then by what authority. */
		.line {
			grid-template-columns: 42px minmax(0, 1fr) auto;
			padding-block: 6px;
		}
		.line > :nth-child(3),
		.line > :nth-child(4) {
			grid-column: 2 / -1;
			white-space: normal;
		}
		.line > :nth-child(5) {
			grid-area: 1 / 3;
		}
	}
</style>
