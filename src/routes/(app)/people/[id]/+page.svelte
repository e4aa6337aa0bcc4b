<script lang="ts">
	import Section from '$lib/ui/Section.svelte';
	let { data } = $props();
	const p = $derived(data.person);
</script>

<svelte:head><title>{p.name} · Kite Pen</title></svelte:head>
<div class="max-w-[900px] px-5 py-4">
	<div class="flex items-center gap-3"><h1>{p.name}</h1><span class="note">{p.kind === 'organization' ? 'Organization' : 'Person'}</span></div>
	<dl class="mt-3 grid grid-cols-[120px_1fr] gap-y-1.5">{#each [['Formerly', p.former_names], ['Mail', p.email], ['Phone', p.phone], ['Note', p.note]].filter((x) => x[1]) as [k, v] (k)}<dt class="sub">{k}</dt><dd>{v}</dd>{/each}</dl>
	<Section title="Matters" about={String(p.matters.length || '')} class="mt-6">{#each p.matters as m (m.number + m.role)}<a class="row flex h-9 items-center gap-3 hover:bg-white" href="/matters/{m.number}"><span class="sub w-28">{m.number}</span><b class="grow truncate font-semibold">{m.title}</b><span class="sub">{m.role}</span></a>{:else}<p class="sub py-2">On no matter that you may see.</p>{/each}</Section>
</div>
