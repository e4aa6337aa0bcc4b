<!-- A worked example: a day in, a day out, and what the count gives meanwhile. -->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import type { FormExample } from '#core/rulebooks/book-form.ts';
	import type { Question } from '#core/rulebooks/book.ts';
	import { formatDate } from '#core/format/dates.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import AnswersPart from './AnswersPart.svelte';
	import { exampleAt, faultAt, type FormContext } from './context.ts';
	import DayField from './DayField.svelte';
	type Props = {
		example: FormExample;
		number: number;
		context: FormContext;
		place: (string | number)[];
		questions: readonly Question[];
		served: boolean;
		timed: boolean;
		onremove: () => void;
	};
	let {
		example = $bindable(),
		number,
		context,
		place,
		questions,
		served,
		timed,
		onremove
	}: Props = $props();
	const counted = $derived(exampleAt(context, place));
	const agrees = $derived(
		counted && (example.arises ? counted.counted === example.gives : counted.counted === null)
	);
	const said = $derived(example.gives !== '' || !example.arises);
	const of = $derived(`example ${number}`);
	const errorAt = (field: string) =>
		example.date || example.gives ? faultAt(context, [...place, field]) : undefined;
	function take() {
		example.arises = counted?.counted !== null;
		example.gives = counted?.counted ?? '';
	}
</script>

<fieldset class="border-t border-rule py-2" data-example={number}>
	<legend class="vh">Example {number}</legend>
	<div class="grid grid-cols-1 gap-x-3 sm:grid-cols-2">
		<DayField
			label="Day of the event, {of}"
			value={example.date}
			onday={(day) => (example.date = day)}
			today={context.today}
			error={errorAt('date')}
		/>
		<DayField
			label="The date must be, {of}"
			value={example.gives}
			onday={(day) => {
				example.gives = day;
				if (day) example.arises = true;
			}}
			today={context.today}
			error={errorAt('gives')}
		/>
		{#if served}
			<SelectField label="Served, {of}" bind:value={example.service}>
				<option value="">not said</option>
				{#each context.shape.ways as way (way.id)}
					<option value={way.id}>{way.label}</option>
				{/each}
			</SelectField>
		{/if}
		{#if timed || example.time}
			<TextField label="Time of the event, {of}" bind:value={example.time} hint="like 16:30" />
		{/if}
		<AnswersPart
			bind:answers={example.answers}
			{questions}
			none="not answered"
			days
			{of}
			today={context.today}
		/>
	</div>
	<label class="my-1.5 flex w-fit items-center gap-2">
		<input
			type="checkbox"
			class="accent-petrol"
			bind:checked={
				() => !example.arises,
				(none) => {
					example.arises = !none;
					if (none) example.gives = '';
				}
			}
		/>
		No date arises here, example {number}
	</label>
	<div class="mt-1 flex flex-wrap items-baseline gap-x-4 gap-y-1">
		<p class="min-w-0 grow" role="status">
			{#if !counted}
				<span class="sub">{example.date ? 'Not counted yet.' : 'Give the day of the event.'}</span>
			{:else if agrees && said}
				<b class="font-semibold text-spruce">The count agrees.</b>
				<span class="sub">{counted.sentences.join(' ')}</span>
			{:else}
				<b class="font-semibold {said ? 'text-madder' : ''}">
					The count gives {counted.counted
						? formatDate(counted.counted as PlainDate)
						: 'no date here'}.
				</b>
				<span class="sub">{counted.sentences.join(' ')}</span>
			{/if}
		</p>
		{#if counted && !(agrees && said)}
			<button type="button" class="act" onclick={take}>That is right</button>
		{/if}
		<button type="button" class="act" onclick={onremove}>Take out example {number}</button>
	</div>
</fieldset>
