<!-- What was left in a form is offered above it: taken up, or forgotten. -->
<script lang="ts">
	import type { OfferedDraft } from './draft.svelte.ts';
	type Props = {
		kept: OfferedDraft<Record<string, unknown>>;
		/** What it was about, in words. */
		about: string;
	};
	let { kept, about }: Props = $props();
</script>

{#if kept.left}
	<p
		class={[
			'mb-3 flex flex-wrap items-baseline gap-3 px-3 py-2',
			'border-l-[3px] border-saffron bg-saffron-wash'
		]}
		data-left
	>
		<span class="min-w-0 grow">You left something here{about ? `: ${about}` : ''}.</span>
		<button type="button" class="act" onclick={() => kept.take()}>take it up</button>
		<button type="button" class="act" onclick={() => kept.clear()}>drop it</button>
	</p>
{/if}
