<script lang="ts">
	import type { Snippet } from 'svelte';
	let { children }: { children: Snippet } = $props();
</script>

<div class="read py-6 text-read text-ink-2">{@render children()}</div>
