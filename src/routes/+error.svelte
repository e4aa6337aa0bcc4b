<script lang="ts">
	import { page } from '$app/state';
	import Logo from '$lib/shell/Logo.svelte';
</script>

<svelte:head><title>Kite Pen</title></svelte:head>
<header class="on-dark flex h-[46px] items-center gap-2 bg-band px-5 text-white">
	<a href="/" class="flex items-center gap-2"
		><Logo /><span class="read text-head font-medium">Kite Pen</span></a
	>
</header>
<main class="mx-auto max-w-[620px] px-6 pt-20">
	<h1>
		{page.status === 404 ? 'Nothing here' : page.status === 413 ? 'Too large' : 'That did not work'}
	</h1>
	<p class="read mt-3 text-large text-ink-2">{page.error?.message}</p>
	{#if page.error?.code}<p class="sub mt-2">
			If it happens again, tell an administrator this code: {page.error.code}
		</p>{/if}
	<p class="mt-6"><a class="act" href="/">To the Day sheet</a></p>
</main>
