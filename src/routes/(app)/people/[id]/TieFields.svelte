<!-- Who does what for this card, and what it is for our business units. -->
<script lang="ts">
	import { findPeople } from '$lib/people/find.ts';
	import Choose from '$lib/ui/Choose.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { FunctionField, UnitField } from '#server/people/ties.ts';
	type Props = {
		functions: FunctionField[];
		units: UnitField[];
		/** By id. */
		names: Record<string, string>;
		businessUnits: readonly { id: string; name: string }[];
		offered: { functions: readonly string[]; relations: readonly string[] };
		errors: Record<string, string>;
	};
	let {
		functions = $bindable(),
		units = $bindable(),
		names = $bindable(),
		businessUnits,
		offered,
		errors
	}: Props = $props();
	/** What is typed where nobody is chosen yet. */
	let typed = $state<Record<number, string>>({});
	function removeFunction(at: number) {
		functions.splice(at, 1);
		typed = {};
	}
</script>

<fieldset data-field="functions">
	<legend class="label">Who does what for it</legend>
	{#each functions as row, at (at)}
		<div class="mb-2 grid grid-cols-[150px_minmax(0,1fr)_auto] items-end gap-2">
			<TextField
				label="What {at + 1}"
				bind:value={row.function}
				list="card-functions"
				autocomplete="off"
			/>
			<Choose
				label="Who {at + 1}"
				name=""
				bind:value={row.contact}
				bind:typed={
					() => names[row.contact] ?? typed[at] ?? '',
					(text) => {
						typed[at] = text;
						if (text !== names[row.contact]) row.contact = '';
					}
				}
				onpick={({ value, label }) => (names[value] = label)}
				find={findPeople}
			/>
			<button
				type="button"
				class="act pb-2"
				onclick={() => removeFunction(at)}
				aria-label="Remove who {at + 1}">remove</button
			>
		</div>
	{/each}
	<datalist id="card-functions">
		{#each offered.functions as one (one)}<option>{one}</option>{/each}
	</datalist>
	{#if errors.functions}<p class="fault" role="alert">{errors.functions}</p>{/if}
	<button type="button" class="act" onclick={() => functions.push({ function: '', contact: '' })}>
		Add somebody
	</button>
</fieldset>
<fieldset data-field="units">
	<legend class="label">For our business units</legend>
	{#each units as row, at (at)}
		<div class="mb-2 grid grid-cols-[minmax(0,1fr)_110px_minmax(0,1fr)_auto] items-end gap-2">
			<SelectField label="Unit {at + 1}" bind:value={row.unit}>
				<option value="">Choose</option>
				{#each businessUnits as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</SelectField>
			<TextField
				label="Is its {at + 1}"
				bind:value={row.relation}
				list="card-relations"
				autocomplete="off"
			/>
			<TextField label="Reference {at + 1}" bind:value={row.reference} autocomplete="off" />
			<button
				type="button"
				class="act pb-2"
				onclick={() => units.splice(at, 1)}
				aria-label="Remove unit {at + 1}">remove</button
			>
		</div>
	{/each}
	<datalist id="card-relations">
		{#each offered.relations as one (one)}<option>{one}</option>{/each}
	</datalist>
	{#if errors.units}<p class="fault" role="alert">{errors.units}</p>{/if}
	<button
		type="button"
		class="act"
		onclick={() => units.push({ unit: '', relation: '', reference: '' })}
	>
		Add a business unit
	</button>
</fieldset>
