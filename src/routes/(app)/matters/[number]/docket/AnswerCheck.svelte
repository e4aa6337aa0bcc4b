<!-- Says to the one who does not agree with a date why it stands. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, ondone }: DateActProps = $props();
	let words = $state('');
</script>

<ActionForm action="?/answer" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<p>
			<b class="font-semibold text-madder">{deadline.returnedBy}:</b>
			{deadline.returnedReason}
		</p>
		<TextField
			label="Why it stands"
			error={errors.words}
			hint="or change the event or the date: that answers it too"
			name="words"
			bind:value={words}
		/>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Answer</button></div>
	{/snippet}
</ActionForm>
