<!--
	A standing order or a scheduling order: what it replaces, adds and switches off, and which dates
	that changes, before it is kept.
-->
<script lang="ts">
	import SourceField from '$lib/docket/SourceField.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import { askServer } from '$lib/ui/ask.ts';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Effects from '$lib/docket/Effects.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { offeredDraft } from '$lib/ui/draft.svelte.ts';
	import LeftDraft from '$lib/ui/LeftDraft.svelte';
	import { untrack } from 'svelte';
	import { plural } from '$lib/ui/format.ts';
	import type { EffectView } from '#server/docket/effect-views.ts';
	type Choice = { key: string; book: string; text: string; rules: { id: string; title: string }[] };
	type Props = {
		open: boolean;
		matter: { id: string; number: string; title: string };
		books: { id: string; title: string }[];
		choices: Choice[];
		documents: { id: string; name: string }[];
		today: string;
	};
	let { open = $bindable(), matter, books, choices, documents, today }: Props = $props();
	const blank = { do: 'replace', event: '', rule: '', count: '', title: '', act: 'file' };
	// svelte-ignore state_referenced_locally
	const kept = offeredDraft(`order ${matter.id}`, {
		book: books[0]?.id ?? '',
		sort: 'standing order',
		title: '',
		dated: '',
		documentId: '',
		lines: [{ ...blank }]
	});
	const v = kept.value;
	let wasOpen = false;
	$effect(() => {
		const isOpened = open && !wasOpen;
		wasOpen = open;
		if (isOpened) untrack(() => kept.open());
	});
	const events = $derived(choices.filter((c) => c.book === v.book));
	const rules = (key: string) => events.find((e) => e.key === key)?.rules ?? [];
	/** The order as the form sends it: of each line only what its sort asks for. */
	const sent = () => {
		const day = v.dated.trim() ? readTypedDate(v.dated, today) : null;
		return {
			matterId: matter.id,
			book: v.book,
			sort: v.sort,
			title: v.title,
			dated: day && 'date' in day ? day.date : v.dated,
			documentId: v.documentId,
			lines: v.lines.map((line) => ({
				do: line.do,
				event: line.event,
				...(line.do === 'add' ? { title: line.title, act: line.act } : { rule: line.rule }),
				...(line.do === 'off' ? {} : { count: line.count })
			}))
		};
	};
	let effects = $state<EffectView[] | null>(null);
	let said = $state(''),
		asked = 0;
	$effect(() => {
		const order = sent();
		if (!open || !v.title.trim() || !v.lines.some((l) => l.event)) {
			effects = null;
			said = '';
			return;
		}
		const mine = ++asked;
		const wait = setTimeout(async () => {
			const asking = await askServer<{ effects: EffectView[] }>('/api/preview/order', order);
			if (mine !== asked) return;
			effects = asking.ok ? asking.value.effects : null;
			said = asking.ok ? '' : asking.message;
		}, 300);
		return () => clearTimeout(wait);
	});
</script>

<Drawer
	bind:open
	title="Lay an order over the rules"
	about="{matter.number} {matter.title}; on this matter only"
	wide
