<!--
	A scheduling order is one table with one source: pasted or typed, looked at with what it changes,
	docketed as a whole; amended later beside what stood before.
-->
<script lang="ts">
	import { untrack } from 'svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import { goto } from '$app/navigation';
	import type { ReadSchedule } from '#core/docket/schedule-text.ts';
	import type { EffectView } from '#server/docket/effect-views.ts';
	import type { RowRemark } from '#server/docket/schedule-views.ts';
	import Effects from '$lib/docket/Effects.svelte';
	import SourceField from '$lib/docket/SourceField.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { askServer } from '$lib/ui/ask.ts';
	import DateField from '$lib/ui/DateField.svelte';
	import { formatDay, plural } from '$lib/ui/format.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import PasteOrder from './PasteOrder.svelte';
	import RuleRows from './RuleRows.svelte';
	import { blankRow, isBlank, rowsFrom, rowsOf, sentRow } from './schedule-rows.ts';
	import ScheduleLine from './ScheduleLine.svelte';
	let { data } = $props();
	const caption = $derived(data.caption);
	const today = $derived(data.today);
	const amended = untrack(() => data.schedule);
	let title = $state(amended ? '' : 'Scheduling order');
	let dated = $state('');
	let documentId = $state('');
	let rows = $state(amended ? rowsOf(amended.rows) : [blankRow(), blankRow(), blankRow()]);
	let off = $state<string[]>([]);

	let remarks = $state<RowRemark[]>([]);
	let effects = $state<EffectView[]>([]);
	let faults = $state<Record<string, string>>({});
	let asked = 0;
	const asIso = (typed: string) => {
		const read = typed.trim() ? readTypedDate(typed, today) : null;
		return read && 'date' in read ? read.date : typed.trim();
	};
	const request = $derived({
		matterId: caption.id,
		scheduleId: amended?.id ?? '',
		title: title.trim() || 'the order',
		dated: asIso(dated) || today,
		documentId: '',
		rows: rows.map((row) => sentRow(row, asIso)),
		off
	});
	$effect(() => {
		const body = request;
		if (rows.every(isBlank)) return;
		const mine = ++asked;
		const wait = setTimeout(async () => {
			type Answer = { remarks: RowRemark[]; effects: EffectView[] };
			const answer = await askServer<Answer>('/api/preview/schedule', body);
			if (mine !== asked) return;
			// A row that is still being typed is no fault yet; a count or a day that cannot be is one.
			faults = answer.ok
				? {}
				: Object.fromEntries(
						Object.entries(answer.errors).filter(([field]) => /\.count$|\.time$|^off$/.test(field))
					);
			if (!answer.ok) return;
			remarks = answer.value.remarks;
			effects = answer.value.effects;
		}, 350);
		return () => clearTimeout(wait);
	});

	function take({ lines, dated: day }: ReadSchedule) {
		rows = [...rows.filter((row) => !isBlank(row)), ...rowsFrom(lines, data.choices)];
		if (day && !dated) dated = day;
	}
	function remove(at: number) {
		const row = rows[at];
		if (row?.deadlineId) row.gone = !row.gone;
		else rows = rows.filter((_, place) => place !== at);
		if (rows.length === 0) rows = [blankRow()];
	}
	/** Enter goes down the column, as in a spreadsheet; it never sends the table. */
	function down(event: KeyboardEvent) {
		const field = event.target as HTMLElement;
		if (event.key !== 'Enter' || field.tagName !== 'INPUT') return;
		event.preventDefault();
		const cells = [...document.querySelectorAll<HTMLElement>('[data-order-table] input')];
		const name = field.getAttribute('aria-label')?.replace(/^Row \d+/, '');
		const same = cells.filter(
			(cell) => cell.getAttribute('aria-label')?.replace(/^Row \d+/, '') === name
		);
		same[same.indexOf(field) + 1]?.focus();
	}
	const kept = $derived(rows.filter((row) => !isBlank(row)));
	const fresh = $derived(kept.filter((row) => !row.deadlineId).length);
	const changed = $derived(
		kept.filter(
			(row) =>
				row.was && (row.gone || row.was.date !== asIso(row.date) || row.was.time !== row.time)
		).length
	);
	const button = $derived(
		amended
			? [changed && `change ${plural(changed, 'date')}`, fresh && `add ${fresh}`]
					.filter(Boolean)
					.join(' and ')
					.replace(/^./, (letter) => letter.toUpperCase()) || 'Nothing is otherwise yet'
			: `Docket ${plural(fresh, 'row')}`
	);
	async function done(result: Record<string, unknown>) {
		say(
			amended
				? `Amended: ${plural(Number(result.changed), 'date')} changed, ${Number(result.dates)} added. A second person is asked to check.`
				: `Docketed ${plural(Number(result.dates) + Number(result.added), 'date')}. A second person is asked to check them.`
		);
		await goto(`/matters/${caption.number}/docket`, { invalidateAll: true });
	}
	const remarkOn = (at: number) =>
		remarks
			.filter((remark) => remark.at === at)
			.map(({ text }) => text)
			.join('; ');
