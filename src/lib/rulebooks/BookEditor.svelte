<!--
	A book in YAML: faults stand at their line, every example is counted anew while one types, and
	what a version changes is listed before it is saved.
-->
<script lang="ts">
	import { goto } from '$app/navigation';
	import { toast } from 'svelte-sonner';
	import { askServer } from '$lib/ui/ask.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Effects from '$lib/docket/Effects.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { plural } from '$lib/ui/format.ts';
	import type { EffectView } from '#server/docket/effects.ts';
	type Example = {
		line: number;
		event: string;
		rule: string;
		date: string;
		service: string | null;
		answers: string;
		counted: string | null;
		gives: string | null;
		agrees: boolean;
		sentences: string[];
	};
	type Previewed = {
		faults: { line: number; message: string }[];
		examples: Example[];
		effects: EffectView[];
		total: number;
	};
	type Props = { id: string | null; yaml: string; base: number; today: string };
	let { id, yaml, base, today }: Props = $props();
	// svelte-ignore state_referenced_locally
	const kept = draft(`book ${id ?? 'new'} ${base}`, { yaml, reason: '' });
	const v = kept.value;
	let faults = $state<{ line: number; message: string }[]>([]);
	let examples = $state<Example[]>([]);
	let effects = $state<EffectView[] | null>(null);
	let total = $state(0),
		asked = 0;
	let looking = $state(true);
	let area = $state<HTMLTextAreaElement>(),
		gutter = $state<HTMLElement>();
	let at = $state(1);
	let failed = $state('');
	const lines = $derived(v.yaml.split('\n').length);
	const wrong = $derived(new Set(faults.map((f) => f.line)));
	const right = $derived(new Set(examples.filter((e) => e.agrees).map((e) => e.line)));
	const changed = $derived(v.yaml !== yaml);
	$effect(() => {
		const text = v.yaml;
		const mine = ++asked;
		looking = true;
		const wait = setTimeout(async () => {
			const asking = await askServer<Previewed>('/api/preview/book', { yaml: text, expect: id });
			if (mine !== asked) return;
			looking = false;
			failed = asking.ok ? '' : asking.message;
			if (!asking.ok) return;
			({ faults, examples, effects, total } = asking.value);
		}, 350);
		return () => clearTimeout(wait);
	});
	function to(line: number) {
		if (!area) return;
		const start =
			v.yaml
				.split('\n')
				.slice(0, line - 1)
				.join('\n').length + (line > 1 ? 1 : 0);
		area.focus();
		area.setSelectionRange(start, start + (v.yaml.split('\n')[line - 1] ?? '').length);
		area.scrollTop = (line - 6) * 19;
	}
	const where = () => {
		if (area) at = v.yaml.slice(0, area.selectionStart).split('\n').length;
	};
	/** The examples nearest to where one writes. */
	const near = $derived(
		[...examples]
			.sort((a, b) => Math.abs(a.line - at) - Math.abs(b.line - at))
			.slice(0, 8)
			.sort((a, b) => a.line - b.line)
	);
	async function bring(e: Event) {
		const f = (e.currentTarget as HTMLInputElement).files?.[0];
		if (!f) return;
		if (f.size > 400_000) {
			failed = 'The file is larger than 400 KB: that is no book.';
			return;
		}
		v.yaml = await f.text();
	}
</script>

<ActionForm
	action="?/save"
	before={() => (faults.length ? `Line ${faults[0]!.line}: ${faults[0]!.message}` : undefined)}
	ondone={async (d) => {
		kept.clear();
		toast(
			Number(d.affected)
				? `Saved. ${plural(Number(d.affected), 'date')} in ${plural(Number(d.matters), 'matter')} wait for a decision.`
				: 'Saved. No date is affected.'
		);
		await goto(`/rulebooks/${String(d.book)}`, { invalidateAll: true });
	}}
