<!-- One fact as a field, by its sort. -->
<script lang="ts">
	import { page } from '$app/state';
	import type { Fact } from '#core/kinds/fact.ts';
	import { findPeople } from '$lib/people/find.ts';
	import Choose from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Field from '$lib/ui/Field.svelte';
	type Props = {
		fact: Fact;
		/** Its place in the form, under which its name is kept where it is a person. */
		field: string;
		value: string;
		names: Record<string, string>;
		error: string | undefined;
	};
	let { fact, field, value = $bindable(), names = $bindable(), error }: Props = $props();
	const isFigure = $derived(fact.type === 'money' || fact.type === 'number');
	const isSelect = $derived(['choice', 'yesno', 'coded'].includes(fact.type));
	const options = $derived.by((): [value: string, label: string][] => {
		if (fact.type === 'yesno') return ['yes', 'no'].map((one) => [one, one]);
		if (fact.type === 'choice') return (fact.options ?? []).map((one) => [one, one]);
		return (fact.codes ?? []).map(({ code, label }) => [code, `${code} ${label}`]);
	});
	const typed = $derived(names[field] ?? (value.startsWith('new:') ? value.slice(4) : ''));
	function type(text: string) {
		names[field] = text;
		if (text === '') value = '';
	}
</script>

{#if fact.type === 'date'}
	<DateField name="" label={fact.name} bind:value today={page.data.today} {error} />
{:else if fact.type === 'person'}
	<Choose
		label={fact.name}
		name=""
		bind:value
		bind:typed={() => typed, type}
		find={findPeople}
		offer={(text) => ({ value: `new:${text}`, label: text, about: 'make a new card' })}
		{error}
		placeholder="Type a name"
	/>
{:else}
	<Field label={fact.name} {error}>
		{#snippet children(given)}
			{#if fact.type === 'long'}
				<textarea class="box" rows={3} bind:value {...given}></textarea>
			{:else if isSelect}
				<select class="box" bind:value {...given}>
					<option value="">–</option>
					{#each options as [code, label] (code)}<option value={code}>{label}</option>{/each}
				</select>
			{:else}
				<input
					class="box"
					class:num={isFigure}
					bind:value
					inputmode={isFigure ? 'decimal' : undefined}
					autocomplete="off"
					{...given}
				/>
			{/if}
		{/snippet}
	</Field>
{/if}
