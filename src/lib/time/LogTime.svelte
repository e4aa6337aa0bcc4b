<!--
	One row to log time: day, hours, what was done; on a matter or on the department's own work.
-->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import { formatHours } from '#core/format/hours.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose, { type Item } from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	type Props = {
		action: string;
		today: string;
		activities: { code: string; name: string }[];
		matterId?: string;
		matters?: Item[];
	};
	let { action, today, activities, matterId, matters }: Props = $props();
	// svelte-ignore state_referenced_locally
	let v = $state({ day: today, hours: '', narrative: '', activity: '', matter: '', typed: '' });
</script>

<ActionForm
	{action}
	class="border-b border-rule pb-2"
	ondone={({ day, minutes }) => {
		v.hours = '';
		v.narrative = '';
		// The list may show another week.
		say(`${formatHours(Number(minutes))} h logged on ${formatDate(day as PlainDate)}.`);
	}}
>
	{#snippet children({ errors, busy })}
		<div class="flex flex-wrap items-start gap-2.5">
			<DateField
				class="w-[178px]"
				name="day"
				label="Day"
				bind:value={v.day}
				{today}
				error={errors.day}
			/>
			{#if matters}<Choose
					class="w-[250px]"
					label="Matter"
					name="matterId"
					bind:value={v.matter}
					bind:typed={v.typed}
					items={matters}
					error={errors.matterId}
				/>{:else}<input type="hidden" name="matterId" value={matterId} />{/if}
			<TextField
				class="w-[74px]"
				label="Hours"
				error={errors.hours}
				name="hours"
				bind:value={v.hours}
				placeholder="hours"
				autocomplete="off"
				numeric
			/>
			<TextField
				class="min-w-[180px] flex-1"
				label="What was done"
				error={errors.narrative}
				name="narrative"
				bind:value={v.narrative}
				autocomplete="off"
			/>
			<SelectField
				class="w-[150px]"
				label="Activity code"
				error={errors.activity}
				name="activity"
				bind:value={v.activity}
				><option value="">none yet</option>{#each activities as a (a.code)}<option value={a.code}
						>{a.name}</option
					>{/each}</SelectField
			>
			<button class="btn go mt-[23px]" disabled={busy}>Log</button>
		</div>
	{/snippet}
</ActionForm>