>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="base" value={base} />
		<div class="mt-4 grid gap-5 xl:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
			<div class="min-w-0">
				<div class="editor">
					<div class="gutter" bind:this={gutter} aria-hidden="true">
						{#each { length: lines }, i (i)}<span
								class:bad={wrong.has(i + 1)}
								class:good={right.has(i + 1)}>{i + 1}</span
							>{/each}
					</div>
					<textarea
						name="yaml"
						bind:this={area}
						bind:value={v.yaml}
						spellcheck="false"
						wrap="off"
						aria-label="The book in YAML"
						aria-invalid={faults.length ? 'true' : undefined}
						aria-describedby="book-faults"
						onscroll={() => {
							if (gutter && area) gutter.scrollTop = area.scrollTop;
						}}
						onkeyup={where}
						onclick={where}></textarea>
				</div>
				<div class="mt-2 flex items-center gap-4">
					<label class="act cursor-pointer"
						>Bring in a file<input
							type="file"
							accept=".yaml,.yml,text/yaml"
							class="vh"
							onchange={bring}
						/></label
					>{#if changed}<button type="button" class="act" onclick={() => (v.yaml = yaml)}
							>Back to the last version</button
						>{/if}<span class="sub ml-auto" role="status"
						>{looking
							? 'checking…'
							: `${plural(lines, 'line')}, ${plural(examples.length, 'example')}`}</span
					>
				</div>
			</div>
			<div class="min-w-0">
				<div class="ruled">
					<h2>
						{faults.length
							? plural(faults.length, 'fault')
							: failed
								? 'Not checked'
								: looking
									? 'Checking'
									: 'It holds together'}
					</h2>
				</div>
				<ul id="book-faults" class="max-h-[180px] overflow-y-auto">
					{#each faults as f, i (i)}<li class="row py-1">
							<button type="button" class="flex w-full gap-3 text-left" onclick={() => to(f.line)}
								><b class="w-[62px] shrink-0 font-semibold text-madder">line {f.line}</b><span
									>{f.message}</span
								></button
							>
						</li>{/each}
				</ul>
				{#if failed}<p class="fault mt-2">{failed}</p>{/if}
				<div class="ruled mt-4">
					<h2>Examples, counted anew</h2>
					<span class="sub">
						{looking && !examples.length
							? 'counting them…'
							: `${examples.filter((e) => e.agrees).length} of ${examples.length} agree`}
					</span>
				</div>
				<ul>
					{#each near as e (e.line)}<li class="row py-1.5">
							<button type="button" class="block w-full text-left" onclick={() => to(e.line)}
								><b class="font-semibold">{e.rule}</b>
								<span class="sub"
									>{e.date}{e.service ? `, ${e.service}` : ''}{e.answers
										? `, ${e.answers}`
										: ''}</span
								><span class="block {e.agrees ? 'text-spruce' : 'font-semibold text-madder'}"
									>{e.agrees
										? `${e.counted ?? 'does not arise'}, as the example says`
										: `${e.counted ?? 'no date'}; the example says ${e.gives ?? 'no date'}`}</span
								><span class="sub block truncate" title={e.sentences.join(' ')}
									>{e.sentences.join(' ')}</span
								></button
							>
						</li>{:else}<li class="sub py-2" hidden={looking}>
							No example yet. A rule of a court needs two: a date in, and the date out.
						</li>{/each}
				</ul>
				{#if id && changed}
					<div class="ruled mt-4"><h2>Dates this would change</h2></div>
					{#if faults.length}<p class="sub py-2">
							Listed once it holds together.
						</p>{:else if effects}<div class="max-h-[260px] overflow-y-auto">
							<Effects {effects} {total} {today} />
						</div>{:else}<p class="sub py-2">counting…</p>{/if}
				{/if}
				<TextField
					label="What changed"
					error={errors.reason}
					hint="kept with the version, and said in each affected matter"
					class="mt-4"
					name="reason"
					bind:value={v.reason}
					autocomplete="off"
				/>
				{#if errors.yaml}<p class="fault mt-2" role="alert">{errors.yaml}</p>{/if}
				<div class="mt-3 flex gap-2">
					<button
						class="btn go"
						disabled={busy || looking || faults.length > 0 || (id !== null && !changed)}
						>Save {id ? 'this version' : 'the book'}</button
					><a class="btn slight" href={id ? `/rulebooks/${id}` : '/rulebooks'}>Leave</a>
				</div>
			</div>
		</div>
	{/snippet}
</ActionForm>

<style>
	.editor {
		display: grid;
		grid-template-columns: 46px minmax(0, 1fr);
		height: min(66vh, 620px);
		border: 1px solid var(--color-edge);
		border-radius: 5px;
		background: var(--color-white);
		overflow: hidden;
	}
	.gutter {
		overflow: hidden;
		background: var(--color-mist);
		border-right: 1px solid var(--color-rule-2);
		text-align: right;
		padding: 8px 0;
		font:
			12px/19px ui-monospace,
			'DejaVu Sans Mono',
			monospace;
		color: var(--color-ink-3);
	}
	.gutter span {
		display: block;
		padding: 0 7px;
	}
	.gutter .bad {
		background: var(--color-madder);
		color: var(--color-white);
		font-weight: 600;
	}
	.gutter .good {
		color: var(--color-spruce);
		font-weight: 600;
	}
	textarea {
		border: 0;
		outline-offset: -2px;
		padding: 8px 10px;
		resize: none;
		font:
			12.5px/19px ui-monospace,
			'DejaVu Sans Mono',
			monospace;
		color: var(--color-ink);
		background: transparent;
		tab-size: 2;
		white-space: pre;
		overflow: auto;
	}
</style>
