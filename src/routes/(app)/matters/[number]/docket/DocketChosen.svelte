<!-- Decides the proposals that were chosen, in one go: docketed, or set aside with a reason. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { plural } from '$lib/ui/format.ts';
	import TextField from '$lib/ui/TextField.svelte';
	let { ids, onclear }: { ids: string[]; onclear: () => void } = $props();
	let reason = $state('');
</script>

<ActionForm
	action="?/docket"
	class="no-print mt-3 flex items-center gap-3 border border-rule bg-white px-3 py-2"
	ondone={({ docketed }) => {
		onclear();
		say(`Docketed ${plural(Number(docketed), 'date')}. A second person is asked to check.`);
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

<ActionForm
	action="?/aside"
	class="no-print flex flex-wrap items-end gap-3 border border-t-0 border-rule bg-white px-3 py-2"
	ondone={({ aside }) => {
		onclear();
		reason = '';
		say(`Set aside ${plural(Number(aside), 'date')}.`);
	}}
>
	{#snippet children({ errors, busy })}
		{#each ids as id (id)}
			<input type="hidden" name="deadlineIds" value={id} />
		{/each}
		<TextField
			label="Or why they do not matter here"
			error={errors.reason}
			class="min-w-[280px] grow"
			name="reason"
			bind:value={reason}
			autocomplete="off"
		/>
		<button class="btn" disabled={busy}>Set {plural(ids.length, 'date')} aside</button>
	{/snippet}
</ActionForm>
