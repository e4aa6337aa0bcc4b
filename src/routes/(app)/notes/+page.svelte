<!-- One's own notes and reminders: what is open by its day, then what is done. -->
<script lang="ts">
	import MemoForm from '$lib/memos/MemoForm.svelte';
	import MemoRows from '$lib/memos/MemoRows.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	let { data } = $props();
	const open = $derived(data.memos.filter(({ done }) => !done));
	const done = $derived(data.memos.filter((memo) => memo.done));
	const acts = { finish: '?/finish', remove: '?/remove' };
</script>

<svelte:head><title>Notes and reminders · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<h1>Notes and reminders</h1>
	<p class="sub mt-1">
		What belongs to no matter. Those on nobody’s card are read by who wrote them and whom they
		remind.
	</p>
	<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_360px]">
		<div class="flex flex-col gap-6">
			<Section title="Open" about={String(open.length || '')}>
				<MemoRows memos={open} {...acts} />
				{#if !open.length}
					<Empty>Nothing open. Write a note, with a day if you want to be reminded.</Empty>
				{/if}
			</Section>
			{#if done.length}
				<Section title="Done" about={String(done.length)}>
					<MemoRows memos={done} {...acts} />
				</Section>
			{/if}
		</div>
		<Section title="A new one">
			<div class="mt-3">
				<MemoForm action="?/write" ondone={() => say('The note is kept.')} />
			</div>
		</Section>
	</div>
</div>
