<!-- Opens a matter in one drawer: kind, title, business unit and lawyer; the opponent if there is one. -->
<script lang="ts">
	import { goto, invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { toast } from 'svelte-sonner';
	import ActionForm from './ui/ActionForm.svelte';
	import Choose, { type Item } from './ui/Choose.svelte';
	import Drawer from './ui/Drawer.svelte';
	import Field from './ui/Field.svelte';
	import { draft } from './ui/draft.svelte';
	import { opening } from './opening.svelte';

	type Kind = { id: string; name: string; opponent: string; rulebook: string | null };
	const kinds = $derived(page.data.kinds as Kind[]);
	const empty = { kind: 'litigation', title: '', unitId: '', responsibleId: page.data.me.id as string, opponentId: '', opponent: '', opponentKind: 'organization', rulebook: 'us-federal.ca-nd', court: '', caseNumber: '', restricted: false };
	const kept = draft('open matter', empty);
	const v = kept.value;
	const kind = $derived(kinds.find((k) => k.id === v.kind)!);
	const isNew = $derived(v.opponentId === 'new' || (v.opponentId === '' && v.opponent.trim() !== ''));
	$effect(() => { if (opening.open && opening.title) { v.title = opening.title; opening.title = ''; } });
	async function find(typed: string): Promise<Item[]> {
		const r = await fetch(`/api/people?q=${encodeURIComponent(typed)}`);
		if (!r.ok) return [];
		return ((await r.json()) as { id: string; name: string; kind: string; roles: string; formerNames: string }[]).map((p) => ({ value: p.id, label: p.name, about: [p.roles || p.kind, p.formerNames && `formerly ${p.formerNames}`].filter(Boolean).join(', ') }));
	}
</script>

<Drawer bind:open={opening.open} title="Open a matter" about="Its number is given when it is opened.">
	<ActionForm action="/matters?/open" ondone={async (d) => { kept.clear(); opening.open = false; toast(`${d.number} is open.`); await invalidateAll(); await goto(`/matters/${d.number}`); }}>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3.5">
				<Field label="Title" error={errors.title}>{#snippet children(c)}<input class="box" name="title" bind:value={v.title} autocomplete="off" {...c} />{/snippet}</Field>
				<div class="grid grid-cols-2 gap-3">
					<Field label="Kind" error={errors.kind}>{#snippet children(c)}<select class="box" name="kind" bind:value={v.kind} onchange={() => (v.rulebook = kind.rulebook ?? '')} {...c}>{#each kinds as k (k.id)}<option value={k.id}>{k.name}</option>{/each}</select>{/snippet}</Field>
					<Field label="Business unit" error={errors.unitId}>{#snippet children(c)}<select class="box" name="unitId" bind:value={v.unitId} {...c}><option value="">Choose</option>{#each page.data.units as u (u.id)}<option value={u.id}>{u.name}</option>{/each}</select>{/snippet}</Field>
				</div>
				<Field label="Responsible lawyer" error={errors.responsibleId}>{#snippet children(c)}<select class="box" name="responsibleId" bind:value={v.responsibleId} {...c}>{#each page.data.staff as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</select>{/snippet}</Field>
				<Choose label={kind?.opponent ?? 'Opponent'} name="opponentChoice" bind:value={v.opponentId} bind:typed={v.opponent} {find} error={errors.opponentName} placeholder="Type a name; known people are found" offer={(t) => ({ value: 'new', label: t, about: 'make a new card' })} hint={isNew ? 'A new card is made when the matter is opened.' : undefined} />
				<input type="hidden" name="opponentId" value={v.opponentId === 'new' ? '' : v.opponentId} /><input type="hidden" name="opponentName" value={isNew ? v.opponent : ''} />
				{#if isNew}<fieldset class="flex gap-4"><legend class="vh">The new card is of</legend><label><input type="radio" name="opponentKind" value="organization" bind:group={v.opponentKind} /> an organization</label><label><input type="radio" name="opponentKind" value="person" bind:group={v.opponentKind} /> a person</label></fieldset>{/if}
				<div class="ruled mt-1"><h2>Now or later</h2></div>
				<Field label="Rulebook" error={errors.rulebook}>{#snippet children(c)}<select class="box" name="rulebook" bind:value={v.rulebook} {...c}><option value="">None, dates by hand</option>{#each page.data.books as b (b.id)}<option value={b.id}>{b.title}</option>{/each}</select>{/snippet}</Field>
				<div class="grid grid-cols-2 gap-3">
					<Field label="Court" error={errors.court}>{#snippet children(c)}<input class="box" name="court" bind:value={v.court} autocomplete="off" {...c} />{/snippet}</Field>
					<Field label="Case number" error={errors.caseNumber}>{#snippet children(c)}<input class="box" name="caseNumber" bind:value={v.caseNumber} autocomplete="off" {...c} />{/snippet}</Field>
				</div>
				<label class="flex gap-2"><input type="checkbox" name="restricted" bind:checked={v.restricted} /> Restricted: for anyone not on it, it does not exist</label>
				<div class="flex gap-2 pt-1"><button class="btn go" disabled={busy}>{busy ? 'Opening…' : 'Open the matter'}</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
