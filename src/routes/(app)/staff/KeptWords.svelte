<!-- A list of words that the department keeps: added, renamed, offered no more. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	type Word = { id: string; label: string; retired: 0 | 1; uses: string; href?: string };
	type Props = {
		title: string;
		about: string;
		/** The act that saves one, and the name of its field for the id. */
		action: string;
		idField: string;
		words: readonly Word[];
		/** What one more is called. */
		further: string;
	};
	let { title, about, action, idField, words, further }: Props = $props();
	let typed = $state('');
	let renaming = $state('');
</script>

<Section {title} {about} class="mt-6 max-w-form">
	{#each words as { id, label, retired, uses, href } (id)}
		<div class="row flex min-h-10 flex-wrap items-center gap-3 py-1" data-word={label}>
			{#if renaming === id}
				<ActionForm {action} class="flex grow items-end gap-2" ondone={() => void (renaming = '')}>
					{#snippet children({ errors, busy })}
						<input type="hidden" name={idField} value={id} />
						<TextField
							label="New words for “{label}”"
							name="label"
							value={label}
							error={errors.label}
							autocomplete="off"
							autofocus
						/>
						<button class="btn" disabled={busy}>Keep</button>
						<button type="button" class="act" onclick={() => (renaming = '')}>cancel</button>
					{/snippet}
				</ActionForm>
			{:else}
				<span class={['grow', { 'text-ink-2': retired }]}>{label}</span>
				{#if href}
					<a class="sub hover:underline" {href}>{uses}</a>
				{:else}
					<span class="sub">{uses}</span>
				{/if}
				{#if retired}<span class="sub">not offered</span>{/if}
				<button class="act" onclick={() => (renaming = id)} aria-label="Rename {label}">
					rename
				</button>
				<RowAction
					{action}
					fields={{ [idField]: id, label, retired: retired ? '' : '1' }}
					aria-label="{retired ? 'Offer again' : 'Retire'} {label}"
				>
					{retired ? 'offer it again' : 'retire'}
				</RowAction>
			{/if}
		</div>
	{/each}
	<ActionForm {action} class="mt-2 flex items-end gap-2" ondone={() => void (typed = '')}>
		{#snippet children({ errors, busy })}
			<TextField
				label={further}
				name="label"
				bind:value={typed}
				error={renaming ? undefined : errors.label}
				autocomplete="off"
			/>
			<button class="btn" disabled={busy}>Add it</button>
		{/snippet}
	</ActionForm>
</Section>
