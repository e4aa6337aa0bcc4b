<!--
	Two people changed the same thing: both versions side by side, and one choice for each. Nothing
	is chosen beforehand, and the form goes nowhere before all is.
-->
<script lang="ts">
	import type { Difference } from '#server/app/errors.ts';
	type Props = {
		by: string;
		differences: readonly Difference[];
		/** Puts the chosen value into the form's field. */
		take?: ((field: string, value: string, words: string) => void) | undefined;
	};
	let { by, differences, take }: Props = $props();
	let block = $state<HTMLElement>();
	let chosen = $state<Record<string, 'theirs' | 'yours'>>({});
	let isAsked = $state(false);

	/** To where the eye must be: the block, not the button at the form's foot. */
	export function focus() {
		block?.scrollIntoView({ block: 'nearest' });
		block?.focus();
	}
	/** Whether something is not chosen yet; then the cursor is there. */
	export function refuseUndecided(): boolean {
		const open = differences.find(({ field }) => !chosen[field]);
		if (!open) return false;
		isAsked = true;
		block?.querySelector<HTMLElement>(`[name="keep-${CSS.escape(open.field)}"]`)?.focus();
		return true;
	}
	function choose(difference: Difference, side: 'theirs' | 'yours') {
		const { field, values } = difference;
		chosen[field] = side;
		if (values) take?.(field, values[side], difference[side]);
	}
</script>

<div
	class="mb-3.5 border-l-[3px] border-saffron bg-saffron-wash px-4 py-3"
	role="alert"
	tabindex="-1"
	bind:this={block}
	data-differences
>
	<p class="font-semibold">
		{by} changed this while you wrote. Nothing is lost: choose what holds, then save again.
	</p>
	{#each differences as difference (difference.field)}
		{@const { field, name } = difference}
		<fieldset class="mt-2.5">
			<legend class="font-semibold">{name}</legend>
			{#each ['yours', 'theirs'] as const as side (side)}
				<label class="mt-1 flex min-h-6 gap-2">
					<input
						type="radio"
						name="keep-{field}"
						value={side}
						checked={chosen[field] === side}
						onchange={() => choose(difference, side)}
					/>
					<span class="min-w-0">
						<span class="text-saffron-deep">{side === 'yours' ? 'yours' : by}:</span>
						<span class="break-words whitespace-pre-line">{difference[side] || 'nothing'}</span>
					</span>
				</label>
			{/each}
			{#if isAsked && !chosen[field]}
				<p class="fault">Choose which of the two holds.</p>
			{/if}
		</fieldset>
	{/each}
</div>
