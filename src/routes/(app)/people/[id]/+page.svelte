<script lang="ts">
	import Banner from '$lib/ui/Banner.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { Difference } from '#server/app/errors.ts';
	import { opening } from '$lib/matters/opening.svelte.ts';
	import { findPeople } from '$lib/people/find.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import Differences from '$lib/ui/Differences.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant, formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	const p = $derived(data.person);
	let editing = $state(false),
		merging = $state(false),
		gone = $state(''),
		goneName = $state('');
	type Contact = { kind: string; label: string; value: string };
	let v = $state<Record<string, string>>({}),
		base = $state<Record<string, string>>({}),
		contacts = $state<Contact[]>([]),
		parentName = $state(''),
		version = $state(0);
	let conflict = $state<{ by: string; differences: Difference[] } | null>(null),
		choice = $state<Record<string, 'theirs' | 'yours'>>({});
	function edit() {
		base = { ...p.fields };
		v = { ...p.fields };
		contacts = structuredClone($state.snapshot(p.contacts));
		if (!contacts.length) contacts = [{ kind: 'mail', label: '', value: '' }];
		parentName = p.parent?.name ?? '';
		version = p.version;
		conflict = null;
		editing = true;
	}
	const sent = $derived.by(() => {
		const out = {
			...v,
			contacts: JSON.stringify(contacts.filter((c) => c.value.trim() !== ''))
		} as Record<string, string>;
		for (const d of conflict?.differences ?? [])
			if (choice[d.field] === 'theirs') out[d.field] = d.theirs;
		return out;
	});
	const words: Record<string, string> = {
		mail: 'Mail',
		phone: 'Phone',
		address: 'Address',
		web: 'Web'
	};
</script>

