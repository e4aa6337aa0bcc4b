<!-- What is found in a book while one writes: faults, examples counted anew, dates it changes. -->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import type { EffectView } from '#server/docket/effect-views.ts';
	import type { ExampleView, Fault } from '#server/rulebooks/check.ts';
	import Effects from '$lib/docket/Effects.svelte';
	import { plural } from '$lib/ui/format.ts';
	type Props = {
		faults: readonly Fault[];
		examples: readonly ExampleView[];
		/** The examples nearest to where one writes. */
		near: readonly ExampleView[];
		/** The dates it would change; null where they are not counted yet. */
		effects: EffectView[] | null;
		total: number;
		/** Whether it is a version of a book, with something changed. */
		changing: boolean;
		looking: boolean;
		failed: string;
		today: string;
		/** Whether a fault is said with its line. */
		lines: boolean;
		onfault: (fault: Fault) => void;
		onexample: (example: ExampleView) => void;
	};
	let {
		faults,
		examples,
		near,
		effects,
		total,
		changing,
		looking,
		failed,
		today,
		lines,
		onfault,
		onexample
	}: Props = $props();
	const day = (date: string | null) => date && formatDate(date as PlainDate);
	const heading = $derived.by(() => {
		if (faults.length) return plural(faults.length, 'fault');
		if (failed) return 'Not checked';
		return looking ? 'Checking' : 'It holds together';
	});
</script>

<div class="ruled">
	<h2>{heading}</h2>
</div>
<ul id="book-faults" class="max-h-[220px] overflow-y-auto">
	{#each faults as fault, index (index)}
		<li class="row py-1">
			<button type="button" class="flex w-full gap-3 text-left" onclick={() => onfault(fault)}>
				{#if lines || !fault.path}
					<b class="w-[62px] shrink-0 font-semibold text-madder">line {fault.line}</b>
				{/if}
				<span>{fault.message}</span>
			</button>
		</li>
	{/each}
</ul>
{#if failed}<p class="fault mt-2">{failed}</p>{/if}
<div class="ruled mt-4">
	<h2>Examples, counted anew</h2>
	<span class="sub">
		{looking && !examples.length
			? 'counting them…'
			: examples.length
				? `${examples.filter(({ agrees }) => agrees).length} of ${examples.length} agree`
				: ''}
	</span>
</div>
<ul>
	{#each near as example (example.path.join(' '))}
		<li class="row py-1.5">
			<button type="button" class="block w-full text-left" onclick={() => onexample(example)}>
				<b class="font-semibold">{example.rule}</b>
				<span class="sub"
					>{[day(example.date), example.service, example.answers].filter(Boolean).join(', ')}</span
				>
				{#if example.agrees}
					<span class="block text-spruce"
						>{day(example.counted) ?? 'does not arise'}, as the example says</span
					>
				{:else if example.said}
					<span class="block font-semibold text-madder"
						>{day(example.counted) ?? 'no date'}; the example says {day(example.gives) ??
							'no date'}</span
					>
				{:else}
					<span class="block font-semibold"
						>{day(example.counted) ?? 'no date'}; the example does not say yet</span
					>
				{/if}
				<span class="sub block truncate" title={example.sentences.join(' ')}
					>{example.sentences.join(' ')}</span
				>
			</button>
		</li>
	{:else}
		<li class="sub py-2" hidden={looking}>
			No example yet. A rule of a court needs two: a date in, and the date out.
		</li>
	{/each}
</ul>
{#if changing}
	<div class="ruled mt-4"><h2>Dates this would change</h2></div>
	{#if faults.length}
		<p class="sub py-2">Listed once it holds together.</p>
	{:else if effects}
		<div class="max-h-[260px] overflow-y-auto"><Effects {effects} {total} {today} /></div>
	{:else}
		<p class="sub py-2">counting…</p>
	{/if}
{/if}