</script>

<svelte:head><title>Scheduling order, {caption.number} · Kite Pen</title></svelte:head>
<div class="p-5">
	<div class="flex flex-wrap items-baseline gap-3">
		<h2 class="read text-title font-medium">
			{amended ? `Amend: ${amended.title}` : 'A scheduling order'}
		</h2>
		<span class="sub grow">
			{amended
				? `of ${formatDay(amended.dated, today)}`
				: 'one table, one source, checked as a whole'}
		</span>
		<a class="act" href="/matters/{caption.number}/docket">back to the docket</a>
	</div>
	<PasteOrder onread={take} />
	<ActionForm
		action="?/{amended ? 'amend' : 'enter'}{amended ? `&order=${amended.id}` : ''}"
		stay
		ondone={done}
	>
		{#snippet children({ errors: refused, busy })}
			{@const errors = { ...faults, ...refused }}
			<input type="hidden" name="matterId" value={caption.id} />
			<input type="hidden" name="scheduleId" value={amended?.id ?? ''} />
			<div class="mt-4 grid grid-cols-1 gap-3 md:grid-cols-3">
				<TextField
					label={amended ? 'The order that amends it' : 'The order'}
					hint="stands as the authority of every date it sets"
					name="title"
					bind:value={title}
					error={errors.title}
					autocomplete="off"
				/>
				<DateField name="dated" label="Dated" bind:value={dated} {today} error={errors.dated} />
				<SourceField
					label="Its document"
					documents={data.documents}
					bind:value={documentId}
					error={errors.documentId}
					hint="the second person checks against it"
				/>
			</div>
			<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
			<table class="list fold mt-4" onkeydown={down} data-order-table>
				<caption class="vh">The rows of the order</caption>
				<thead>
					<tr>
						<th>What</th><th>Title</th><th>Day, or days from an event</th><th>Time</th><th>Place</th
						>
						<th>Act</th><th>Paragraph</th><th><span class="vh">Take out</span></th>
					</tr>
				</thead>
				<tbody>
					{#each rows as _, at (at)}
						<ScheduleLine
							bind:row={rows[at]!}
							{at}
							choices={data.choices}
							{today}
							{errors}
							remark={remarkOn(at)}
							onremove={() => remove(at)}
						/>
					{/each}
				</tbody>
			</table>
			{#if errors.rows && !Object.keys(errors).some((field) => field.startsWith('rows.'))}<p
					class="fault mt-2"
				>
					{errors.rows}
				</p>{/if}
			<button type="button" class="act mt-2" onclick={() => (rows = [...rows, blankRow()])}>
				One more row
			</button>
			<RuleRows dates={data.ruleDates} {today} bind:off error={errors.off} />
			{#if effects.length}
				<div class="ruled mt-4"><h3 class="font-semibold">Of the rules it changes</h3></div>
				<Effects {effects} {today} matter={false} />
			{/if}
			{#each [errors[''], errors.matterId, errors.scheduleId].filter(Boolean) as fault (fault)}
				<p class="fault mt-2">{fault}</p>
			{/each}
			<div class="sticky bottom-0 mt-4 flex items-center gap-3 border-t border-rule bg-sail py-3">
				<button class="btn go" disabled={busy || fresh + changed === 0}>{button}</button>
				<span class="sub">everyone on the matter is told, once</span>
			</div>
		{/snippet}
	</ActionForm>
</div>
