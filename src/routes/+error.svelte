<script lang="ts">
	import Logo from '$lib/shell/Logo.svelte';
	import PageFault from '$lib/shell/PageFault.svelte';
</script>

<svelte:head><title>Kite Pen</title></svelte:head>
<header class="on-dark flex h-[46px] items-center gap-2 bg-band px-5 text-white">
	<a href="/" class="flex items-center gap-2"
		><Logo /><span class="read text-head font-medium">Kite Pen</span></a
	>
</header>
<main class="mx-auto max-w-[620px] px-6 pt-20">
	<PageFault />
	<p class="mt-6"><a class="act" href="/">To the Day sheet</a></p>
</main>
