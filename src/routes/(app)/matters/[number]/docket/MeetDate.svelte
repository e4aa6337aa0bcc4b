<!-- Says when a date was met, and what proves it. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	import PaperField from './PaperField.svelte';
	let { deadline, documents, today, ondone }: DateActProps = $props();
	// svelte-ignore state_referenced_locally
	let form = $state({ on: today, proof: '', documentId: '' });
</script>

<ActionForm action="?/meet" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<DateField name="on" label="Met on" bind:value={form.on} {today} error={errors.on} />
		<TextField
			label="Proof in words"
			error={errors.proof}
			hint="optional: the filing's number"
			name="proof"
			bind:value={form.proof}
		/>
		<PaperField
			label="Document that proves it"
			{documents}
			error={errors.documentId}
			bind:value={form.documentId}
		/>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Record it as met</button></div>
	{/snippet}
</ActionForm>
