<!--
	One thing that is done to one row: a form of hidden fields and a button; what is refused stands
	beside it.
-->
<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { HTMLButtonAttributes } from 'svelte/elements';
	import ActionForm from './ActionForm.svelte';
	type Props = Omit<HTMLButtonAttributes, 'class' | 'form'> & {
		action: string;
		/** What the form says; nothing of what is not known. */
		fields: Record<string, string | number | undefined>;
		/** Of the form. */
		class?: string;
		/** How the button looks. */
		look?: string;
		ondone?: (data: Record<string, unknown>) => void | Promise<void>;
		/** The page is made anew by who is told, since the row goes with it. */
		stay?: boolean;
		children: Snippet;
	};
	let {
		action,
		fields,
		class: more = '',
		look = 'act',
		ondone,
		stay = false,
		children: label,
		...rest
	}: Props = $props();
	/** A refusal of the form as a whole is shown by the form. */
	const firstOf = (errors: Record<string, string>) =>
		Object.entries(errors).find(([field]) => field !== '')?.[1];
</script>

<ActionForm {action} class={more} {stay} {...ondone ? { ondone } : {}}>
	{#snippet children({ errors, busy })}
		{#each Object.entries(fields) as [name, value] (name)}
			<input type="hidden" {name} {value} />
		{/each}
		<button class={look} disabled={busy} {...rest}>{@render label()}</button>
		{#if firstOf(errors)}<span class="fault block">{firstOf(errors)}</span>{/if}
	{/snippet}
</ActionForm>
