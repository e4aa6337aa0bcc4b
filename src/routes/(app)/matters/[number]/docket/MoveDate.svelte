<!-- Moves a date by order or agreement; what that would do is shown before it is kept. -->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import { formatDate } from '#core/format/dates.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { askServer } from '$lib/ui/ask.ts';
	import DateField from '$lib/ui/DateField.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import { invalidateAll } from '$app/navigation';
	import type { DateActProps } from './acts.ts';
	import ChangedMeanwhile, { type Conflict } from './ChangedMeanwhile.svelte';
	import SourceField from '$lib/docket/SourceField.svelte';
	type Move = {
		to: PlainDate;
		days: number;
		warnings: string[];
		tasks: { taskId: string; subject: string; assignee: string; to: PlainDate }[];
		early: { deadlineId: string; title: string; to: PlainDate }[];
	};
	let { deadline, documents, today, ondone }: DateActProps = $props();
	let form = $state({ how: 'order', by: '', to: '', reason: '', documentId: '' });
	let move = $state<Move | null>(null);
	let fault = $state('');
	let asked = 0;
	let conflict = $state<Conflict | null>(null);
	/** What stands now comes with the page; what was typed stays. */
	function meet(found: Conflict) {
		conflict = found;
		return invalidateAll();
	}
	const ways = $derived([
		['order', 'an order'],
		['agreement', 'an agreement'],
		...(deadline.computed ? [['back', 'back to the rule']] : [])
	]);
	/** The day that was typed, or nothing. */
	const day = $derived.by(() => {
		const read = form.to.trim() ? readTypedDate(form.to, today) : null;
		return read && 'date' in read ? read.date : '';
	});
	$effect(() => {
		void deadline.version;
		const { how, by } = form;
		const mine = ++asked;
		if (how !== 'back' && !by.trim() && !day) {
			move = null;
			fault = '';
			return;
		}
		const question = { deadlineId: deadline.id, how, by: by.trim(), to: day };
		void askServer<Move>('/api/preview/reschedule', question).then((answer) => {
			if (mine !== asked) return;
			fault = answer.ok ? '' : answer.message;
			move = answer.ok ? answer.value : null;
		});
	});
</script>

{#snippet preview({ to, days, warnings, tasks, early }: Move)}
	<div class="border border-rule bg-sail p-3" aria-live="polite">
		<p>
			<s class="sub">{formatDay(deadline.date, today)}</s>
			<b class="read text-head font-medium">{formatDate(to)}</b>
			<b class="font-semibold text-petrol">{days > 0 ? '+' : '−'}{Math.abs(days)}</b>
		</p>
		{#if form.how !== 'back'}
			<p class="sub">
				the rule's own day, {formatDay(deadline.computed ?? deadline.date, today)}, is kept beside
				it
			</p>
		{/if}
		{#each warnings as warning (warning)}
			<p class="font-semibold text-saffron-ink">{warning}</p>
		{/each}
		{#each early as warning (warning.deadlineId)}
			<p class="sub">early warning: {warning.title}, to {formatDay(warning.to, today)}</p>
		{/each}
		{#each tasks as task (task.taskId)}
			<p class="sub">task: {task.subject}, {task.assignee}, to {formatDay(task.to, today)}</p>
		{/each}
	</div>
{/snippet}

<ActionForm action="?/shift" class="flex flex-col gap-2.5" {ondone} onconflict={meet}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<input type="hidden" name="version" value={deadline.version} />
		<ChangedMeanwhile {conflict} />
		<fieldset class="flex flex-wrap gap-x-4 gap-y-1">
			<legend class="label">By</legend>
			{#each ways as [way, words] (way)}
				<label class="flex gap-1.5">
					<input type="radio" name="how" value={way} bind:group={form.how} class="accent-petrol" />
					{words}
				</label>
			{/each}
		</fieldset>
		{#if form.how !== 'back'}
			<div class="grid grid-cols-[110px_1fr] gap-3">
				<TextField
					label="Days"
					error={errors.by || (form.by && !form.to ? fault : undefined)}
					hint="+14d, 14 court days"
					name="by"
					bind:value={form.by}
					autocomplete="off"
				/>
				<DateField
					name="to"
					label="or to the day"
					bind:value={form.to}
					{today}
					error={errors.to || (form.to ? fault || undefined : undefined)}
				/>
			</div>
		{/if}
		{#if move}{@render preview(move)}{/if}
		<TextField
			label="Reason"
			error={errors.reason}
			name="reason"
			bind:value={form.reason}
			autocomplete="off"
		/>
		<SourceField
			label={form.how === 'agreement' ? 'The agreement' : 'The order'}
			{documents}
			error={errors.documentId}
			bind:value={form.documentId}
		/>
		<p class="sub">It is checked again by a second person. Everyone on the matter is told, once.</p>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Move the date</button></div>
	{/snippet}
</ActionForm>
