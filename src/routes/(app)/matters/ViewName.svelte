<!-- Keeps what the list asks under a name, for oneself or for all. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import type { PageData } from './$types.js';
	type Props = { query: string; active: PageData['views'][number] | undefined };
	let { query, active }: Props = $props();
	let naming = $state(false);
	// svelte-ignore state_referenced_locally
	let name = $state(active?.name ?? '');
</script>

{#if naming}
	<ActionForm
		action="?/view"
		class="flex items-center gap-2"
		ondone={() => {
			naming = false;
			say('The view is kept.');
		}}
	>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="query" value={query} />
			<input
				class="box w-36"
				name="name"
				bind:value={name}
				placeholder="Name of the view"
				aria-label="Name of the view"
				aria-invalid={errors.name ? 'true' : undefined}
			/>
			<label class="sub"><input type="checkbox" name="shared" /> for all</label>
			<button class="btn" disabled={busy}>Keep it</button>
			<button type="button" class="btn slight" onclick={() => (naming = false)}>Cancel</button>
			{#if errors.name}<span class="fault">{errors.name}</span>{/if}
		{/snippet}
	</ActionForm>
{:else}
	<button class="act" onclick={() => (naming = true)}>keep this view</button>
	{#if active?.mine}
		<RowAction action="?/removeView" fields={{ viewId: active.id }}>remove this view</RowAction>
	{/if}
{/if}
