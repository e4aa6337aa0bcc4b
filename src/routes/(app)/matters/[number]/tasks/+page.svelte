<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	const c = $derived(data.caption);
	let open = $state(false);
	// svelte-ignore state_referenced_locally
	const kept = draft(`task ${data.caption.id}`, {
		subject: '',
		assigneeId: data.me.id,
		by: 'day',
		due: '',
		deadlineId: '',
		offsetDays: '2',
		offsetUnit: 'cd'
	});
	const v = kept.value;
	function start() {
		if (data.dates.length && v.deadlineId === '') {
			v.by = 'deadline';
			v.deadlineId = data.dates[0]!.id;
		}
		open = true;
	}
</script>

<div class="p-5">
	<div class="flex items-center gap-3">
		<h2 class="read grow text-title font-medium">Tasks</h2>
		{#if c.mayChange}<button class="btn go" onclick={start}>Add a task</button>{/if}
	</div>
	<div class="mt-2 border-t-[1.5px] border-ink">
		{#each data.tasks as t (t.id)}
			{@const done = t.state === 'done'}
			<div
				class="row grid min-h-[37px] grid-cols-[24px_minmax(0,1fr)_140px_minmax(0,280px)_118px] items-center gap-2 max-md:grid-cols-[24px_minmax(0,1fr)_auto]"
				data-task={t.subject}
			>
				<RowAction
					action="?/finish"
					fields={{ taskId: t.id, done: done ? '0' : '1' }}
					look="grid h-6 w-6 place-items-center"
					aria-label={done ? `Open again: ${t.subject}` : `Done: ${t.subject}`}
					><Mark
						kind="task"
						{done}
						color={!done && t.due && t.due < data.today
							? 'var(--color-madder)'
							: 'var(--color-ink)'}
					/></RowAction
				>
				<span class="truncate {done ? 'text-ink-3 line-through' : 'font-semibold'}"
					>{t.subject}</span
				><span class="sub truncate max-md:hidden">{t.assigneeName}</span><span
					class="sub truncate max-md:hidden"
					title={t.hangs ?? ''}>{t.hangs ?? ''}</span
				>
				<span
					class="text-right whitespace-nowrap {!done && t.due && t.due < data.today
						? 'font-semibold text-madder'
						: ''}"
					>{#if t.due}<span data-due={t.due}>{formatDay(t.due, data.today)}</span>{/if}</span
				>
			</div>
		{:else}<Empty>No task yet. A task may hang on a date of the docket and moves with it.</Empty
			>{/each}
	</div>
</div>

<Drawer bind:open title="Add a task" about="{c.number} {c.title}">
	<ActionForm
		action="?/add"
		ondone={() => {
			kept.clear();
			open = false;
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3.5">
				<input type="hidden" name="matterId" value={c.id} />
				<TextField
					label="What is to be done"
					error={errors.subject}
					name="subject"
					bind:value={v.subject}
					autocomplete="off"
				/>
				<SelectField
					label="For"
					error={errors.assigneeId}
					name="assigneeId"
					bind:value={v.assigneeId}
					>{#each data.staff as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</SelectField
				>
				<fieldset class="flex gap-5">
					<legend class="label">Due</legend><label
						><input type="radio" name="by" value="day" bind:group={v.by} /> on a day</label
					>{#if data.dates.length}<label
							><input type="radio" name="by" value="deadline" bind:group={v.by} /> before a date of the
							docket</label
						>{/if}
				</fieldset>
				{#if v.by === 'day' || !data.dates.length}<DateField
						name="due"
						label="Due day"
						bind:value={v.due}
						today={data.today}
						error={errors.due}
						hint="may stay empty"
					/>
				{:else}
					<div class="grid grid-cols-[80px_1fr] gap-3">
						<TextField
							label="How many"
							error={errors.offsetDays}
							name="offsetDays"
							bind:value={v.offsetDays}
							inputmode="numeric"
							numeric
						/><SelectField
							label="Counted in"
							error={errors.offsetUnit}
							name="offsetUnit"
							bind:value={v.offsetUnit}
							><option value="cd">court days before</option><option value="d">days before</option
							></SelectField
						>
					</div>
					<SelectField
						label="The date it hangs on"
						error={errors.deadlineId}
						name="deadlineId"
						bind:value={v.deadlineId}
						>{#each data.dates as d (d.id)}<option value={d.id}
								>{d.title}, {formatDay(d.date, data.today)} ({d.event})</option
							>{/each}</SelectField
					>
				{/if}
				<div><button class="btn go" disabled={busy}>Add the task</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
