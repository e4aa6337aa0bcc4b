<!--
	A closure is entered: a day, a span or a file of days, of one court or several. What it affects
	is shown first.
-->
<script lang="ts">
	import { untrack } from 'svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import { askServer } from '$lib/ui/ask.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Effects from '$lib/docket/Effects.svelte';
	import Field from '$lib/ui/Field.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural } from '$lib/ui/format.ts';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import type { EffectView } from '#server/docket/effect-views.ts';
	type Props = {
		open: boolean;
		books: { id: string; title: string }[];
		court: string;
		today: string;
	};
	let { open = $bindable(), books, court, today }: Props = $props();
	let book = $state('');
	// A closure is most often of the court that is looked at.
	$effect(() => {
		if (open) book = untrack(() => book) || court;
	});
	let also = $state<string[]>([]);
	let date = $state('');
	let until = $state('');
	let kind = $state('holiday');
	let name = $state('');
	let file = $state<FileList>();
	let effects = $state<EffectView[] | null>(null);
	let total = $state(0);
	let days = $state(0);
	let fault = $state('');
	let asked = 0;
	const asIso = (typed: string) => {
		const read = typed.trim() ? readTypedDate(typed, today) : null;
		return read && 'date' in read ? read.date : '';
	};
	const isFile = $derived(Boolean(file?.length));
	$effect(() => {
		const closure = { book, also, date: asIso(date), until: asIso(until), kind, name };
		effects = null;
		fault = '';
		if (!open || isFile || !closure.date) return;
		const mine = ++asked;
		type Answer = { effects: EffectView[]; total: number; days: number };
		void askServer<Answer>('/api/preview/closure', closure).then((asking) => {
			if (mine !== asked) return;
			if (asking.ok) ({ effects, total, days } = asking.value);
			else fault = asking.message;
		});
	});
	function done(result: Record<string, unknown>) {
		open = false;
		date = until = name = book = '';
		also = [];
		file = undefined;
		say(
			Number(result.affected)
				? `${plural(Number(result.affected), 'date')} in ${plural(Number(result.matters), 'matter')} wait for a decision.`
				: 'Entered. No date is affected.'
		);
	}
	const others = $derived(books.filter(({ id }) => id !== book));
</script>

<Drawer
	bind:open
	title="Add a closure"
	about="What it affects is shown first; nothing moves by itself"
	wide
>
	<ActionForm action="?/add" files ondone={done}>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-2.5">
				<SelectField
					label="Court"
					error={errors.book}
					hint="a closure for a book holds for every book laid over it"
					name="book"
					bind:value={book}
				>
					{#each books as { id, title } (id)}<option value={id}>{title}</option>{/each}
				</SelectField>
				<details open={also.length > 0}>
					<summary class="act inline-block">
						Closed on the same days{also.length ? `: ${plural(also.length, 'more court')}` : ''}
					</summary>
					<div class="mt-1 grid grid-cols-1 gap-x-4 md:grid-cols-2">
						{#each others as { id, title } (id)}
							<label class="flex items-baseline gap-2 py-0.5">
								<input
									type="checkbox"
									name="also"
									value={id}
									bind:group={also}
									class="accent-petrol"
								/>
								{title}
							</label>
						{/each}
					</div>
				</details>
				{#if !isFile}
					<div class="grid grid-cols-2 gap-3">
						<DateField name="date" label="Day" bind:value={date} {today} error={errors.date} />
						<DateField
							name="until"
							label="Until"
							hint="where it lasts longer"
							bind:value={until}
							{today}
							error={errors.until}
						/>
					</div>
				{/if}
				<Field
					label="Or a file of days"
					hint="CSV, text or a calendar file: each day with its reason"
					error={errors.file}
				>
					{#snippet children(control)}
						<input
							type="file"
							class="box"
							name="file"
							accept=".csv,.txt,.ics,text/csv,text/plain,text/calendar"
							bind:files={file}
							{...control}
						/>
					{/snippet}
				</Field>
				<SelectField label="What it is" error={errors.kind} name="kind" bind:value={kind}>
					<option value="holiday">A declared holiday: counts for every act</option>
					<option value="office">
						The clerk's office cannot be reached: moves filings, on their last day only
					</option>
				</SelectField>
				<TextField
					label="Reason"
					error={errors.name}
					hint={isFile ? 'where the file gives none' : 'as it is said in each count'}
					name="name"
					bind:value={name}
				/>
			</div>
			<div class="ruled mt-4"><h3 class="font-semibold">What would change</h3></div>
			<div aria-live="polite">
				{#if effects}
					<Effects {effects} {total} {today} />
				{:else}
					<p class="sub py-2">
						{fault ||
							(isFile
								? 'What the days of a file affect comes up as changes that wait.'
								: 'Give the day, and the dates it affects appear here.')}
					</p>
				{/if}
			</div>
			<div class="mt-4">
				<button class="btn go" disabled={busy}>
					{days > 1 && !isFile ? `Add ${plural(days, 'closure')}` : 'Add the closure'}
				</button>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
