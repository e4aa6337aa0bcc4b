<!-- The second person does not agree: what is wrong goes to who docketed the date. -->
<script lang="ts">
	import type { CheckItem } from '#server/docket/matter-docket.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	type Props = {
		item: CheckItem;
		onleave: () => void;
		ondone: (words: string) => void | Promise<void>;
	};
	let { item, onleave, ondone }: Props = $props();
	let reason = $state('');
</script>

<ActionForm
	action="?/return"
	stay
	class="mt-3 border-t border-rule pt-3"
	ondone={() => ondone(`Returned to ${item.docketedBy}.`)}
>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={item.id} />
		<TextArea
			label="What is wrong"
			error={errors.reason}
			hint="goes to {item.docketedBy} and into the logbook"
			name="reason"
			rows={3}
			bind:value={reason}
		/>
		<div class="mt-3 flex gap-2">
			<button class="btn go" disabled={busy}>Return it to {item.docketedBy}</button>
			<button type="button" class="btn slight" onclick={onleave}>Cancel</button>
		</div>
	{/snippet}
</ActionForm>
