<!-- Who stands in for the responsible lawyer: chosen where it stands. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import type { PageData } from './$types.js';
	type Props = { caption: PageData['caption']; staff: PageData['staff'] };
	let { caption, staff }: Props = $props();
	let form: HTMLElement;
</script>

<div class="row flex min-h-9 items-center gap-2" bind:this={form}>
	<ActionForm action="?/standIn" class="grow" stay>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="matterId" value={caption.id} />
			<select
				class="box h-8 w-full"
				name="staffId"
				aria-label="Who stands in"
				value={caption.standInId ?? ''}
				disabled={busy}
				onchange={() => form.querySelector('form')?.requestSubmit()}
			>
				<option value="">nobody</option>
				{#each staff.filter(({ id }) => id !== caption.responsibleId) as { id, name } (id)}
					<option value={id}>{name}</option>
				{/each}
			</select>
			{#if errors.staffId}<p class="fault">{errors.staffId}</p>{/if}
		{/snippet}
	</ActionForm>
	<span class="sub">stands in</span>
</div>
