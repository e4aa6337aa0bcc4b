<!-- An appointment to make, to change (also one of a series), or to call off. -->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import type { AppointmentView } from '#server/appointments/find.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import { timeAt } from '#core/dates/zone.ts';
	import { fieldsOf, fieldsOfNew } from './appointment-form.ts';
	import AppointmentFields from './AppointmentFields.svelte';
	import type { Draft, Scope } from './desk.svelte.ts';

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
		today: PlainDate;
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

	// svelte-ignore state_referenced_locally
	let form = $state(
		appointment ? fieldsOf(appointment) : fieldsOfNew(draft, { matter, me, today })
	);
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
					<AppointmentFields
						bind:form
						{errors}
						canRecur={!isSeries || scope !== 'this'}
						{people}
						{resources}
						{sorts}
						{today}
					/>
					<div
						class={[
							'sticky bottom-[-24px] -mx-[22px] flex items-center gap-3',
							'border-t border-rule bg-white px-[22px] py-3'
						]}
					>
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
