<!-- A date that an event sets: what is due, by what authority, how it is counted, its examples. -->
<script lang="ts">
	import type { FormDeadline } from '#core/rulebooks/book-form.ts';
	import { emptyExample, emptyVariant } from '#core/rulebooks/form-rows.ts';
	import type { Question } from '#core/rulebooks/book.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { faultAt, type Choice, type FormContext } from './context.ts';
	import CountPart from './CountPart.svelte';
	import ExampleRow from './ExampleRow.svelte';
	import VariantPart from './VariantPart.svelte';
	import WhenPart from './WhenPart.svelte';
	type Props = {
		deadline: FormDeadline;
		context: FormContext;
		place: (string | number)[];
		questions: readonly Question[];
		starts: readonly Choice[];
		served: boolean;
		/** Who does it, asked in a book of the department's own. */
		owned: boolean;
		/** Its words were changed: what hangs on it follows. */
		ontitle: (before: string) => void;
	};
	let {
		deadline = $bindable(),
		context,
		place,
		questions,
		starts,
		served,
		owned,
		ontitle
	}: Props = $props();
	let before = '';
	const at = (...path: (string | number)[]) => faultAt(context, [...place, ...path]);
	const timed = $derived(
		JSON.stringify([deadline.count, deadline.variants]).includes('"unit":"h"')
	);
	const choices = $derived(questions.some(({ kind }) => kind === 'choice'));
</script>

<div class="grid grid-cols-1 gap-x-3 gap-y-2 sm:grid-cols-2">
	<TextField
		label="What is due"
		bind:value={deadline.title}
		error={at('title')}
		autocomplete="off"
		onfocus={() => (before = deadline.title)}
		onblur={() => ontitle(before)}
	/>
	<TextField
		label="Authority"
		bind:value={deadline.authority}
		error={at('authority')}
		hint="the rule, as it is cited"
		autocomplete="off"
	/>
	<SelectField label="What is done" bind:value={deadline.act} error={at('act')}>
		<option value="file">it is filed with a court or an agency</option>
		<option value="serve">it is served, or done otherwise</option>
	</SelectField>
	{#if owned}
		<TextField label="Who does it" bind:value={deadline.owner} error={at('owner')} />
	{:else}
		<TextField
			label="Tags"
			bind:value={deadline.tags}
			error={at('tags')}
			hint="by which dates are found together: motion, discovery"
			autocomplete="off"
		/>
	{/if}
</div>

<h4 class="mt-4 font-semibold">Count</h4>
{#if deadline.variants.length}
	<label class="flex items-center gap-2">
		<input type="checkbox" class="accent-petrol" bind:checked={deadline.hasCount} />
		There is a count also where no variant holds
	</label>
{/if}
{#if deadline.hasCount}
	<CountPart
		bind:count={deadline.count}
		{starts}
		dayWord={context.shape.dayWord}
		error={at('count') ?? at('count', 'count')}
	/>
{/if}
{#each deadline.variants as _, index (index)}
	<VariantPart
		bind:variant={deadline.variants[index]!}
		number={index + 1}
		{context}
		place={[...place, 'variants', index]}
		{questions}
		{starts}
		onremove={() => {
			deadline.variants.splice(index, 1);
			if (deadline.variants.length === 0) deadline.hasCount = true;
		}}
		onraise={index === 0
			? undefined
			: () =>
					deadline.variants.splice(
						index - 1,
						2,
						deadline.variants[index]!,
						deadline.variants[index - 1]!
					)}
	/>
{/each}
<button type="button" class="act mt-2" onclick={() => deadline.variants.push(emptyVariant())}>
	{choices ? 'Count otherwise after an answer' : 'Count otherwise before a day'}
</button>

<h4 class="mt-4 font-semibold">Examples</h4>
{#each deadline.examples as _, index (index)}
	<ExampleRow
		bind:example={deadline.examples[index]!}
		number={index + 1}
		{context}
		place={[...place, 'examples', index]}
		{questions}
		{served}
		{timed}
		onremove={() => deadline.examples.splice(index, 1)}
	/>
{:else}
	<p class="sub">A day in, and the date that must come out, worked out by hand.</p>
{/each}
<button type="button" class="act mt-2" onclick={() => deadline.examples.push(emptyExample())}>
	One more example
</button>

<details class="mt-4">
	<summary class="act w-fit">Words of the rule, when it arises, notes</summary>
	<div class="mt-2 grid gap-2">
		<TextArea
			label="The rule's own words"
			bind:value={deadline.text}
			error={at('text')}
			rows={3}
			hint="read from every list where the date stands"
		/>
		<TextField
			label="Where it can be read"
			bind:value={deadline.link}
			error={at('link')}
			type="url"
		/>
		<TextField label="Note" bind:value={deadline.note} error={at('note')} />
		<SelectField label="Counted as another book counts" bind:value={deadline.by} error={at('by')}>
			<option value="">no</option>
			{#each context.shape.books as { id, title } (id)}<option value={id}>{title}</option>{/each}
		</SelectField>
		<WhenPart bind:when={deadline.only} {questions} of="it arises" today={context.today} />
	</div>
</details>
