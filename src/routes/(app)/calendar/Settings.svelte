<!-- Hours, step and days of one's calendar, and whom one lets keep it. -->
<script lang="ts">
	import { Popover } from 'bits-ui';
	import { DAY_COUNTS, type View } from '#core/calendar/views.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import type { CalendarChoice } from '#server/appointments/choices.ts';
	type Person = { id: string; name: string };
	type Props = { choice: CalendarChoice; view: View; people: Person[]; keepers: Person[] };
	let { choice, view, people, keepers }: Props = $props();
	let isOpen = $state(false);
	let keeperId = $state('');
	const hourList = Array.from({ length: 25 }, (_, hour) => hour);
	const others = $derived(people.filter(({ id }) => !keepers.some((keeper) => keeper.id === id)));
</script>

<Popover.Root bind:open={isOpen}>
	<Popover.Trigger class="act">
		hours {choice.firstHour} to {choice.lastHour}, every {choice.step} min
	</Popover.Trigger>
	<Popover.Portal>
		<Popover.Content class="settings" align="end" sideOffset={6}>
			<ActionForm action="?/choose" ondone={() => void (isOpen = false)}>
				{#snippet children({ errors, busy })}
					<input type="hidden" name="view" value={view} />
					<div class="grid grid-cols-2 gap-3">
						<SelectField
							label="From"
							name="firstHour"
							value={String(choice.firstHour)}
							error={errors.firstHour}
						>
							{#each hourList.slice(0, 24) as hour (hour)}
								<option value={String(hour)}>{hour} o’clock</option>
							{/each}
						</SelectField>
						<SelectField
							label="To"
							name="lastHour"
							value={String(choice.lastHour)}
							error={errors.lastHour}
						>
							{#each hourList.slice(1) as hour (hour)}
								<option value={String(hour)}>{hour} o’clock</option>
							{/each}
						</SelectField>
						<SelectField label="Step" name="step" value={String(choice.step)} error={errors.step}>
							<option value="15">15 minutes</option>
							<option value="30">30 minutes</option>
						</SelectField>
						<SelectField
							label="Several days"
							name="days"
							value={String(choice.days)}
							error={errors.days}
						>
							{#each DAY_COUNTS as count (count)}
								<option value={String(count)}>{count} days</option>
							{/each}
						</SelectField>
					</div>
					<button class="btn mt-3" disabled={busy}>Keep it so</button>
				{/snippet}
			</ActionForm>
			<h2 class="ruled mt-5">Who else keeps my calendar</h2>
			{#each keepers as { id, name } (id)}
				<div class="row flex items-baseline gap-3 py-1.5">
					<span class="grow">{name}</span>
					<RowAction action="?/endKeeping" fields={{ keeperId: id }}>take back</RowAction>
				</div>
			{/each}
			<ActionForm action="?/letKeep" ondone={() => void (keeperId = '')}>
				{#snippet children({ errors, busy })}
					<div class="mt-2 flex items-end gap-2">
						<SelectField
							label="A colleague"
							name="keeperId"
							bind:value={keeperId}
							error={errors.keeperId}
							class="grow"
						>
							<option value="">Choose</option>
							{#each others as { id, name } (id)}<option value={id}>{name}</option>{/each}
						</SelectField>
						<button class="btn" disabled={busy}>Let them</button>
					</div>
				{/snippet}
			</ActionForm>
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>

<style>
	:global(.settings) {
		z-index: 40;
		width: 320px;
		max-width: calc(100vw - 24px);
		background: var(--color-white);
		border: 1px solid var(--color-rule);
		border-radius: 6px;
		padding: 14px;
		box-shadow: var(--shadow-raised);
	}
</style>
