<!-- Who of the department works on the matter, and whether it is theirs alone. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import StandIn from './StandIn.svelte';
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	const caption = $derived(data.caption);
	const saidOf = ({ part, owner, access }: PageData['caption']['members'][number]) =>
		[part, owner && 'says who is on it', access === 'read' && 'reads'].filter(Boolean).join(', ');
	const others = $derived(
		data.staff.filter((person) => !caption.members.some((member) => member.id === person.id))
	);
</script>

<Section title="Who works on it">
	<div class="row flex h-9 items-center justify-between">
		<span class="font-semibold">{caption.responsibleName}</span><span class="sub">responsible</span>
	</div>
	{#if caption.mayStaff && caption.status !== 'closed'}
		<StandIn {caption} staff={data.staff} />
	{:else if caption.standInName}
		<div class="row flex h-9 items-center justify-between">
			<span>{caption.standInName}</span>
			<span class="sub">stands in</span>
		</div>
	{/if}
	{#each caption.members.filter((member) => member.id !== caption.responsibleId) as m (m.id)}<div
			class="row flex h-9 items-center gap-2"
		>
			<span class="min-w-0 grow truncate">{m.name} <span class="sub">{saidOf(m)}</span></span
			>{#if caption.mayStaff || m.id === data.me.id}<ActionForm action="?/leave"
					>{#snippet children({ errors, busy })}<input
							type="hidden"
							name="matterId"
							value={caption.id}
						/><input type="hidden" name="staffId" value={m.id} /><button
							class="act"
							disabled={busy}
							title={errors.staffId}
							aria-label="take out {m.name}">take out</button
						>{#if errors.staffId}<span class="fault block">{errors.staffId}</span
							>{/if}{/snippet}</ActionForm
				>{/if}
		</div>{/each}
	{#if caption.mayStaff && others.length}<ActionForm action="?/member" class="no-print mt-2"
			>{#snippet children({ errors, busy })}<div class="flex gap-2">
					<input type="hidden" name="matterId" value={caption.id} /><select
						class="box"
						name="staffId"
						aria-label="Colleague to add"
						><option value="">Add a colleague</option>{#each others as s (s.id)}<option value={s.id}
								>{s.name}</option
							>{/each}</select
					><button class="btn" disabled={busy}>Add</button>
				</div>
				<TextField
					class="mt-2"
					label="As"
					name="part"
					list="parts"
					error={errors.part}
					autocomplete="off"
				/>
				<datalist id="parts"
					>{#each data.parts as part (part)}<option>{part}</option>{/each}</datalist
				>
				<label class="sub mt-1 block"
					><input type="checkbox" name="access" value="read" /> to read it only</label
				>
				<label class="sub mt-1 block"
					><input type="checkbox" name="owner" /> may also say who is on it</label
				>{#each [errors.staffId, errors.access].filter(Boolean) as fault (fault)}<p
						class="fault mt-1"
					>
						{fault}
					</p>{/each}{/snippet}</ActionForm
		>
		{#if data.teams.length}
			<ActionForm action="?/team" class="no-print mt-2 flex gap-2">
				{#snippet children({ errors, busy })}
					<input type="hidden" name="matterId" value={caption.id} />
					<select class="box" name="teamId" aria-label="Team to add">
						<option value="">Add a team</option>
						{#each data.teams as { id, name } (id)}<option value={id}>{name}</option>{/each}
					</select>
					<button class="btn" disabled={busy}>Add</button>
					{#if errors.teamId}<p class="fault">{errors.teamId}</p>{/if}
				{/snippet}
			</ActionForm>
		{/if}
		<RowAction
			action="?/restrict"
			class="no-print mt-2"
			fields={{ matterId: caption.id, restricted: caption.restricted ? '' : '1' }}
			>{caption.restricted ? 'Lift the restriction' : 'Restrict to these people'}</RowAction
		>{/if}
</Section>
