<!-- An early warning: so long before a date of the event. -->
<script lang="ts">
	import { normalizeSpan } from '#core/docket/amount.ts';
	import type { FormSuggestion } from '#core/rulebooks/book-form.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { Choice } from './context.ts';
	type Props = {
		suggestion: FormSuggestion;
		number: number;
		dates: readonly Choice[];
		error: string | undefined;
		onremove: () => void;
	};
	let { suggestion = $bindable(), number, dates, error, onremove }: Props = $props();
	const of = $derived(`warning ${number}`);
</script>

<div
	class={[
		'grid grid-cols-1 gap-x-3 border-t border-rule py-2',
		'sm:grid-cols-[minmax(0,1fr)_130px_minmax(0,1fr)_auto]'
	]}
>
	<TextField label="What to look at, {of}" bind:value={suggestion.title} autocomplete="off" />
	<TextField
		label="How long, {of}"
		bind:value={suggestion.count}
		{error}
		hint="7 days before"
		autocomplete="off"
		onblur={() => (suggestion.count = normalizeSpan(suggestion.count))}
	/>
	<SelectField label="Of which date, {of}" bind:value={suggestion.of}>
		<option value="">choose a date</option>
		{#each dates as { value, label } (value)}<option {value}>{label}</option>{/each}
		{#if suggestion.of && !dates.some(({ value }) => value === suggestion.of)}
			<option value={suggestion.of}>{suggestion.of}, which is not there</option>
		{/if}
	</SelectField>
	<button type="button" class="btn slight mt-6 h-8" aria-label="Take out {of}" onclick={onremove}
		>×</button
	>
</div>
