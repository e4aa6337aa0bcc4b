<!-- Dockets the proposals that were chosen, in one go. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { plural } from '$lib/ui/format.ts';
	let { ids, onclear }: { ids: string[]; onclear: () => void } = $props();
</script>

<ActionForm
	action="?/docket"
	class="no-print mt-3 flex items-center gap-3 border border-rule bg-white px-3 py-2"
	ondone={({ docketed }) => {
		onclear();
		toast(`Docketed ${plural(Number(docketed), 'date')}. A second person is asked to check.`);
	}}
>
	{#snippet children({ busy })}
		{#each ids as id (id)}
			<input type="hidden" name="deadlineIds" value={id} />
		{/each}
		<button class="btn go" disabled={busy}>Docket {plural(ids.length, 'date')}</button>
		<button type="button" class="btn slight" onclick={onclear}>Choose none</button>
	{/snippet}
</ActionForm>
