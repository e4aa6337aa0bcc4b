<!-- How long a proposal may wait before somebody is told. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	type Props = { days: number };
	let { days }: Props = $props();
	// svelte-ignore state_referenced_locally
	let typed = $state(String(days));
</script>

<Section title="Proposals" class="mt-6 max-w-form">
	<ActionForm
		action="?/proposals"
		class="mt-2 flex items-end gap-2"
		ondone={() => void say('Kept.')}
	>
		{#snippet children({ errors, busy })}
			<TextField
				label="Days a proposal may wait before its person is told"
				name="days"
				bind:value={typed}
				error={errors.days}
				inputmode="numeric"
				autocomplete="off"
			/>
			<button class="btn" disabled={busy}>Keep</button>
		{/snippet}
	</ActionForm>
</Section>
