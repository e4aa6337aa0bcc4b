<!--
	A book as it is written, as a form or as text: both are the same draft. Faults stand at their
	place, every example is counted anew while one types, and what a version changes is listed before
	it is saved.
-->
<script lang="ts">
	import { tick } from 'svelte';
	import { parseDocument } from 'yaml';
	import { goto } from '$app/navigation';
	import { say } from '$lib/ui/say.svelte.ts';
	import { readBookForm } from '#core/rulebooks/book-form.ts';
	import { slugOf } from '#core/rulebooks/slug.ts';
	import { askServer } from '$lib/ui/ask.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Differences from '$lib/ui/Differences.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { plural } from '$lib/ui/format.ts';
	import type { ConflictView } from '#server/app/errors.ts';
	import type { BookPreview } from '#server/docket/book-effects.ts';
	import type { ExampleView, Fault } from '#server/rulebooks/check.ts';
	import type { BookShape } from '#server/rulebooks/shape.ts';
	import BookChecks from './BookChecks.svelte';
	import BookForm from './BookForm.svelte';
	import BookText from './BookText.svelte';
	type Props = {
		id: string | null;
		yaml: string;
		base: number;
		today: string;
		shape: BookShape;
		/** How it is opened; it can be changed at any time. */
		as: 'form' | 'text';
		/** The event and the date of it that one came to change, by their ids. */
		event?: string;
		rule?: string;
	};
	let { id, yaml, base, today, shape, as, event = '', rule = '' }: Props = $props();
	// svelte-ignore state_referenced_locally
	const kept = draft(`book ${id ?? `new ${as}`} ${base}`, { yaml, reason: '', view: as });
	const v = kept.value;
	let faults = $state<Fault[]>([]);
	let examples = $state<ExampleView[]>([]);
	let effects = $state<BookPreview['effects'] | null>(null);
	let total = $state(0);
	/** More examples than this are not listed beside. */
	const NEAR = 8;
	let asked = 0;
	let looking = $state(true);
	let failed = $state('');
	/** The line one writes at, and the event that is open in the form. */
	let line = $state(1);
	// svelte-ignore state_referenced_locally
	let part = $state(event ? findEvent(event) : -1);
	/** Another text from outside: the form reads it anew. */
	let readings = $state(0);
	let text = $state<ReturnType<typeof BookText>>();
	/** The version one goes on from: another one's, once its change was seen. */
	// svelte-ignore state_referenced_locally
	let from = $state(base);
	let conflict = $state<ConflictView>();
	let differences = $state<Differences>();
	async function showConflict(found: ConflictView) {
		conflict = found;
		from = found.version;
		await tick();
		differences?.focus();
	}
	/** Nothing is sent before one of the two texts is chosen. */
	const findFault = () =>
		differences?.refuseUndecided() ? 'Choose which text holds.' : faults[0]?.message;
	const changed = $derived(v.yaml !== yaml);
	const unread = $derived(v.view === 'form' && parseDocument(v.yaml).errors.length > 0);

	function findEvent(wanted: string): number {
		const { events } = readBookForm(parseDocument(v.yaml).toJS());
		return events.findIndex((one) => slugOf(one.event) === wanted);
	}
	$effect(() => {
		const written = v.yaml;
		const mine = ++asked;
		looking = true;
		const wait = setTimeout(async () => {
			const asking = await askServer<BookPreview>('/api/preview/book', {
				yaml: written,
				expect: id
			});
			if (mine !== asked) return;
			looking = false;
			failed = asking.ok ? '' : asking.message;
			if (!asking.ok) return;
			({ faults, examples, effects, total } = asking.value);
		}, 350);
		return () => clearTimeout(wait);
	});

	/** The examples nearest to where one writes: of the open event, or around the line. */
	const near = $derived.by(() => {
		const here = examples.filter(({ path }) => part < 0 || path[1] === part);
		const far = ({ line: at }: ExampleView) => Math.abs(at - line);
		const sorted =
			v.view === 'form'
				? here.sort((one, other) => Number(one.agrees) - Number(other.agrees))
				: [...examples].sort((one, other) => far(one) - far(other));
		return sorted.slice(0, NEAR).sort((one, other) => one.line - other.line);
	});
	/** What stood there before another text took its place. */
	let replaced = $state<string>();
	function replaceText(next: string) {
		if (next === v.yaml) return;
		replaced = replaced === next ? undefined : v.yaml;
		v.yaml = next;
		part = -1;
		readings++;
	}
	async function bring(change: Event) {
		const file = (change.currentTarget as HTMLInputElement).files?.[0];
		if (!file) return;
		if (file.size > 400_000) {
			failed = 'The file is larger than 400 KB: that is no book.';
			return;
		}
		replaceText(await file.text());
	}
	async function show({ line: at, path }: { line: number; path?: (string | number)[] }) {
		if (v.view === 'form' && path && !unread) {
			part = path[0] === 'events' ? Number(path[1] ?? -1) : -1;
			return;
		}
		v.view = 'text';
		await tick();
		text?.show(at);
	}
	function choose(view: 'form' | 'text') {
		v.view = view;
		readings++;
	}
