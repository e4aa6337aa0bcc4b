<!--
	How a date is counted: an amount from something, the earlier or later of several, or that same
	day. What it says in words stands beneath.
-->
<script lang="ts">
	import { normalizeSpan } from '#core/docket/amount.ts';
	import {
		describeWritten,
		emptyCount,
		type CountOf,
		type WrittenCount
	} from '#core/rulebooks/written-count.ts';
	import { WEEKDAYS } from '#core/dates/plain.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { Choice } from './context.ts';
	import CountPart from './CountPart.svelte';
	type Props = {
		count: WrittenCount;
		starts: readonly Choice[];
		dayWord: string;
		/** Which of several counts it is: it stands behind every label. */
		of?: string;
		error?: string | undefined;
		/** Said in words once, by the outermost. */
		inner?: boolean;
	};
	let { count = $bindable(), starts, dayWord, of = '', error, inner = false }: Props = $props();
	const UNITS: [CountOf['unit'], string][] = $derived([
		['d', 'days'],
		['cd', `${dayWord}s`],
		['w', 'weeks'],
		['m', 'months'],
		['y', 'years'],
		['h', 'hours']
	]);
	const words = $derived(describeWritten(count, dayWord));
	/** While somebody types "14 court days" whole, it is not a fault yet. */
	let typing = $state(false);
	/** What is wrong with the number alone. */
	const notWhole = $derived.by(() => {
		if (count.kind !== 'count' || /^\d{1,5}$/.test(count.n.trim())) return undefined;
		if (count.n.trim()) return typing ? '' : `“${count.n}” is not a whole number.`;
		return error ? 'Give how many.' : undefined;
	});
	const named = (label: string) => (of ? `${label}, ${of}` : label);
	/** A start that is not among those that can be chosen stays as it is. */
	const known = $derived((from: string): readonly Choice[] =>
		starts.some(({ value }) => value === from) ? starts : [...starts, { value: from, label: from }]
	);

	function choose(kind: string) {
		if (kind === count.kind) return;
		if (kind === 'count') count = emptyCount();
		else if (kind === 'day') count = { kind, from: 'event', label: '' };
		else if (kind === 'earlier' || kind === 'later')
			count = {
				kind,
				of: 'of' in count && Array.isArray(count.of) ? count.of : [count, emptyCount()]
			};
	}
	/** "20 court days before", typed whole into the field of the number. */
	function split(amount: CountOf) {
		const match = /^([+-])(\d+)(cd|d|w|m|y|h)$/.exec(normalizeSpan(amount.n));
		if (!match) return;
		const said = /[+-]|before$|after$/i.test(amount.n.trim());
		amount.n = match[2]!;
		amount.unit = match[3] as CountOf['unit'];
		if (said) amount.way = match[1] === '-' ? 'before' : 'after';
	}
</script>

