<!-- People who are known already and whose names are near to one that would get a new card. -->
<script lang="ts">
	import { findPeople } from '$lib/people/find.ts';
	import type { Item } from '$lib/ui/Choose.svelte';
	type Props = { typed: string; onchoose: (item: Item) => void; class?: string };
	let { typed, onchoose, class: more = '' }: Props = $props();
	const MOST = 4;
	const WAIT_MS = 250;
	let near = $state<Item[]>([]);
	$effect(() => {
		const words = typed.trim();
		near = [];
		if (words.length < 3) return;
		const wait = setTimeout(async () => {
			const found = await findPeople(words);
			if (words === typed.trim()) near = found.slice(0, MOST);
		}, WAIT_MS);
		return () => clearTimeout(wait);
	});
</script>

{#if near.length}
	<p class={['text-note', more]} data-near>
		Near to who is known:
		{#each near as item (item.value)}
			<button type="button" class="act mr-3" onclick={() => onchoose(item)}>
				{item.label}{item.about ? ` (${item.about})` : ''}
			</button>
		{/each}
	</p>
{/if}
