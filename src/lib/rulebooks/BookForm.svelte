<!--
	A book as a form, for people who do not write YAML: one event at a time. What is changed is
	written into the same text that can be read and kept; everything else in it stays as it was.
-->
<script lang="ts">
	import { tick } from 'svelte';
	import { parseDocument } from 'yaml';
	import { readBookForm, writeBookForm } from '#core/rulebooks/book-form.ts';
	import { emptyEvent } from '#core/rulebooks/form-rows.ts';
	import type { ExampleView, Fault } from '#server/rulebooks/check.ts';
	import type { BookShape } from '#server/rulebooks/shape.ts';
	import { askServer } from '$lib/ui/ask.ts';
	import { plural } from '$lib/ui/format.ts';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import BelowPart from './form/BelowPart.svelte';
	import { faultsWithin, type FormContext } from './form/context.ts';
	import EventPart from './form/EventPart.svelte';
	import FactsPart from './form/FactsPart.svelte';
	import { mergeYaml } from './merge-yaml.ts';
	type Props = {
		yaml: string;
		shape: BookShape;
		faults: readonly Fault[];
		examples: readonly ExampleView[];
		today: string;
		isNew: boolean;
		/** The event that is open; -1 is the book itself. */
		at: number;
		/** The date of it that is open first, by its id. */
		rule: string;
	};
	let {
		yaml = $bindable(),
		shape,
		faults,
		examples,
		today,
		isNew,
		at = $bindable(),
		rule
	}: Props = $props();
	const document = parseDocument(yaml);
	let form = $state(readBookForm(document.toJS()));
	// svelte-ignore state_referenced_locally
	let written = writeBookForm($state.snapshot(form));
	$effect(() => {
		const now = writeBookForm($state.snapshot(form));
		if (JSON.stringify(now) === JSON.stringify(written)) return;
		mergeYaml(document, written, now);
		written = now;
		yaml = document.toString({ lineWidth: 0 });
	});
	/** Another book below, or another to count by, gives other things to choose from. */
	let other = $state<BookShape>();
	let asked = '';
	$effect(() => {
		const under = { book: isNew ? '' : form.book, below: form.extends, counts: form.counts };
		const key = JSON.stringify(under);
		if (asked === '') asked = key;
		if (asked === key && !isNew) return;
		asked = key;
		void askServer<BookShape>('/api/preview/book-shape', under).then((answer) => {
			if (answer.ok && asked === key) other = answer.value;
		});
	});
	const context = $derived<FormContext>({ shape: other ?? shape, faults, examples, today });
	const lawful = $derived(['', 'court', 'agency'].includes(form.sort));
	let parts = $state<HTMLElement>();

	async function addEvent() {
		form.events.push(emptyEvent());
		at = form.events.length - 1;
		await tick();
		parts?.querySelector<HTMLElement>('input')?.focus();
	}
	const faultsOf = (index: number) => {
		const found = faultsWithin(context, ['events', index]);
		return found ? ` (${plural(found, 'fault')})` : '';
	};
</script>

<div class="flex flex-wrap items-end gap-3">
	<SelectField
		label="Part of the book"
		class="min-w-[240px] grow"
		bind:value={() => String(at), (chosen) => (at = Number(chosen))}
	>
		<option value="-1">The book itself</option>
		{#each form.events as { event }, index (index)}
			<option value={String(index)}>{event || 'a new event'}{faultsOf(index)}</option>
		{/each}
	</SelectField>
	<button type="button" class="btn" onclick={addEvent}>One more event</button>
</div>
<div class="mt-4" bind:this={parts}>
	{#key at}
		{#if form.events[at]}
			<EventPart
				bind:event={form.events[at]!}
				{at}
				{context}
				{lawful}
				{rule}
				onremove={() => {
					form.events.splice(at, 1);
					at = -1;
				}}
			/>
		{:else}
			<Section title="The book itself">
				<FactsPart bind:form {context} {isNew} />
			</Section>
			{#if form.extends}
				<BelowPart bind:form {context} />
			{/if}
		{/if}
	{/key}
</div>
