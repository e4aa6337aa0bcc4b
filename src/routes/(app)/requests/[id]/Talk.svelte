<!-- A word to the other side, with files. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Field from '$lib/ui/Field.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	type Props = { action: string; label: string };
	let { action, label }: Props = $props();
	let words = $state('');
	/** Empties the choice of files after it was sent. */
	let sent = $state(0);
</script>

<ActionForm
	{action}
	files
	class="mt-3 flex flex-col gap-2"
	ondone={() => {
		words = '';
		sent++;
	}}
>
	{#snippet children({ errors, busy })}
		<TextArea {label} name="words" rows={3} bind:value={words} error={errors.words} />
		<div class="flex flex-wrap items-end gap-3">
			<div class="min-w-0 grow">
				{#key sent}
					<Field label="Files" error={errors.files}>
						{#snippet children(given)}
							<input class="box" type="file" name="files" multiple {...given} />
						{/snippet}
					</Field>
				{/key}
			</div>
			<button class="btn go" disabled={busy}
				>{label === 'Your answer' ? 'Answer' : 'Send it'}</button
			>
		</div>
	{/snippet}
</ActionForm>
