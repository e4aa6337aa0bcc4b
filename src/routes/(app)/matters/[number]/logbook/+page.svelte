<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import { at } from '$lib/ui/say.ts';
	let { data } = $props();
	let words = $state('');
	const kinds = [['', 'All'], ['note', 'Notes'], ['date', 'Dates'], ['task', 'Tasks'], ['document', 'Documents'], ['signing', 'Signing'], ['time', 'Time'], ['people', 'People'], ['matter', 'Matter'], ['cost', 'Cost']];
</script>

<div class="p-5">
	<div class="flex flex-wrap items-center gap-2"><h2 class="read mr-2 !text-[20px] !font-medium">Logbook</h2>
		<div class="no-print flex flex-wrap gap-1.5">{#each kinds as [k, n] (k)}<a class="note" class:on={data.filter.kind === k} href="?kind={k}&q={encodeURIComponent(data.filter.q)}">{n}</a>{/each}</div>
		<form method="get" class="no-print ml-auto"><input type="hidden" name="kind" value={data.filter.kind} /><input class="box !w-44" name="q" value={data.filter.q} placeholder="Search within" aria-label="Search within the logbook" /></form>
	</div>
	<ActionForm action="?/note" class="no-print mt-3" ondone={() => { words = ''; }}>{#snippet children({ errors, busy })}<input type="hidden" name="matterId" value={data.caption.id} /><div class="flex items-start gap-2"><textarea class="box" name="words" rows="2" bind:value={words} placeholder="Write a note" aria-label="Write a note" aria-invalid={errors.words ? 'true' : undefined}></textarea><button class="btn" disabled={busy}>Note it</button></div>{#if errors.words}<p class="fault mt-1">{errors.words}</p>{/if}{/snippet}</ActionForm>
	<div class="mt-3 border-t-[1.5px] border-ink">
		{#each data.rows as l (l.id)}<div class="row grid grid-cols-[96px_76px_minmax(0,1fr)_34px] gap-2 py-2"><span class="sub">{at(l.at, data.zone, data.today)}</span><span class="sub">{l.kind}</span><span class="break-words whitespace-pre-line">{#if l.link}<a class="hover:underline" href={l.link}>{l.text}</a>{:else}{l.text}{/if}</span><span class="sub text-right" title={l.who ?? 'an outside signer'}>{l.initials ?? ''}</span></div>
		{:else}<Empty>{data.filter.q || data.filter.kind ? 'Nothing fits.' : 'Everything done on this matter is written here by itself.'}</Empty>{/each}
	</div>
	<Pages total={data.total} per={data.per} what="entries" />
</div>
