<!-- What is known of the matter, as its kind asks for it. -->
<script lang="ts">
	import Empty from '$lib/ui/Empty.svelte';
	import Section from '$lib/ui/Section.svelte';
	import type { PageData } from './$types.js';
	let { data, onchange }: { data: PageData; onchange: () => void } = $props();
	const shownFacts = $derived(data.facts.filter((fact) => fact.text !== ''));
</script>

<Section title="Facts"
	>{#snippet tools()}{#if data.caption.mayChange}<button class="act" onclick={() => onchange()}
				>Change</button
			>{/if}{/snippet}
	{#if shownFacts.length === 0}<Empty>No fact is written down yet.</Empty>{/if}
	<dl class="mt-2 grid gap-x-8 gap-y-1.5 sm:grid-cols-2">
		{#each shownFacts as f (f.key)}<div
				class="grid grid-cols-[minmax(90px,130px)_minmax(0,1fr)] gap-2 {f.type === 'long'
					? 'sm:col-span-2'
					: ''}"
			>
				<dt class="sub">{f.name}{f.retired ? ' (no longer asked)' : ''}</dt>
				<dd class="font-medium break-words whitespace-pre-line">
					{#if f.type === 'web'}<a
							class="text-petrol hover:underline"
							href={f.value}
							rel="noreferrer"
							target="_blank">{f.text}</a
						>{:else if f.type === 'person'}<a class="hover:underline" href="/people/{f.value}"
							>{f.text}</a
						>{:else}{f.text}{/if}
				</dd>
			</div>{/each}
	</dl>
	{#each data.groups.filter((group) => group.rows.length) as g (g.key)}
		<h3 class="mt-4 font-semibold">{g.name}</h3>
		<table class="list">
			<thead
				><tr
					>{#each g.heads as x (x.key)}<th
							class={x.type === 'money' || x.type === 'number' ? 'num' : ''}>{x.name}</th
						>{/each}</tr
				></thead
			><tbody
				>{#each g.rows as r, i (i)}<tr
						>{#each g.heads as x, k (x.key)}<td
								class={x.type === 'money' || x.type === 'number' ? 'num' : ''}>{r[k]}</td
							>{/each}</tr
					>{/each}</tbody
			>
		</table>
	{/each}
</Section>
