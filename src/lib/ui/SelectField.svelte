<!--
	A choice of one among a few, with its label, its hint and the fault beside it. Its options are
	what it holds.
-->
<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { HTMLSelectAttributes } from 'svelte/elements';
	import Field from './Field.svelte';
	type Props = Omit<HTMLSelectAttributes, 'class' | 'value'> & {
		label: string;
		value?: string | null | undefined;
		error?: string | undefined;
		hint?: string | undefined;
		/** Of the whole field. */
		class?: string;
		/** The options. */
		children: Snippet;
	};
	let {
		label,
		value = $bindable(),
		error,
		hint,
		class: more = '',
		children: options,
		...rest
	}: Props = $props();
</script>

<Field {label} {error} {hint} class={more}>
	{#snippet children(control)}
		<select class="box" bind:value {...rest} {...control}>{@render options()}</select>
	{/snippet}
</Field>
