<!-- Everything about an appointment: to make one, to change one or one of a series, to call it off. -->
<script lang="ts">
	import type { AppointmentView } from '#server/appointments/find.ts';
	import { formatTime } from '#core/format/dates.ts';
	import { findMatterIds } from '$lib/people/find.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import ChooseMany from '$lib/ui/ChooseMany.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { timeAt } from '#core/dates/zone.ts';
	import type { Draft, Scope } from './desk.svelte.ts';
	import Guests from './Guests.svelte';
	import RecurrenceField from './RecurrenceField.svelte';

	type Props = {
		open: boolean;
		/** The one that is changed; null: a new one. */
		appointment: AppointmentView | null;
		/** What was drawn of a new one. */
		draft: Draft | null;
		people: { id: string; name: string }[];
		resources: { id: string; name: string; seats: number | null }[];
		sorts: { id: string; name: string }[];
		matter: { id: string; number: string; title: string } | null;
		me: string;
		today: string;
		zone: string;
		ondone: (data: Record<string, unknown>) => void | Promise<void>;
		onclose: () => void;
	};
	let {
		open = $bindable(),
		appointment,
		draft,
		people,
		resources,
		sorts,
		matter,
		me,
		today,
		zone,
		ondone,
		onclose
	}: Props = $props();

	const clock = (minutes: number | null | undefined) =>
		minutes === null || minutes === undefined ? '' : formatTime(minutes % 1440);
	function begin() {
		const one = appointment;
		const of = one ? one.matter : matter;
		return {
			subject: one?.subject ?? draft?.subject ?? '',
			day: (one?.onDay ?? draft?.day ?? today) as string,
			lastDay: one && one.more_days > 0 ? (one.lastDay as string) : '',
			from: one ? clock(one.from_minute) : clock(draft?.from),
			to: one ? clock(one.to_minute) : clock(draft?.to),
			matterId: of?.id ?? '',
			matter: of ? `${of.number} ${of.title}` : '',
			staff: one?.staff ?? draft?.staff ?? [draft?.staffId ?? me],
			resources: one?.resources ?? draft?.resources ?? [],
			guests: (one?.guests ?? []).map(({ person_id, name, email }) => ({
				...{ personId: person_id ?? '', name, email }
			})),
			place: one?.place ?? '',
			link: one?.link ?? '',
			sortId: one?.sort_id ?? '',
			priority: one?.priority ?? 'normal',
			whereabouts: one?.whereabouts ?? '',
			labels: one?.labels ?? '',
			notes: one?.notes ?? '',
			private: one?.private === 1,
			rule: one?.rule ?? ''
		};
	}
	let form = $state(begin());
	let scope = $state<Scope>('this');
	let reason = $state('');
	let isCallingOff = $state(false);
	const isSeries = $derived(appointment !== null && appointment.rule !== '');
	const isReadOnly = $derived(appointment !== null && !appointment.free);
	const title = $derived(
		appointment
			? isReadOnly
				? appointment.subject
				: 'Change the appointment'
			: 'A new appointment'
	);
	const SCOPES: readonly (readonly [Scope, string])[] = [
		['this', 'only this one'],
		['later', 'this and later ones'],
		['all', 'all of them']
	];
	const nameOf = (id: string) => people.find((one) => one.id === id)?.name ?? '';
</script>

{#snippet scopes(name: string)}
	{#if isSeries}
		<fieldset class="flex flex-wrap gap-x-4 gap-y-1">
			<legend class="label">Which of the series</legend>
			{#each SCOPES as [value, words] (value)}
				<label class="flex min-h-6 items-center gap-1.5">
					<input
						type="radio"
						name="{name}-scope"
						class="accent-petrol"
						{value}
						bind:group={scope}
					/>
					{words}
				</label>
			{/each}
		</fieldset>
	{/if}
	<input type="hidden" name="appointmentId" value={appointment?.id} />
	<input type="hidden" name="onDay" value={appointment?.onDay} />
	<input type="hidden" name="scope" value={isSeries ? scope : 'all'} />
{/snippet}

<Drawer bind:open {title} about={appointment?.words ?? ''} {onclose}>
	{#if isReadOnly && appointment}
		<dl class="facts">
			<dt>With</dt>
			<dd>{appointment.staff.map(nameOf).filter(Boolean).join(', ')}</dd>
			{#if appointment.matter}
				<dt>Matter</dt>
				<dd>
					<a class="act" href="/matters/{appointment.matter.number}">
						{appointment.matter.number}
						{appointment.matter.title}
					</a>
				</dd>
			{/if}
			{#if appointment.place}<dt>Place</dt>
				<dd>{appointment.place}</dd>{/if}
			{#if appointment.notes}<dt>Notes</dt>
				<dd class="whitespace-pre-line">{appointment.notes}</dd>{/if}
		</dl>
		<p class="sub mt-3">Those who are on it change it, and who keeps their calendars.</p>
	{:else}
		<ActionForm action={appointment ? '?/change' : '?/add'} {ondone} stay>
			{#snippet children({ errors, busy })}
				<div class="flex flex-col gap-3">
					{#if appointment}
						<input type="hidden" name="version" value={appointment.version} />
						{@render scopes('change')}
					{/if}
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
						<TextField
							label="To"
							name="to"
							bind:value={form.to}
							error={errors.to}
							autocomplete="off"
						/>
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
					{#if !isSeries || scope !== 'this'}
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
						<TextField
							label="Labels"
							name="labels"
							bind:value={form.labels}
							error={errors.labels}
						/>
					</div>
					<TextArea
						label="Notes"
						name="notes"
						bind:value={form.notes}
						error={errors.notes}
						rows={3}
					/>
					<label class="flex min-h-6 items-center gap-2">
						<input
							type="checkbox"
							name="private"
							class="accent-petrol"
							bind:checked={form.private}
						/>
						Private: others see that you are busy, and nothing else
					</label>
					<div class="drawer-foot flex items-center gap-4">
						<button class="btn go" disabled={busy}>
							{appointment ? 'Save' : 'Put it into the calendar'}
						</button>
					</div>
				</div>
			{/snippet}
		</ActionForm>
		{#if appointment}
			<div class="mt-6">
				{#if isCallingOff}
					<ActionForm action="?/callOff" {ondone} stay>
						{#snippet children({ errors, busy })}
							<div class="flex flex-col gap-3">
								{@render scopes('off')}
								<TextField
									label="Why"
									hint="if you like; the others read it"
									name="reason"
									bind:value={reason}
									error={errors.reason}
								/>
								<div class="flex gap-4">
									<button class="btn" disabled={busy}>Call it off</button>
									<button type="button" class="act" onclick={() => (isCallingOff = false)}>
										Leave it
									</button>
								</div>
							</div>
						{/snippet}
					</ActionForm>
				{:else}
					<button type="button" class="act" onclick={() => (isCallingOff = true)}>
						Call it off
					</button>
				{/if}
			</div>
		{/if}
	{/if}
	{#if appointment?.history.length}
		<section class="mt-6">
			<h2 class="ruled">What was done to it</h2>
			{#each appointment.history as { at, by, words, undone } (at + words)}
				<p class="row py-1.5" class:line-through={undone}>
					{words}
					<span class="sub">{by}, {formatDay(at.slice(0, 10), today)} {timeAt(at, zone)}</span>
				</p>
			{/each}
		</section>
	{/if}
</Drawer>

<style>
	.facts {
		display: grid;
		grid-template-columns: 80px 1fr;
		gap: 6px 12px;
	}
	.facts dt {
		color: var(--color-ink-2);
	}
</style>
