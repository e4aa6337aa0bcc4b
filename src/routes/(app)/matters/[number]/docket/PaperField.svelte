<!-- One of the matter's documents, or none. -->
<script lang="ts">
	import SelectField from '$lib/ui/SelectField.svelte';
	type Props = {
		label: string;
		documents: readonly { id: string; name: string }[];
		error?: string;
		value?: string;
	};
	let { label, documents, error, value = $bindable('') }: Props = $props();
</script>

<SelectField {label} {error} name="documentId" bind:value>
	<option value="">None</option>
	{#each documents as { id, name } (id)}
		<option value={id}>{name}</option>
	{/each}
</SelectField>
