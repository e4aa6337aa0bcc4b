<!-- Teams: colleagues who are put on a matter in one act, each with what they are on it. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { TeamView } from '#server/staff/teams.ts';
	type Props = {
		teams: readonly TeamView[];
		parts: readonly string[];
		staff: readonly { id: string; name: string }[];
	};
	let { teams, parts, staff }: Props = $props();
	type Line = { staffId: string; part: string; access: string };
	const blank = (): Line => ({ staffId: '', part: '', access: 'change' });
	let open = $state(false);
	let teamId = $state('');
	let name = $state('');
	let members = $state<Line[]>([]);
	const describe = (team: TeamView) =>
		team.members
			.map((one) =>
				[one.name, one.part && `as ${one.part}`, one.access === 'read' && 'to read']
					.filter(Boolean)
					.join(', ')
			)
			.join('; ');
	function show(team?: TeamView) {
		teamId = team?.id ?? '';
		name = team?.name ?? '';
		members = team
			? team.members.map(({ staffId, part, access }) => ({ staffId, part, access }))
			: [blank(), blank()];
		open = true;
	}
	function take(field: string, value: string) {
		if (field === 'name') name = value;
		else members = JSON.parse(value) as Line[];
	}
	function done() {
		open = false;
		say('The team is kept.');
	}
</script>

<Section title="Teams" about="put on a matter in one act" class="mt-6 max-w-form">
	{#snippet tools()}<button class="act" onclick={() => show()}>A new team</button>{/snippet}
	{#each teams as team (team.id)}
		<div class="row flex min-h-10 items-center gap-3 py-1 max-md:flex-wrap" data-team={team.name}>
			<b class="font-semibold">{team.name}</b>
			<span class="sub min-w-0 grow">{describe(team) || 'nobody any more'}</span>
			<button class="act" onclick={() => show(team)} aria-label="Change {team.name}">change</button>
			<RowAction action="?/removeTeam" fields={{ teamId: team.id }} aria-label="Remove {team.name}"
				>remove</RowAction
			>
		</div>
	{:else}
		<Empty>No team yet.</Empty>
	{/each}
</Section>

<Drawer bind:open title={teamId ? 'Change the team' : 'A new team'} about="who is put on a matter">
	<ActionForm
		action="?/team"
		base={teamId ? { name, members: JSON.stringify(members) } : undefined}
		{take}
		ondone={done}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3">
				<input type="hidden" name="teamId" value={teamId} />
				<TextField
					label="Name"
					name="name"
					bind:value={name}
					error={errors.name}
					autocomplete="off"
				/>
				{#each members as member, at (at)}
					<div class="row grid grid-cols-2 gap-x-3 gap-y-2 pb-3">
						<SelectField
							label="Colleague {at + 1}"
							name="members.{at}.staffId"
							bind:value={member.staffId}
						>
							<option value="">Choose</option>
							{#each staff as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
						</SelectField>
						<TextField
							label="As"
							name="members.{at}.part"
							bind:value={member.part}
							list="team-parts"
							autocomplete="off"
						/>
						<SelectField
							label="What {at + 1} may do"
							name="members.{at}.access"
							bind:value={member.access}
						>
							<option value="change">change the matter</option>
							<option value="read">read it</option>
						</SelectField>
						<div class="self-end pb-2">
							<button
								type="button"
								class="act"
								aria-label="Remove colleague {at + 1}"
								onclick={() => members.splice(at, 1)}>remove</button
							>
						</div>
					</div>
				{/each}
				<datalist id="team-parts">
					{#each parts as part (part)}<option>{part}</option>{/each}
				</datalist>
				{#if errors.members}<p class="fault" role="alert">{errors.members}</p>{/if}
				<div>
					<button type="button" class="act" onclick={() => members.push(blank())}>
						One more colleague
					</button>
				</div>
				<div><button class="btn go" disabled={busy}>Keep the team</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
