<!-- One account: who it is, its sessions, a link for its password, and its end. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { plural } from '$lib/ui/format.ts';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { PageData } from './$types.js';
	import PasswordLink from './PasswordLink.svelte';
	import PersonFields from './PersonFields.svelte';
	type Account = PageData['accounts'][number];
	type Props = {
		open: boolean;
		account: Account;
		accounts: readonly Account[];
		roles: PageData['roles'];
		levels: readonly string[];
		/** It is the viewer's own. */
		own: boolean;
	};
	let { open = $bindable(), account, accounts, roles, levels, own }: Props = $props();
	// svelte-ignore state_referenced_locally
	let person = $state({
		name: account.name,
		email: account.email,
		role: account.role as string,
		level: account.level,
		office: account.office
	});
	const take = (field: string, value: string) => void Object.assign(person, { [field]: value });
	let link = $state('');
	let toId = $state('');
	let witnessId = $state('');
	const held = $derived(
		[
			account.held.matters && plural(account.held.matters, 'open matter'),
			account.held.tasks && plural(account.held.tasks, 'task'),
			account.held.dates && plural(account.held.dates, 'date'),
			account.held.papers && plural(account.held.papers, 'paper')
		].filter(Boolean)
	);
	const successors = $derived(
		accounts.filter(
			({ id, active, isLawyer, role }) =>
				active &&
				id !== account.id &&
				role !== 'business-partner' &&
				(isLawyer || !account.held.matters)
		)
	);
	const witnesses = $derived(
		accounts.filter(
			({ id, active, role }) =>
				active && id !== account.id && id !== toId && role !== 'business-partner'
		)
	);
</script>

<Drawer bind:open title={account.name} about="signs in as {account.login}">
	{#if account.active}
		<ActionForm
			action="?/change"
			base={person}
			{take}
			ondone={() => say('The account is changed.')}
		>
			{#snippet children({ errors, busy })}
				<div class="flex flex-col gap-3">
					<input type="hidden" name="staffId" value={account.id} />
					<PersonFields bind:person {roles} {levels} {errors} />
					<div><button class="btn go" disabled={busy}>Save</button></div>
				</div>
			{/snippet}
		</ActionForm>
		<Section title="Getting in" class="mt-6">
			<div class="row flex min-h-10 items-center gap-3">
				<span class="grow">
					{account.sessions ? plural(account.sessions, 'session') : 'Not signed in'}
				</span>
				{#if account.sessions && !own}
					<RowAction action="?/sessions" fields={{ staffId: account.id }}>end them</RowAction>
				{/if}
			</div>
			<div class="row flex min-h-10 items-center gap-3">
				<span class="grow">
					{account.factors ? plural(account.factors, 'second factor') : 'No second factor'}
				</span>
				{#if account.factors && !own}
					<RowAction
						action="?/factors"
						fields={{ staffId: account.id }}
						ondone={() => say('They are asked for none any more, and signed out.')}
						>remove them</RowAction
					>
				{/if}
			</div>
			<ActionForm
				action="?/link"
				class="mt-2"
				stay
				ondone={({ link: made }) => void (link = String(made))}
			>
				{#snippet children({ busy })}
					<input type="hidden" name="staffId" value={account.id} />
					<button class="btn" disabled={busy}>Make a link for a new password</button>
				{/snippet}
			</ActionForm>
			{#if link}<PasswordLink {link} name={account.name} />{/if}
		</Section>
		{#if !own}
			<Section title="When they leave" class="mt-6">
				<ActionForm
					action="?/end"
					class="mt-2 flex flex-col gap-3"
					ondone={() => {
						open = false;
						say('The account is ended, and what it held is handed over.');
					}}
				>
					{#snippet children({ errors, busy })}
						<input type="hidden" name="staffId" value={account.id} />
						<p class="sub">
							{held.length ? `Holds ${held.join(', ')}.` : 'Holds nothing.'} Sessions and calendar addresses
							end at once; what was done stays under their name.
						</p>
						{#if held.length}
							<SelectField label="Who takes over" name="toId" bind:value={toId} error={errors.toId}>
								<option value="">Choose</option>
								{#each successors as { id, name } (id)}<option value={id}>{name}</option>{/each}
							</SelectField>
						{/if}
						{#if account.held.restricted}
							<SelectField
								label="Who is told"
								name="witnessId"
								bind:value={witnessId}
								error={errors.witnessId}
								hint="Among them {plural(
									account.held.restricted,
									'restricted matter'
								)}: a third colleague is told where who takes over was not on it."
							>
								<option value="">Choose</option>
								{#each witnesses as { id, name } (id)}<option value={id}>{name}</option>{/each}
							</SelectField>
						{/if}
						<div><button class="btn" disabled={busy}>End the account</button></div>
					{/snippet}
				</ActionForm>
			</Section>
		{/if}
	{:else}
		<p>This account is not in use any more.</p>
	{/if}
</Drawer>
