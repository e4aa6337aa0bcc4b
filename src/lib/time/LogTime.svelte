<!-- One row to log time: day, hours, what was done; on a matter or on the department's own work. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose, { type Item } from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Field from '$lib/ui/Field.svelte';
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
	ondone={() => {
		v.hours = '';
		v.narrative = '';
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
			<Field class="w-[74px]" label="Hours" error={errors.hours}
				>{#snippet children(c)}<input
						class="box num"
						name="hours"
						bind:value={v.hours}
						placeholder="0.4"
						autocomplete="off"
						{...c}
					/>{/snippet}</Field
			>
			<Field class="min-w-[180px] flex-1" label="What was done" error={errors.narrative}
				>{#snippet children(c)}<input
						class="box"
						name="narrative"
						bind:value={v.narrative}
						autocomplete="off"
						{...c}
					/>{/snippet}</Field
			>
			<Field class="w-[150px]" label="Activity code" error={errors.activity}
				>{#snippet children(c)}<select class="box" name="activity" bind:value={v.activity} {...c}
						><option value="">none yet</option>{#each activities as a (a.code)}<option
								value={a.code}>{a.name}</option
							>{/each}</select
					>{/snippet}</Field
			>
			<button class="btn go mt-[23px]" disabled={busy}>Log</button>
		</div>
	{/snippet}
</ActionForm>
