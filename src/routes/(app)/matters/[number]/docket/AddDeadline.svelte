<!-- A date or a hearing without a rule: from an order, a letter, an agreement. -->
<script lang="ts">
	import SourceField from '$lib/docket/SourceField.svelte';
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import { capitalize } from '#core/format/words.ts';
	import { askServer } from '$lib/ui/ask.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Field from '$lib/ui/Field.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import { offeredDraft } from '$lib/ui/draft.svelte.ts';
	import LeftDraft from '$lib/ui/LeftDraft.svelte';
	import { untrack } from 'svelte';
	type Props = {
		open: boolean;
		matter: { id: string; number: string; title: string };
		documents: { id: string; name: string }[];
		today: string;
	};
	let { open = $bindable(), matter, documents, today }: Props = $props();
	// svelte-ignore state_referenced_locally
	const kept = offeredDraft(`hand ${matter.id}`, {
		what: 'deadline',
		title: '',
		date: '',
		time: '',
		authority: '',
		place: '',
		link: '',
		long: '',
		sourceId: ''
	});
	const v = kept.value;
	/** It begins empty, or with what the address brings: an entry of the court's list. */
	function begin() {
		kept.open();
		const { searchParams } = page.url;
		const title = searchParams.get('hand');
		if (!title || taken === title) return;
		taken = title;
		v.title = title;
		v.date = searchParams.get('on') ?? '';
		v.time = searchParams.get('at') ?? '';
		v.what = SORTS.find((sort) => title.toLowerCase().includes(sort)) ?? 'deadline';
	}
	const SORTS = ['hearing', 'trial', 'conference', 'deposition'];
	let taken = '';
	let wasOpen = false;
	$effect(() => {
		const isOpened = open && !wasOpen;
		wasOpen = open;
		if (isOpened) untrack(begin);
	});
	/** What there is to say against the day that is typed: a closed day, someone away. */
	let warnings = $state<string[]>([]);
	let asked = 0;
	$effect(() => {
		const read = v.date.trim() ? readTypedDate(v.date, today) : null;
		const mine = ++asked;
		warnings = [];
		if (!read || !('date' in read)) return;
		const question = { matterId: matter.id, what: v.what, date: read.date };
		void askServer<{ warnings: string[] }>('/api/preview/day', question).then((answer) => {
			if (mine === asked) warnings = answer.ok ? answer.value.warnings : [];
		});
	});
	const WHAT = [
		['deadline', 'something due'],
		['hearing', 'a hearing'],
		['trial', 'a trial'],
		['conference', 'a conference'],
		['deposition', 'a deposition']
	] as const;
	type Found = { title: string; date: string; time: string | null; place: string };
	let found = $state<Found[]>([]),
		take = $state<string[]>([]),
		left = $state(0),
		file = $state('');
</script>

<Drawer
	bind:open
	title="Enter a date by hand"
	about="{matter.number} {matter.title}; no rule counts it"
