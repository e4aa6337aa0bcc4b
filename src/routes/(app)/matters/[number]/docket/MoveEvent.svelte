<!--
	What would move with an event: shown before anything is saved; all or some, with the reason.
-->
<script lang="ts">
	import { onMount } from 'svelte';
	import SourceField from '$lib/docket/SourceField.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import { isDialogOpen } from '$lib/ui/keys.ts';
	import { askServer } from '$lib/ui/ask.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import type { Move } from '#server/docket/moves.ts';
	import { invalidateAll } from '$app/navigation';
	import ChangedMeanwhile, { type Conflict } from './ChangedMeanwhile.svelte';
	import type { MovedChoice, MovedEvent } from './acts.ts';
	import EventInputs from './EventInputs.svelte';
	import MoveRows from './MoveRows.svelte';
	type Props = {
		event: MovedEvent;
		choice: MovedChoice | null;
		services: { id: string; label: string }[];
		documents: { id: string; name: string }[];
		today: string;
		onclose: () => void;
	};
	let { event, choice, services, documents, today, onclose }: Props = $props();
	let to = $state(''),
		reason = $state(''),
		fault = $state(''),
		sourceId = $state('');
	// svelte-ignore state_referenced_locally
	let time = $state(event.time ?? '');
	// svelte-ignore state_referenced_locally
	let name = $state(event.name);
	// svelte-ignore state_referenced_locally
	let service = $state(event.service ?? ''),
		answers = $state<Record<string, string>>({ ...event.given });
	/** Correcting how it was served or an answer leaves the day as it is, where none is typed. */
	const correct = () => {
		if (!to.trim()) to = event.date;
	};
	const asIso = (typed: string) => {
		const r = typed.trim() ? readTypedDate(typed, today) : null;
		return r && 'date' in r ? r.date : typed.trim();
	};
	const questions = $derived(
		(choice?.questions ?? []).filter((q) =>
			Object.entries(q.if ?? {}).every(
				([k, a]) =>
					(answers[k] || choice?.questions.find((x) => x.id === k)?.options?.[0]?.id) === a
			)
		)
	);
	const given = () =>
		questions.map((question): [string, string] => {
			const typed = answers[question.id] ?? '';
			return [question.id, question.kind === 'date' ? asIso(typed) : typed];
		});
	type Previewed = {
		moves: Move[];
		gone: string[];
		born: { title: string; date: PlainDate }[];
		warnings: string[];
	};
	const NOTHING: Previewed = { moves: [], gone: [], born: [], warnings: [] };
	let born = $state<Previewed['born']>([]);
	let gone = $state<string[]>([]),
		warnings = $state<string[]>([]);
	let ready = $state(false);
	let moves = $state<Move[]>([]);
	let only = $state<string[]>([]);
	let choose = $state(false);
	let conflict = $state<Conflict | null>(null);
	/** What the form began with: a field that nobody touched takes what stands now. */
	// svelte-ignore state_referenced_locally
	let begun: Record<string, string> = { time, service, name };
	async function meet({ by, differences }: Conflict) {
		conflict = {
			by,
			differences: differences.filter(({ field, yours }) => begun[field] !== yours)
		};
		await invalidateAll();
		if (time === begun.time) time = event.time ?? '';
		if (service === begun.service) service = event.service ?? '';
		if (name === begun.name) name = event.name;
		begun = { time, service, name };
	}
	let panel: HTMLElement;
	onMount(() => panel.querySelector<HTMLElement>('input.box')?.focus());
	let asked = 0;
	/** What is shown is not yet what was typed. */
	let pending = $state(false);
	$effect(() => {
		void event.version;
		const typed = to.trim();
		if (!typed) {
			moves = [];
			gone = [];
			born = [];
			warnings = [];
			ready = false;
			fault = '';
			return;
		}
		const r = readTypedDate(typed, today);
		if ('error' in r) {
			moves = [];
			ready = false;
			return;
		}
		const mine = ++asked;
		pending = true;
		const body = {
			eventId: event.id,
			to: r.date,
			time,
			...(choice?.served ? { service } : {}),
			...(choice?.questions.length ? { answers: Object.fromEntries(given()) } : {})
		};
		void askServer<Previewed>('/api/preview/move', body).then((asking) => {
			if (mine !== asked) return;
			pending = false;
			fault = asking.ok ? '' : asking.message;
			({ moves, gone, born, warnings } = asking.ok ? asking.value : NOTHING);
			ready = asking.ok;
			only = moves.filter((m) => m.state !== 'met').map((m) => m.deadlineId);
		});
	});
	const dates = $derived(
		moves.filter((m) => m.days !== 0 && !m.held && (!choose || only.includes(m.deadlineId)))
	);
	const tasks = $derived(dates.flatMap((m) => m.tasks.filter((t) => t.days !== 0)));
