<!-- One mail about the matter: who got it, when, and what it says. -->
<script lang="ts">
	import { formatInstant } from '$lib/ui/format.ts';
	let { data } = $props();
	const mail = $derived(data.mail);
</script>

<svelte:head><title>{mail.subject} · Kite Pen</title></svelte:head>

<article class="p-5">
	<h2 class="read text-title font-medium">{mail.subject}</h2>
	<p class="sub mt-1">
		to {mail.recipient}, {formatInstant(mail.at, data.zone, data.today)}
	</p>
	<p class="read max-w-read mt-4 break-words whitespace-pre-wrap">{mail.text}</p>
</article>
