<!-- The second word on a date that was met late. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, ondone }: DateActProps = $props();
	let words = $state('');
</script>

<ActionForm action="?/judge" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<p>It was met late: {deadline.lateReason} Your word settles it; it stays among the missed.</p>
		<TextField
			label="Your word"
			error={errors.words}
			name="words"
			bind:value={words}
			autocomplete="off"
		/>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Keep your word</button></div>
	{/snippet}
</ActionForm>
