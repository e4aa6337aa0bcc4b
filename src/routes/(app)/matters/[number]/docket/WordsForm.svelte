<!-- A form of one line: what is done with a date, and the words that are kept with it. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	type Props = Pick<DateActProps, 'deadline' | 'ondone'> & {
		action: string;
		/** What follows from it. */
		about?: string;
		name?: string;
		label?: string;
		button: string;
	};
	let {
		deadline,
		ondone,
		action,
		about = '',
		name = 'reason',
		label = 'Reason',
		button
	}: Props = $props();
	let words = $state('');
</script>

<ActionForm {action} class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		{#if about}<p>{about}</p>{/if}
		<TextField {label} error={errors[name]} {name} bind:value={words} autocomplete="off" />
		<div class="mt-1.5"><button class="btn go" disabled={busy}>{button}</button></div>
	{/snippet}
</ActionForm>
