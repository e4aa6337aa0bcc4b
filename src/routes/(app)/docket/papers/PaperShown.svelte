<!-- The paper as it came: pages, a picture, or its words. -->
<script lang="ts">
	import type { PaperView } from '#server/papers/queries.ts';
	import Empty from '$lib/ui/Empty.svelte';
	import PdfView from '$lib/ui/PdfView.svelte';
	type Props = { paper: PaperView };
	let { paper }: Props = $props();
	const file = $derived(`/docket/papers/${paper.id}`);
</script>

<div class="min-w-0" data-shown>
	{#if paper.mediaType === 'application/pdf'}
		<PdfView src={file} />
	{:else if paper.mediaType.startsWith('image/')}
		<img src={file} alt="The paper {paper.fileName}" class="max-w-full border border-rule" />
	{:else if paper.text}
		<p class="read text-read whitespace-pre-line">{paper.text}</p>
	{:else}
		<Empty>It cannot be shown here: download it to read it.</Empty>
	{/if}
	{#if paper.unread}<p class="sub mt-2">{paper.unread}</p>{/if}
</div>
