<!-- Who sees all in an interest check, for that alone. -->
<script lang="ts">
	import { page } from '$app/state';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	let { reader }: { reader: string | null } = $props();
	let staffId = $derived(reader ?? '');
</script>

<Section
	title="Interest checks"
	about="who may see where a name lies in restricted matters, for this alone; each look is audited"
	class="mt-7 max-w-form"
>
	<ActionForm action="?/reader" class="mt-3 flex items-end gap-2" ondone={() => say('Kept.')}>
		{#snippet children({ errors, busy })}
			<div class="w-72">
				<SelectField label="Sees all" name="staffId" bind:value={staffId} error={errors.staffId}>
					<option value="">nobody</option>
					{#each page.data.staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
			</div>
			<button class="btn" disabled={busy || staffId === (reader ?? '')}>Keep</button>
		{/snippet}
	</ActionForm>
</Section>
