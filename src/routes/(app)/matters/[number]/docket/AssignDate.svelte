<!-- Whose the date is: somebody of the department, or as on the matter. -->
<script lang="ts">
	import { page } from '$app/state';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, ondone }: DateActProps = $props();
	const caption = $derived(page.data.caption);
	const own = $derived([
		`as on the matter, ${caption.responsibleName}`,
		caption.standInName ? `as on the matter, ${caption.standInName}` : 'as on the matter, nobody'
	]);
	// What is chosen begins with what stands.
	// svelte-ignore state_referenced_locally
	let assigneeId = $state(deadline.assigneeId ?? ''),
		standInId = $state(deadline.standInId ?? '');
</script>

<ActionForm action="?/assign" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineIds" value={deadline.id} />
		<SelectField
			label="Responsible"
			name="assigneeId"
			bind:value={assigneeId}
			error={errors.assigneeId}
		>
			<option value="">{own[0]}</option>
			{#each page.data.staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</SelectField>
		<SelectField
			label="Stand-in"
			hint="holds the date while the other is away"
			name="standInId"
			bind:value={standInId}
			error={errors.standInId}
		>
			<option value="">{own[1]}</option>
			{#each page.data.staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</SelectField>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Save</button></div>
	{/snippet}
</ActionForm>
