<!-- Mail, phones, addresses, web pages: as many as there are. -->
<script lang="ts">
	import type { CardContact } from '#server/people/card.ts';
	import { CONTACT_WORDS } from './words.ts';
	type Props = { contacts: CardContact[]; error: string | undefined };
	let { contacts = $bindable(), error }: Props = $props();
</script>

<fieldset data-field="contacts">
	<legend class="label">Addresses</legend>
	{#each contacts as contact, at (at)}
		<div class="mb-1.5 grid grid-cols-[96px_92px_minmax(0,1fr)_auto] gap-2">
			<select class="box" bind:value={contact.kind} aria-label="Sort of address {at + 1}">
				{#each Object.entries(CONTACT_WORDS) as [kind, word] (kind)}
					<option value={kind}>{word}</option>
				{/each}
			</select>
			<input
				class="box"
				bind:value={contact.label}
				list="address-labels"
				placeholder="work"
				aria-label="Label of address {at + 1}"
			/>
			{#if contact.kind === 'address'}
				<textarea class="box" rows={2} bind:value={contact.value} aria-label="Address {at + 1}"
				></textarea>
			{:else}
				<input
					class="box"
					bind:value={contact.value}
					aria-label="Address {at + 1}"
					autocomplete="off"
				/>
			{/if}
			<button
				type="button"
				class="act"
				onclick={() => contacts.splice(at, 1)}
				aria-label="Remove address {at + 1}">remove</button
			>
		</div>
	{/each}
	<datalist id="address-labels">
		<option>work</option>
		<option>home</option>
		<option>cell</option>
		<option>fax</option>
		<option>statements</option>
	</datalist>
	{#if error}<p class="fault" role="alert">{error}</p>{/if}
	<button
		type="button"
		class="act"
		onclick={() => contacts.push({ kind: 'phone', label: '', value: '' })}
	>
		Add an address
	</button>
</fieldset>
