<!-- The dates an event would set, each with its count, to be chosen before they are docketed. -->
<script lang="ts">
	import { capitalize } from '#core/format/words.ts';
	import type { ProposalView } from '#server/docket/events.ts';
	import { formatDay, plural } from '$lib/ui/format.ts';
	import Count from './Count.svelte';
	import Kite from './Kite.svelte';
	type Props = {
		proposals: readonly ProposalView[];
		/** Those that cannot be counted, and why. */
		left: readonly { title: string; reason: string }[];
		/** Rules that will be docketed, and the one whose count is open. */
		chosen: string[];
		shown: string;
		today: string;
		isChosen: boolean;
		hasFaults: boolean;
		/** Why nothing could be asked; the same words as for any question of a screen. */
		unreached: string;
	};
	let {
		proposals,
		left,
		chosen = $bindable(),
		shown = $bindable(),
		today,
		isChosen,
		hasFaults,
		unreached
	}: Props = $props();
	function awayWords({ past, courtDays }: ProposalView): string {
		if (past) return 'in the past';
		return courtDays === 0 ? 'today' : `in ${plural(courtDays, 'court day')}`;
	}
	const none = $derived.by(() => {
		if (unreached) return unreached;
		if (!isChosen)
			return 'Choose what happened; its deadlines appear here before anything is saved.';
		return hasFaults
			? 'Mend what is marked above and the dates appear.'
			: 'Give the date and the deadlines appear here with their counts.';
	});
</script>

{#each proposals as proposal (proposal.rule)}
	<div class="row py-2">
		<div class="flex items-start gap-2.5">
			<input
				type="checkbox"
				name="docket"
				value={proposal.rule}
				bind:group={chosen}
				class="mt-1 h-4 w-4 accent-petrol"
				aria-label="Docket {proposal.title}"
			/>
			<span class="mt-0.5"><Kite state="proposed" /></span>
			<button
				type="button"
				class="min-w-0 grow text-left"
				onclick={() => (shown = shown === proposal.rule ? '' : proposal.rule)}
				aria-expanded={shown === proposal.rule}
			>
				<b class="font-semibold">{capitalize(proposal.title)}</b>
				<span class="sub block">{proposal.authority}</span>
			</button>
			<span class="text-right whitespace-nowrap">
				<b class={['font-semibold', { 'text-madder': proposal.past }]} data-date={proposal.date}>
					{formatDay(proposal.date, today)}{proposal.time ? `, ${proposal.time}` : ''}
				</b>
				<span class={['block', proposal.past ? 'font-semibold text-madder' : 'sub']}>
					{awayWords(proposal)}
				</span>
			</span>
		</div>
		{#if shown === proposal.rule}<div class="mt-2"><Count count={proposal.count} /></div>{/if}
	</div>
{:else}
	<p class="sub py-3">{none}</p>
{/each}
{#each left as { title, reason } (title)}
	<p class="py-2 text-ink-2">{capitalize(title)}: not counted. {reason}</p>
{/each}
