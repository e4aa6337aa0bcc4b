<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { toast } from 'svelte-sonner';
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
	const to = (change: Record<string, string>) => {
		const p = new URLSearchParams(page.url.searchParams);
		p.delete('page');
		for (const [k, v] of Object.entries(change))
			if (v) p.set(k, v);
			else p.delete(k);
		return `?${p}`;
	};
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
</script>

<svelte:head><title>People · Kite Pen</title></svelte:head>
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
		<a class="note" class:on={!f.kind} href={to({ kind: '' })}>All</a><a
			class="note"
			class:on={f.kind === 'person'}
			href={to({ kind: 'person' })}>People</a
		><a class="note" class:on={f.kind === 'organization'} href={to({ kind: 'organization' })}
			>Organizations</a
		>
		<select
			class="box w-auto"
			aria-label="Role"
			value={f.role ?? ''}
			onchange={(e) => goto(to({ role: e.currentTarget.value }))}
			><option value="">Every role</option>{#each data.roles as r (r)}<option>{r}</option
				>{/each}</select
		>
		<select
			class="box w-auto"
			aria-label="Category"
			value={f.category ?? ''}
			onchange={(e) => goto(to({ category: e.currentTarget.value }))}
			><option value="">Every category</option>{#each data.categories as c (c.category)}<option
					value={c.category}>{c.category} {c.n}</option
				>{/each}</select
		>
		<select
			class="box w-auto"
			aria-label="Standing"
			value={f.status ?? ''}
			onchange={(e) => goto(to({ status: e.currentTarget.value }))}
			><option value="">Every standing</option
			>{#each ['active', 'inactive', 'do not contact'] as s (s)}<option>{s}</option>{/each}</select
		>
		<span class="sub grow">{plural(data.total, 'card')}</span>
		<a class="act" href="/people/export?{page.url.searchParams}" download>vCard</a><a
			class="act"
			href="/people/export?{page.url.searchParams}&as=csv"
			download>CSV</a
		>
		<form method="get">
			<input
				class="box w-60"
				name="q"
				value={f.q ?? ''}
				placeholder="Any name, mail, phone, note"
				aria-label="Find people"
			/>
		</form>
	</div>
	{#if data.total === 0}<Empty
			>{Object.keys(f).length > 1
				? 'Nobody fits.'
				: 'There is no card yet. People come with the matters they are in, by import, or by hand.'}</Empty
		>
	{:else}
		<table class="list mt-2 table-fixed">
			<thead
				><tr
					><th>Name</th><th class="w-[200px] max-lg:hidden">Also</th><th
						class="w-[160px] max-lg:hidden">Belongs to</th
					><th class="w-[220px]">Mail</th><th class="w-[130px]">Phone</th><th class="w-[120px]"
						>Categories</th
					><th class="num w-[70px]">Matters</th></tr
				></thead
			><tbody>
				{#each data.rows as p (p.id)}<tr class="link"
						><td class="truncate"
							><a class="font-semibold" href="/people/{p.id}">{p.name}</a
							>{#if p.status !== 'active'}<span class="note warn ml-2 py-0">{p.status}</span
								>{/if}</td
						><td class="truncate text-ink-2 max-lg:hidden">{p.otherNames}</td><td
							class="truncate text-ink-2 max-lg:hidden">{p.parent}</td
						><td class="truncate">{p.mail}</td><td class="truncate">{p.phone}</td><td
							class="truncate text-ink-2">{p.categories}</td
						><td class="num">{p.matters || ''}</td></tr
					>{/each}
			</tbody>
		</table>
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
			toast(
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
