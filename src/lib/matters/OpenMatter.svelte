<!--
	Opens a matter in one drawer: title, business unit, lawyer; the kind's facts and everything else
	now or later.
-->
<script lang="ts">
	import { goto, invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import FactFields from './FactFields.svelte';
	import NearNames from './NearNames.svelte';
	import OpeningParties from './OpeningParties.svelte';
	import OpeningTeam from './OpeningTeam.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import { isLawyer, type Role } from '#core/access/table.ts';
	import type { MatterForms } from './forms.ts';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { opening, type MemberLine, type PartyLine } from '$lib/matters/opening.svelte.ts';
	import { findPeople } from '$lib/people/find.ts';

	let { forms }: { forms: MatterForms } = $props();
	const kinds = $derived(forms.kinds.filter(({ active }) => active));
	/** Whoever opens a matter is its lawyer, where they are one. */
	function ownLawyer(): string {
		const staff = page.data.staff as { id: string; role: Role }[];
		const me = staff.find(({ id }) => id === page.data.me.id);
		return me && isLawyer(me.role) ? me.id : '';
	}
	const empty = {
		kind: 'litigation',
		title: '',
		unitId: '',
		responsibleId: ownLawyer(),
		originatingId: '',
		teamId: '',
		members: [] as MemberLine[],
		parties: [] as PartyLine[],
		originId: '',
		description: '',
		opponentId: '',
		opponent: '',
		opponentKind: 'organization',
		rulebook: 'us-federal.ca-nd',
		restricted: false,
		priority: 'normal',
		requestId: '',
		requestNumber: '',
		facts: {} as Record<string, string>,
		names: {} as Record<string, string>
	};
	const kept = draft('open matter', empty);
	const v = kept.value;
	let all = $state(false);
	const kind = $derived(kinds.find((k) => k.id === v.kind) ?? kinds[0]!);
	const roles = $derived([
		...new Set([...kind.roles.map(({ role }) => role), ...forms.otherRoles])
	]);
	const isNew = $derived(
		v.opponentId === 'new' || (v.opponentId === '' && v.opponent.trim() !== '')
	);
	$effect(() => {
		if (!opening.open || !opening.start) return;
		// What is carried in from a request or a card takes the place of an old draft.
		const s = opening.start;
		opening.start = null;
		if (Object.keys(s).length) Object.assign(v, structuredClone(empty), s);
		const k = kinds.find((x) => x.id === v.kind);
		if (s.kind && k) v.rulebook = k.rulebook ?? '';
	});
	const own = $derived(
		Object.fromEntries(
			Object.entries(v.facts).filter(
				([key, x]) =>
					x !== '' &&
					x !== '[]' &&
					(kind.facts.some((f) => `fact:${f.key}` === key || `more:${f.key}` === key) ||
						kind.groups.some((g) => `group:${g.key}` === key))
			)
		)
	);
	// A fact whose only word is the free text beside it still needs its field.
	const facts = $derived({
		...Object.fromEntries(
			Object.keys(own)
				.filter((k) => k.startsWith('more:'))
				.map((k) => [k.replace('more:', 'fact:'), ''])
		),
		...own
	});
</script>

<Drawer
	bind:open={opening.open}
	title="Open a matter"
	about={v.requestNumber
		? `From request ${v.requestNumber}: its words and files come with it.`
		: 'Its number is given when it is opened.'}
>
	<ActionForm
		action="/matters?/open"
		ondone={async (d) => {
			kept.clear();
			opening.open = false;
			say(`${d.number} is open.`);
			await invalidateAll();
			await goto(`/matters/${d.number}`);
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3.5">
				<input type="hidden" name="requestId" value={v.requestId} /><input
					type="hidden"
					name="facts"
					value={JSON.stringify(facts)}
				/>
				<TextField
					label="Title"
					error={errors.title}
					hint={kind?.title ? `left empty, it is made of its facts: ${kind.title}` : undefined}
					name="title"
					bind:value={v.title}
					autocomplete="off"
				/>
				<div class="grid grid-cols-2 gap-3">
					<SelectField
						label="Kind"
						error={errors.kind}
						name="kind"
						bind:value={v.kind}
						onchange={() => (v.rulebook = kind.rulebook ?? '')}
						>{#each kinds as k (k.id)}<option value={k.id}>{k.name}</option>{/each}</SelectField
					>
					<SelectField
						label="Business unit"
						error={errors.unitId}
						name="unitId"
						bind:value={v.unitId}
						><option value="">Choose</option>{#each page.data.units as u (u.id)}<option value={u.id}
								>{u.name}</option
							>{/each}</SelectField
					>
				</div>
				<Choose
					label={kind?.opponent ?? 'Opponent'}
					name="opponentChoice"
					bind:value={v.opponentId}
					bind:typed={v.opponent}
					free
					find={findPeople}
					error={errors.opponentName}
					placeholder="Type a name; known people are found"
					offer={(t) => ({ value: 'new', label: t, about: 'make a new card' })}
					hint={isNew ? 'A new card is made when the matter is opened.' : undefined}
				/>
				<input
					type="hidden"
					name="opponentId"
					value={v.opponentId === 'new' ? '' : v.opponentId}
				/><input type="hidden" name="opponentName" value={isNew ? v.opponent : ''} />
				{#if isNew}<NearNames
						typed={v.opponent}
						onchoose={({ value, label }) => {
							v.opponentId = value;
							v.opponent = label;
						}}
					/>
					<fieldset class="flex gap-4">
						<legend class="vh">The new card is of</legend><label
							><input
								type="radio"
								name="opponentKind"
								value="organization"
								bind:group={v.opponentKind}
							/> an organization</label
						><label
							><input type="radio" name="opponentKind" value="person" bind:group={v.opponentKind} /> a
							person</label
						>
					</fieldset>{/if}
				<OpeningParties bind:parties={v.parties} {roles} {errors} />
				<div class="ruled mt-1"><h2>Who works on it</h2></div>
				<OpeningTeam
					{forms}
					bind:responsibleId={v.responsibleId}
					bind:originatingId={v.originatingId}
					bind:teamId={v.teamId}
					bind:members={v.members}
					{errors}
				/>
				<div class="ruled mt-1">
					<h2>Now or later</h2>
					<span class="sub">what is missing stays visible on the sheet</span>
				</div>
				<div class="grid grid-cols-2 gap-3">
					<SelectField
						label="Rulebook"
						error={errors.rulebook}
						name="rulebook"
						bind:value={v.rulebook}
						><option value="">None, dates by hand</option>{#each forms.books as b (b.id)}<option
								value={b.id}>{b.title}</option
							>{/each}</SelectField
					>
					<SelectField
						label="Priority"
						error={errors.priority}
						name="priority"
						bind:value={v.priority}
						><option>high</option><option>normal</option><option>low</option></SelectField
					>
				</div>
				<SelectField
					label="Origin"
					error={errors.originId}
					hint="where it came from"
					name="originId"
					bind:value={v.originId}
				>
					<option value="">Not said</option>
					{#each forms.origins as { id, label } (id)}<option value={id}>{label}</option>{/each}
				</SelectField>
				<TextArea
					label="Description"
					error={errors.description}
					name="description"
					rows={3}
					bind:value={v.description}
				/>
				<FactFields
					{kind}
					bind:fields={v.facts}
					bind:names={v.names}
					{errors}
					only={(f) => all || f.wanted === true}
					groups={all}
				/>
				{#if !all && (kind.facts.some((f) => !f.wanted && !f.retired) || kind.groups.length)}<div>
						<button type="button" class="act" onclick={() => (all = true)}
							>All facts of {kind.name.toLowerCase()}</button
						>
					</div>{/if}
				<label class="flex gap-2"
					><input type="checkbox" name="restricted" bind:checked={v.restricted} /> Restricted: for anyone
					not on it, it does not exist</label
				>
				<div
					class={[
						'sticky bottom-[-24px] -mx-[22px] flex items-center gap-3',
						'border-t border-rule bg-white px-[22px] py-3'
					]}
				>
					<button class="btn go" disabled={busy}>{busy ? 'Opening…' : 'Open the matter'}</button
					><button type="button" class="btn slight" onclick={() => kept.clear()}
						>Empty the form</button
					>
				</div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
