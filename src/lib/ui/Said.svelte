<!-- What was just done, in words, with what takes it back: in its own place, over nothing. -->
<script lang="ts">
	import { saying } from './say.svelte.ts';
	const acts = $derived(
		[saying.said?.action, saying.said?.cancel].filter((act) => act !== undefined)
	);
	function press(act: () => void) {
		saying.clear();
		act();
	}
</script>

<div
	class="said"
	role="status"
	onpointerenter={() => saying.keep()}
	onpointerleave={() => saying.letGo()}
>
	{#if saying.said}
		<span class="words" title={saying.said.words} data-said>{saying.said.words}</span>
		{#each acts as { label, onClick } (label)}
			<button
				type="button"
				class="act whitespace-nowrap"
				onfocus={() => saying.keep()}
				onblur={() => saying.letGo()}
				onclick={() => press(onClick)}>{label}</button
			>
		{/each}
	{/if}
</div>

<style>
	.said {
		display: flex;
		align-items: center;
		gap: 14px;
		min-width: 0;
	}
	.words {
		font: 500 16px/1.25 var(--font-read);
		color: var(--color-petrol);
		display: -webkit-box;
		-webkit-box-orient: vertical;
		-webkit-line-clamp: 2;
		line-clamp: 2;
		overflow: hidden;
	}
	@media (width < 48rem) {
		.words {
			font-size: 14px;
		}
	}
</style>
