<!-- Where the matter stands, in the words of its kind: chosen where it stands. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	const caption = $derived(data.caption);
	/** One that its kind has no more is still shown. */
	const stages = $derived([
		...data.kind.stages,
		...(caption.stage && !data.kind.stages.includes(caption.stage) ? [caption.stage] : [])
	]);
</script>

<ActionForm action="?/stage" class="mt-2 grid grid-cols-[104px_1fr] items-center">
	{#snippet children({ errors, busy })}
		<input type="hidden" name="matterId" value={caption.id} />
		<label class="sub" for="stage">Stage</label>
		<span>
			<select
				id="stage"
				class="box h-8"
				name="stage"
				value={caption.stage}
				disabled={busy}
				onchange={({ currentTarget }) => currentTarget.form?.requestSubmit()}
			>
				<option value="">not said</option>
				{#each stages as stage (stage)}<option>{stage}</option>{/each}
			</select>
			{#if caption.stageFrom}
				<span class="sub">since {formatDay(caption.stageFrom, data.today).slice(4)}</span>
			{/if}
			{#if errors.stage}<span class="fault">{errors.stage}</span>{/if}
		</span>
	{/snippet}
</ActionForm>
