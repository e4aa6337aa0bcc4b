<!-- Links that each stand for one value of a list's question; what is on is marked. -->
<script lang="ts">
	import type { Switch } from './address.ts';
	let { all }: { all: readonly Switch[] } = $props();
</script>

{#each all as { label, on, href, title } (label)}
	<a class="note" class:on {href} {title} aria-current={on ? 'true' : undefined}>{label}</a>
{/each}
