<!-- Papers are put in: chosen, dropped, or pasted. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import { goto } from '$app/navigation';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { plural } from '$lib/ui/format.ts';
	let field = $state<HTMLInputElement>();
	let over = $state(false);
	function send(files: FileList | undefined) {
		if (!files?.length || !field) return;
		field.files = files;
		field.form?.requestSubmit();
	}
	function drop(event: DragEvent) {
		event.preventDefault();
		over = false;
		send(event.dataTransfer?.files);
	}
	/** A picture or a file that was copied; words that are pasted are for a field. */
	function paste(event: ClipboardEvent) {
		if (!event.clipboardData?.files.length) return;
		event.preventDefault();
		send(event.clipboardData.files);
	}
</script>

<svelte:window onpaste={paste} />
<ActionForm
	action="?/receive"
	files
	ondone={({ papers, first }) => {
		say(`${plural((papers as string[]).length, 'paper')} came in.`);
		return goto(`/docket/papers?paper=${first}`, { invalidateAll: true });
	}}
>
	{#snippet children({ errors, busy })}
		<label
			class={[
				'block rounded-md border border-dashed px-3 py-3 text-center',
				over ? 'border-petrol bg-petrol-wash' : 'border-edge'
			]}
			ondragover={(event) => {
				event.preventDefault();
				over = true;
			}}
			ondragleave={() => (over = false)}
			ondrop={drop}
		>
			<span class="block font-semibold">{busy ? 'Reading…' : 'Drop or paste papers here'}</span>
			<input
				bind:this={field}
				type="file"
				name="files"
				multiple
				class="mt-2 w-full"
				aria-label="Papers"
				onchange={() => field?.form?.requestSubmit()}
			/>
		</label>
		{#each Object.values(errors) as fault (fault)}<p class="fault mt-1">{fault}</p>{/each}
	{/snippet}
</ActionForm>
