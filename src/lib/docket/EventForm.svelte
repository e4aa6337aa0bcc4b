<!--
	What happened: an event of a matter's books, its day, its service. What follows from it is shown
	with its count before anything is docketed.
-->
<script lang="ts">
	import { untrack, type Snippet } from 'svelte';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import { capitalize } from '#core/format/words.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { offeredDraft } from '$lib/ui/draft.svelte.ts';
	import LeftDraft from '$lib/ui/LeftDraft.svelte';
	import { listAsked, type EventChoice } from './event-choice.ts';
	import { EventPreview } from './event-preview.svelte.ts';
	import EventQuestions from './EventQuestions.svelte';
	import EventSource from './EventSource.svelte';
	import WhatFollows from './WhatFollows.svelte';
	import { docketWords } from './words.ts';
	type Props = {
		/** The action of the form, and what is told when it is done. */
		action: string;
		ondone: (result: Record<string, unknown>) => void | Promise<void>;
		/** Whether it is asked for: nothing is counted for a form that is closed. */
		active?: boolean;
		matter: { id: string; number: string; title: string };
		choices: EventChoice[];
		services: Record<string, { id: string; label: string; add: string | null }[]>;
		/** The matter's documents, one of which may be the source; none where the source is known. */
		documents?: { id: string; name: string }[];
		today: string;
		people: string;
		/** What was left in it belongs to this. */
		draftOf: string;
		/** What a paper looks like, and days that stand in it: offered, never taken. */
		likely?: readonly { id: string; text: string }[];
		days?: readonly { date: string; written: string }[];
		/** Fields of its own before the others. */
		before?: Snippet<[errors: Record<string, string>]>;
		/** The page is made anew by who is told. */
		stay?: boolean;
		/** In a drawer its foot reaches over the margins. */
		drawer?: boolean;
	};
	let {
		action,
		ondone,
		active = true,
		matter,
		choices,
		services: allServices,
		documents,
		today,
		people,
		draftOf,
		likely = [],
		days = [],
		before,
		stay = false,
		drawer = false
	}: Props = $props();

	// svelte-ignore state_referenced_locally
	const kept = offeredDraft(`event ${draftOf}`, {
		eventKey: '',
		typed: '',
		date: '',
		time: '',
		service: '',
		name: '',
		sourceId: '',
		place: '',
		link: '',
		sure: false,
		answers: {} as Record<string, string>
	});
	const entry = kept.value;
	const preview = new EventPreview();
	/** Each time it is asked for, it begins empty; what was left in it is offered. */
	let wasActive = false;
	$effect(() => {
		const isOpened = active && !wasActive;
		wasActive = active;
		if (isOpened) untrack(() => kept.open());
	});
	const event = $derived(choices.find(({ id }) => id === entry.eventKey));
	const several = $derived(new Set(choices.map(({ book }) => book)).size > 1);
	const items = $derived(
		choices.map(({ id, text, bookShort }) => ({
			value: id,
			label: text,
			...(several ? { about: bookShort } : {})
		}))
	);
	const services = $derived(event ? (allServices[event.book] ?? []) : []);
	const questions = $derived(listAsked(event?.questions ?? [], entry.answers));
	const asIso = (typed: string) => {
		const read = typed.trim() ? readTypedDate(typed, today) : null;
		return read && 'date' in read ? read.date : typed.trim();
	};
	const request = $derived(
		event && entry.date.trim()
			? JSON.stringify({
					matterId: matter.id,
					eventKey: entry.eventKey,
					date: asIso(entry.date),
					time: entry.time,
					service: event.served ? entry.service : '',
					sure: entry.sure,
					answers: Object.fromEntries(
						questions.map(({ id, kind }) => {
							const answer = entry.answers[id] ?? '';
							return [id, kind === 'date' ? asIso(answer) : answer];
						})
					)
				})
			: ''
	);
	$effect(() => {
		const question = active && request ? (JSON.parse(request) as { eventKey: string }) : null;
		return untrack(() => (question ? preview.ask(question) : preview.clear()));
	});
	const timeHint = $derived.by(() => {
		if (!event?.timed) return 'optional, like 10:00';
		return event.served ? 'where service depends on it' : 'hours are counted from it';
	});
	const serviceHint = $derived.by(() => {
		if (!entry.service) return undefined;
		const add = services.find(({ id }) => id === entry.service)?.add;
		if (!add) return 'adds nothing by itself';
		const words = add.replace('cd', ' court days').replace('d', ' days').replace('  ', ' ');
		return `may add ${words}; each count says whether it does`;
	});
	function take({ id, text }: { id: string; text: string }) {
		entry.eventKey = id;
		entry.typed = text;
	}
	function done(result: Record<string, unknown>) {
		kept.clear();
		preview.forget();
		return ondone(result);
	}
