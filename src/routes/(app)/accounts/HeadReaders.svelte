<!-- Who gets the head of the audit trail by mail every morning, so that it is kept outside too. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	type Props = { staff: readonly { id: string; name: string }[]; readers: readonly string[] };
	let { staff, readers }: Props = $props();
	// svelte-ignore state_referenced_locally
	let chosen = $state([...readers]);
</script>

<Section
	title="Audit trail"
	about="who gets its head by mail every morning; kept there, it shows a trail that was cut off"
	class="mt-7 max-w-form"
>
	<ActionForm action="?/heads" class="mt-2" ondone={() => say('Kept; from tomorrow morning on.')}>
		{#snippet children({ errors, busy })}
			<fieldset class="phone:grid-cols-1 grid grid-cols-2 gap-x-6 gap-y-1">
				<legend class="vh">Colleagues</legend>
				{#each staff as { id, name } (id)}
					<label class="flex min-h-7 items-center gap-2">
						<input type="checkbox" name="staffIds" value={id} bind:group={chosen} />
						{name}
					</label>
				{/each}
			</fieldset>
			{#if errors.staffIds}<p class="fault mt-1" role="alert">{errors.staffIds}</p>{/if}
			<div class="mt-3"><button class="btn" disabled={busy}>Keep</button></div>
		{/snippet}
	</ActionForm>
</Section>
