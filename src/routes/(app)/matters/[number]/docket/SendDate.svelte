<!-- Sends one date to somebody outside, as an invitation of a calendar. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateActProps } from './acts.ts';
	let { deadline, ondone }: DateActProps = $props();
	let form = $state({ name: '', email: '', words: '' });
</script>

<ActionForm action="?/invite" class="flex flex-col gap-2.5" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<TextField
			label="Name"
			error={errors.name}
			name="name"
			bind:value={form.name}
			autocomplete="off"
		/>
		<TextField
			label="Mail address"
			error={errors.email}
			name="email"
			type="email"
			bind:value={form.email}
			autocomplete="off"
		/>
		<TextArea
			label="Message"
			error={errors.words}
			hint="they see this, the title, the day and the place; nothing else of the matter"
			name="words"
			rows={3}
			bind:value={form.words}
		/>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Send the date</button></div>
	{/snippet}
</ActionForm>
