<!-- Where matters come from: the list the department keeps, by which matters are listed. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural } from '$lib/ui/format.ts';
	import type { OriginView } from '#server/matters/origins.ts';
	let { origins }: { origins: readonly OriginView[] } = $props();
	let typed = $state('');
	let renaming = $state('');
</script>

<Section title="Origins" about="where matters come from" class="mt-6 max-w-form">
	{#each origins as { id, label, retired, matters } (id)}
		<div class="row flex min-h-10 flex-wrap items-center gap-3 py-1" data-origin={label}>
			{#if renaming === id}
				<ActionForm
					action="?/origin"
					class="flex grow items-end gap-2"
					ondone={() => void (renaming = '')}
				>
					{#snippet children({ errors, busy })}
						<input type="hidden" name="originId" value={id} />
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
				<a class="sub hover:underline" href="/matters?who=all&closed=1&origin={id}">
					{plural(matters, 'matter')}
				</a>
				{#if retired}<span class="sub">not offered</span>{/if}
				<button class="act" onclick={() => (renaming = id)} aria-label="Rename {label}">
					rename
				</button>
				<RowAction
					action="?/origin"
					fields={{ originId: id, label, retired: retired ? '' : '1' }}
					aria-label="{retired ? 'Offer again' : 'Retire'} {label}"
				>
					{retired ? 'offer it again' : 'retire'}
				</RowAction>
			{/if}
		</div>
	{/each}
	<ActionForm action="?/origin" class="mt-2 flex items-end gap-2" ondone={() => void (typed = '')}>
		{#snippet children({ errors, busy })}
			<TextField
				label="A further origin"
				name="label"
				bind:value={typed}
				error={errors.label}
				autocomplete="off"
			/>
			<button class="btn" disabled={busy}>Add it</button>
		{/snippet}
	</ActionForm>
</Section>
