<!--
	A hearing is continued: to a day, by moving its event with what hangs on it; or without one, until
	the court sets it.
-->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { plural } from '$lib/ui/format.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, hanging, ondone, onmove }: DateActProps = $props();
	let reason = $state('');
</script>

<p>Is the new day known? What hangs on it is shown before anything moves.</p>
<p class="mt-2">
	<button class="btn go" onclick={onmove}>To a new day</button>
</p>
<h3 class="ruled mt-6">Without a new day</h3>
<ActionForm action="?/continue" class="mt-2 flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<TextField
			label="Reason"
			error={errors.reason}
			name="reason"
			bind:value={reason}
			autocomplete="off"
		/>
		<p class="sub">
			It leaves the calendars until a day is set. {plural(hanging.length, 'date')} that hang on it stay
			where they are, and say that they no longer follow it.
		</p>
		<div class="mt-1.5"><button class="btn" disabled={busy}>Continue it, no day yet</button></div>
	{/snippet}
</ActionForm>
