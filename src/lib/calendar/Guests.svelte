<!-- People from outside who are at an appointment: found among the cards, or written down. -->
<script lang="ts">
	import { findPeople } from '$lib/people/find.ts';
	import Choose from '$lib/ui/Choose.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	type Guest = { personId: string; name: string; email: string };
	type Props = { guests: Guest[]; error?: string | undefined };
	let { guests = $bindable(), error }: Props = $props();
	const add = () => guests.push({ personId: '', name: '', email: '' });
</script>

<div class="flex flex-col gap-2">
	{#each guests as guest, at (at)}
		<div class="grid grid-cols-[1fr_1fr_auto] items-start gap-3">
			<div>
				<Choose
					label="From outside, {at + 1}"
					name="guests.{at}.personId"
					bind:value={guest.personId}
					bind:typed={guest.name}
					find={findPeople}
					free
					placeholder="type a name"
				/>
				<input type="hidden" name="guests.{at}.name" value={guest.name} />
			</div>
			<TextField
				label="Mail address"
				name="guests.{at}.email"
				bind:value={guest.email}
				autocomplete="off"
			/>
			<button type="button" class="act mt-7" onclick={() => guests.splice(at, 1)}>remove</button>
		</div>
	{/each}
	{#if error}<p class="fault">{error}</p>{/if}
	{#if guests.length}
		<p class="sub">
			Whoever has an address gets an invitation by mail: what it is about, when and where. Of a
			private one nothing is sent.
		</p>
	{/if}
	<div>
		<button type="button" class="act" onclick={add}>
			{guests.length ? 'One more from outside' : 'Somebody from outside'}
		</button>
	</div>
</div>
