<script lang="ts">
	import { dayAt } from '#core/dates/zone.ts';
	import { invalidateAll } from '$app/navigation';
	import Logo from '$lib/shell/Logo.svelte';
	import { plainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import SignSheet from '$lib/signing/SignSheet.svelte';
	let { data } = $props();
	const v = $derived(data.view);
</script>

<svelte:head><title>Sign: {v.title}</title><meta name="robots" content="noindex" /></svelte:head>
<header class="flex h-[46px] items-center gap-2 bg-band px-5 text-white">
	<Logo /><span class="read text-head font-medium">{data.department}</span>
</header>
<main class="px-5 py-5">
	<h1>{v.title}</h1>
	{#if data.dead}
		<p class="read mt-4 max-w-[60ch] text-head text-ink-2">
			{v.state === 'signed'
				? `You signed this on ${formatDate(dayAt(v.endedAt!, data.zone))}, ${v.name}. When everyone has signed, your copy comes by mail.`
				: v.state === 'declined'
					? 'You declined to sign this. Ask the sender for a new link if you changed your mind.'
					: v.round === 'withdrawn'
						? 'The sender withdrew this. There is nothing left to sign.'
						: v.round === 'expired'
							? 'The last day for signing has passed. Ask the sender for a new link.'
							: 'This round has ended.'}
		</p>
	{:else if !v.myTurn}<p class="read mt-4 text-head">
			Others sign before you. You get a mail when it is your turn.
		</p>
	{:else}<p class="sub mt-1 mb-4">
			{v.sentBy} asks you, {v.name}, to sign this.{v.wantedBy
				? ` It is wanted by ${formatDate(plainDate(v.wantedBy))}.`
				: ''}
		</p>
		<SignSheet
			view={v}
			file="/sign/{data.token}/file"
			consent={data.consent}
			today={data.today}
			ondone={() => void invalidateAll()}
		/>{/if}
</main>
