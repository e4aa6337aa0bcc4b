<!-- A list of words in an order of its own: stages, ways of ending. -->
<script lang="ts">
	import Section from '$lib/ui/Section.svelte';
	type Props = { title: string; about: string; one: string; words: string[]; fault: string };
	let { title, about, one, words = $bindable(), fault }: Props = $props();
	let typed = $state('');
	function add() {
		words = [...words, typed.trim()];
		typed = '';
	}
	function raise(at: number) {
		const moved = [...words];
		moved.splice(at - 1, 0, ...moved.splice(at, 1));
		words = moved;
	}
</script>

<Section {title} {about}>
	{#each words as word, at (at)}
		<div class="row flex h-10 items-center gap-2">
			<input
				class="box"
				aria-label="{one} {at + 1}"
				value={word}
				oninput={({ currentTarget }) =>
					(words = words.map((old, place) => (place === at ? currentTarget.value : old)))}
			/>
			<button
				type="button"
				class="act"
				disabled={at === 0}
				onclick={() => raise(at)}
				aria-label="{word} further up">up</button
			>
			<button
				type="button"
				class="act"
				onclick={() => (words = words.filter((_, place) => place !== at))}
				aria-label="Remove {word}">remove</button
			>
		</div>
	{:else}
		<p class="sub mt-2">None.</p>
	{/each}
	{#if fault}<p class="fault">{fault}</p>{/if}
	<div class="mt-2 flex gap-2">
		<input
			class="box"
			bind:value={typed}
			placeholder="A new {one.toLowerCase()}"
			aria-label="A new {one.toLowerCase()}"
		/>
		<button type="button" class="btn" disabled={!typed.trim()} onclick={add}>Add</button>
	</div>
</Section>
