<!-- Everyone else a new matter is about, each in a role: a known card, or a name for a new one. -->
<script lang="ts">
	import Choose from '$lib/ui/Choose.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { findPeople } from '$lib/people/find.ts';
	import NearNames from './NearNames.svelte';
	import type { PartyLine } from './opening.svelte.ts';
	type Props = {
		parties: PartyLine[];
		roles: readonly string[];
		errors: Record<string, string>;
	};
	let { parties = $bindable(), roles, errors }: Props = $props();
	const isNew = ({ personId, name }: PartyLine) =>
		personId === 'new' || (personId === '' && name.trim() !== '');
	const faultOf = (at: number) => errors[`parties.${at}.name`] ?? errors[`parties.${at}.personId`];
	const add = () => parties.push({ role: '', personId: '', name: '', kind: 'person' });
</script>

{#each parties as party, at (at)}
	<div class="row grid grid-cols-[minmax(0,150px)_minmax(0,1fr)] gap-x-3 gap-y-1 pb-2.5">
		<SelectField
			label="Role"
			name="parties.{at}.role"
			bind:value={party.role}
			error={errors[`parties.${at}.role`]}
		>
			<option value="">Choose</option>
			{#each roles as role (role)}<option>{role}</option>{/each}
		</SelectField>
		<Choose
			label="Who, {at + 1}"
			name="parties.{at}.chosen"
			bind:value={party.personId}
			bind:typed={party.name}
			free
			find={findPeople}
			offer={(typed) => ({ value: 'new', label: typed, about: 'make a new card' })}
			error={faultOf(at)}
		/>
		<input
			type="hidden"
			name="parties.{at}.personId"
			value={party.personId === 'new' ? '' : party.personId}
		/>
		<input type="hidden" name="parties.{at}.name" value={isNew(party) ? party.name : ''} />
		{#if isNew(party)}
			<NearNames
				class="col-span-2"
				typed={party.name}
				onchoose={({ value, label }) => {
					party.personId = value;
					party.name = label;
				}}
			/>
			<fieldset class="col-span-2 flex gap-4">
				<legend class="vh">The new card of {party.name} is of</legend>
				<label>
					<input type="radio" name="parties.{at}.kind" value="person" bind:group={party.kind} />
					a person
				</label>
				<label>
					<input
						type="radio"
						name="parties.{at}.kind"
						value="organization"
						bind:group={party.kind}
					/> an organization
				</label>
			</fieldset>
		{/if}
		<div class="col-span-2">
			<button
				type="button"
				class="act"
				aria-label="Remove person {at + 1}"
				onclick={() => parties.splice(at, 1)}>remove</button
			>
		</div>
	</div>
{/each}
<div>
	<button type="button" class="act" onclick={add}>
		{parties.length ? 'One more person or organization' : 'Counsel, judge, insurer, others'}
	</button>
</div>
