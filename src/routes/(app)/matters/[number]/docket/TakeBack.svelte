<!--
	What was settled by mistake stands again; of a hearing that was taken off, what went with it is
	offered.
-->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, went, today, ondone }: DateActProps = $props();
	let reason = $state('');
	// svelte-ignore state_referenced_locally
	let also = $state(went.map(({ id }) => id));
</script>

<ActionForm action="?/back" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<p>It stands again as it stood before. What was recorded stays in the logbook to read.</p>
		<TextField
			label="Reason"
			error={errors.reason}
			name="reason"
			bind:value={reason}
			autocomplete="off"
		/>
		{#if went.length}
			<fieldset>
				<legend class="label">Bring back with it</legend>
				{#each went as { id, title, date } (id)}
					<label class="row flex min-h-9 items-center gap-2">
						<input type="checkbox" name="also" value={id} bind:group={also} class="accent-petrol" />
						<span class="grow">{title}</span>
						<span class="sub">{formatDay(date, today)}</span>
					</label>
				{/each}
			</fieldset>
		{/if}
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Take it back</button></div>
	{/snippet}
</ActionForm>
