<!-- Several lines of text with their label, their hint and the fault beside them. -->
<script lang="ts">
	import type { HTMLTextareaAttributes } from 'svelte/elements';
	import Field from './Field.svelte';
	type Props = Omit<HTMLTextareaAttributes, 'class' | 'value'> & {
		label: string;
		value?: string | null | undefined;
		error?: string | undefined;
		hint?: string | undefined;
		/** Of the whole field. */
		class?: string;
	};
	let { label, value = $bindable(), error, hint, class: more = '', ...rest }: Props = $props();
</script>

<Field {label} {error} {hint} class={more}>
	{#snippet children(control)}
		<textarea class="box" bind:value {...rest} {...control}></textarea>
	{/snippet}
</Field>
