<!-- Rules of the book below that do not apply here, or count otherwise. -->
<script lang="ts">
	import type { BookForm } from '#core/rulebooks/book-form.ts';
	import { emptyReplace } from '#core/rulebooks/form-rows.ts';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { faultAt, type FormContext } from './context.ts';
	import CountPart from './CountPart.svelte';
	type Props = { form: BookForm; context: FormContext };
	let { form = $bindable(), context }: Props = $props();
	const rules = $derived(
		context.shape.events.flatMap((event) =>
			event.rules.map((rule) => ({
				id: `${event.id}/${rule.id}`,
				label: `${event.text}: ${rule.title}`
			}))
		)
	);
	const labelOf = (id: string) => rules.find((rule) => rule.id === id)?.label ?? id;
	let more = $state('');
	function switchOff() {
		if (more && !form.off.includes(more)) form.off.push(more);
		more = '';
	}
</script>

<Section title="Rules below that do not apply here" class="mt-5">
	{#each form.off as id, index (id)}
		<div class="row flex items-baseline gap-3 py-1">
			<span class="min-w-0 grow">{labelOf(id)}</span>
			<button
				type="button"
				class="btn slight"
				aria-label="Let “{labelOf(id)}” apply again"
				onclick={() => form.off.splice(index, 1)}>×</button
			>
		</div>
	{/each}
	<div class="mt-2 flex items-end gap-3">
		<SelectField label="A rule that does not apply" bind:value={more} class="min-w-0 grow">
			<option value="">choose a rule</option>
			{#each rules.filter(({ id }) => !form.off.includes(id)) as { id, label } (id)}
				<option value={id}>{label}</option>
			{/each}
		</SelectField>
		<button type="button" class="btn" onclick={switchOff}>Switch it off</button>
	</div>
</Section>
<Section title="Rules below that count otherwise here" class="mt-5">
	{#each form.replace as _, index (index)}
		{@const of = `rule ${index + 1}`}
		<fieldset class="border-t border-rule py-2">
			<legend class="vh">Rule {index + 1} that counts otherwise</legend>
			<div class="grid grid-cols-1 gap-x-3 gap-y-2 sm:grid-cols-2">
				<SelectField
					label="Which, {of}"
					bind:value={form.replace[index]!.rule}
					error={faultAt(context, ['replace', index, 'rule'])}
				>
					<option value="">choose a rule</option>
					{#each rules as { id, label } (id)}<option value={id}>{label}</option>{/each}
				</SelectField>
				<TextField
					label="By what authority, {of}"
					bind:value={form.replace[index]!.authority}
					error={faultAt(context, ['replace', index, 'authority'])}
				/>
			</div>
			<CountPart
				bind:count={form.replace[index]!.count}
				starts={[{ value: 'event', label: 'the event' }]}
				dayWord={context.shape.dayWord}
				{of}
				error={faultAt(context, ['replace', index, 'count'])}
			/>
			<TextField label="Note, {of}" bind:value={form.replace[index]!.note} class="mt-2" />
			<button type="button" class="act mt-1" onclick={() => form.replace.splice(index, 1)}>
				Let {of} count as below
			</button>
		</fieldset>
	{/each}
	<button type="button" class="act mt-2" onclick={() => form.replace.push(emptyReplace())}>
		One more rule that counts otherwise
	</button>
</Section>
