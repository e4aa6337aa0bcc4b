<!-- One line of text with its label, its hint and the fault beside it. -->
<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';
	import Field from './Field.svelte';
	type Props = Omit<HTMLInputAttributes, 'class' | 'value'> & {
		label: string;
		value?: string | number | null | undefined;
		error?: string | undefined;
		hint?: string | undefined;
		/** Of the whole field. */
		class?: string;
		/** Figures stand at the right. */
		numeric?: boolean;
	};
	let {
		label,
		value = $bindable(),
		error,
		hint,
		class: more = '',
		numeric = false,
		...rest
	}: Props = $props();
</script>

<Field {label} {error} {hint} class={more}>
	{#snippet children(control)}
		<input class="box" class:num={numeric} bind:value {...rest} {...control} />
	{/snippet}
</Field>