</script>

<svelte:window
	onkeydown={({ key }) => {
		if (key === 'Escape' && !to.trim() && !reason && !isDialogOpen()) onclose();
	}}
/>
<aside
	bind:this={panel}
	class="no-print self-start border-l border-rule bg-sail p-4 xl:sticky xl:top-0"
	aria-label="If the event moves"
>
	<div class="flex items-baseline justify-between">
		<h2>If this moves</h2>
		<span class="sub">nothing is saved yet</span>
	</div>
	<p class="read mt-1 text-read">{event.text}</p>
	<ActionForm
		action="?/move"
		onconflict={meet}
		ondone={(d) => {
			say(
				`Moved ${plural(Number(d.moved), 'date')}. ${plural(Number(d.told), 'person', 'people')} told, once.`
			);
			onclose();
		}}
	>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="eventId" value={event.id} /><input
				type="hidden"
				name="version"
				value={event.version}
			/>{#if choose}<input type="hidden" name="only" value="" />{/if}
			<ChangedMeanwhile {conflict} />
			<div class="mt-3 grid grid-cols-[auto_1fr] items-start gap-3 border border-rule bg-white p-3">
				<div>
					<span class="sub text-note">from</span>
					<p class="read text-large whitespace-nowrap">
						{formatDay(event.date, today).slice(4)}
					</p>
				</div>
				<DateField
					name="to"
					label="to"
					bind:value={to}
					{today}
					error={errors.to || fault || undefined}
				/>
			</div>
			<EventInputs
				bind:time
				bind:service
				bind:name
				ahead={event.ahead !== null}
				timed={choice?.timed ?? false}
				services={choice?.served ? services : null}
				{errors}
				oncorrect={correct}
			/>

			{#each questions as q (q.id)}
				{#if q.kind === 'choice'}<SelectField
						label={q.ask}
						error={errors[`answers.${q.id}`]}
						class="mt-3"
						name="answers.{q.id}"
						bind:value={answers[q.id]}
						onchange={correct}
						><option value="">Not answered (taken as: {q.options![0]!.label})</option
						>{#each q.options! as o (o.id)}<option value={o.id}>{o.label}</option
							>{/each}</SelectField
					>
				{:else}<DateField
						name="answers.{q.id}"
						label={q.ask}
						bind:value={
							() => answers[q.id] ?? '',
							(x) => {
								answers[q.id] = x;
								correct();
							}
						}
						{today}
						error={errors[`answers.${q.id}`]}
						class="mt-3"
					/>{/if}
			{/each}
			<div aria-live="polite">
				<MoveRows {moves} {born} {gone} {warnings} {choose} bind:only {today} />
			</div>
			{#if ready}
				<TextField
					label="Reason"
					error={errors.reason}
					class="mt-3"
					hint="kept with the change: the order, the agreement, a slip"
					name="reason"
					bind:value={reason}
					autocomplete="off"
				/>
				<SourceField
					label="Source document"
					class="mt-3"
					error={errors.sourceId}
					name="sourceId"
					{documents}
					bind:value={sourceId}
				/>
				<p class="sub mt-2">
					{plural(dates.length, 'date')}{tasks.length ? ` and ${plural(tasks.length, 'task')}` : ''}
					{dates.length + tasks.length === 1 ? 'moves' : 'move'}. Each date is checked again by a
					second person. Everyone on the matter is told, once.
				</p>
				<div class="sticky bottom-0 mt-3 -mb-4 flex gap-2 border-t border-rule bg-sail py-3">
					<button class="btn go" disabled={busy || pending}
						>{#if asIso(to) === event.date}Keep the change{:else}Move {choose
								? plural(only.length, 'date')
								: moves.length < 2
									? 'it'
									: 'all'}{/if}</button
					>{#if moves.length > 1}<button
							type="button"
							class="btn"
							onclick={() => (choose = !choose)}>{choose ? 'All' : 'Choose'}</button
						>{/if}<button type="button" class="btn slight" onclick={onclose}>Cancel</button>
				</div>
			{:else}<div class="mt-3">
					<button type="button" class="btn slight" onclick={onclose}>Cancel</button>
				</div>{/if}
		{/snippet}
	</ActionForm>
</aside>
