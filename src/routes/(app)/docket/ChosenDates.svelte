<!-- What is done with the chosen dates: stands over the list while some are chosen. -->
<script lang="ts">
	import { plural } from '$lib/ui/format.ts';
	import Batch from './Batch.svelte';
	type Props = {
		chosen: string[];
		/** Every date on the page. */
		all: string[];
		acts: Readonly<Record<string, string>>;
		/** The department's working marks. */
		marks: readonly { id: string; label: string }[];
		mayDocket: boolean;
	};
	let { chosen = $bindable(), all, acts, marks, mayDocket }: Props = $props();
	let act = $state('');
	let open = $state(false);
	function begin(which: string) {
		act = which;
		open = true;
	}
</script>

<div class="no-print sticky top-0 z-10 mt-2 flex flex-wrap items-center gap-2 bg-sail py-1">
	<b class="font-semibold">{plural(chosen.length, 'date')} chosen</b>
	{#if mayDocket}
		{#each Object.entries(acts).filter(([which]) => which !== 'mark' || marks.length) as [which, label] (which)}
			<button class="btn" onclick={() => begin(which)}>{label}</button>
		{/each}
	{/if}
	<button class="btn" onclick={() => window.print()}>Print them</button>
	<button class="act" onclick={() => (chosen = all)}>all on this page</button>
	<button class="act" onclick={() => (chosen = [])}>none</button>
</div>
<Batch
	bind:open
	{act}
	label={acts[act] ?? ''}
	{marks}
	deadlineIds={chosen}
	ondone={() => (chosen = [])}
/>
