<!-- Who is on the matter from outside, in which role, and how they are reached. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { findPeople } from '$lib/people/find.ts';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	const caption = $derived(data.caption);
	let adding = $state(false),
		person = $state(''),
		typed = $state(''),
		newKind = $state('person'),
		role = $state(''),
		fromDay = $state('');
	let changing = $state<PageData['people'][number] | null>(null),
		rFrom = $state(''),
		rTo = $state(''),
		rNote = $state('');
	let byRole = $state('');
	const listed = $derived(data.addresses.filter((one) => byRole === '' || one.role === byRole));
	async function copyAll() {
		await navigator.clipboard
			.writeText(reach.map((one) => `${one.name} <${one.email}>`).join(', '))
			.then(
				() => say('Addresses copied.'),
				() => say('This browser does not let the page copy. Select the addresses instead.')
			);
	}
	const reach = $derived(listed.filter((one) => one.status !== 'do not contact'));
</script>

<Section title="People" about={String(data.people.length || '')}>
	{#snippet tools()}{#if caption.mayChange}<button
				class="act"
				onclick={() => {
					adding = !adding;
					role = data.roles[0] ?? '';
				}}>{adding ? 'Cancel' : 'Add someone'}</button
			>{/if}{/snippet}
	{#if adding}
		<ActionForm
			action="?/role"
			class="mt-3 flex flex-wrap items-start gap-3"
			ondone={() => {
				person = '';
				typed = '';
				adding = false;
				fromDay = '';
			}}
		>
			{#snippet children({ errors, busy })}<input
					type="hidden"
					name="matterId"
					value={caption.id}
				/><input type="hidden" name="newName" value={person === 'new' ? typed : ''} /><Choose
					class="w-64"
					label="Person or organization"
					name="personId"
					bind:value={person}
					bind:typed
					find={findPeople}
					offer={(name) => ({ value: 'new', label: name, about: 'make a new card' })}
					error={errors.personId ?? errors.newName ?? errors.name}
				/>
				{#if person === 'new'}<SelectField
						label="The card is of"
						name="newKind"
						bind:value={newKind}
						><option value="person">a person</option><option value="organization"
							>an organization</option
						></SelectField
					>{/if}
				<SelectField label="Role" error={errors.role} name="role" bind:value={role}
					>{#each data.roles as r (r)}<option>{r}</option>{/each}</SelectField
				><DateField
					class="w-40"
					name="from"
					label="From"
					bind:value={fromDay}
					today={data.today}
					error={errors.from}
				/><button class="btn go mt-[22px]" disabled={busy}>Add</button>{/snippet}
		</ActionForm>
	{/if}
	{#each data.people as p (p.roleId)}<div
			class="row flex min-h-9 items-center gap-3 py-1"
			data-role={p.role}
		>
			<a class="font-semibold hover:underline" href="/people/{p.id}">{p.name}</a
			>{#if p.status !== 'active'}<span class="note warn py-0">{p.status}</span>{/if}<span
				class="sub min-w-0 grow truncate"
				title={p.note}
				>{p.role}{p.from || p.to
					? `, ${p.from ? `from ${formatDay(p.from, data.today).slice(4)}` : ''}${p.to ? ` to ${formatDay(p.to, data.today).slice(4)}` : ''}`
					: ''}{p.note ? `: ${p.note}` : ''}</span
			>{#if p.phone}<span class="sub max-xl:hidden">{p.phone}</span>{/if}{#if p.email}<a
					class="text-petrol max-sm:hidden"
					href="mailto:{p.email}">{p.email}</a
				>{/if}{#if caption.mayChange}<button
					class="act"
					aria-label="change the role of {p.name}"
					onclick={() => {
						changing = p;
						rFrom = p.from ?? '';
						rTo = p.to ?? '';
						rNote = p.note;
					}}>change</button
				>{/if}
		</div>{:else}<Empty>Nobody from outside is on this matter yet.</Empty>{/each}
	{#if data.backers.length}
		<p class="sub mt-2">
			Of the business unit:
			{#each data.backers as { id, name, relation, reference }, at (id + relation)}
				{at ? '; ' : ''}{relation}
				<a class="hover:underline" href="/people/{id}">{name}</a>{reference ? `, ${reference}` : ''}
			{/each}
		</p>
	{/if}
	{#if data.addresses.length}<p class="no-print mt-2 flex flex-wrap items-center gap-4">
			<select class="box min-h-[26px] w-auto py-0" aria-label="Addresses of" bind:value={byRole}
				><option value="">every role</option
				>{#each [...new Set(data.addresses.map((one) => one.role))] as r (r)}<option>{r}</option
					>{/each}</select
			><button class="act" onclick={copyAll}
				>Copy {plural(reach.length, 'address', 'addresses')}</button
			>{#if reach.length}<a
					class="act"
					href="mailto:?bcc={encodeURIComponent(
						reach.map((one) => one.email).join(',')
					)}&subject={encodeURIComponent(`${caption.number} ${caption.title}`)}">Write to all</a
				>{/if}
		</p>{/if}
</Section>

<Drawer
	bind:open={
		() => changing !== null,
		(open) => {
			if (!open) changing = null;
		}
	}
	title="Role of {changing?.name ?? ''}"
	about={changing?.role ?? ''}
>
	{#if changing}
		<ActionForm
			action="?/changeRole"
			ondone={() => {
				changing = null;
			}}
			>{#snippet children({ errors, busy })}<input
					type="hidden"
					name="roleId"
					value={changing!.roleId}
				/>
				<div class="flex flex-col gap-3">
					<div class="grid grid-cols-2 gap-3">
						<DateField
							name="from"
							label="From"
							bind:value={rFrom}
							today={data.today}
							error={errors.from}
						/><DateField
							name="to"
							label="To"
							bind:value={rTo}
							today={data.today}
							error={errors.to}
						/>
					</div>
					<TextField label="Note" error={errors.note} name="note" bind:value={rNote} />
					<div><button class="btn go" disabled={busy}>Save the role</button></div>
				</div>{/snippet}</ActionForm
		>
		<RowAction
			action="?/removeRole"
			class="mt-4"
			ondone={() => {
				changing = null;
			}}
			fields={{ roleId: changing!.roleId }}>Take them off this matter</RowAction
		>
	{/if}
</Drawer>
