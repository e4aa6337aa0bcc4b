<!-- Which answers something depends on, or an example gives: one choice for each question. -->
<script lang="ts">
	import type { Question } from '#core/rulebooks/book.ts';
	import type { FormAnswer } from '#core/rulebooks/book-form.ts';
	import DayField from './DayField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	type Props = {
		answers: FormAnswer[];
		questions: readonly Question[];
		/** What it says where nothing is chosen. */
		none: string;
		/** Whether days are asked too. */
		days?: boolean;
		of?: string;
		today: string;
	};
	let { answers = $bindable(), questions, none, days = false, of = '', today }: Props = $props();
	const unknown = $derived(
		answers.filter(({ question }) => !questions.some(({ id }) => id === question))
	);
	/** Asked only where the answers before it lead to it; what was answered stays in sight. */
	const asked = $derived(
		questions.filter(
			({ id, kind, if: only = {} }) =>
				(days || kind === 'choice') &&
				(answerTo(id) !== '' ||
					!days ||
					Object.entries(only).every(([other, one]) => answerTo(other) === one))
		)
	);
	const answerTo = (id: string) => answers.find(({ question }) => question === id)?.answer ?? '';
	function answer(id: string, given: string) {
		const others = answers.filter(({ question }) => question !== id);
		answers = given === '' ? others : [...others, { question: id, answer: given }];
	}
	const named = (label: string) => (of ? `${label} (${of})` : label);
</script>

{#each asked as { id, ask, kind, options = [] } (id)}
	{#if kind === 'choice'}
		<SelectField
			label={named(ask)}
			value={answerTo(id)}
			onchange={(change) => answer(id, change.currentTarget.value)}
		>
			<option value="">{none}</option>
			{#each options as option (option.id)}
				<option value={option.id}>{option.label}</option>
			{/each}
			{#if answerTo(id) && !options.some((option) => option.id === answerTo(id))}
				<option value={answerTo(id)}>{answerTo(id)}, which is no answer to it</option>
			{/if}
		</SelectField>
	{:else}
		<DayField label={named(ask)} value={answerTo(id)} onday={(day) => answer(id, day)} {today} />
	{/if}
{/each}
{#each unknown as { question, answer: given } (question)}
	<p class="fault">
		“{question}” is not asked here (answer: {given}).
		<button type="button" class="act" onclick={() => answer(question, '')}>Leave it out</button>
	</p>
{/each}
