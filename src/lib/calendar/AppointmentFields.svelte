<!-- What there is to say of an appointment. -->
<script lang="ts">
	import { findMatterIds } from '$lib/people/find.ts';
	import Choose from '$lib/ui/Choose.svelte';
	import ChooseMany from '$lib/ui/ChooseMany.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { AppointmentForm } from './appointment-form.ts';
	import Guests from './Guests.svelte';
	import RecurrenceField from './RecurrenceField.svelte';
	type Props = {
		form: AppointmentForm;
		errors: Record<string, string>;
		/** How it comes again may be said: not of one alone of a series. */
		canRecur: boolean;
		people: { id: string; name: string }[];
		resources: { id: string; name: string; seats: number | null }[];
		sorts: { id: string; name: string }[];
		today: string;
	};
	let { form = $bindable(), errors, canRecur, people, resources, sorts, today }: Props = $props();
</script>

<TextField
	label="What it is about"
	name="subject"
	bind:value={form.subject}
	error={errors.subject}
	autocomplete="off"
	maxlength={300}
/>
<div class="grid grid-cols-[1fr_74px_74px] gap-3">
	<DateField label="Day" name="day" bind:value={form.day} {today} error={errors.day} />
	<TextField
		label="From"
		name="from"
		bind:value={form.from}
		error={errors.from}
		placeholder="all day"
		autocomplete="off"
	/>
	<TextField label="To" name="to" bind:value={form.to} error={errors.to} autocomplete="off" />
</div>
<DateField
	label="Ends on"
	name="lastDay"
	bind:value={form.lastDay}
	{today}
	error={errors.lastDay}
	hint="only where that is another day"
/>
<Choose
	label="Matter"
	name="matterId"
	bind:value={form.matterId}
	bind:typed={form.matter}
	find={findMatterIds}
	error={errors.matterId}
	placeholder="none, or type to find"
/>
<ChooseMany
	label="Colleagues"
	name="staff"
	options={people.map(({ id, name }) => ({ id, label: name }))}
	bind:chosen={form.staff}
	error={errors.staff}
/>
<ChooseMany
	label="Rooms and things"
	name="resources"
	options={resources.map(({ id, name, seats }) => ({
		...{ id, label: name, about: seats ? `${seats} seats` : '' }
	}))}
	bind:chosen={form.resources}
	error={errors.resources}
/>
<div class="grid grid-cols-2 gap-3">
	<TextField label="Place" name="place" bind:value={form.place} error={errors.place} />
	<TextField
		label="Link"
		name="link"
		bind:value={form.link}
		error={errors.link}
		autocomplete="off"
	/>
</div>
{#if canRecur}
	<RecurrenceField bind:value={form.rule} day={form.day} {today} error={errors.rule} />
{/if}
<Guests bind:guests={form.guests} error={errors.guests} />
<div class="grid grid-cols-2 gap-3">
	<SelectField label="Sort" name="sortId" bind:value={form.sortId} error={errors.sortId}>
		<option value="">none</option>
		{#each sorts as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</SelectField>
	<SelectField label="Priority" name="priority" bind:value={form.priority}>
		<option>high</option>
		<option>normal</option>
		<option>low</option>
	</SelectField>
	<SelectField label="Where one is" name="whereabouts" bind:value={form.whereabouts}>
		<option value="">not said</option>
		<option value="office">at the office</option>
		<option value="court">in court</option>
		<option value="home">at home</option>
		<option value="travelling">travelling</option>
	</SelectField>
	<TextField label="Labels" name="labels" bind:value={form.labels} error={errors.labels} />
</div>
<TextArea label="Notes" name="notes" bind:value={form.notes} error={errors.notes} rows={3} />
<label class="flex min-h-6 items-center gap-2">
	<input type="checkbox" name="private" class="accent-petrol" bind:checked={form.private} />
	Private: others see that you are busy, and nothing else
</label>
