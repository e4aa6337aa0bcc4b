<!-- A note or a reminder that belongs to no matter. -->
<script lang="ts">
	import { page } from '$app/state';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	type Props = { action: string; ondone?: () => void };
	let { action, ondone }: Props = $props();
	let text = $state('');
	let remindOn = $state('');
	let forId = $state('');
	function done() {
		text = '';
		remindOn = '';
		forId = '';
		ondone?.();
	}
</script>

<ActionForm {action} ondone={done}>
	{#snippet children({ errors, busy })}
		<div class="flex flex-col gap-2.5">
			<TextArea label="A note" name="text" rows={2} bind:value={text} error={errors.text} />
			<div class="grid grid-cols-2 gap-3">
				<DateField
					name="remindOn"
					label="Remind on"
					bind:value={remindOn}
					today={page.data.today}
					error={errors.remindOn}
				/>
				<SelectField label="Whom" name="forId" bind:value={forId} error={errors.forId}>
					<option value="">me</option>
					{#each page.data.staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
			</div>
			<div><button class="btn" disabled={busy || !text.trim()}>Keep the note</button></div>
		</div>
	{/snippet}
</ActionForm>