</script>

<ActionForm {action} {stay} ondone={done}>
	{#snippet children({ errors: refused, busy })}
		{@const errors = { ...preview.faults, ...refused }}
		<input type="hidden" name="matterId" value={matter.id} />
		<LeftDraft {kept} about={[kept.left?.typed, kept.left?.date].filter(Boolean).join(', ')} />
		<div class="flex flex-col gap-2.5">
			{@render before?.(errors)}
			{#if likely.length && !entry.eventKey}
				<p class="flex flex-wrap items-baseline gap-2" data-likely>
					<span class="sub">It looks like</span>
					{#each likely as guess (guess.id)}
						<button type="button" class="act" onclick={() => take(guess)}>{guess.text}</button>
					{/each}
				</p>
			{/if}
			<Choose
				label="What happened"
				name="eventKey"
				bind:value={entry.eventKey}
				bind:typed={entry.typed}
				{items}
				error={errors.eventKey}
				hint={event?.hint ?? undefined}
			/>
			<div class="grid grid-cols-2 gap-3">
				<DateField name="date" label="On" bind:value={entry.date} {today} error={errors.date} />
				{#if event?.ahead || event?.timed}
					<TextField
						label="At"
						error={errors.time}
						hint={timeHint}
						name="time"
						bind:value={entry.time}
						autocomplete="off"
					/>
				{/if}
				{#if event?.served}
					<SelectField
						label={event.ahead ? 'To be served by' : 'Served by'}
						error={errors.service}
						hint={serviceHint}
						name="service"
						bind:value={entry.service}
					>
						<option value="">Not served, or not known</option>
						{#each services as { id, label } (id)}
							<option value={id}>{capitalize(label)}</option>
						{/each}
					</SelectField>
				{/if}
			</div>
			{#each preview.warnings as warning (warning)}
				<p class="font-semibold text-saffron-ink" data-warning>{capitalize(warning)}</p>
			{/each}
			{#if days.length && !entry.date.trim()}
				<p class="flex flex-wrap items-baseline gap-2" data-days>
					<span class="sub">It speaks of</span>
					{#each days as { date, written } (date)}
						<button type="button" class="act" onclick={() => (entry.date = date)}>{written}</button>
					{/each}
				</p>
			{/if}
			{#if entry.sure || /Is the year right/.test(errors.date ?? '')}
				<label class="flex gap-2">
					<input type="checkbox" name="sure" bind:checked={entry.sure} class="accent-petrol" />
					Yes, it did happen that long before the matter was opened
				</label>
			{/if}
			<EventQuestions {questions} bind:answers={entry.answers} {errors} {today} />
			<TextField
				label="Name it"
				error={errors.name}
				hint="shown beside each date: which motion, which set"
				name="name"
				bind:value={entry.name}
				autocomplete="off"
			/>
			<EventSource value={entry} {documents} ahead={Boolean(event?.ahead)} {errors} />
		</div>
		<div class="ruled mt-4">
			<h3 class="font-semibold">What follows</h3>
			{#if preview.looking}<span class="sub" role="status">counting…</span>{/if}
		</div>
		<WhatFollows
			proposals={preview.proposals}
			left={preview.left}
			bind:chosen={preview.chosen}
			bind:shown={preview.shown}
			{today}
			isChosen={event !== undefined}
			hasFaults={Object.keys(preview.faults).length > 0}
			unreached={preview.unreached}
		/>
		{#if errors.answers}<p class="fault mt-2">{errors.answers}</p>{/if}
		<div
			class={[
				'sticky z-10 mt-4 flex items-center gap-2 border-t border-rule py-3',
				drawer ? '-bottom-6 -mx-[22px] bg-white px-[22px]' : 'bottom-0 bg-sail'
			]}
		>
			<button class="btn go" disabled={busy || !event || preview.looking}>
				{docketWords(preview.chosen.length, event?.ahead ?? null)}
			</button>
			{#if preview.chosen.length}
				<button type="submit" class="btn" disabled={busy} onclick={() => (preview.chosen = [])}>
					Keep as proposed
				</button>
			{/if}
		</div>
		<p class="sub mt-2">
			On the calendars of {people} and the department. A second person is asked to check.
		</p>
	{/snippet}
</ActionForm>
