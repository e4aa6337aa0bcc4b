<!-- Takes a date off the docket, with a reason. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, ondone }: DateActProps = $props();
	let reason = $state('');
</script>

<ActionForm action="?/vacate" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<TextField label="Reason" error={errors.reason} name="reason" bind:value={reason} />
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Vacate the date</button></div>
	{/snippet}
</ActionForm>
