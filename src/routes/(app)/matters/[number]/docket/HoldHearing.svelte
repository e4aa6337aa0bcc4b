<!-- Says what came of a hearing, who appeared, and what shows it. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	import SourceField from '$lib/docket/SourceField.svelte';
	let { deadline, documents, ondone }: DateActProps = $props();
	let form = $state({ outcome: '', appeared: '', documentId: '' });
</script>

<ActionForm action="?/hold" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<TextArea
			label="What came of it"
			error={errors.outcome}
			hint="granted, denied, taken under submission, settled"
			name="outcome"
			rows={3}
			bind:value={form.outcome}
		/>
		<TextField
			label="Who appeared"
			error={errors.appeared}
			hint="optional: for whom, and the judge"
			name="appeared"
			bind:value={form.appeared}
			autocomplete="off"
		/>
		<SourceField
			label="The minutes or the order"
			{documents}
			error={errors.documentId}
			bind:value={form.documentId}
		/>
		<p class="sub">It goes into the logbook, and everyone on the matter is told, once.</p>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Record it as held</button></div>
	{/snippet}
</ActionForm>
