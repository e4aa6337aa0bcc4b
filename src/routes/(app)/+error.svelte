<!-- A page that is not there, within the department's rooms: the way on stays. -->
<script lang="ts">
	import { page } from '$app/state';
	import PageFault from '$lib/shell/PageFault.svelte';
</script>

<svelte:head
	><title>{page.status === 404 ? 'Nothing here' : 'Not done'} · Kite Pen</title></svelte:head
>
<div class="mx-auto max-w-[620px] px-6 pt-12">
	<PageFault />
	<p class="mt-6"><a class="act" href="/">To the Day sheet</a></p>
</div>
