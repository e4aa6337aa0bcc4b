<!-- What a rule asks about the event: one of several answers, or a day. -->
<script lang="ts">
	import { slugOf } from '#core/rulebooks/slug.ts';
	import type { FormQuestion } from '#core/rulebooks/book-form.ts';
	import type { Question } from '#core/rulebooks/book.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import AnswersPart from './AnswersPart.svelte';
	import { faultAt, type FormContext } from './context.ts';
	type Props = {
		question: FormQuestion;
		number: number;
		context: FormContext;
		place: (string | number)[];
		/** The other questions of the event, on whose answers this one may depend. */
		others: readonly Question[];
		onremove: () => void;
	};
	let { question = $bindable(), number, context, place, others, onremove }: Props = $props();
	const of = $derived(`question ${number}`);
	/** An answer gets its id from its first words, and keeps it when it is reworded. */
	function nameOption(index: number) {
		const option = question.options[index];
		if (!option || option.id) return;
		const id = slugOf(option.say).slice(0, 24) || `answer-${index + 1}`;
		option.id = question.options.some((other) => other.id === id) ? `${id}-${index + 1}` : id;
	}
</script>

<fieldset class="border-t border-rule py-2">
	<legend class="vh">Question {number}</legend>
	<div class="grid grid-cols-1 gap-x-3 gap-y-2 sm:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
		<TextField
			label="What is asked, {of}"
			bind:value={question.ask}
			error={faultAt(context, [...place, 'ask'])}
			autocomplete="off"
		/>
		<SelectField
			label="Answered with, {of}"
			bind:value={
				() => question.kind,
				(kind) => {
					question.kind = kind ?? 'choice';
					if (kind === 'date') question.options = [];
					else if (question.options.length === 0)
						question.options = [
							{ id: 'yes', say: 'yes' },
							{ id: 'no', say: 'no' }
						];
				}
			}
		>
			<option value="choice">one of these answers</option>
			<option value="date">a day</option>
		</SelectField>
	</div>
	{#if question.kind === 'date'}
		<SelectField label="That day lies, {of}" bind:value={question.must} class="mt-2">
			<option value="">on any day</option>
			<option value="not-after-event">not after the event</option>
			<option value="not-before-event">not before the event</option>
		</SelectField>
	{:else}
		{#each question.options as option, index (index)}
			<div class="mt-2 flex items-end gap-3">
				<TextField
					label="Answer {index + 1}, {of}"
					bind:value={option.say}
					class="grow"
					autocomplete="off"
					onblur={() => nameOption(index)}
				/>
				{#if question.options.length > 2}
					<button
						type="button"
						class="btn slight"
						aria-label="Take out answer {index + 1} of {of}"
						onclick={() => question.options.splice(index, 1)}>×</button
					>
				{/if}
			</div>
		{/each}
		<button
			type="button"
			class="act mt-2"
			onclick={() => question.options.push({ id: '', say: '' })}
		>
			One more answer
		</button>
		<p class="sub text-note">The first is taken where nobody answers.</p>
	{/if}
	{#if others.length}
		<div class="mt-2 grid grid-cols-1 gap-x-3 sm:grid-cols-2">
			<AnswersPart
				bind:answers={question.if}
				questions={others}
				none="asked whatever the answer"
				of="asks {of}"
				today={context.today}
			/>
		</div>
	{/if}
	<button type="button" class="act mt-1" onclick={onremove}>Take out question {number}</button>
</fieldset>
