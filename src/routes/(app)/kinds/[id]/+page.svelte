<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import { kindFields } from '#core/kinds/fields.ts';
	import { keyFromName, findKindFaults, type Kind } from '#core/kinds/kind.ts';
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { plural } from '$lib/ui/format.ts';
	import FactList from '$lib/kinds/FactList.svelte';
	import FirstTasks from './FirstTasks.svelte';
	import KindLinks from './KindLinks.svelte';
	import WordList from './WordList.svelte';
	let { data } = $props();
	const bodyOf = () => {
		const { version: _, active: __, ...b } = $state.snapshot(data.kind) as typeof data.kind;
		return b as Kind;
	};
	let b = $state<Kind>(bodyOf());
	// svelte-ignore state_referenced_locally
	let active = $state(data.kind.active),
		saved = $state(JSON.stringify(bodyOf()));
	let folder = $state(''),
		role = $state(''),
		group = $state(''),
		ladder = $state(bodyOf().ladder.join(', '));
	/** From the kind as it stands: what somebody else changed meanwhile is in it. */
	function begin() {
		b = bodyOf();
		active = data.kind.active;
		ladder = b.ladder.join(', ');
		saved = JSON.stringify(b);
	}
	/** One of two people's values is chosen. */
	function take(field: string, value: string) {
		if (field === 'active') active = value === 'true';
		else b = { ...b, [field]: JSON.parse(value) as unknown };
		if (field === 'ladder') ladder = b.ladder.join(', ');
	}
	const faults = $derived(findKindFaults($state.snapshot(b)));
	const faultAt = (start: string) =>
		faults.find((f) => f.path === start || f.path.startsWith(`${start}.`))?.message ?? '';
	const dirty = $derived(JSON.stringify(b) !== saved || active !== data.kind.active);
	const keyChoices = $derived([
		...Object.entries(data.derived),
		...b.facts.filter((f) => !f.retired).map((f) => [f.key, f.name] as [string, string])
	]);
	const retired = $derived(b.facts.filter((f) => f.retired));
	const sum = $derived(b.split.reduce((a, s) => a + s.share, 0) / 10_000);
	const readLadder = () => {
		const n = ladder
			.split(/[,\s]+/)
			.filter(Boolean)
			.map(Number);
		if (n.every((x) => Number.isInteger(x))) b.ladder = n;
	};
	const num = (e: Event) =>
		Math.max(0, Math.round(Number((e.currentTarget as HTMLInputElement).value) || 0));
</script>

