<!-- Who has a request, and where it stands in the department's words. -->
<script lang="ts">
	import { page } from '$app/state';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { RequestView } from '#server/requests/queries.ts';
	type Props = {
		request: RequestView;
		statuses: readonly { id: string; label: string }[];
		/** Nobody works on it as a matter yet. */
		open: boolean;
	};
	let { request, statuses, open }: Props = $props();
	let statusId = $derived(request.statusId ?? '');
	let staffId = $state('');
</script>

<ActionForm
	action="?/status"
	class="mt-3 flex items-end gap-2"
	ondone={() => say(`${request.by} is told.`)}
>
	{#snippet children({ errors, busy })}
		<div class="min-w-0 grow">
			<SelectField label="It is" name="statusId" bind:value={statusId} error={errors.statusId}>
				<option value="">Choose</option>
				{#each statuses as { id, label } (id)}<option value={id}>{label}</option>{/each}
			</SelectField>
		</div>
		<button class="btn" disabled={busy || !statusId || statusId === request.statusId}>Say so</button
		>
	{/snippet}
</ActionForm>
{#if open}
	<ActionForm
		action="?/assign"
		class="mt-3 flex items-end gap-2"
		ondone={() => {
			staffId = '';
			say('It is handed over.');
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="min-w-0 grow">
				<SelectField
					label={request.takenBy ? `With ${request.takenBy}; give it to` : 'Give it to'}
					name="staffId"
					bind:value={staffId}
					error={errors.staffId}
				>
					<option value="">Choose</option>
					{#each page.data.staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
			</div>
			<button class="btn" disabled={busy || !staffId}>Give it</button>
		{/snippet}
	</ActionForm>
{/if}
