<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import CardFields from './CardFields.svelte';
	import DateOrder from './DateOrder.svelte';
	import KeptWords from './KeptWords.svelte';
	import { plural } from '$lib/ui/format.ts';
	import Teams from './Teams.svelte';
	import ProposalDays from './ProposalDays.svelte';
	import WorkingMarks from './WorkingMarks.svelte';
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	let { data } = $props();
	type Colleague = (typeof data.people)[number];
	const columns: Column<Colleague>[] = [
		{ key: 'name', label: 'Name', text: (one) => one.name, class: 'font-semibold' },
		{ key: 'role', label: 'Role', text: (one) => one.role, class: 'sub' },
		{ key: 'supervisor', label: 'Supervisor', cell: supervisor, class: 'w-[320px]' }
	];
</script>

<svelte:head><title>Staff · Kite Pen</title></svelte:head>
{#snippet supervisor(colleague: Colleague)}
	<ActionForm
		action="?/supervisor"
		class="flex items-center gap-2"
		ondone={() => {
			say('Kept.');
		}}
	>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="staffId" value={colleague.id} />
			<select
				class="box"
				name="supervisorId"
				aria-label="Supervisor of {colleague.name}"
				value={colleague.supervisor ?? ''}
				onchange={({ currentTarget }) => currentTarget.form?.requestSubmit()}
				disabled={busy}
			>
				<option value="">none</option>
				{#each data.people.filter((one) => one.id !== colleague.id) as other (other.id)}
					<option value={other.id}>{other.name}</option>
				{/each}
			</select>
			{#if errors.supervisorId}<span class="fault">{errors.supervisorId}</span>{/if}
		{/snippet}
	</ActionForm>
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Staff</h1>
		<span class="sub grow">
			{data.keepsDocket
				? 'to whom a date goes that nobody on the matter has said they saw; without a supervisor, to the docket clerk'
				: 'what the department keeps for itself'}
		</span>
		<HouseTabs />
	</div>
	{#if data.keepsDocket}
		<DataTable {columns} rows={data.people} id={(one) => one.id} class="mt-4 max-w-form" />
	{/if}
	<Teams teams={data.teams} parts={data.parts} staff={data.staff} />
	<KeptWords
		title="Origins"
		about="where matters come from"
		action="?/origin"
		idField="originId"
		further="A further origin"
		words={data.origins.map(({ matters, ...origin }) => ({
			...origin,
			uses: plural(matters, 'matter'),
			href: `/matters?who=all&closed=1&origin=${origin.id}`
		}))}
	/>
	<KeptWords
		title="Where requests stand"
		about="what business partners read of their requests"
		action="?/requestStatus"
		idField="statusId"
		further="Further words"
		words={data.requestStatuses.map(({ uses, ...status }) => ({
			...status,
			uses: plural(uses, 'request')
		}))}
	/>
	<CardFields fields={data.cardFields} />
	{#if data.keepsDocket}
		<ProposalDays days={data.proposalDays} />
		<WorkingMarks marks={data.workingMarks} />
		<DateOrder order={data.dateOrder} today={data.today} />
	{/if}
</div>
