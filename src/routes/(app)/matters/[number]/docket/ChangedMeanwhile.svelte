<!--
	Somebody else changed the same thing while one wrote: what stands now beside what one typed, which
	is kept. One goes on from there.
-->
<script lang="ts" module>
	import type { Difference } from '#server/app/errors.ts';
	export type Conflict = { by: string; differences: Difference[] };
</script>

<script lang="ts">
	type Props = { conflict: Conflict | null };
	let { conflict }: Props = $props();
</script>

{#if conflict}
	<div
		class="mb-3 border-l-[3px] border-saffron bg-saffron-wash px-3 py-2"
		role="alert"
		data-differences
	>
		<p class="font-semibold">{conflict.by} changed this while you wrote.</p>
		{#each conflict.differences as { field, name, theirs, yours } (field)}
			<p>
				{name}: now <b class="font-semibold">{theirs || 'nothing'}</b>; you wrote
				<b class="font-semibold">{yours || 'nothing'}</b>
			</p>
		{/each}
		<p class="sub">What you typed is kept. Look at what it would do now, and send it again.</p>
	</div>
{/if}
