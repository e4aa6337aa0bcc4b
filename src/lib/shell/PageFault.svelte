<!-- What went wrong with a page, in words. -->
<script lang="ts">
	import { page } from '$app/state';
</script>

<h1>
	{page.status === 404 ? 'Nothing here' : page.status === 413 ? 'Too large' : 'That did not work'}
</h1>
<p class="read mt-3 text-large text-ink-2">{page.error?.message}</p>
{#if page.error?.code}<p class="sub mt-2">
		If it happens again, tell an administrator this code: {page.error.code}
	</p>{/if}
