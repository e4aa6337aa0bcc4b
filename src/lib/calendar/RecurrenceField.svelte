<!-- How an appointment comes again: chosen in words, kept as RFC 5545 writes it. -->
<script lang="ts">
	import { untrack } from 'svelte';
	import { describeRecurrence } from '#core/calendar/describe-recurrence.ts';
	import { findFirst, FREQUENCIES, type Recurrence } from '#core/calendar/recurrence.ts';
	import { formatRule, parseRule } from '#core/calendar/rrule.ts';
	import {
		dayToCivil,
		parseDate,
		toDay,
		weekday,
		WEEKDAYS,
		type PlainDate
	} from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import DateField from '$lib/ui/DateField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	type Props = { value: string; day: string; today: string; error?: string | undefined };
	let { value = $bindable(), day, today, error }: Props = $props();

	const WORDS = { daily: 'days', weekly: 'weeks', monthly: 'months', yearly: 'years' } as const;
	const parsed = untrack(() => (value ? parseRule(value) : null));
	const rule = parsed && 'rule' in parsed ? parsed.rule : null;
	let frequency = $state<Recurrence['frequency'] | ''>(rule?.frequency ?? '');
	let interval = $state(String(rule?.interval ?? 1));
	let days = $state<number[]>(
		rule?.frequency === 'weekly' ? rule.weekdays.map((one) => one.weekday) : []
	);
	let monthly = $state<'day' | 'nth' | 'last'>(
		rule?.weekdays[0]?.nth == null ? 'day' : rule.weekdays[0].nth < 0 ? 'last' : 'nth'
	);
	let ends = $state<'' | 'until' | 'count'>(rule?.until ? 'until' : rule?.count ? 'count' : '');
	let until = $state<string>(rule?.until ?? '');
	let count = $state(String(rule?.count ?? 10));

	const start = $derived.by<PlainDate | undefined>(() => {
		const read = readTypedDate(day, today);
		return 'date' in read ? read.date : parseDate(day);
	});
	const nth = $derived(start ? Math.ceil(dayToCivil(toDay(start)).day / 7) : 1);
	const made = $derived.by<Recurrence | null>(() => {
		if (!frequency) return null;
		const end = readTypedDate(until, today);
		return {
			frequency,
			interval: Math.max(1, Math.floor(Number(interval)) || 1),
			weekdays: weekdaysOf(),
			monthDays: [],
			months: [],
			count: ends === 'count' ? Math.max(1, Math.floor(Number(count)) || 1) : null,
			until: ends === 'until' && 'date' in end ? end.date : null
		};
	});
	function weekdaysOf(): Recurrence['weekdays'] {
		if (frequency === 'weekly') return [...days].sort().map((one) => ({ weekday: one, nth: null }));
		if (frequency !== 'monthly' || monthly === 'day' || !start) return [];
		return [{ weekday: weekday(toDay(start)), nth: monthly === 'last' ? -1 : nth }];
	}
	// A rule that this form does not know stays as it is, until somebody changes it here.
	let isTouched = $state(false);
	$effect(() => {
		if (!isTouched) return;
		const text = made ? formatRule(made) : '';
		if (text !== untrack(() => value)) value = text;
	});
	const touch = () => (isTouched = true);
	const shown = $derived(isTouched ? made : (rule ?? made));
	const first = $derived(shown && start ? findFirst(shown, start) : undefined);
	const number = $derived(start ? dayToCivil(toDay(start)).day : 0);
	/** Not each month has a 31st. */
	const hasGaps = $derived(
		frequency === 'monthly' && monthly === 'day' && number > 28 && !shown?.monthDays.length
	);
	const ORDINALS = ['', 'first', 'second', 'third', 'fourth', 'fifth'];
	const NAMES = [1, 2, 3, 4, 5, 6, 0];
</script>

<fieldset class="flex flex-col gap-2" oninput={touch} onchange={touch}>
	<div class="grid grid-cols-[1fr_90px] gap-3">
		<SelectField label="Comes again" bind:value={frequency} {error}>
			<option value="">no, once</option>
			{#each FREQUENCIES as one (one)}<option value={one}>{one}</option>{/each}
		</SelectField>
		{#if frequency}
			<TextField
				label="Every"
				hint={WORDS[frequency]}
				bind:value={interval}
				inputmode="numeric"
				autocomplete="off"
			/>
		{/if}
	</div>
	{#if frequency === 'weekly'}
		<div class="flex flex-wrap gap-x-3 gap-y-1" role="group" aria-label="On which days">
			{#each NAMES as name (name)}
				<label class="flex min-h-6 items-center gap-1">
					<input type="checkbox" class="accent-petrol" value={name} bind:group={days} />
					{WEEKDAYS[name]?.slice(0, 3)}
				</label>
			{/each}
		</div>
	{/if}
	{#if frequency === 'monthly' && start}
		<SelectField label="On" bind:value={monthly}>
			<option value="day">day {number} of the month</option>
			<option value="nth">the {ORDINALS[nth]} {WEEKDAYS[weekday(toDay(start))]}</option>
			<option value="last">the last {WEEKDAYS[weekday(toDay(start))]}</option>
		</SelectField>
	{/if}
	{#if frequency}
		<div class="grid grid-cols-2 gap-3">
			<SelectField label="Until" bind:value={ends}>
				<option value="">it has no end</option>
				<option value="until">a day</option>
				<option value="count">so many times</option>
			</SelectField>
			{#if ends === 'until'}
				<DateField label="The last day" name="" bind:value={until} {today} onpick={touch} />
			{:else if ends === 'count'}
				<TextField label="Times" bind:value={count} inputmode="numeric" autocomplete="off" />
			{/if}
		</div>
		{#if shown && start}
			<p class="sub" role="status">
				{#if first}
					{describeRecurrence(shown, first)}{first === start
						? ''
						: `, first on ${formatDate(first)}`}.
					{#if hasGaps}Months that have no day {number} are passed over.{/if}
				{:else}
					It would never come.
				{/if}
			</p>
		{/if}
	{/if}
	<input type="hidden" name="rule" {value} />
</fieldset>