</script>

<ActionForm
	action="?/save"
	before={findFault}
	onconflict={showConflict}
	ondone={async (done) => {
		kept.clear();
		say(
			Number(done.affected)
				? `Saved. ${plural(Number(done.affected), 'date')} in ${plural(Number(done.matters), 'matter')} wait for a decision.`
				: 'Saved. No date is affected.'
		);
		await goto(`/rulebooks/${String(done.book)}`, { invalidateAll: true });
	}}
>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="base" value={from} />
		<input type="hidden" name="yaml" value={v.yaml} />
		{#if conflict}
			{#key conflict}
				<div class="mt-3 max-w-page">
					<Differences
						bind:this={differences}
						by={conflict.by}
						differences={conflict.differences}
						take={(_, value) => replaceText(value)}
					/>
				</div>
			{/key}
		{/if}
		<div class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
			<div class="flex gap-2" role="group" aria-label="How the book is written">
				<button
					type="button"
					class="note"
					class:on={v.view === 'form'}
					aria-pressed={v.view === 'form'}
					onclick={() => choose('form')}>Form</button
				>
				<button
					type="button"
					class="note"
					class:on={v.view === 'text'}
					aria-pressed={v.view === 'text'}
					onclick={() => choose('text')}>Text (YAML)</button
				>
			</div>
			<label class="act cursor-pointer"
				>Bring in a file<input
					type="file"
					accept=".yaml,.yml,text/yaml"
					class="vh"
					onchange={bring}
				/></label
			>
			{#if changed}
				<span class="sub">not saved yet</span>
				<button type="button" class="act" onclick={() => replaceText(yaml)}>
					{id ? 'Back to the last version' : 'Begin again'}
				</button>
			{/if}
			{#if replaced !== undefined && replaced !== v.yaml}
				<button type="button" class="act" onclick={() => replaceText(replaced ?? yaml)}>
					Back to what stood here before
				</button>
			{/if}
			<span class="sub ml-auto" role="status">
				{looking
					? 'checking…'
					: `${plural(v.yaml.split('\n').length, 'line')}, ${plural(examples.length, 'example')}`}
			</span>
		</div>
		<div class="mt-3 grid gap-5 xl:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
			<div class="min-w-0">
				{#if v.view === 'text'}
					<BookText
						bind:this={text}
						bind:yaml={v.yaml}
						bind:at={line}
						wrong={new Set(faults.map((fault) => fault.line))}
						right={new Set(examples.filter(({ agrees }) => agrees).map((one) => one.line))}
					/>
				{:else if unread}
					<p class="fault" role="alert">
						The text has a fault that hides what it says, so the form cannot show it. Mend it in the
						text first.
					</p>
					<button
						type="button"
						class="btn mt-2"
						onclick={() => show({ line: faults[0]?.line ?? 1 })}
					>
						Go to the fault
					</button>
				{:else}
					{#key readings}
						<BookForm
							bind:yaml={v.yaml}
							bind:at={part}
							{shape}
							{faults}
							{examples}
							{today}
							isNew={id === null}
							{rule}
						/>
					{/key}
				{/if}
			</div>
			<div class="min-w-0 xl:sticky xl:top-14 xl:self-start">
				<BookChecks
					{faults}
					{examples}
					{near}
					{effects}
					{total}
					{looking}
					{failed}
					{today}
					changing={id !== null && changed}
					lines={v.view === 'text'}
					onfault={show}
					onexample={show}
				/>
				<div class="mt-4 border-t border-rule bg-sail py-3 xl:sticky xl:bottom-0" data-foot>
					<TextField
						label="What changed"
						error={errors.reason}
						hint="kept with the version, and said in each affected matter"
						name="reason"
						bind:value={v.reason}
						autocomplete="off"
					/>
					{#if errors.yaml}
						<p class="fault mt-2" role="alert">
							{errors.yaml}
							{#if v.view === 'form' && part !== -1}
								<button type="button" class="act" onclick={() => (part = -1)}>
									To the book itself
								</button>
							{/if}
						</p>
					{/if}
					<div class="mt-3 flex gap-2">
						<button
							class="btn go"
							disabled={busy || looking || faults.length > 0 || (id !== null && !changed)}
							>Save {id ? 'this version' : 'the book'}</button
						>
						<a class="btn slight" href={id ? `/rulebooks/${id}` : '/rulebooks'}>Cancel</a>
					</div>
				</div>
			</div>
		</div>
	{/snippet}
</ActionForm>
