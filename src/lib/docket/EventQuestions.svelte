<!-- What a rule asks about an event: a choice, or a day. -->
<script lang="ts">
	import DateField from '$lib/ui/DateField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import type { Question } from './event-choice.ts';
	type Props = {
		questions: readonly Question[];
		answers: Record<string, string>;
		errors: Record<string, string>;
		today: string;
	};
	let { questions, answers = $bindable(), errors, today }: Props = $props();
</script>

{#each questions as { id, ask, kind, options = [] } (id)}
	{#if kind === 'choice'}
		<SelectField
			label={ask}
			error={errors[`answers.${id}`]}
			name="answers.{id}"
			bind:value={answers[id]}
		>
			<option value="">Not answered (taken as: {options[0]?.label})</option>
			{#each options as option (option.id)}<option value={option.id}>{option.label}</option>{/each}
		</SelectField>
	{:else}
		<DateField
			name="answers.{id}"
			label={ask}
			bind:value={() => answers[id] ?? '', (typed) => (answers[id] = typed)}
			{today}
			error={errors[`answers.${id}`]}
		/>
	{/if}
{/each}
