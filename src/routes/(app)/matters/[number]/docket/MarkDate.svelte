<!-- One click puts one of the department's working marks on a date, or takes it off. -->
<script lang="ts">
	import RowAction from '$lib/ui/RowAction.svelte';
	type Props = {
		deadline: { id: string; title: string; workingMark: string | null };
		marks: readonly { id: string; label: string }[];
	};
	let { deadline, marks }: Props = $props();
	const stands = (label: string) => label === deadline.workingMark;
	/** One that is not offered any more can still be taken off. */
	const shown = $derived(
		deadline.workingMark === null || marks.some(({ label }) => stands(label))
			? marks
			: [...marks, { id: '', label: deadline.workingMark }]
	);
</script>

{#if shown.length}
	<div
		class="no-print mt-2 flex flex-wrap items-baseline gap-3"
		role="group"
		aria-label="Working mark of {deadline.title}"
	>
		<span class="sub">Mark</span>
		{#each shown as { id, label } (id)}
			<RowAction
				action="?/mark"
				fields={{ deadlineIds: deadline.id, markId: stands(label) ? '' : id }}
				aria-pressed={stands(label)}
				look={stands(label) ? 'read font-semibold text-petrol italic' : 'read text-ink-2 italic'}
			>
				{label}
			</RowAction>
		{/each}
	</div>
{/if}
