<!-- Which column of the file is which field; facts of the kinds are many, and stand apart. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import type { PageData } from './$types.js';
	let { data, busy: isLooking }: { data: PageData; busy: boolean } = $props();
	const mapping = $derived(data.work.mapping);
	const isFact = (key: string) => key.startsWith('fact:');
	const main = $derived(data.fields.filter(({ key }) => !isFact(key) || mapping[key]));
	const facts = $derived(data.fields.filter(({ key }) => isFact(key) && !mapping[key]));
	const head = $derived(data.work.head.filter(Boolean));
</script>

{#snippet choice(field: PageData['fields'][number])}
	<label class="row grid min-h-10 grid-cols-[140px_minmax(0,1fr)] items-center gap-2 py-1">
		<span>{field.name}{field.needed ? ' (needed)' : ''}</span>
		<select class="box" name={field.key} value={mapping[field.key] ?? ''}>
			<option value="">not in the file</option>
			{#each head as column (column)}<option value={column}>{column}</option>{/each}
		</select>
	</label>
{/snippet}

<ActionForm action="?/map" class="mt-2">
	{#snippet children({ busy })}
		{#each main as field (field.key)}{@render choice(field)}{/each}
		{#if facts.length}
			<details class="mt-2">
				<summary class="act inline-block">Other facts of the kinds: {facts.length}</summary>
				{#each facts as field (field.key)}{@render choice(field)}{/each}
			</details>
		{/if}
		<button class="btn mt-3" disabled={busy || isLooking}>Look through again</button>
		<p class="sub mt-2">The columns are remembered for files with the same head.</p>
	{/snippet}
</ActionForm>
