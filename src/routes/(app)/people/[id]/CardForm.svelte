<!-- The whole card as a form. It begins from what stands each time it is opened. -->
<script lang="ts">
	import FactFields from '$lib/matters/FactFields.svelte';
	import { findPeople } from '$lib/people/find.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { CardContact } from '#server/people/card.ts';
	import type { FunctionField, UnitField } from '#server/people/ties.ts';
	import AddressFields from './AddressFields.svelte';
	import TieFields from './TieFields.svelte';
	import type { PageData } from './$types.js';
	type Props = { data: PageData; ondone: () => void };
	let { data, ondone }: Props = $props();
	// svelte-ignore state_referenced_locally
	const { person, ownFields } = data;
	const base: Record<string, string> = { ...person.fields };
	const parse = <Row,>(text: string | undefined): Row[] => JSON.parse(text || '[]') as Row[];
	const NO_ADDRESS: CardContact = { kind: 'mail', label: '', value: '' };
	const shownContacts = parse<CardContact>(base.contacts);
	let fields = $state<Record<string, string>>({ ...base });
	let contacts = $state(shownContacts.length ? shownContacts : [NO_ADDRESS]);
	let functions = $state(parse<FunctionField>(base.functions));
	let units = $state(parse<UnitField>(base.units));
	let names = $state<Record<string, string>>({ ...person.names });
	let parentName = $state(person.parent?.name ?? '');
	const asked = ownFields.filter(({ retired }) => !retired);
	/** By field, as the parts that find by name want it. */
	let factNames = $state<Record<string, string>>(
		Object.fromEntries(
			asked
				.filter(({ type }) => type === 'person')
				.map(({ key }) => [`fact:${key}`, person.names[base[`fact:${key}`] ?? ''] ?? ''])
		)
	);
	const own = $derived(
		Object.fromEntries(Object.entries(fields).filter(([field]) => /^(fact|more):/.test(field)))
	);

	/** One of two people's values is chosen; `words` is how it reads. */
	function take(field: string, value: string, words: string) {
		fields[field] = value;
		if (field === 'contacts') contacts = parse(value);
		else if (field === 'functions') functions = parse(value);
		else if (field === 'units') units = parse(value);
		else if (field === 'parent') parentName = words;
		else if (field in factNames) factNames[field] = words;
	}
</script>

<ActionForm action="?/edit" {base} {take} ondone={() => ondone()}>
	{#snippet children({ errors, busy })}
		<div class="flex flex-col gap-3.5">
			<input type="hidden" name="parent" value={fields.parent} />
			<input type="hidden" name="contacts" value={JSON.stringify(contacts)} />
			<input type="hidden" name="functions" value={JSON.stringify(functions)} />
			<input type="hidden" name="units" value={JSON.stringify(units)} />
			<input type="hidden" name="own" value={JSON.stringify(own)} />
			<TextField
				label="Name"
				name="name"
				error={errors.name}
				hint="the old name is kept as a former one"
				bind:value={fields.name}
				autocomplete="off"
			/>
			<TextArea
				label="Name as printed"
				name="printed"
				error={errors.printed}
				hint="on letters and envelopes; empty: as above"
				rows={2}
				bind:value={fields.printed}
			/>
			<div class="grid grid-cols-2 gap-3">
				<SelectField label="Is" name="kind" error={errors.kind} bind:value={fields.kind}>
					<option value="person">a person</option>
					<option value="organization">an organization</option>
				</SelectField>
				<SelectField
					label="Standing"
					name="status"
					error={errors.status}
					bind:value={fields.status}
				>
					<option>active</option>
					<option>inactive</option>
					<option>do not contact</option>
				</SelectField>
			</div>
			<div class="grid grid-cols-2 gap-3">
				<Choose
					label="Parent organization"
					name=""
					bind:value={() => fields.parent ?? '', (chosen) => (fields.parent = chosen)}
					bind:typed={
						() => parentName,
						(typed) => {
							parentName = typed;
							if (typed === '') fields.parent = '';
						}
					}
					find={findPeople}
					error={errors.parent}
				/>
				<TextField
					label="Industry"
					name="industry"
					error={errors.industry}
					bind:value={fields.industry}
					autocomplete="off"
				/>
			</div>
			<div class="grid grid-cols-2 gap-3">
				<TextArea
					label="Also known as"
					name="aliases"
					error={errors.aliases ?? errors.names}
					hint="one a line"
					rows={2}
					bind:value={fields.aliases}
				/>
				<TextArea
					label="Former names"
					name="former"
					error={errors.former}
					hint="one a line"
					rows={2}
					bind:value={fields.former}
				/>
			</div>
			<AddressFields bind:contacts error={errors.contacts} />
			<TieFields
				bind:functions
				bind:units
				bind:names
				businessUnits={data.units}
				offered={data.offered}
				{errors}
			/>
			{#if asked.length}
				<FactFields
					kind={{ facts: asked, groups: [] }}
					bind:fields
					bind:names={factNames}
					{errors}
				/>
			{/if}
			<TextField
				label="Categories"
				name="categories"
				error={errors.categories}
				hint="divided by commas: used to filter and for group letters"
				bind:value={fields.categories}
			/>
			<TextArea label="Note" name="note" error={errors.note} rows={3} bind:value={fields.note} />
			<div class="sticky bottom-[-24px] -mx-[22px] border-t border-rule bg-white px-[22px] py-3">
				<button class="btn go" disabled={busy}>Save the card</button>
			</div>
		</div>
	{/snippet}
</ActionForm>
