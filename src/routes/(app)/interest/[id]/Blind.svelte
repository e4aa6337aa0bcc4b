<!--
	A name lies where the viewer may not look: they ask, whoever is responsible there answers, and
	nobody learns more than that.
-->
<script lang="ts">
	import Banner from '$lib/ui/Banner.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { BlindState } from '#server/interest/questions.ts';
	type Hit = { name: string; number: string; title: string; responsible: string };
	type Props = {
		blind: BlindState;
		/** The viewer is the person who sees all. */
		reader: boolean;
	};
	let { blind, reader }: Props = $props();
	let hits = $state<Hit[]>([]);
</script>

<Banner class="mt-3" data-neutral>
	{#if blind.state === 'ask'}
		<p>
			Something is not yours to see. Ask before you go on: whoever is responsible there answers “no
			conflict” or “speak to me”; which matter it is stays closed.
		</p>
		<RowAction
			action="?/askBlind"
			fields={{}}
			class="no-print mt-2"
			look="btn"
			ondone={() => say('The question is on its way.')}>Ask whoever is responsible</RowAction
		>
	{:else if blind.state === 'waits'}
		Asked. Not everybody has answered yet.
	{:else if blind.state === 'no conflict'}
		Asked and answered: no conflict.
	{:else if blind.state === 'speak'}
		Asked and answered: speak to {blind.to.join(' and to ')} before you go on.
	{:else}
		Ask the docket clerk before you go on.
	{/if}
	{#if reader && blind.state !== 'none'}
		<RowAction
			action="?/readHidden"
			fields={{}}
			class="no-print mt-2"
			stay
			ondone={({ hits: found }) => void (hits = found as Hit[])}
			>show me where; it is written down</RowAction
		>
		{#each hits as { name, number, title, responsible } (name + number)}
			<p class="mt-1">{name}: {number} {title}, {responsible}</p>
		{/each}
	{/if}
</Banner>
