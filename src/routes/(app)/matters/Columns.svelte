<!-- Which columns the list shows, and in which order. -->
<script lang="ts">
	import Drawer from '$lib/ui/Drawer.svelte';
	type Column = { key: string; name: string; fact: boolean };
	let {
		open = $bindable(),
		all,
		shown,
		onchoose
	}: {
		open: boolean;
		all: Column[];
		shown: string[];
		onchoose: (keys: string[]) => void;
	} = $props();
	let keys = $state<string[]>([]),
		words = $state('');
	let was = false;
	$effect(() => {
		if (open && !was) keys = [...shown];
		was = open;
	});
	const move = (i: number, by: number) => {
		const next = [...keys];
		const [k] = next.splice(i, 1);
		next.splice(i + by, 0, k!);
		keys = next;
	};
	const rest = $derived(
		all.filter((c) => !keys.includes(c.key) && c.name.toLowerCase().includes(words.toLowerCase()))
	);
</script>

<Drawer bind:open title="Columns" about="At most 16. Facts of every kind can be columns.">
	<ol class="border-t-[1.5px] border-ink">
		{#each keys as k, i (k)}<li class="row flex h-9 items-center gap-3">
				<span class="grow font-semibold">{all.find((c) => c.key === k)?.name}</span><button
					class="act"
					disabled={i === 0}
					onclick={() => move(i, -1)}
					aria-label="{all.find((c) => c.key === k)?.name} up">up</button
				><button
					class="act"
					disabled={i === keys.length - 1}
					onclick={() => move(i, 1)}
					aria-label="{all.find((c) => c.key === k)?.name} down">down</button
				><button
					class="act"
					disabled={k === 'title'}
					onclick={() => (keys = keys.filter((x) => x !== k))}
					aria-label="without {all.find((c) => c.key === k)?.name}">without</button
				>
			</li>{/each}
	</ol>
	<input
		class="box mt-4"
		bind:value={words}
		placeholder="Find a column"
		aria-label="Find a column"
	/>
	<ul class="mt-2">
		{#each rest as c (c.key)}<li class="row flex h-9 items-center gap-3">
				<span class="grow"
					>{c.name}{#if c.fact}<span class="sub"> fact</span>{/if}</span
				><button
					class="act"
					disabled={keys.length >= 16}
					onclick={() => (keys = [...keys, c.key])}
					aria-label="show {c.name}">show</button
				>
			</li>{/each}
	</ul>
	<div class="sticky bottom-[-24px] -mx-[22px] border-t border-rule bg-white px-[22px] py-3">
		<button
			class="btn go"
			onclick={() => {
				open = false;
				onchoose(keys);
			}}>Show {keys.length} columns</button
		>
	</div>
</Drawer>
