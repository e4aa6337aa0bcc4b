<!--
	A label, the control, a hint, and the fault beside it. The snippet gets the id and what to say to
	screen readers.
-->
<script lang="ts">
	import type { Snippet } from 'svelte';
	type Control = {
		id: string;
		'aria-invalid': 'true' | undefined;
		'aria-describedby': string | undefined;
	};
	type Props = {
		label: string;
		error?: string | undefined;
		hint?: string | undefined;
		children: Snippet<[Control]>;
		class?: string;
	};
	let { label, error, hint, children, class: more = '' }: Props = $props();
	const id = $props.id();
	const control = $derived<Control>({
		id,
		'aria-invalid': error ? 'true' : undefined,
		'aria-describedby': error || hint ? `${id}-more` : undefined
	});
</script>

<div class={more}>
	<label class="label" for={id}>{label}</label>
	{@render children(control)}
	{#if error}<p class="fault mt-1" id="{id}-more">{error}</p>{:else if hint}<p
			class="sub mt-1 text-note"
			id="{id}-more"
		>
			{hint}
		</p>{/if}
</div>
