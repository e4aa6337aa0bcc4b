<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import SignSheet from '$lib/signing/SignSheet.svelte';
	import { formatInstant } from '$lib/ui/format.ts';
	let { data } = $props();
	const v = $derived(data.view);
</script>

<svelte:head><title>Sign: {v.title} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<h1>{v.title}</h1>
	<p class="sub mt-1 mb-4">{v.documentName}, from {v.sentBy}</p>
	{#if v.state === 'waiting' && v.myTurn}<SignSheet
			view={v}
			file="/signing/{v.signerId}/file"
			consent={data.consent}
			today={data.today}
			ondone={() => void invalidateAll()}
		/>
	{:else}<p class="read text-head">
			{v.state === 'signed'
				? `You signed this ${formatInstant(v.endedAt!, data.zone, data.today)}.`
				: v.state === 'declined'
					? 'You declined to sign this.'
					: v.round === 'withdrawn'
						? 'The sender withdrew this.'
						: v.round === 'with signers'
							? 'Others sign before you. You get a mail when it is your turn.'
							: 'This round has ended.'}
		</p>
		{#if v.matterNumber && data.can.inside}<p class="mt-4">
				<a class="act" href="/documents/{v.documentId}">To the document</a>
			</p>{/if}{/if}
</div>
