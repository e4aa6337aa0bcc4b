<!-- The court's list is pasted, dropped or chosen; a list of one case may name its matter. -->
<script lang="ts">
	import { goto } from '$app/navigation';
	import { findMatters } from '$lib/people/find.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import Field from '$lib/ui/Field.svelte';
	let text = $state('');
	let number = $state('');
	let input = $state<HTMLInputElement>();
	const compared = ({ reconciliationId }: Record<string, unknown>) =>
		goto(`/docket/reconcile?id=${reconciliationId}`, { invalidateAll: true });
	function drop(event: DragEvent) {
		if (!event.dataTransfer?.files.length || !input) return;
		event.preventDefault();
		input.files = event.dataTransfer.files;
	}
</script>

<div
	role="group"
	aria-label="The court's list"
	ondragover={(event) => event.preventDefault()}
	ondrop={drop}
>
	<ActionForm action="?/compare" files stay ondone={compared} class="flex flex-col gap-3">
		{#snippet children({ errors, busy })}
			<Field label="The court's list" error={errors.text}>
				{#snippet children(control)}
					<textarea
						class="box h-32 w-full"
						name="text"
						bind:value={text}
						placeholder="one entry a line: its day, its time, the number of the case, what it is"
						{...control}></textarea>
				{/snippet}
			</Field>
			<Field
				label="Or its file"
				hint="CSV, text or a calendar file; or drop it here"
				error={errors.file}
			>
				{#snippet children(control)}
					<input
						bind:this={input}
						type="file"
						class="box"
						name="file"
						accept=".csv,.txt,.ics,text/csv,text/plain,text/calendar"
						{...control}
					/>
				{/snippet}
			</Field>
			<Choose
				label="Matter of entries that name no case"
				name="number"
				bind:value={number}
				find={findMatters}
				error={errors.number}
				hint="only where the list is of one case"
			/>
			{#if errors['']}<p class="fault">{errors['']}</p>{/if}
			<div><button class="btn go" disabled={busy}>Compare with our docket</button></div>
		{/snippet}
	</ActionForm>
</div>