<div class={inner ? 'border-l-2 border-rule pl-3' : ''}>
	<div class="grid grid-cols-1 gap-x-3 gap-y-2 sm:grid-cols-2">
		<SelectField
			label={named('How it is counted')}
			value={count.kind}
			onchange={(change) => choose(change.currentTarget.value)}
		>
			<option value="count">so many days, weeks or months</option>
			<option value="earlier">the earlier of several</option>
			<option value="later">the later of several</option>
			<option value="day">that same day</option>
			{#if count.kind === 'unread'}<option value="unread">as it is written</option>{/if}
		</SelectField>
		{#if count.kind === 'count'}
			<SelectField
				label={named('Counted from')}
				bind:value={
					() => (count.kind === 'count' ? count.from : ''),
					(from) => {
						if (count.kind !== 'count') return;
						count.from = from ?? 'event';
						if (from === 'count') count.of ??= emptyCount();
					}
				}
			>
				{#each known(count.from) as start (start.value)}
					<option value={start.value}>{start.label}</option>
				{/each}
			</SelectField>
		{:else if count.kind === 'day'}
			<SelectField label={named('The day of')} bind:value={count.from}>
				{#each known(count.from).filter(({ value }) => value !== 'count') as start (start.value)}
					<option value={start.value}>{start.label}</option>
				{/each}
			</SelectField>
		{:else if count.kind === 'unread'}
			<TextField
				label={named('As it is written')}
				value={typeof count.written === 'string' ? count.written : JSON.stringify(count.written)}
				readonly
				hint="It cannot be read as a count: choose how it is counted, or mend it in the text."
			/>
		{/if}
	</div>
	{#if count.kind === 'count'}
		<div class="mt-2 grid grid-cols-[80px_minmax(0,1fr)_minmax(0,1fr)] gap-x-3">
			<TextField
				label={named('How many')}
				bind:value={count.n}
				error={notWhole}
				inputmode="numeric"
				autocomplete="off"
				onfocus={() => (typing = true)}
				onblur={() => {
					typing = false;
					if (count.kind === 'count') split(count);
				}}
			/>
			<SelectField label={named('Of what')} bind:value={count.unit}>
				{#each UNITS as [unit, label] (unit)}<option value={unit}>{label}</option>{/each}
			</SelectField>
			<SelectField label={named('Which way')} bind:value={count.way}>
				<option value="after">after</option>
				<option value="before">before</option>
			</SelectField>
		</div>
		<label class="mt-2 flex items-center gap-2">
			<input type="checkbox" class="accent-petrol" bind:checked={count.ext} />
			The way of service adds its days{of ? `, ${of}` : ''}
		</label>
		<details class="mt-1">
			<summary class="act w-fit">More about this count{of ? `, ${of}` : ''}</summary>
			<div class="mt-2 grid grid-cols-1 gap-x-3 gap-y-2 sm:grid-cols-2">
				<SelectField label={named('On a closed day')} bind:value={count.roll}>
					<option value="usual">as the court counts</option>
					<option value="towards">to the nearer court day</option>
					<option value="none">it stays</option>
				</SelectField>
				<SelectField label={named('Then the next')} bind:value={count.next}>
					<option value="">no weekday</option>
					{#each WEEKDAYS as weekday (weekday)}
						<option value={weekday.toLowerCase()}>{weekday}</option>
					{/each}
				</SelectField>
				<TextField label={named('Time of day')} bind:value={count.time} hint="like 16:30" />
				<TextField
					label={named('Cautious reading')}
					bind:value={count.cautious}
					hint="why it is counted so, where the rule leaves room"
				/>
			</div>
			<label class="mt-2 flex items-center gap-2">
				<input type="checkbox" class="accent-petrol" bind:checked={count.everyDay} />
				A short period does not skip closed days
			</label>
			{#if Object.keys(count.rest).length}
				<p class="sub mt-1">Only in the text: {Object.keys(count.rest).join(', ')}.</p>
			{/if}
		</details>
		{#if count.from === 'count' && count.of}
			<div class="mt-2">
				<CountPart
					bind:count={count.of}
					{starts}
					{dayWord}
					of={of ? `${of}, from` : 'from'}
					inner
				/>
			</div>
		{/if}
	{:else if count.kind === 'earlier' || count.kind === 'later'}
		<div class="mt-2 grid gap-3">
			{#each count.of as _, index (index)}
				<CountPart
					bind:count={count.of[index]!}
					{starts}
					{dayWord}
					of="{of ? `${of}, ` : ''}{index + 1}"
					inner
				/>
			{/each}
			<div class="mt-4 flex gap-4">
				<button
					type="button"
					class="act mt-0"
					onclick={() => 'of' in count && Array.isArray(count.of) && count.of.push(emptyCount())}
				>
					One more count
				</button>
				{#if count.of.length > 2}
					<button
						type="button"
						class="act mt-0"
						onclick={() => 'of' in count && Array.isArray(count.of) && count.of.pop()}
					>
						Take out the last
					</button>
				{/if}
			</div>
		</div>
	{/if}
	{#if !inner}
		<p
			class="mt-2 min-h-[1.3em] {error && notWhole === undefined ? 'fault' : 'read text-lead'}"
			data-count-words
		>
			{(notWhole === undefined ? error : '') ?? words}
		</p>
	{/if}
</div>
