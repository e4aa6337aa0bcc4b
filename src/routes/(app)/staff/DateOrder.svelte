<!-- How dates in figures are read when somebody types them. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import { parseTypedDate } from '#core/dates/typed.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	type Props = { order: 'month' | 'day' | null; today: string };
	let { order, today }: Props = $props();
	const SAMPLE = '11/5/26';
	const read = (as: 'month' | 'day') => {
		const found = parseTypedDate(SAMPLE, today as PlainDate, as);
		return 'date' in found ? formatDate(found.date) : found.error;
	};
	const CHOICES = [
		['month', `Month first: ${SAMPLE} is ${read('month')}`],
		['day', `Day first: ${SAMPLE} is ${read('day')}`],
		['', 'Ask each time']
	] as const;
</script>

<Section title="Dates in figures" class="mt-6 max-w-form">
	<ActionForm action="?/order" stay ondone={() => void say('Kept.')}>
		{#snippet children({ errors, busy })}
			<fieldset class="mt-2 flex flex-col gap-1.5">
				<legend class="vh">What comes first</legend>
				{#each CHOICES as [value, label] (value)}
					<label class="flex items-center gap-2">
						<input
							type="radio"
							name="order"
							{value}
							checked={(order ?? '') === value}
							disabled={busy}
							class="accent-petrol"
							onchange={({ currentTarget }) => currentTarget.form?.requestSubmit()}
						/>
						{label}
					</label>
				{/each}
			</fieldset>
			{#if errors.order}<p class="fault">{errors.order}</p>{/if}
		{/snippet}
	</ActionForm>
</Section>
