<!-- What was settled by mistake stands again. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, ondone }: DateActProps = $props();
	let words = $state('');
</script>

<ActionForm action="?/back" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<p>It stands again as it stood before. What was recorded stays in the logbook to read.</p>
		<TextField
			label="Reason"
			error={errors.reason}
			name="reason"
			bind:value={words}
			autocomplete="off"
		/>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Take it back</button></div>
	{/snippet}
</ActionForm>
