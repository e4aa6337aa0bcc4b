<!-- A hearing is off for good; the dates that hang on it are vacated with it, or stay. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, hanging, today, ondone }: DateActProps = $props();
	let reason = $state('');
	// svelte-ignore state_referenced_locally
	let also = $state(hanging.map(({ id }) => id));
</script>

<ActionForm action="?/off" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<TextField
			label="Reason"
			error={errors.reason}
			name="reason"
			bind:value={reason}
			autocomplete="off"
		/>
		{#if hanging.length}
			<fieldset>
				<legend class="label">Vacate with it</legend>
				{#each hanging as { id, title, date } (id)}
					<label class="row flex min-h-9 items-center gap-2">
						<input type="checkbox" name="also" value={id} bind:group={also} class="accent-petrol" />
						<span class="grow">{title}</span>
						<span class="sub">{formatDay(date, today)}</span>
					</label>
				{/each}
			</fieldset>
			<p class="sub">What stays says that it no longer follows its event.</p>
		{/if}
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Take it off</button></div>
	{/snippet}
</ActionForm>