<svelte:head><title>{p.fields.name} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1>{p.fields.name}</h1>
		<span class="note">{p.fields.kind === 'person' ? 'Person' : 'Organization'}</span
		>{#if p.fields.status !== 'active'}<span class="note warn">{p.fields.status}</span
			>{/if}{#each p.fields.categories.split(', ').filter(Boolean) as c (c)}<a
				class="note"
				href="/people?category={encodeURIComponent(c)}">{c}</a
			>{/each}
		<span class="no-print ml-auto flex flex-wrap gap-2"
			><a class="btn" href="/people/{p.id}/vcard" download>vCard</a><a
				class="btn"
				href="/interest?names={encodeURIComponent(p.fields.name)}">Interest check</a
			><button class="btn" onclick={() => (merging = true)}>Merge</button><button
				class="btn"
				onclick={() =>
					opening.show({ opponentId: p.id, opponent: p.fields.name, opponentKind: p.fields.kind })}
				>Open a matter</button
			><button class="btn go" onclick={edit}>Change</button></span
		>
	</div>
	{#if p.fields.status === 'do not contact'}<Banner class="mt-3">
			Not to be contacted. {p.fields.note}
		</Banner>{/if}
	{#if data.near.length}<Banner class="mt-3">
			Near to this name: {#each data.near as n, i (n.id)}{i ? ', ' : ''}<a
					class="act"
					href="/people/{n.id}">{n.name}</a
				>{/each}. The same?
			<button
				class="act"
				onclick={() => {
					gone = data.near[0]!.id;
					goneName = data.near[0]!.name;
					merging = true;
				}}>Merge them</button
			>
		</Banner>{/if}
	<div class="mt-5 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_360px]">
		<Section title="On matters" about={String(p.matters.length || '')}>
			{#each p.matters as m, i (i)}<a
					class="row flex min-h-[38px] items-center gap-3 py-1 hover:bg-white"
					href="/matters/{m.number}"
					><span class="sub">{m.number}</span><b
						class="min-w-0 grow truncate font-semibold {m.status === 'closed' ? 'text-ink-3' : ''}"
						>{m.title}</b
					>{#if m.note}<span class="sub max-w-[240px] truncate">{m.note}</span>{/if}<span
						>{m.role}</span
					>{#if m.from || m.to}<span class="sub"
							>{m.from ? formatDay(m.from, data.today).slice(4) : ''} to {m.to
								? formatDay(m.to, data.today).slice(4)
								: 'now'}</span
						>{/if}</a
				>{:else}<Empty>On no matter that you may see.</Empty>{/each}
		</Section>
		<aside class="flex flex-col gap-6">
			<Section title="Reach"
				>{#each p.contacts as c, i (i)}<div class="row flex min-h-9 gap-3 py-1.5">
						<span class="sub w-[84px]">{words[c.kind]}{c.label ? `, ${c.label}` : ''}</span><span
							class="min-w-0 grow font-medium break-words whitespace-pre-line"
							>{#if c.kind === 'mail'}<a class="text-petrol" href="mailto:{c.value}">{c.value}</a
								>{:else if c.kind === 'phone'}<a
									class="text-petrol"
									href="tel:{c.value.replace(/[^\d+]/g, '')}">{c.value}</a
								>{:else if c.kind === 'web'}<a
									class="text-petrol"
									href={c.value}
									rel="noreferrer"
									target="_blank">{c.value}</a
								>{:else}{c.value}{/if}</span
						>
					</div>{:else}<p class="sub mt-2">No address.</p>{/each}</Section
			>
			{#if p.fields.aliases || p.fields.former || p.parent || p.affiliates.length || (p.fields.note && p.fields.status !== 'do not contact')}
				<Section title="Known as"
					><dl class="mt-2 grid grid-cols-[96px_1fr] gap-y-1.5">
						{#if p.fields.aliases}<dt class="sub">Also</dt>
							<dd class="whitespace-pre-line">{p.fields.aliases}</dd>{/if}{#if p.fields.former}<dt
								class="sub"
							>
								Formerly
							</dt>
							<dd class="whitespace-pre-line">{p.fields.former}</dd>{/if}{#if p.parent}<dt
								class="sub"
							>
								Belongs to
							</dt>
							<dd>
								<a class="hover:underline" href="/people/{p.parent.id}">{p.parent.name}</a>
							</dd>{/if}{#if p.affiliates.length}<dt class="sub">Affiliates</dt>
							<dd>
								{#each p.affiliates as a (a.id)}<a
										class="block hover:underline"
										href="/people/{a.id}">{a.name}</a
									>{/each}
							</dd>{/if}{#if p.fields.note}<dt class="sub">Note</dt>
							<dd class="break-words whitespace-pre-line">{p.fields.note}</dd>{/if}
					</dl></Section
				>
			{/if}
			{#if p.merged.length}<Section title="Merged into this card"
					>{#each p.merged as m (m.id)}<div class="row flex min-h-9 items-center gap-2">
							<span class="grow">{m.name}</span><span class="sub"
								>{formatInstant(m.at, data.zone, data.today)}</span
							><RowAction
								action="?/undo"
								ondone={() => {
									say(`${m.name} has a card of its own again.`);
								}}
								fields={{ mergeId: m.id }}>take apart</RowAction
							>
						</div>{/each}</Section
				>{/if}
		</aside>
	</div>
</div>

<Drawer bind:open={editing} title="Change the card" about={p.fields.name} wide>
	<ActionForm
		action="?/edit"
		ondone={() => {
			editing = false;
		}}
		onconflict={(x) => {
			conflict = x;
			version = x.version;
			choice = Object.fromEntries(x.differences.map((d) => [d.field, 'yours']));
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3.5">
				<input type="hidden" name="version" value={version} /><input
					type="hidden"
					name="base"
					value={JSON.stringify(base)}
				/>{#each Object.entries(sent) as [k, x] (k)}<input
						type="hidden"
						name={k}
						value={x}
					/>{/each}
				{#if conflict}<Differences
						by={conflict.by}
						differences={conflict.differences}
						bind:choice
					/>{/if}
				<TextField
					label="Name"
					error={errors.name}
					hint="the old name is kept as a former one"
					bind:value={v.name}
					autocomplete="off"
				/>
				<div class="grid grid-cols-2 gap-3">
					<SelectField label="Is" error={errors.kind} bind:value={v.kind}
						><option value="person">a person</option><option value="organization"
							>an organization</option
						></SelectField
					><SelectField label="Standing" error={errors.status} bind:value={v.status}
						><option>active</option><option>inactive</option><option>do not contact</option
						></SelectField
					>
				</div>
				<Choose
					label="Parent organization"
					name=""
					bind:value={() => v.parent ?? '', (chosen) => (v.parent = chosen)}
					bind:typed={
						() => parentName,
						(t) => {
							parentName = t;
							if (t === '') v.parent = '';
						}
					}
					find={findPeople}
					error={errors.parent}
				/>
				<div class="grid grid-cols-2 gap-3">
					<TextArea
						label="Also known as"
						error={errors.aliases ?? errors.names}
						hint="one a line"
						rows={2}
						bind:value={v.aliases}
					/><TextArea
						label="Former names"
						error={errors.former}
						hint="one a line"
						rows={2}
						bind:value={v.former}
					/>
				</div>
				<fieldset>
					<legend class="label">Addresses</legend>
					{#each contacts as c, i (i)}<div
							class="mb-1.5 grid grid-cols-[96px_92px_minmax(0,1fr)_auto] gap-2"
						>
							<select class="box" bind:value={c.kind} aria-label="Sort of address {i + 1}"
								>{#each Object.entries(words) as [k, n] (k)}<option value={k}>{n}</option
									>{/each}</select
							><input
								class="box"
								bind:value={c.label}
								list="labels"
								placeholder="work"
								aria-label="Label of address {i + 1}"
							/>{#if c.kind === 'address'}<textarea
									class="box"
									rows={2}
									bind:value={c.value}
									aria-label="Address {i + 1}"></textarea>{:else}<input
									class="box"
									bind:value={c.value}
									aria-label="Address {i + 1}"
									autocomplete="off"
								/>{/if}<button
								type="button"
								class="act"
								onclick={() => (contacts = contacts.filter((_, k) => k !== i))}
								aria-label="without address {i + 1}">without</button
							>
						</div>{/each}
					<datalist id="labels"
						><option>work</option><option>home</option><option>cell</option><option>fax</option
						></datalist
					>
					{#if errors.contacts}<p class="fault" role="alert">{errors.contacts}</p>{/if}<button
						type="button"
						class="act"
						onclick={() => contacts.push({ kind: 'phone', label: '', value: '' })}
						>Add an address</button
					>
				</fieldset>
				<TextField
					label="Categories"
					error={errors.categories}
					hint="divided by commas: used to filter and for group letters"
					bind:value={v.categories}
				/>
				<TextArea label="Note" error={errors.note} rows={3} bind:value={v.note} />
				<div><button class="btn go" disabled={busy}>Save the card</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
<Drawer
	bind:open={merging}
	title="Merge another card into this one"
	about="{p.fields
		.name} is kept. Roles, names, addresses and facts of the other come to it; it can be taken apart again."
>
	<ActionForm
		action="?/merge"
		ondone={() => {
			merging = false;
			gone = '';
			goneName = '';
			say('The cards are one.');
		}}
		>{#snippet children({ errors, busy })}<Choose
				label="The other card"
				name="goneId"
				bind:value={gone}
				bind:typed={goneName}
				find={findPeople}
				error={errors.goneId}
			/>
			<div class="mt-4">
				<button class="btn go" disabled={busy || !gone}
					>Merge {goneName || 'it'} into {p.fields.name}</button
				>
			</div>{/snippet}</ActionForm
	>
</Drawer>
