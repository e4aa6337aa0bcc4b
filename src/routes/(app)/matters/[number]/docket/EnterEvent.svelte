<!-- Enter an event: what follows from it is shown with its count before anything is docketed. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import Count from '$lib/docket/Count.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import { capitalize } from '#core/format/words.ts';
	import { parseTypedDate } from '#core/dates/typed.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import type { ProposalView } from '#server/docket/events.ts';
	import { docketWords } from './describe.ts';

	type Question = {
		id: string;
		ask: string;
		kind: 'choice' | 'date';
		options?: { id: string; label: string }[] | undefined;
		if?: Record<string, string> | undefined;
	};
	type Choice = {
		id: string;
		book: string;
		bookShort: string;
		text: string;
		served: boolean;
		ahead: string | null;
		timed: boolean;
		hint: string | null;
		questions: Question[];
	};
	type Props = {
		open: boolean;
		matter: { id: string; number: string; title: string };
		choices: Choice[];
		services: Record<string, { id: string; label: string; add: string | null }[]>;
		documents: { id: string; name: string }[];
		today: string;
		people: string;
	};
	let {
		open = $bindable(),
		matter,
		choices,
		services: allServices,
		documents,
		today,
		people
	}: Props = $props();

	// svelte-ignore state_referenced_locally
	const kept = draft(`event ${matter.id}`, {
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
	const v = kept.value;
	const event = $derived(choices.find((c) => c.id === v.eventKey));
	const several = $derived(new Set(choices.map((c) => c.book)).size > 1);
	const services = $derived(event ? (allServices[event.book] ?? []) : []);
	/** Questions that depend on another's answer come with it. */
	const questions = $derived(
		(event?.questions ?? []).filter((q) =>
			Object.entries(q.if ?? {}).every(
				([k, a]) =>
					(v.answers[k] || event?.questions.find((x) => x.id === k)?.options?.[0]?.id) === a
			)
		)
	);
	let proposals = $state<ProposalView[]>([]);
	let left = $state<{ title: string; reason: string }[]>([]);
	let chosen = $state<string[]>([]);
	let faults = $state<Record<string, string>>({});
	let shown = $state('');
	let looking = $state(false);
	let asked = 0;

	const asIso = (typed: string) => {
		const r = typed.trim() ? parseTypedDate(typed, today as PlainDate) : null;
		return r && 'date' in r ? r.date : typed.trim();
	};
	const iso = $derived(asIso(v.date));
	const request = $derived(
		event && v.date.trim()
			? JSON.stringify({
					matterId: matter.id,
					eventKey: v.eventKey,
					date: iso,
					time: v.time,
					service: event.served ? v.service : '',
					sure: v.sure,
					answers: Object.fromEntries(
						questions.map((q) => [
							q.id,
							q.kind === 'date' ? asIso(v.answers[q.id] ?? '') : (v.answers[q.id] ?? '')
						])
					)
				})
			: ''
	);
	$effect(() => {
		const body = request;
		if (!open || !body) {
			proposals = [];
			left = [];
			faults = {};
			return;
		}
		const mine = ++asked;
		looking = true;
		const wait = setTimeout(async () => {
			const r = await fetch('/api/preview/event', {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body
			});
			if (mine !== asked) return;
			looking = false;
			const out = (await r.json()) as {
				deadlines?: ProposalView[];
				left?: typeof left;
				errors?: Record<string, string>;
			};
			faults = out.errors ?? {};
			const before = new Set(proposals.map((p) => p.rule));
			proposals = out.deadlines ?? [];
			left = out.left ?? [];
			chosen = proposals
				.filter((p) => (before.has(p.rule) ? chosen.includes(p.rule) : !p.suggested))
				.map((p) => p.rule);
			if (!proposals.some((p) => p.rule === shown)) shown = proposals[0]?.rule ?? '';
		}, 160);
		return () => clearTimeout(wait);
	});
	const add = $derived(services.find((s) => s.id === v.service)?.add);
</script>

<Drawer
	bind:open
	title="Enter an event"
	about="{matter.number} {matter.title}{event ? `, ${event.bookShort}` : ''}"
	wide
>
	<ActionForm
		action="?/enter"
		ondone={(d) => {
			kept.clear();
			open = false;
			toast(
				Number(d.docketed)
					? `Docketed ${plural(Number(d.docketed), 'date')}. A second person is asked to check.`
					: 'Kept as proposed.'
			);
		}}
	>
		{#snippet children({ errors, busy })}
			{@const e = { ...faults, ...errors }}
			<input type="hidden" name="matterId" value={matter.id} />
			<div class="flex flex-col gap-2.5">
				<Choose
					label="What happened"
					name="eventKey"
					bind:value={v.eventKey}
					bind:typed={v.typed}
					items={choices.map((c) => ({
						value: c.id,
						label: c.text,
						...(several ? { about: c.bookShort } : {})
					}))}
					error={e.eventKey}
					hint={event?.hint ?? undefined}
				/>
				<div class="grid grid-cols-2 gap-3">
					<DateField name="date" label="On" bind:value={v.date} {today} error={e.date} />
					{#if event?.ahead || event?.timed}<TextField
							label="At"
							error={e.time}
							hint={event?.timed
								? event.served
									? 'where service depends on it'
									: 'hours are counted from it'
								: 'optional, like 10:00'}
							name="time"
							bind:value={v.time}
							placeholder="10:00"
						/>{/if}
					{#if event?.served}<SelectField
							label={event.ahead ? 'To be served by' : 'Served by'}
							error={e.service}
							hint={v.service
								? add
									? `may add ${add.replace('cd', ' court days').replace('d', ' days').replace('  ', ' ')}; each count says whether it does`
									: 'adds nothing by itself'
								: undefined}
							name="service"
							bind:value={v.service}
							><option value="">Not served, or not known</option>{#each services as s (s.id)}<option
									value={s.id}>{capitalize(s.label)}</option
								>{/each}</SelectField
						>{/if}
				</div>
				{#if v.sure || /Is the year right/.test(e.date ?? '')}<label class="flex gap-2"
						><input type="checkbox" name="sure" bind:checked={v.sure} class="accent-petrol" /> Yes, it
						did happen that long before the matter was opened</label
					>{/if}
				{#each questions as q (q.id)}
					{#if q.kind === 'choice'}<SelectField
							label={q.ask}
							error={e[`answers.${q.id}`]}
							name="answers.{q.id}"
							bind:value={v.answers[q.id]}
							><option value="">Not answered (taken as: {q.options![0]!.label})</option
							>{#each q.options! as o (o.id)}<option value={o.id}>{o.label}</option
								>{/each}</SelectField
						>
					{:else}<DateField
							name="answers.{q.id}"
							label={q.ask}
							bind:value={() => v.answers[q.id] ?? '', (x) => (v.answers[q.id] = x)}
							{today}
							error={e[`answers.${q.id}`]}
						/>{/if}
				{/each}
				<TextField
					label="Name it"
					error={e.name}
					hint="shown beside each date: which motion, which set"
					name="name"
					bind:value={v.name}
					autocomplete="off"
				/>
				<details open={!!(v.sourceId || v.place || v.link || e.sourceId || e.place || e.link)}>
					<summary class="act inline-block"
						>{event?.ahead ? 'Where it comes from, place, link' : 'Where it comes from'}</summary
					>
					<div class="mt-2.5 flex flex-col gap-2.5">
						<SelectField
							label="From which document"
							error={e.sourceId}
							hint="the second person checks the date against it"
							name="sourceId"
							bind:value={v.sourceId}
							><option value="">None</option>{#each documents as d (d.id)}<option value={d.id}
									>{d.name}</option
								>{/each}</SelectField
						>
						{#if event?.ahead}<div class="grid grid-cols-2 gap-3">
								<TextField
									label="Place"
									error={e.place}
									name="place"
									bind:value={v.place}
									autocomplete="off"
								/><TextField
									label="Link"
									error={e.link}
									name="link"
									bind:value={v.link}
									placeholder="https://"
									autocomplete="off"
								/>
							</div>{/if}
					</div>
				</details>
			</div>
			<div class="ruled mt-4">
				<h3 class="font-semibold">What follows</h3>
				{#if looking}<span class="sub" role="status">counting…</span>{/if}
			</div>
			{#each proposals as p (p.rule)}
				<div class="row py-2">
					<div class="flex items-start gap-2.5">
						<input
							type="checkbox"
							name="docket"
							value={p.rule}
							bind:group={chosen}
							class="mt-1 h-4 w-4 accent-petrol"
							aria-label="Docket {p.title}"
						/>
						<span class="mt-0.5"><Kite state="proposed" /></span>
						<button
							type="button"
							class="min-w-0 grow text-left"
							onclick={() => (shown = shown === p.rule ? '' : p.rule)}
							aria-expanded={shown === p.rule}
							><b class="font-semibold">{p.title.charAt(0).toUpperCase() + p.title.slice(1)}</b
							><span class="sub block">{p.authority}</span></button
						>
						<span class="text-right whitespace-nowrap"
							><b class="font-semibold {p.past ? 'text-madder' : ''}" data-date={p.date}
								>{formatDay(p.date, today)}{p.time ? `, ${p.time}` : ''}</b
							><span class="block {p.past ? 'font-semibold text-madder' : 'sub'}"
								>{p.past
									? 'in the past'
									: p.courtDays === 0
										? 'today'
										: `in ${plural(p.courtDays, 'court day')}`}</span
							></span
						>
					</div>
					{#if shown === p.rule}<div class="mt-2"><Count count={p.count} /></div>{/if}
				</div>
			{:else}<p class="sub py-3">
					{event
						? Object.keys(faults).length
							? 'Mend what is marked above and the dates appear.'
							: 'Give the date and the deadlines appear here with their counts.'
						: 'Choose what happened; its deadlines appear here before anything is saved.'}
				</p>{/each}
			{#each left as l (l.title)}<p class="py-2 text-ink-2">
					{l.title.charAt(0).toUpperCase() + l.title.slice(1)}: not counted. {l.reason}
				</p>{/each}
			{#if e.answers}<p class="fault mt-2">{e.answers}</p>{/if}
			<div
				class="sticky -bottom-6 z-10 -mx-[22px] mt-4 flex items-center gap-2 border-t border-rule bg-white px-[22px] py-3"
			>
				<button class="btn go" disabled={busy || !event || looking}
					>{docketWords(chosen.length, event?.ahead ?? null)}</button
				>
				{#if chosen.length}<button
						type="submit"
						class="btn"
						disabled={busy}
						onclick={() => (chosen = [])}>Keep as proposed</button
					>{/if}
			</div>
			<p class="sub mt-2">
				On the calendars of {people} and the department. A second person is asked to check.
			</p>
		{/snippet}
	</ActionForm>
</Drawer>
