<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import FilterBar from '$lib/ui/FilterBar.svelte';
	import Switches from '$lib/ui/Switches.svelte';
	import { changeQuery, type Filter, type Switch } from '$lib/ui/address.ts';
	import type { Column } from '$lib/ui/table.ts';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Field from '$lib/ui/Field.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { plural } from '$lib/ui/format.ts';
	let { data } = $props();
	const f = $derived(data.filter);
	let adding = $state(false),
		reading = $state(false),
		sure = $state(false);
	const kept = draft('person', {
		name: '',
		kind: 'person',
		email: '',
		phone: '',
		former: '',
		note: ''
	});
	const v = kept.value;
	/** The cards near to the name, as the refusal gives them. */
	const nearOf = (details: unknown) =>
		(details as { near?: { id: string; name: string }[] } | undefined)?.near ?? [];
	type Card = (typeof data.rows)[number];
	const columns: Column<Card>[] = [
		{
			key: 'name',
			label: 'Name',
			text: (card) => card.name,
			leads: true,
			cell: standing,
			class: 'truncate'
		},
		{
			key: 'also',
			label: 'Also',
			text: (card) => card.otherNames,
			class: 'w-[150px] truncate text-ink-2 max-xl:hidden'
		},
		{
			key: 'parent',
			label: 'Belongs to',
			text: (card) => card.parent,
			class: 'w-[150px] truncate text-ink-2 max-xl:hidden'
		},
		{
			key: 'roles',
			label: 'Roles',
			text: (card) => card.roles,
			class: 'w-[160px] truncate max-md:hidden'
		},
		{
			key: 'mail',
			label: 'Mail',
			text: (card) => card.mail,
			class: 'w-[210px] truncate max-md:hidden'
		},
		{
			key: 'phone',
			label: 'Phone',
			text: (card) => card.phone,
			class: 'w-[130px] truncate max-md:hidden'
		},
		{
			key: 'categories',
			label: 'Categories',
			text: (card) => card.categories,
			class: 'w-[110px] truncate text-ink-2 max-xl:hidden'
		},
		{
			key: 'matters',
			label: 'Matters',
			text: (card) => card.matters || '',
			numeric: true,
			class: 'w-[70px]'
		}
	];
	const same = (list: readonly string[]) => list.map((name) => [name, name] as const);
	const kinds = $derived<Switch[]>(
		[
			['', 'All'],
			['person', 'People'],
			['organization', 'Organizations']
		].map(([kind, label]) => ({
			label: label!,
			on: (f.kind ?? '') === kind,
			href: changeQuery(page.url.searchParams, { kind })
		}))
	);
	const filters = $derived<Filter[]>([
		{ name: 'role', label: 'Role', any: 'Every role', options: same(data.roles), value: f.role },
		{
			name: 'category',
			label: 'Category',
			any: 'Every category',
			options: data.categories.map(({ category, n }) => [category, `${category} ${n}`]),
			value: f.category
		},
		{
			name: 'status',
			label: 'Standing',
			any: 'Every standing',
			options: same(['active', 'inactive', 'do not contact']),
			value: f.status
		}
	]);
</script>

<svelte:head><title>People · Kite Pen</title></svelte:head>
{#snippet standing(card: Card)}
	{#if card.status !== 'active'}<span class="note warn ml-2 py-0">{card.status}</span>{/if}
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-2">
		<h1 class="grow">People</h1>
		<a class="btn" href="/interest">Interest check</a><button
			class="btn"
			onclick={() => (reading = true)}>Take in vCards</button
		><button
			class="btn go"
			onclick={() => {
				sure = false;
				adding = true;
			}}>Add a card</button
		>
	</div>
	<div class="no-print mt-3 flex flex-wrap items-center gap-2">
		<Switches all={kinds} />
		<span class="sub grow">{plural(data.total, 'card')}</span>
		<a class="act" href="/people/export?{page.url.searchParams}" download>vCard</a>
		<a class="act" href="/people/export?{page.url.searchParams}&as=csv" download>CSV</a>
	</div>
	<FilterBar
		{filters}
		search={{ label: 'Find people', placeholder: 'Any name, mail, phone, note' }}
		class="mt-2"
	/>
	{#if data.total === 0}<Empty
			>{Object.keys(f).length > 1
				? 'Nobody fits.'
				: 'There is no card yet. People come with the matters they are in, by import, or by hand.'}</Empty
		>
	{:else}
		<DataTable
			{columns}
			rows={data.rows}
			id={(person) => person.id}
			href={(person) => `/people/${person.id}`}
			fixed
			class="mt-2"
		/>
		<Pages total={data.total} per={data.per} what="cards" />
	{/if}
</div>

<Drawer
	bind:open={adding}
	title="Add a card"
	about="Near names are shown before a second card is made."
>
	<ActionForm
		action="?/add"
		ondone={async (d) => {
			kept.clear();
			adding = false;
			await goto(`/people/${d.personId}`);
		}}
	>
		{#snippet children({ errors, busy, details })}
			<div class="flex flex-col gap-3.5">
				<input type="hidden" name="sure" value={sure ? '1' : ''} />
				<fieldset class="flex gap-5">
					<legend class="vh">The card is of</legend><label
						><input type="radio" name="kind" value="person" bind:group={v.kind} /> a person</label
					><label
						><input type="radio" name="kind" value="organization" bind:group={v.kind} /> an organization</label
					>
				</fieldset>
				<TextField
					label="Name"
					error={errors.name}
					name="name"
					bind:value={v.name}
					oninput={() => (sure = false)}
					autocomplete="off"
				/>
				{#if errors.near}<div
						class="border-l-[3px] border-saffron bg-saffron-wash px-3 py-2"
						role="alert"
					>
						<p class="font-semibold">There may be a card already:</p>
						{#each nearOf(details) as n (n.id)}<p>
								<a class="act" href="/people/{n.id}">{n.name}</a>
							</p>{/each}<label class="mt-1.5 block"
							><input type="checkbox" bind:checked={sure} /> this is someone else</label
						>
					</div>{/if}
				<div class="grid grid-cols-2 gap-3">
					<TextField
						label="Mail"
						error={errors.email}
						name="email"
						bind:value={v.email}
						autocomplete="off"
					/><TextField
						label="Phone"
						error={errors.phone}
						name="phone"
						bind:value={v.phone}
						autocomplete="off"
					/>
				</div>
				<TextField
					label="Former names"
					error={errors.former}
					hint="divided by semicolons"
					name="former"
					bind:value={v.former}
					autocomplete="off"
				/>
				<TextArea label="Note" error={errors.note} rows={3} name="note" bind:value={v.note} />
				<div><button class="btn go" disabled={busy}>Add the card</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
<Drawer
	bind:open={reading}
	title="Take in vCards"
	about="A .vcf file with one or many cards. Names that are there already stay as they are."
>
	<ActionForm
		action="?/vcard"
		files
		ondone={(d) => {
			reading = false;
			say(
				`${plural(Number(d.made), 'card')} taken in${d.known ? `, ${d.known} there already` : ''}.`
			);
		}}
		>{#snippet children({ errors, busy })}<Field label="File" error={errors.file}
				>{#snippet children(x)}<input
						class="box"
						type="file"
						name="file"
						accept=".vcf,text/vcard"
						{...x}
					/>{/snippet}</Field
			>
			<div class="mt-3">
				<button class="btn go" disabled={busy}>Take them in</button>
			</div>{/snippet}</ActionForm
	>
</Drawer>