>
	<div>
		<ActionForm
			action="?/order"
			ondone={(d) => {
				kept.clear();
				open = false;
				say(
					Number(d.affected)
						? `Kept. ${plural(Number(d.affected), 'date')} wait for a decision.`
						: 'Kept. No date there already is affected.'
				);
			}}
		>
			{#snippet children({ errors, busy })}
				<input type="hidden" name="matterId" value={matter.id} />
				<LeftDraft {kept} about={kept.left?.title ?? ''} />
				<div class="flex flex-col gap-2.5">
					<div class="grid grid-cols-2 gap-3">
						<SelectField label="What it is" error={errors.sort} name="sort" bind:value={v.sort}
							><option value="standing order">A judge's standing order</option><option
								value="scheduling order">A scheduling order</option
							></SelectField
						><DateField
							name="dated"
							label="Dated"
							bind:value={v.dated}
							{today}
							error={errors.dated}
						/>
					</div>
					<TextField
						label="The order"
						error={errors.title}
						hint="stands as the authority of every date it sets"
						name="title"
						bind:value={v.title}
						autocomplete="off"
						placeholder="which order, which paragraph"
					/>
					<div class="grid grid-cols-2 gap-3">
						<SelectField label="Over which book" error={errors.book} name="book" bind:value={v.book}
							>{#each books as b (b.id)}<option value={b.id}>{b.title}</option>{/each}</SelectField
						><SourceField
							label="Its document"
							error={errors.documentId}
							name="documentId"
							{documents}
							bind:value={v.documentId}
						/>
					</div>
				</div>
				<div class="ruled mt-3"><h3 class="font-semibold">What it says</h3></div>
				{#each v.lines as l, i (i)}
					<fieldset class="row py-2">
						<legend class="vh">Line {i + 1}</legend>
						<div class="grid grid-cols-[130px_1fr_auto] gap-2">
							<select
								class="box"
								name="lines.{i}.do"
								bind:value={l.do}
								aria-label="Line {i + 1}: what it does"
								><option value="replace">replaces</option><option value="add">adds</option><option
									value="off">switches off</option
								></select
							>
							<select
								class="box"
								name="lines.{i}.event"
								bind:value={l.event}
								aria-label="Line {i + 1}: event"
								onchange={() => (l.rule = '')}
								><option value="">Choose the event</option>{#each events as e (e.key)}<option
										value={e.key}>{e.text}</option
									>{/each}</select
							>
							<button
								type="button"
								class="btn slight"
								aria-label="Take out line {i + 1}"
								disabled={v.lines.length === 1}
								onclick={() => (v.lines = v.lines.filter((_, k) => k !== i))}>×</button
							>
						</div>
						<div class="mt-2 grid grid-cols-[1fr_110px_130px] gap-2">
							{#if l.do === 'add'}<input
									class="box"
									name="lines.{i}.title"
									bind:value={l.title}
									placeholder="The date it adds"
									aria-label="Line {i + 1}: title"
								/>
							{:else}<select
									class="box"
									name="lines.{i}.rule"
									bind:value={l.rule}
									aria-label="Line {i + 1}: which date"
									><option value="">Choose the date</option
									>{#each rules(l.event) as r (r.id)}<option value={r.id}>{r.title}</option
										>{/each}</select
								>{/if}
							{#if l.do !== 'off'}<input
									class="box"
									name="lines.{i}.count"
									bind:value={l.count}
									placeholder="days after + or before -"
									aria-label="Line {i + 1}: days"
								/>{/if}
							{#if l.do === 'add'}<select
									class="box"
									name="lines.{i}.act"
									bind:value={l.act}
									aria-label="Line {i + 1}: what is done"
									><option value="file">file it</option><option value="serve">serve or do it</option
									></select
								>{/if}
						</div>
						{#if errors[`lines.${i}`]}<p class="fault mt-1">{errors[`lines.${i}`]}</p>{/if}
					</fieldset>
				{/each}
				{#if errors.lines}<p class="fault mt-1">{errors.lines}</p>{/if}
				<button
					type="button"
					class="act mt-2"
					onclick={() => (v.lines = [...v.lines, { ...blank }])}>One more line</button
				>
				<div class="ruled mt-4">
					<h3 class="font-semibold">Dates of this matter it would change</h3>
				</div>
				<div aria-live="polite">
					{#if effects}<Effects {effects} {today} matter={false} />{:else}<p class="sub py-2">
							{said || 'Say what the order does, and the dates appear here before anything moves.'}
						</p>{/if}
				</div>
				<div class="mt-4">
					<button class="btn go" disabled={busy}>Lay it over the rules</button>
				</div>
			{/snippet}
		</ActionForm>
	</div>
</Drawer>
