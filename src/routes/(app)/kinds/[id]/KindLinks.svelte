<!-- Links that every matter of a kind has, with its facts in their addresses. -->
<script lang="ts">
	import Section from '$lib/ui/Section.svelte';
	type Link = { name: string; url: string };
	type Props = { links: Link[]; fault: string; example: string };
	let { links = $bindable(), fault, example }: Props = $props();
</script>

<Section title="Quick links" about="court docket, filing portal">
	{#each links as link, at (at)}
		<div class="row flex flex-col gap-1.5 py-2">
			<div class="flex gap-2">
				<input class="box" bind:value={link.name} aria-label="Name of link {at + 1}" />
				<button
					type="button"
					class="act"
					onclick={() => (links = links.filter((_, place) => place !== at))}
					aria-label="Remove link {at + 1}">remove</button
				>
			</div>
			<input class="box" bind:value={link.url} aria-label="Address of link {at + 1}" />
		</div>
	{:else}
		<p class="sub mt-2">None.</p>
	{/each}
	{#if fault}<p class="fault">{fault}</p>{/if}
	<p class="sub mt-1 text-note">{`{${example}}`} in an address is filled from the matter.</p>
	<button
		type="button"
		class="act mt-1"
		onclick={() => (links = [...links, { name: '', url: 'https://' }])}>Add a link</button
	>
</Section>
