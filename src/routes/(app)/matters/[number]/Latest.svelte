<!-- The latest of the logbook, and a line to write a note. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	const caption = $derived(data.caption);
	let note = $state('');
</script>

<Section title="Logbook" about="latest">
	{#snippet tools()}<a class="act" href="/matters/{caption.number}/logbook"
			>all {caption.counts.logbook}</a
		>{/snippet}
	<ActionForm
		action="?/note"
		class="no-print mt-3"
		ondone={() => {
			note = '';
		}}
		>{#snippet children({ errors, busy })}<input type="hidden" name="matterId" value={caption.id} />
			<div class="flex gap-2">
				<input
					class="box"
					name="words"
					bind:value={note}
					placeholder="Write a note; @name tells a colleague"
					aria-label="Write a note"
					aria-invalid={errors.words ? 'true' : undefined}
				/><button class="btn" disabled={busy}>Note it</button>
			</div>
			{#if errors.words}<p class="fault mt-1">{errors.words}</p>{/if}{/snippet}</ActionForm
	>
	{#each data.recent as l (l.id)}<div class="row flex gap-3 py-2">
			<span class="sub w-[86px] shrink-0">{formatInstant(l.at, data.zone, data.today)}</span><span
				class="line-clamp-3 min-w-0 grow break-words whitespace-pre-line">{l.text}</span
			><span class="sub">{l.initials ?? ''}</span>
		</div>{/each}
</Section>
