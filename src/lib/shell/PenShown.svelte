<!-- What a line of the pen was understood as, beside it; on a telephone above it. -->
<script lang="ts" module>
	import type { Hit } from '#server/search/queries.ts';
	import type { Entry } from './PenEvent.svelte';
	/** What the server answers to a line. */
	export type Answer = {
		understood: {
			kind: string;
			minutes?: number;
			words?: string;
			fault?: string | null;
			place?: string;
			/** Of time. */
			day?: string;
		};
		matter: { id: string; number: string; title: string } | null;
		/** Where a title was named, those it may mean. */
		fits: { id: string; number: string; title: string }[];
		hits: Hit[];
		entry: Entry | null;
		task: {
			assignee: { id: string; name: string };
			due: string | null;
			colleagues: { id: string; name: string }[];
		} | null;
		appointment: {
			day: string | null;
			hours: string;
			colleagues: { id: string; name: string }[];
			resource: { id: string; name: string } | null;
			place: string;
		} | null;
		counted: { fault: string | null; text: string; href: string } | null;
	};
</script>

<script lang="ts">
	import Told from '$lib/logbook/Told.svelte';
	type Props = {
		got: Answer | null;
		fault: string;
		/** Its parts are shown above the line. */
		isApart: boolean;
		/** The last act, in words, where it can be taken back. */
		last: string;
		onundo: () => void;
	};
	let { got, fault, isApart, last, onundo }: Props = $props();
	const KINDS = ['note', 'count', 'go', 'open'];
	const shown = $derived(got?.understood);
	const refusal = $derived(fault || shown?.fault || got?.counted?.fault);
</script>

{#if isApart}
	<span class="key max-md:hidden">Enter</span>
{:else if refusal}
	<div class="shown"><span class="fault" role="alert">{refusal}</span></div>
{:else if shown && KINDS.includes(shown.kind)}
	<div class="shown">
		{#if shown.kind === 'count' && got?.counted}
			<b class="note" data-counted>{got.counted.text}</b>
		{:else if shown.kind === 'note'}
			<Told words={shown.words ?? ''} />
		{/if}
		{#if got?.matter}<span class="note">{got.matter.title}</span>{/if}
		<span class="key">Enter</span>
	</div>
{:else if last}
	<button class="act whitespace-nowrap" title={last} onclick={onundo}>take back</button>
{/if}

<style>
	.shown {
		display: contents;
	}
	@media (max-width: 767px) {
		/* Beside the line there is no room. */
		.shown {
			position: absolute;
			right: 0;
			bottom: 100%;
			left: 0;
			display: flex;
			flex-wrap: wrap;
			align-items: center;
			gap: 8px;
			padding: 8px 10px;
			background: var(--color-white);
			border-top: 1px solid var(--color-rule);
		}
	}
</style>
