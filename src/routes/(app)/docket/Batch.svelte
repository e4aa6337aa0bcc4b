<!-- One act for many dates: first what becomes of each, then all that can be, or none. -->
<script lang="ts">
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { formatDay, plural } from '$lib/ui/format.ts';
	import type { BatchRow } from '#server/docket/batch.ts';
	type Props = {
		open: boolean;
		act: string;
		label: string;
		/** The department's working marks. */
		marks: readonly { id: string; label: string }[];
		deadlineIds: string[];
		ondone: () => void;
	};
	let { open = $bindable(), act, label, marks, deadlineIds, ondone }: Props = $props();
	let value = $state('');
	let reason = $state('');
	let rows = $state<BatchRow[] | null>(null);
	let wasOpen = false;
	$effect(() => {
		if (open && !wasOpen) clear();
		wasOpen = open;
	});
	function clear() {
		rows = null;
		value = '';
		reason = '';
	}
	const able = $derived((rows ?? []).filter(({ fault }) => fault === null));
	const left = $derived((rows ?? []).length - able.length);
	const THEN: Readonly<Record<string, string>> = {
		docket: 'docketed',
		aside: 'set aside',
		assignee: 'given',
		standIn: 'named',
		reminder: 'reminds then too',
		mark: 'marked'
	};
	/** Its day has passed already. */
	const isMissed = ({ date }: BatchRow) => act === 'docket' && date < page.data.today;
	const again = () => (rows = null);
</script>

<Drawer
	bind:open
	title={label}
	about="{plural(
		deadlineIds.length,
		'date'
	)}. Nothing is saved until you have seen what becomes of each."
	wide
>
	<ActionForm
		action="?/preview"
		stay
		class="flex flex-col gap-2.5"
		ondone={(result) => {
			rows = result.rows as BatchRow[];
		}}
	>
		{#snippet children({ errors, busy })}
			{#each deadlineIds as id (id)}<input type="hidden" name="deadlineIds" value={id} />{/each}
			<input type="hidden" name="act" value={act} />
			{#if act === 'assignee' || act === 'standIn'}
				<SelectField
					label={act === 'assignee' ? 'Responsible' : 'Stand-in'}
					name="value"
					bind:value
					error={errors.value}
					onchange={again}
				>
					<option value="">as on the matter</option>
					{#each page.data.staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
			{:else if act === 'mark'}
				<SelectField label="Mark" name="value" bind:value error={errors.value} onchange={again}>
					<option value="">no mark</option>
					{#each marks as { id, label: name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
			{:else if act === 'reminder'}
				<TextField
					label="Days before"
					hint="ten days before is 10; several with commas"
					name="value"
					bind:value
					error={errors.value}
					oninput={again}
					autocomplete="off"
				/>
			{:else if act === 'aside'}
				<TextField
					label="Reason"
					name="reason"
					bind:value={reason}
					error={errors.reason}
					oninput={again}
					autocomplete="off"
				/>
			{/if}
			<div class="mt-1"><button class="btn" disabled={busy}>Show what it would do</button></div>
		{/snippet}
	</ActionForm>
	{#if rows}
		<table class="list mt-4" data-fates>
			<thead>
				<tr>
					<th class="w-[100px]">Date</th>
					<th>What</th>
					<th class="w-[150px]">Then</th>
				</tr>
			</thead>
			<tbody>
				{#each rows as row (row.id)}
					<tr>
						<td class="whitespace-nowrap">{formatDay(row.date, page.data.today)}</td>
						<td>
							<b class="font-semibold">{row.title}</b>
							<span class="sub block">{row.matterNumber} {row.matterTitle}</span>
						</td>
						<td class={row.fault || isMissed(row) ? 'text-madder' : 'text-spruce'}>
							{row.fault ?? (isMissed(row) ? 'docketed, and missed at once' : THEN[act])}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
		{#if able.length}
			<ActionForm
				action="?/batch"
				class="mt-4"
				ondone={({ done }) => {
					open = false;
					say(`${label}: ${plural(Number(done), 'date')}.`);
					ondone();
				}}
			>
				{#snippet children({ errors, busy })}
					{#each able as { id } (id)}<input type="hidden" name="deadlineIds" value={id} />{/each}
					<input type="hidden" name="act" value={act} />
					<input type="hidden" name="value" {value} />
					<input type="hidden" name="reason" value={reason} />
					{#if left}
						<p class="mb-2 font-semibold text-saffron-ink">
							{plural(left, 'date')}
							{left === 1 ? 'stays' : 'stay'} as {left === 1 ? 'it is' : 'they are'}.
						</p>
					{/if}
					{#each Object.values(errors) as fault (fault)}<p class="fault mb-2">{fault}</p>{/each}
					<button class="btn go" disabled={busy}>
						{label.replace(/\bthem\b/, plural(able.length, 'date'))}
					</button>
				{/snippet}
			</ActionForm>
		{:else}
			<p class="sub mt-3">None of them can be done so.</p>
		{/if}
	{/if}
</Drawer>
