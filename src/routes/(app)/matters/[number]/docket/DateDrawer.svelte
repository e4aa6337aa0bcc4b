<!-- What is done with one date: met, vacated, moved by order or agreement, described, answered, sent outside. -->
<script lang="ts" module>
	export type How = 'meet' | 'vacate' | 'shift' | 'edit' | 'answer' | 'invite';
</script>

<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { askServer } from '$lib/ui/ask.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Differences from '$lib/ui/Differences.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { plural, formatShort } from '$lib/ui/format.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import { parseTypedDate } from '#core/dates/typed.ts';
	import type { DeadlineView } from '#server/docket/list.ts';
	type Paper = { id: string; name: string };
	type Props = {
		open: boolean;
		how: How;
		d: DeadlineView | null;
		documents: Paper[];
		linked: string[];
		exhibits: { id: string; number: string; title: string; dates: string[] }[];
		ladder: string;
		today: string;
	};
	let { open = $bindable(), how, d, documents, linked, exhibits, ladder, today }: Props = $props();
	let on = $state(''),
		proof = $state(''),
		reason = $state(''),
		documentId = $state('');
	let kind = $state<'order' | 'agreement' | 'back'>('order'),
		by = $state(''),
		to = $state('');
	let internal = $state(''),
		time = $state(''),
		place = $state(''),
		link = $state(''),
		brief = $state(''),
		long = $state(''),
		papers = $state<string[]>([]),
		shown = $state<string[]>([]),
		version = $state(0);
	let conflict = $state<{
		by: string;
		version: number;
		differences: { field: string; name: string; theirs: string; yours: string }[];
	} | null>(null);
	let rungs = $state('');
	let choice = $state<Record<string, 'theirs' | 'yours'>>({});
	$effect(() => {
		for (const x of conflict?.differences ?? [])
			use(x.field, choice[x.field] === 'theirs' ? x.theirs : x.yours);
	});
	let name = $state(''),
		email = $state(''),
		words = $state('');
	let shift = $state<{
		to: PlainDate;
		days: number;
		warnings: string[];
		tasks: { taskId: string; subject: string; assignee: string; to: PlainDate }[];
	} | null>(null);
	let fault = $state(''),
		asked = 0;
	let was = '';
	$effect(() => {
		const key = open && d ? `${d.id} ${how}` : '';
		if (key === was || !d) return;
		was = key;
		if (!key) return;
		on = today;
		proof = '';
		reason = '';
		documentId = '';
		kind = 'order';
		by = '';
		to = '';
		shift = null;
		fault = '';
		conflict = null;
		internal = d.internal ?? '';
		time = d.handTime ?? '';
		place = d.place;
		link = d.link;
		brief = d.short;
		long = d.long;
		papers = [...linked];
		shown = exhibits.filter((x) => x.dates.includes(d.id)).map((x) => x.id);
		rungs = ladder;
		version = d.version;
		name = '';
		email = '';
		words = '';
	});
	$effect(() => {
		if (!open || how !== 'shift' || !d) return;
		const r = to.trim() ? parseTypedDate(to, today as PlainDate) : null;
		const body = {
			deadlineId: d.id,
			how: kind,
			by: by.trim(),
			to: r && 'date' in r ? r.date : ''
		};
		if (kind !== 'back' && !by.trim() && !(r && 'date' in r)) {
			shift = null;
			fault = '';
			return;
		}
		const mine = ++asked;
		void askServer<NonNullable<typeof shift>>('/api/preview/reschedule', body).then((asking) => {
			if (mine !== asked) return;
			fault = asking.ok ? '' : asking.message;
			shift = asking.ok ? asking.value : null;
		});
	});
	const TITLES: Record<How, string> = {
		meet: 'It was met',
		vacate: 'Vacate the date',
		shift: 'Move the date',
		edit: 'Details of the date',
		answer: 'Answer the check',
		invite: 'Send it outside'
	};
	const SAID: Record<How, string> = {
		meet: 'Recorded as met.',
		vacate: 'Vacated.',
		shift: '',
		edit: 'Kept.',
		answer: 'Answered; it waits for a second check again.',
		invite: 'Sent. They are told when it changes.'
	};
	function done(x: Record<string, unknown>) {
		open = false;
		toast(
			how === 'shift'
				? `Moved to ${formatDate(String(x.to) as PlainDate)}. ${plural(Number(x.told), 'person', 'people')} told, once.`
				: SAID[how]
		);
	}
	function take(c: NonNullable<typeof conflict>) {
		conflict = c;
		version = c.version;
		choice = Object.fromEntries(c.differences.map((x) => [x.field, 'yours' as const]));
	}
	function use(field: string, value: string) {
		if (field === 'short') brief = value;
		else if (field === 'long') long = value;
		else if (field === 'place') place = value;
		else if (field === 'link') link = value;
		else if (field === 'internal') internal = value;
		else time = value;
	}
