<!--
	Restricted matters that nobody can open any more: given to a lawyer, which others are told of.
-->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import type { Orphan } from '#server/accounts/take-over.ts';
	type Account = { id: string; name: string; active: 0 | 1; isLawyer: boolean };
	type Props = { orphans: readonly Orphan[]; accounts: readonly Account[]; me: string };
	let { orphans, accounts, me }: Props = $props();
	const active = $derived(accounts.filter((account) => account.active));
	let matterId = $state('');
	let lawyerId = $state('');
	let witnessId = $state('');
	let reason = $state('');
</script>

<Section
	title="Restricted matters with nobody left"
	about="you put a lawyer on, and do not read it; who was on it and a second person are told"
	class="mt-7 max-w-form"
>
	{#each orphans as { id, number, closed, by } (id)}
		<div class="row py-2" data-orphan={number}>
			<div class="flex flex-wrap items-baseline gap-x-4">
				<b class="font-semibold">{number}</b>
				<span class="sub grow">{closed ? 'closed, ' : ''}was {by}’s</span>
				{#if matterId !== id}
					<button type="button" class="act" onclick={() => (matterId = id)}>put a lawyer on</button>
				{/if}
			</div>
			{#if matterId === id}
				<ActionForm
					action="?/takeOver"
					class="phone:grid-cols-1 mt-2 grid grid-cols-2 gap-3"
					ondone={({ lawyer }) => {
						matterId = '';
						say(`${String(lawyer)} is responsible for ${number} now; the others are told.`);
					}}
				>
					{#snippet children({ errors, busy })}
						<input type="hidden" name="matterId" value={id} />
						<SelectField
							label="Responsible lawyer"
							name="lawyerId"
							bind:value={lawyerId}
							error={errors.lawyerId}
						>
							<option value="">choose</option>
							{#each active.filter((one) => one.isLawyer) as one (one.id)}
								<option value={one.id}>{one.name}</option>
							{/each}
						</SelectField>
						<SelectField
							label="Second person, who is told"
							name="witnessId"
							bind:value={witnessId}
							error={errors.witnessId}
						>
							<option value="">choose</option>
							{#each active.filter((one) => one.id !== me && one.id !== lawyerId) as one (one.id)}
								<option value={one.id}>{one.name}</option>
							{/each}
						</SelectField>
						<TextField
							label="Reason"
							name="reason"
							bind:value={reason}
							error={errors.reason}
							class="col-span-full"
						/>
						<div class="col-span-full flex gap-2">
							<button class="btn" disabled={busy}>Put them on</button>
							<button type="button" class="btn" onclick={() => (matterId = '')}>Cancel</button>
						</div>
					{/snippet}
				</ActionForm>
			{/if}
		</div>
	{/each}
</Section>
