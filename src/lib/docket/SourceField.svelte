<!--
	One of the matter's documents, or none; a file that is not filed yet is given right here, and is
	filed in the matter.
-->
<script lang="ts">
	import { deserialize } from '$app/forms';
	import { page } from '$app/state';
	import SelectField from '$lib/ui/SelectField.svelte';
	type Props = {
		label: string;
		documents: readonly { id: string; name: string }[];
		name?: string;
		value?: string;
		error?: string | undefined;
		hint?: string;
		class?: string;
	};
	let {
		label,
		documents,
		name = 'documentId',
		value = $bindable(''),
		error,
		hint,
		class: more = ''
	}: Props = $props();
	/** Files given here, which the page does not list yet. */
	let given = $state<{ id: string; name: string }[]>([]);
	let fault = $state('');
	let filing = $state('');
	let input = $state<HTMLInputElement>();
	const all = $derived([
		...documents,
		...given.filter(({ id }) => !documents.some((one) => one.id === id))
	]);

	async function file(list: FileList | null | undefined) {
		const chosen = list?.[0];
		if (!chosen) return;
		fault = '';
		filing = chosen.name;
		const body = new FormData();
		const { caption, paperFolder } = page.data as {
			caption: { id: string; number: string };
			paperFolder?: string;
		};
		body.set('matterId', caption.id);
		body.set('folder', paperFolder ?? 'Correspondence');
		body.set('file', chosen);
		try {
			const response = await fetch(`/matters/${caption.number}/documents?/upload`, {
				method: 'POST',
				body,
				headers: { 'x-sveltekit-action': 'true', accept: 'application/json' }
			});
			const result = deserialize(await response.text());
			if (result.type === 'success' && result.data) {
				const id = String(result.data.documentId);
				given = [...given, { id, name: chosen.name.replace(/\.[a-z0-9]+$/i, '') }];
				value = id;
			} else if (result.type === 'failure') {
				const errors = (result.data?.errors ?? {}) as Record<string, string>;
				fault = Object.values(errors)[0] ?? 'The file was refused.';
			} else fault = 'The file could not be filed. Nothing else is lost; try again.';
		} catch {
			fault = 'The server could not be reached. Nothing else is lost; try again.';
		} finally {
			filing = '';
			if (input) input.value = '';
		}
	}
	function drop(event: DragEvent) {
		if (!event.dataTransfer?.files.length) return;
		event.preventDefault();
		void file(event.dataTransfer.files);
	}
</script>

<div
	class={more}
	role="group"
	aria-label={label}
	ondragover={(event) => event.preventDefault()}
	ondrop={drop}
>
	<SelectField {label} error={fault || error} {hint} {name} bind:value>
		<option value="">None</option>
		{#each all as document (document.id)}
			<option value={document.id}>{document.name}</option>
		{/each}
	</SelectField>
	<button type="button" class="act mt-1" disabled={filing !== ''} onclick={() => input?.click()}>
		{filing ? `Filing ${filing}…` : 'give a file, or drop it here'}
	</button>
	<input
		bind:this={input}
		type="file"
		class="vh"
		tabindex="-1"
		aria-label="{label}: a file"
		onchange={() => void file(input?.files)}
	/>
</div>