<svelte:head><title>{data.kind.name} · Matter kinds · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<a class="sub hover:underline" href="/kinds">Matter kinds</a>
		<h1 class="grow">{b.name}</h1>
		<HouseTabs /><a class="btn" href="/kinds/{data.kind.id}/yaml" download>YAML</a>
	</div>
	<p class="sub mt-1">
		{plural(data.uses, 'matter')} of this kind. A new fact appears on them at once; one taken away keeps
		what was written in it.
	</p>
	<div class="mt-4 grid grid-cols-1 gap-x-10 gap-y-7 lg:grid-cols-[minmax(0,1fr)_380px]">
		<div class="flex min-w-0 flex-col gap-7">
			<Section title="Facts" about={String(b.facts.filter((f) => !f.retired).length)}
				><FactList
					bind:facts={b.facts}
					types={data.types}
					taken={b.groups.map((g) => g.key)}
					fault={(i) => faultAt(`facts.${i}`)}
				/>
				{#if retired.length}<p class="sub mt-3">
						Taken away: {#each retired as f, i (f.key)}{i ? ', ' : ''}{f.name}
							<button
								type="button"
								class="act"
								onclick={() => {
									delete f.retired;
									b.facts = [...b.facts];
								}}>bring back</button
							>{/each}
					</p>{/if}</Section
			>
			<Section title="Groups that repeat" about="each lease, each policy, each injury">
				{#each b.groups as g, i (g.key)}<fieldset class="mt-3 border-l-[3px] border-rule pl-4">
						<legend class="vh">{g.name}</legend>
						<div class="flex gap-2">
							<input class="box" bind:value={g.name} aria-label="Name of the group" /><button
								type="button"
								class="act"
								onclick={() => (b.groups = b.groups.filter((x) => x !== g))}
								aria-label="Remove the group {g.name}">remove</button
							>
						</div>
						<FactList
							bind:facts={g.facts}
							types={data.types}
							fault={(k) => faultAt(`groups.${i}.facts.${k}`)}
						/>{#if faultAt(`groups.${i}`)}<p class="fault">{faultAt(`groups.${i}`)}</p>{/if}
					</fieldset>{:else}<p class="sub mt-2">None.</p>{/each}
				<div class="mt-3 flex gap-2">
					<input
						class="box w-56"
						bind:value={group}
						placeholder="Name of a new group"
						aria-label="Name of a new group"
					/><button
						type="button"
						class="btn"
						disabled={!group.trim()}
						onclick={() => {
							b.groups.push({
								key: keyFromName(group, [
									...b.groups.map((g) => g.key),
									...b.facts.map((f) => f.key)
								]),
								name: group.trim(),
								facts: [{ key: 'what', name: 'What', type: 'text' }]
							});
							group = '';
						}}>Add the group</button
					>
				</div>
			</Section>
			<FirstTasks bind:tasks={b.tasks} />
		</div>
		<aside class="flex flex-col gap-7">
			<Section title="The kind"
				><div class="mt-3 flex flex-col gap-3">
					<label><span class="label">Name</span><input class="box" bind:value={b.name} /></label>
					<div class="grid grid-cols-2 gap-3">
						<label
							><span class="label">Of many</span><input class="box" bind:value={b.plural} /></label
						><label
							><span class="label">The other side is called</span><input
								class="box"
								bind:value={b.opponent}
							/></label
						>
					</div>
					<label
						><span class="label">Title it proposes</span><input
							class="box"
							bind:value={b.title}
							placeholder={'{' + (b.facts[0]?.key ?? 'fact') + '}'}
						/></label
					>{#if faultAt('title')}<p class="fault">{faultAt('title')}</p>{/if}
					<label
						><span class="label">Rulebook</span><select
							class="box"
							value={b.rulebook ?? ''}
							onchange={(e) => (b.rulebook = e.currentTarget.value || null)}
							><option value="">None</option>{#each data.books as x (x.id)}<option value={x.id}
									>{x.title}</option
								>{/each}</select
						></label
					>
					<div class="grid grid-cols-3 gap-3">
						<label
							><span class="label">Quiet after, days</span><input
								class="box num"
								value={b.quietDays}
								onchange={(e) => (b.quietDays = num(e))}
							/></label
						><label
							><span class="label">Old after, days</span><input
								class="box num"
								value={b.ageDays}
								onchange={(e) => (b.ageDays = num(e))}
							/></label
						><label
							><span class="label">Kept, years</span><input
								class="box num"
								value={b.retentionYears}
								onchange={(e) => (b.retentionYears = num(e))}
							/></label
						>
					</div>
					<label
						><span class="label">Reminders, days before a docketed date</span><input
							class="box"
							bind:value={ladder}
							onchange={readLadder}
						/></label
					>
					<label><input type="checkbox" bind:checked={active} /> in use for new matters</label>
				</div></Section
			>
			<Section title="Caption strip" about="at most six">
				{#each b.keyFacts as k, i (k)}<div class="row flex h-9 items-center gap-2">
						<span class="grow font-medium">{keyChoices.find((c) => c[0] === k)?.[1] ?? k}</span
						><button
							type="button"
							class="act"
							onclick={() => (b.keyFacts = b.keyFacts.filter((_, n) => n !== i))}
							aria-label="without {k}">without</button
						>
					</div>{/each}
				{#if faultAt('keyFacts')}<p class="fault">{faultAt('keyFacts')}</p>{/if}
				<select
					class="box mt-2"
					aria-label="Add to the caption strip"
					value=""
					onchange={(e) => {
						if (e.currentTarget.value) b.keyFacts.push(e.currentTarget.value);
						e.currentTarget.value = '';
					}}
					><option value="">Add</option
					>{#each keyChoices.filter((c) => !b.keyFacts.includes(c[0])) as [k, n] (k)}<option
							value={k}>{n}</option
						>{/each}</select
				></Section
			>
			<WordList
				title="Stages"
				about="where a matter may stand"
				one="Stage"
				bind:words={b.stages}
				fault={faultAt('stages')}
			/>
			<WordList
				title="Endings"
				about="how one may end"
				one="Ending"
				bind:words={b.endings}
				fault={faultAt('endings')}
			/>
			<KindLinks
				bind:links={b.links}
				fault={faultAt('links')}
				example={b.facts[0]?.key ?? 'fact'}
			/>
			<Section title="Roles to fill"
				>{#each b.roles as r, i (i)}<div class="row flex h-9 items-center gap-2">
						<span class="grow">{r.role}</span><label class="sub"
							><input
								type="checkbox"
								bind:checked={
									() => r.wanted === true,
									(x) => {
										if (x) r.wanted = true;
										else delete r.wanted;
										b.roles = [...b.roles];
									}
								}
							/> wanted</label
						><button
							type="button"
							class="act"
							onclick={() => (b.roles = b.roles.filter((_, n) => n !== i))}
							aria-label="Remove {r.role}">remove</button
						>
					</div>{/each}
				<div class="mt-2 flex gap-2">
					<input
						class="box"
						bind:value={role}
						placeholder="A new role"
						aria-label="A new role"
					/><button
						type="button"
						class="btn"
						disabled={!role.trim()}
						onclick={() => {
							b.roles.push({ role: role.trim().toLowerCase() });
							role = '';
						}}>Add</button
					>
				</div></Section
			>
			<Section title="Folders"
				>{#each b.folders as f, i (f)}<div class="row flex h-9 items-center gap-2">
						<span class="grow">{f}</span><button
							type="button"
							class="act"
							onclick={() => (b.folders = b.folders.filter((_, n) => n !== i))}
							aria-label="Remove {f}">remove</button
						>
					</div>{/each}
				<div class="mt-2 flex gap-2">
					<input
						class="box"
						bind:value={folder}
						placeholder="A new folder"
						aria-label="A new folder"
					/><button
						type="button"
						class="btn"
						disabled={!folder.trim() || b.folders.includes(folder.trim())}
						onclick={() => {
							b.folders.push(folder.trim());
							folder = '';
						}}>Add</button
					>
				</div></Section
			>
			<Section
				title="Split of a new matter"
				about={b.split.length ? `${sum} % of 100 %` : 'the client unit alone'}
				>{#each b.split as s, i (i)}<div class="row flex h-10 items-center gap-2">
						<select class="box" bind:value={s.unit} aria-label="Unit {i + 1} of the split"
							>{#each data.units as u (u.id)}<option value={u.id}>{u.name}</option>{/each}</select
						><input
							class="box num w-20"
							value={s.share / 10_000}
							onchange={(e) =>
								(s.share = Math.round((Number(e.currentTarget.value) || 0) * 10_000))}
							aria-label="Percent {i + 1}"
						/>%<button
							type="button"
							class="act"
							onclick={() => (b.split = b.split.filter((_, n) => n !== i))}
							aria-label="Remove part {i + 1}">remove</button
						>
					</div>{/each}{#if faultAt('split')}<p class="fault">{faultAt('split')}</p>{/if}<button
					type="button"
					class="act mt-2"
					onclick={() =>
						b.split.push({
							unit: data.units[0]?.id ?? '',
							share: Math.max(1, 1_000_000 - b.split.reduce((a, s) => a + s.share, 0))
						})}>Add a business unit</button
				></Section
			>
		</aside>
	</div>
	<ActionForm
		action="?/save"
		class="no-print sticky bottom-0 -mx-5 mt-6 border-t border-rule bg-white px-5 py-3"
		base={{ ...kindFields(b), active: String(active) }}
		{take}
		ondone={() => {
			begin();
			say('The kind is saved; its matters show it.');
		}}
	>
		{#snippet children({ errors, busy })}<input
				type="hidden"
				name="active"
				value={active ? '1' : ''}
			/><input type="hidden" name="body" value={JSON.stringify(b)} />
			<div class="flex flex-wrap items-center gap-3">
				<button class="btn go" disabled={busy || !dirty || faults.length > 0}>Save the kind</button
				>{#if faults.length}<span class="fault" role="alert">{faults[0]!.message}</span
					>{:else if dirty}<span class="sub">Not saved yet.</span
					>{/if}{#each Object.entries(errors).filter(([k]) => k !== '') as [k, e] (k)}<span
						class="fault">{e}</span
					>{/each}
			</div>{/snippet}
	</ActionForm>
</div>
