<!-- Says when a date was met, and what proves it. -->
<script lang="ts">
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import { formatDate } from '#core/format/dates.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	import SourceField from '$lib/docket/SourceField.svelte';
	let { deadline, documents, today, ondone }: DateActProps = $props();
	// svelte-ignore state_referenced_locally
	let form = $state({ on: today, proof: '', late: '', documentId: '' });
	const isLate = $derived.by(() => {
		const read = readTypedDate(form.on, today);
		return 'date' in read && read.date > deadline.date;
	});
</script>

<ActionForm action="?/meet" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<DateField name="on" label="Met on" bind:value={form.on} {today} error={errors.on} />
		{#if isLate}
			<p class="font-semibold text-madder" data-late>
				That is after {formatDate(deadline.date)}: it is recorded as met late and stays among the
				missed. A second person is asked for their word.
			</p>
			<TextField
				label="Why it was late"
				error={errors.late}
				name="late"
				bind:value={form.late}
				autocomplete="off"
			/>
		{/if}
		<TextField
			label="Proof in words"
			error={errors.proof}
			hint="optional: the filing's number"
			name="proof"
			bind:value={form.proof}
		/>
		<SourceField
			label="Document that proves it"
			{documents}
			error={errors.documentId}
			bind:value={form.documentId}
		/>
		<div class="mt-1.5">
			<button class="btn go" disabled={busy}>
				{isLate ? 'Record it as met late' : 'Record it as met'}
			</button>
		</div>
	{/snippet}
</ActionForm>
