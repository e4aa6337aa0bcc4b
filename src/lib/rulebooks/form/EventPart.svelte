<!-- One event of a book: what it is, what is asked about it, the dates it sets, early warnings. -->
<script lang="ts">
	import { tick } from 'svelte';
	import type { FormEvent } from '#core/rulebooks/book-form.ts';
	import {
		deadlineIds,
		emptyDeadline,
		emptyExample,
		emptyQuestion,
		emptySuggestion,
		renameDeadline
	} from '#core/rulebooks/form-rows.ts';
	import { slugOf } from '#core/rulebooks/slug.ts';
	import { describeWritten } from '#core/rulebooks/written-count.ts';
	import { plural } from '$lib/ui/format.ts';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import {
		datesOf,
		examplesWithin,
		faultAt,
		faultsWithin,
		isServed,
		questionsOf,
		startsOf,
		type FormContext
	} from './context.ts';
	import DeadlinePart from './DeadlinePart.svelte';
	import QuestionPart from './QuestionPart.svelte';
	import SuggestionRow from './SuggestionRow.svelte';
	type Props = {
		event: FormEvent;
		at: number;
		context: FormContext;
		/** Rules of a court or an agency need two examples each. */
		lawful: boolean;
		/** The date that is open first, by its id. */
		rule: string;
		onremove: () => void;
	};
	let { event = $bindable(), at, context, lawful, rule, onremove }: Props = $props();
	const place = $derived(['events', at]);
	const questions = $derived(questionsOf(context, event));
	const served = $derived(isServed(context, event));
	/** Which date is open; only one is, so that its fields can be told from the others'. */
	// svelte-ignore state_referenced_locally
	let open = $state(rule ? deadlineIds(event).indexOf(rule) : -1);
	let root = $state<HTMLElement>();

	async function addDeadline() {
		const deadline = emptyDeadline();
		deadline.examples = lawful ? [emptyExample(), emptyExample()] : [];
		event.deadlines.push(deadline);
		open = event.deadlines.length - 1;
		await tick();
		root?.querySelector<HTMLElement>('[data-open] input')?.focus();
	}
	/** The first free id of the kind; a question keeps its id when it is reworded. */
	function addQuestion() {
		let number = event.questions.length + 1;
		while (questions.some(({ id }) => id === `question-${number}`)) number++;
		event.questions.push(emptyQuestion(`question-${number}`));
	}
	function rename(index: number, before: string) {
		const from = slugOf(before);
		const to = slugOf(event.deadlines[index]?.title ?? '');
		if (!from || !to || from === to || deadlineIds(event).includes(from)) return;
		renameDeadline(event, from, to);
	}
	const summary = (index: number) => {
		const here = [...place, 'deadlines', index];
		const faults = faultsWithin(context, here);
		const examples = examplesWithin(context, here);
		const right = examples.filter(({ agrees }) => agrees).length;
		return { faults, examples: examples.length, right };
	};
</script>

<div bind:this={root}>
	<div class="grid grid-cols-1 gap-x-3 gap-y-2 sm:grid-cols-2">
		<TextField
			label="What happens"
			bind:value={event.event}
			error={faultAt(context, [...place, 'event'])}
			hint="as it is found by typing; what stands in ( ) only explains"
			autocomplete="off"
		/>
		<SelectField
			label="When it is entered"
			bind:value={event.ahead}
			error={faultAt(context, [...place, 'ahead'])}
		>
			<option value="">it has happened</option>
			<option value="date">it lies ahead: a day</option>
			{#each context.shape.occasions as occasion (occasion)}
				<option value={occasion}>it lies ahead: a {occasion}</option>
			{/each}
		</SelectField>
		<TextField
			label="What its day is"
			bind:value={event.hint}
			hint="where that is not plain: the day it was signed, or entered"
		/>
		<TextField
			label="Tags of all its dates"
			bind:value={event.tags}
			error={faultAt(context, [...place, 'tags']) ?? faultAt(context, [...place, 'tags', 0])}
			hint="motion, trial, discovery"
			autocomplete="off"
		/>
	</div>
	<label class="mt-2 flex items-center gap-2">
		<input type="checkbox" class="accent-petrol" bind:checked={event.served} />
		It is asked how it was served
	</label>

	<Section title="Dates it sets" class="mt-4">
		{#each event.deadlines as deadline, index (index)}
			{@const { faults, examples, right } = summary(index)}
			<div class="row py-2" data-open={open === index ? '' : undefined}>
				<div class="flex flex-wrap items-baseline gap-x-3">
					<button
						type="button"
						class="min-w-0 grow text-left"
						aria-expanded={open === index}
						onclick={() => (open = open === index ? -1 : index)}
					>
						<b class="font-semibold">{deadline.title || 'a new date'}</b>
						<span class="read">{describeWritten(deadline.count, context.shape.dayWord)}</span>
						<span class="sub">{deadline.authority}</span>
					</button>
					<span class={faults ? 'text-madder' : 'sub'}>
						{faults ? plural(faults, 'fault') : examples ? `${right} of ${examples} agree` : ''}
					</span>
					<button
						type="button"
						class="btn slight"
						aria-label="Take out “{deadline.title || 'a new date'}”"
						onclick={() => {
							event.deadlines.splice(index, 1);
							open = -1;
						}}>×</button
					>
				</div>
				{#if open === index}
					<div class="mt-2 border-l-2 border-petrol pl-4">
						<DeadlinePart
							bind:deadline={event.deadlines[index]!}
							{context}
							place={[...place, 'deadlines', index]}
							{questions}
							starts={startsOf(context, event, index)}
							{served}
							owned={!lawful}
							ontitle={(before) => rename(index, before)}
						/>
					</div>
				{/if}
			</div>
		{:else}
			<p class="sub py-2">It sets no date yet.</p>
		{/each}
		<button type="button" class="btn mt-2" onclick={addDeadline}>One more date</button>
	</Section>

	<Section title="Questions" about="asked when the event is entered" class="mt-5">
		{#each event.questions as question, index (question.id)}
			<QuestionPart
				bind:question={event.questions[index]!}
				number={index + 1}
				{context}
				place={[...place, 'questions', index]}
				others={questions.filter(({ id, kind }) => kind === 'choice' && id !== question.id)}
				onremove={() => event.questions.splice(index, 1)}
			/>
		{/each}
		<button type="button" class="act mt-2" onclick={addQuestion}>One more question</button>
	</Section>

	<Section title="Early warnings" about="suggested by the department; not from law" class="mt-5">
		{#each event.suggestions as _, index (index)}
			<SuggestionRow
				bind:suggestion={event.suggestions[index]!}
				number={index + 1}
				dates={datesOf(context, event)}
				error={faultAt(context, [...place, 'suggestions', index, 'count']) ??
					faultAt(context, [...place, 'suggestions', index, 'of'])}
				onremove={() => event.suggestions.splice(index, 1)}
			/>
		{/each}
		<button type="button" class="act mt-2" onclick={() => event.suggestions.push(emptySuggestion())}
			>One more early warning</button
		>
	</Section>
	<button type="button" class="act mt-5" onclick={onremove}>Take out this event</button>
</div>
