<!-- Who of the department works on a new matter: its lawyer, who brought it, a team, others. -->
<script lang="ts">
	import { page } from '$app/state';
	import { isLawyer, type Role } from '#core/access/table.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { MatterForms } from './forms.ts';
	import type { MemberLine } from './opening.svelte.ts';
	type Props = {
		forms: MatterForms;
		responsibleId: string;
		originatingId: string;
		teamId: string;
		members: MemberLine[];
		errors: Record<string, string>;
	};
	let {
		forms,
		responsibleId = $bindable(),
		originatingId = $bindable(),
		teamId = $bindable(),
		members = $bindable(),
		errors
	}: Props = $props();
	type Colleague = { id: string; name: string; role: Role };
	const staff = $derived(page.data.staff as Colleague[]);
	const lawyers = $derived(staff.filter(({ role }) => isLawyer(role)));
	const team = $derived(forms.teams.find(({ id }) => id === teamId));
</script>

<div class="grid grid-cols-2 gap-3">
	<SelectField
		label="Responsible lawyer"
		error={errors.responsibleId}
		name="responsibleId"
		bind:value={responsibleId}
	>
		<option value="">Choose</option>
		{#each lawyers as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</SelectField>
	<SelectField
		label="Brought by"
		error={errors.originatingId}
		name="originatingId"
		bind:value={originatingId}
	>
		<option value="">whoever opens it</option>
		{#each staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</SelectField>
</div>
{#if forms.teams.length}
	<SelectField
		label="Team"
		error={errors.teamId}
		hint={team ? team.members.join(', ') : 'all of a team at once'}
		name="teamId"
		bind:value={teamId}
	>
		<option value="">None</option>
		{#each forms.teams as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</SelectField>
{/if}
{#each members as member, at (at)}
	<div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-3">
		<SelectField
			label="Colleague {at + 1}"
			name="members.{at}.staffId"
			bind:value={member.staffId}
			error={errors[`members.${at}.staffId`]}
		>
			<option value="">Choose</option>
			{#each staff.filter(({ id }) => id !== responsibleId) as { id, name } (id)}
				<option value={id}>{name}</option>
			{/each}
		</SelectField>
		<TextField
			label="As"
			name="members.{at}.part"
			bind:value={member.part}
			error={errors[`members.${at}.part`]}
			list="parts"
			autocomplete="off"
		/>
		<button
			type="button"
			class="act pb-2"
			aria-label="Remove colleague {at + 1}"
			onclick={() => members.splice(at, 1)}>remove</button
		>
	</div>
{/each}
<datalist id="parts"
	>{#each forms.parts as part (part)}<option>{part}</option>{/each}</datalist
>
<div>
	<button type="button" class="act" onclick={() => members.push({ staffId: '', part: '' })}>
		{members.length ? 'One more colleague' : 'A second lawyer, paralegal, clerk'}
	</button>
</div>
