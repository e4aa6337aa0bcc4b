<!--
	What one should know before anything else on a screen: a warning, or quietly, how things stand.
-->
<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { HTMLAttributes } from 'svelte/elements';
	type Props = Omit<HTMLAttributes<HTMLElement>, 'class'> & {
		class?: string;
		/** No warning, only how things stand. */
		quiet?: boolean;
		children: Snippet;
	};
	let { class: more = '', quiet = false, children, ...rest }: Props = $props();
	const colors = $derived(quiet ? 'border-ink-3 bg-sail' : 'border-saffron bg-saffron-wash');
</script>

<div class="border-l-[3px] px-4 py-2 {colors} {more}" {...rest}>{@render children()}</div>