>
	{#if found.length}
		<ActionForm
			action="?/bring"
			ondone={(d) => {
				found = [];
				open = false;
				say(`Entered ${plural(Number(d.brought), 'event')}.`);
			}}
		>
			{#snippet children({ errors, busy })}
				<input type="hidden" name="matterId" value={matter.id} /><input
					type="hidden"
					name="from"
					value={file}
				/><input
					type="hidden"
					name="items"
					value={JSON.stringify(found.filter((_, i) => take.includes(String(i))))}
				/>
				<h3 class="ruled font-semibold">{file}</h3>
				{#each found as e, i (i)}<label
						class="row flex items-start gap-2.5 py-1.5"
						data-found={e.title}
						><input
							type="checkbox"
							value={String(i)}
							bind:group={take}
							class="mt-0.5 accent-petrol"
						/><span class="w-[110px] shrink-0 font-semibold"
							>{formatDay(e.date, today)}{e.time ? `, ${e.time}` : ''}</span
						><span>{e.title}<span class="sub block">{e.place}</span></span></label
					>{/each}
				{#if left}<p class="sub mt-1">
						{plural(left, 'event')} left out: recurring, cancelled, without a title, or past the first
						200.
					</p>{/if}
				{#if errors.items}<p class="fault mt-1">{errors.items}</p>{/if}
				<div class="mt-4 flex gap-2">
					<button class="btn go" disabled={busy || take.length === 0}
						>Enter {plural(take.length, 'event')}</button
					><button type="button" class="btn slight" onclick={() => (found = [])}>Cancel</button>
				</div>
			{/snippet}
		</ActionForm>
	{:else}
		<ActionForm
			action="?/hand"
			ondone={() => {
				kept.clear();
				open = false;
				say('Docketed. A second person is asked to check.');
			}}
		>
			{#snippet children({ errors, busy })}
				<input type="hidden" name="matterId" value={matter.id} />
				<LeftDraft {kept} about={[kept.left?.title, kept.left?.date].filter(Boolean).join(', ')} />
				<div class="flex flex-col gap-2.5">
					<fieldset class="flex flex-wrap gap-x-4 gap-y-1">
						<legend class="label">What it is</legend>{#each WHAT as [k, n] (k)}<label
								class="flex gap-1.5"
								><input
									type="radio"
									name="what"
									value={k}
									bind:group={v.what}
									class="accent-petrol"
								/>
								{n}</label
							>{/each}
					</fieldset>
					<TextField
						label="Title"
						error={errors.title}
						name="title"
						bind:value={v.title}
						autocomplete="off"
					/>
					<div class="grid grid-cols-[1fr_110px] gap-3">
						<DateField
							name="date"
							label="On"
							bind:value={v.date}
							{today}
							error={errors.date}
							hint="a day by hand is never moved off a closed day"
						/><TextField
							label="At"
							error={errors.time}
							name="time"
							bind:value={v.time}
							placeholder="time"
						/>
					</div>
					{#each warnings as warning (warning)}
						<p class="font-semibold text-saffron-ink" data-warning>
							{capitalize(warning)}
						</p>
					{/each}
					<TextField
						label="Authority"
						error={errors.authority}
						hint="the order, the letter, the agreement"
						name="authority"
						bind:value={v.authority}
						autocomplete="off"
					/>
					<SourceField
						label="From which document"
						error={errors.sourceId}
						name="sourceId"
						{documents}
						bind:value={v.sourceId}
					/>
					<div class="grid grid-cols-2 gap-3">
						<TextField
							label="Place"
							error={errors.place}
							name="place"
							bind:value={v.place}
						/><TextField
							label="Link"
							error={errors.link}
							name="link"
							bind:value={v.link}
							placeholder="https://"
						/>
					</div>
					<TextArea
						label="Description"
						error={errors.long}
						name="long"
						rows={3}
						bind:value={v.long}
					/>
				</div>
				<div class="mt-4">
					<button class="btn go" disabled={busy}
						>{v.what === 'deadline' ? 'Docket the date' : `Docket the ${v.what}`}</button
					>
				</div>
			{/snippet}
		</ActionForm>
		<ActionForm
			action="?/ics"
			files
			stay
			class="mt-6 border-t border-rule pt-4"
			ondone={(d) => {
				found = d.found as Found[];
				left = Number(d.left);
				file = String(d.file);
				take = found.map((_, i) => String(i));
			}}
		>
			{#snippet children({ errors, busy })}<Field
					label="Or from a calendar file (ICS)"
					error={errors.ics}
					hint="a notice of hearing, a mediator's invitation; you choose which of its events are entered"
					>{#snippet children(c)}<input
							class="box"
							type="file"
							name="ics"
							accept=".ics,text/calendar"
							{...c}
						/>{/snippet}</Field
				>
				<div class="mt-3"><button class="btn" disabled={busy}>Look into it</button></div>{/snippet}
		</ActionForm>
	{/if}
</Drawer>
