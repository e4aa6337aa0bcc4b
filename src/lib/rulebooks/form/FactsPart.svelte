<!-- What a book is: its name, its version, its review, and what it lies over. -->
<script lang="ts">
	import type { BookForm } from '#core/rulebooks/book-form.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { faultAt, type FormContext } from './context.ts';
	import DayField from './DayField.svelte';
	type Props = { form: BookForm; context: FormContext; isNew: boolean };
	let { form = $bindable(), context, isNew }: Props = $props();
	const at = (field: string) => faultAt(context, [field]);
	const others = $derived(context.shape.books.filter(({ id }) => id !== form.book));
</script>

<div class="grid grid-cols-1 gap-x-3 gap-y-2 sm:grid-cols-2">
	<TextField label="Title" bind:value={form.title} error={at('title')} autocomplete="off" />
	<TextField
		label="Short title"
		bind:value={form.short}
		error={at('short')}
		hint="as it stands beside a date"
		autocomplete="off"
	/>
	<TextField
		label="Name in the house"
		bind:value={form.book}
		error={at('book')}
		readonly={!isNew}
		hint={isNew ? 'small letters, digits, points: own.harbor-court' : 'a version keeps it'}
		autocomplete="off"
	/>
	<TextField
		label="Version"
		bind:value={form.version}
		error={at('version')}
		hint="another for each version that is saved"
		autocomplete="off"
	/>
	<SelectField
		label="Whose rules they are"
		bind:value={() => form.sort || 'court', (sort) => (form.sort = sort ?? 'court')}
		error={at('sort')}
		hint="a court's and an agency's need two examples for each date"
	>
		<option value="court">a court's</option>
		<option value="agency">an agency's</option>
		<option value="transaction">a transaction timeline</option>
		<option value="compliance">a compliance calendar</option>
	</SelectField>
	<DayField
		label="Last reviewed"
		value={form.reviewed}
		onday={(day) => (form.reviewed = day)}
		today={context.today}
		error={at('reviewed')}
	/>
	<SelectField
		label="Lies over"
		bind:value={form.extends}
		error={at('extends')}
		hint="its events and its way of counting hold here too"
	>
		<option value="">no other book</option>
		{#each others as { id, title } (id)}<option value={id}>{title}</option>{/each}
	</SelectField>
	<SelectField
		label="Counts as"
		bind:value={form.counts}
		error={at('counts')}
		hint="the closed days and services of another book, without its events"
	>
		<option value="">it lies over, or says itself</option>
		{#each others as { id, title } (id)}<option value={id}>{title}</option>{/each}
	</SelectField>
</div>
<TextArea
	label="What counts otherwise than before"
	bind:value={form.changed}
	error={at('changed')}
	rows={2}
	hint="said where its dates change; leave it empty where nothing does"
	class="mt-2"
/>
{#if form.rest['method']}
	<p class="sub mt-2">
		This book says itself how its court counts: closed days, services, rolling. That is changed in
		the text.
	</p>
{/if}
