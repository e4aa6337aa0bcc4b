<!-- Another count for where an answer says so; of several, the first that holds counts. -->
<script lang="ts">
	import type { FormVariant } from '#core/rulebooks/book-form.ts';
	import type { Question } from '#core/rulebooks/book.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import { faultAt, type Choice, type FormContext } from './context.ts';
	import CountPart from './CountPart.svelte';
	import WhenPart from './WhenPart.svelte';
	type Props = {
		variant: FormVariant;
		number: number;
		context: FormContext;
		place: (string | number)[];
		questions: readonly Question[];
		starts: readonly Choice[];
		onremove: () => void;
		onraise: (() => void) | undefined;
	};
	let {
		variant = $bindable(),
		number,
		context,
		place,
		questions,
		starts,
		onremove,
		onraise
	}: Props = $props();
	const of = $derived(`variant ${number}`);
</script>

<fieldset class="mt-2 border-t border-rule pt-2">
	<legend class="vh">Variant {number}</legend>
	<WhenPart bind:when={variant.when} {questions} {of} today={context.today} />
	<CountPart
		bind:count={variant.count}
		{starts}
		dayWord={context.shape.dayWord}
		{of}
		error={faultAt(context, [...place, 'count'])}
	/>
	<TextField
		label="What is said of it, {of}"
		bind:value={variant.note}
		error={faultAt(context, [...place, 'when'])}
		class="mt-2"
	/>
	<div class="mt-4 flex gap-4">
		{#if onraise}
			<button type="button" class="act mt-0" onclick={onraise}>Ask variant {number} earlier</button>
		{/if}
		<button type="button" class="act mt-0" onclick={onremove}>Take out variant {number}</button>
	</div>
</fieldset>