</script>

{#snippet paper(label: string, error: string | undefined, hint?: string)}<SelectField
		{label}
		{error}
		{hint}
		name="documentId"
		bind:value={documentId}
		><option value="">None</option>{#each documents as x (x.id)}<option value={x.id}
				>{x.name}</option
			>{/each}</SelectField
	>{/snippet}

<Drawer bind:open title={TITLES[how]} about={d ? `${d.title}, ${formatDate(d.date)}` : ''}>
	{#if d}
		<ActionForm action="?/{how}" ondone={done} onconflict={take}>
			{#snippet children({ errors, busy })}
				<input type="hidden" name="deadlineId" value={d.id} />
				<div class="flex flex-col gap-2.5">
					{#if how === 'meet'}
						<DateField name="on" label="Met on" bind:value={on} {today} error={errors.on} />
						<TextField
							label="Proof in words"
							error={errors.proof}
							hint="optional: the filing's number"
							name="proof"
							bind:value={proof}
						/>
						{@render paper('Document that proves it', errors.documentId)}
					{:else if how === 'vacate'}
						<TextField label="Reason" error={errors.reason} name="reason" bind:value={reason} />
					{:else if how === 'answer'}
						<p><b class="font-semibold text-madder">{d.returnedBy}:</b> {d.returnedReason}</p>
						<TextField
							label="Why it stands"
							error={errors.words}
							hint="or change the event or the date: that answers it too"
							name="words"
							bind:value={words}
						/>
					{:else if how === 'invite'}
						<TextField
							label="Name"
							error={errors.name}
							name="name"
							bind:value={name}
							autocomplete="off"
						/>
						<TextField
							label="Mail address"
							error={errors.email}
							name="email"
							type="email"
							bind:value={email}
							autocomplete="off"
						/>
						<TextArea
							label="Message"
							error={errors.words}
							hint="they see this, the title, the day and the place; nothing else of the matter"
							name="words"
							rows={3}
							bind:value={words}
						/>
					{:else if how === 'edit'}
						<input type="hidden" name="version" value={version} />
						{#if conflict}<Differences
								by={conflict.by}
								differences={conflict.differences}
								bind:choice
							/>{/if}
						<DateField
							name="internal"
							label="Our own earlier date"
							bind:value={internal}
							{today}
							error={errors.internal}
							hint="not after {formatShort(d.date, today)}"
						/>
						<div class="grid grid-cols-2 gap-3">
							<TextField
								label="Time"
								error={errors.time}
								name="time"
								bind:value={time}
								placeholder="16:30"
							/><TextField label="Place" error={errors.place} name="place" bind:value={place} />
						</div>
						<TextField
							label="Link"
							error={errors.link}
							name="link"
							bind:value={link}
							placeholder="https://"
						/>
						<TextField
							label="Short description"
							error={errors.short}
							hint="for calendars; the title stays"
							name="short"
							bind:value={brief}
						/>
						<TextArea
							label="Long description"
							error={errors.long}
							name="long"
							rows={4}
							bind:value={long}
						/>
						{#if documents.length}<fieldset>
								<legend class="label">Linked documents</legend>
								<div class="max-h-[150px] overflow-y-auto border border-rule p-2">
									{#each documents as x (x.id)}<label class="flex gap-2 py-0.5"
											><input
												type="checkbox"
												name="linked"
												value={x.id}
												bind:group={papers}
												class="accent-petrol"
											/>
											{x.name}</label
										>{/each}
								</div>
								{#if errors.linked}<p class="fault">{errors.linked}</p>{/if}
							</fieldset>{/if}
						{#if exhibits.length}<fieldset>
								<legend class="label">Exhibits</legend>
								<div class="max-h-[150px] overflow-y-auto border border-rule p-2">
									{#each exhibits as x (x.id)}<label class="flex gap-2 py-0.5"
											><input
												type="checkbox"
												name="exhibits"
												value={x.id}
												bind:group={shown}
												class="accent-petrol"
											/>
											{x.number}
											{x.title}</label
										>{/each}
								</div>
								{#if errors.exhibits}<p class="fault">{errors.exhibits}</p>{/if}
							</fieldset>{/if}
					{:else}
						<input type="hidden" name="version" value={d.version} />
						<fieldset class="flex flex-wrap gap-x-4 gap-y-1">
							<legend class="label">By</legend
							>{#each [['order', 'an order'], ['agreement', 'an agreement'], ...(d.computed ? [['back', 'back to the rule']] : [])] as [k, n] (k)}<label
									class="flex gap-1.5"
									><input
										type="radio"
										name="how"
										value={k}
										bind:group={kind}
										class="accent-petrol"
									/>
									{n}</label
								>{/each}
						</fieldset>
						{#if kind !== 'back'}<div class="grid grid-cols-[110px_1fr] gap-3">
								<TextField
									label="Days"
									error={errors.by || (by && !to ? fault : undefined)}
									hint="+14d, -3cd"
									name="by"
									bind:value={by}
									placeholder="+14d"
									autocomplete="off"
								/><DateField
									name="to"
									label="or to the day"
									bind:value={to}
									{today}
									error={errors.to || (to ? fault || undefined : undefined)}
								/>
							</div>{/if}
						{#if shift}<div class="border border-rule bg-sail p-3" aria-live="polite">
								<p>
									<s class="sub">{formatShort(d.date, today)}</s>
									<b class="read text-head font-medium">{formatDate(shift.to)}</b>
									<b class="font-semibold text-petrol"
										>{shift.days > 0 ? '+' : '−'}{Math.abs(shift.days)}</b
									>
								</p>
								{#if kind !== 'back'}<p class="sub">
										the rule's own day, {formatShort(d.computed ?? d.date, today)}, is kept beside
										it
									</p>{/if}{#each shift.warnings as w (w)}<p class="font-semibold text-saffron-ink">
										{w}
									</p>{/each}{#each shift.tasks as t (t.taskId)}<p class="sub">
										task: {t.subject}, {t.assignee}, to {formatShort(t.to, today)}
									</p>{/each}
							</div>{/if}
						<TextField
							label="Reason"
							error={errors.reason}
							name="reason"
							bind:value={reason}
							autocomplete="off"
						/>
						{@render paper(kind === 'agreement' ? 'The agreement' : 'The order', errors.documentId)}
						<p class="sub">
							It is checked again by a second person. Everyone on the matter is told, once.
						</p>
					{/if}
				</div>
				<div class="mt-4">
					<button class="btn go" disabled={busy}
						>{how === 'meet'
							? 'Record it as met'
							: how === 'vacate'
								? 'Vacate the date'
								: how === 'answer'
									? 'Answer'
									: how === 'invite'
										? 'Send the date'
										: how === 'edit'
											? 'Keep'
											: 'Move the date'}</button
					>
				</div>
			{/snippet}
		</ActionForm>
		{#if how === 'edit'}
			<ActionForm
				action="?/ladder"
				class="mt-6 border-t border-rule pt-4"
				ondone={() => {
					open = false;
					toast('Kept.');
				}}
				>{#snippet children({ errors, busy })}<input
						type="hidden"
						name="matterId"
						value={d.matterId}
					/><input type="hidden" name="deadlineId" value={d.id} /><input
						type="hidden"
						name="was"
						value={ladder}
					/><TextField
						label="Reminder days of this date"
						error={errors.ladder}
						hint="like 30, 14, 7, 3, 1, 0, +1; empty: as the matter says"
						name="ladder"
						bind:value={rungs}
					/>
					<div class="mt-3">
						<button class="btn" disabled={busy}>Keep the reminder days</button>
					</div>{/snippet}</ActionForm
			>
		{/if}
	{/if}
</Drawer>
