<!-- Who is needed, for how long, and a room: the times at which all are free. -->
<script lang="ts">
	import { addDays, plainDate, type PlainDate } from '#core/dates/plain.ts';
	import { formatTime } from '#core/format/dates.ts';
	import { askServer } from '$lib/ui/ask.ts';
	import Choose from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import type { CommonHours, FreeTime } from '#server/calendar-sheet/common-hours.ts';
	import { dayName, dayNumber } from './words.ts';
	type Person = { id: string; name: string };
	type Props = {
		people: Person[];
		/** Who is needed at first. */
		needed: string[];
		resources: { id: string; name: string }[];
		hours: { first: number; last: number; step: number };
		today: string;
		ontake: (time: FreeTime, staff: string[]) => void;
		onclose: () => void;
	};
	let { people, needed, resources, hours, today, ontake, onclose }: Props = $props();
	// svelte-ignore state_referenced_locally
	let staff = $state([...needed]);
	let resource = $state('');
	let minutes = $state('60');
	// svelte-ignore state_referenced_locally
	let from = $state(today);
	// svelte-ignore state_referenced_locally
	let to = $state(addDays(plainDate(today), 13) as string);
	let typed = $state('');
	let picked = $state('');
	let found = $state<CommonHours | null>(null);
	let fault = $state('');
	const LENGTHS = [15, 30, 45, 60, 90, 120, 180, 240];
	const dayOf = (text: string): PlainDate | string => {
		const read = readTypedDate(text, today);
		return 'date' in read ? read.date : text;
	};
	let asked = 0;
	async function ask() {
		const turn = ++asked;
		const answer = await askServer<CommonHours>('/api/preview/common-hours', {
			...{ staff, resource, minutes, from: dayOf(from), to: dayOf(to), step: hours.step },
			...{ firstHour: hours.first, lastHour: hours.last }
		});
		// A later question was asked meanwhile.
		if (turn !== asked) return;
		found = answer.ok ? answer.value : null;
		fault = answer.ok ? '' : answer.message;
	}
	$effect(() => {
		void [staff.join(), resource, minutes, from, to];
		void ask();
	});
	const rest = $derived(people.filter(({ id }) => !staff.includes(id)));
	function add(id: string) {
		if (id && !staff.includes(id)) staff.push(id);
		picked = '';
		typed = '';
	}
	const nameOf = (id: string) => people.find((one) => one.id === id)?.name ?? '';
</script>

<Section title="Common hours" about={`${staff.length} needed`}>
	{#snippet tools()}<button type="button" class="act" onclick={onclose}>close</button>{/snippet}
	<div class="mt-2 flex flex-col gap-3">
		<ul class="flex flex-wrap gap-x-3 gap-y-1" aria-label="Needed">
			{#each staff as id (id)}
				<li>
					{nameOf(id)}
					<button
						type="button"
						class="act min-w-6"
						aria-label="{nameOf(id)}: not needed"
						onclick={() => (staff = staff.filter((one) => one !== id))}>×</button
					>
				</li>
			{/each}
		</ul>
		<Choose
			label="Who else is needed"
			name=""
			bind:value={picked}
			bind:typed
			items={rest.map(({ id, name }) => ({ value: id, label: name }))}
			onpick={({ value }) => add(value)}
		/>
		<div class="grid grid-cols-2 gap-3">
			<SelectField label="How long" bind:value={minutes}>
				{#each LENGTHS as length (length)}
					<option value={String(length)}>
						{length < 60 ? `${length} minutes` : `${length / 60} h`}
					</option>
				{/each}
			</SelectField>
			<SelectField label="And" bind:value={resource}>
				<option value="">no room</option>
				<option value="any">any room</option>
				{#each resources as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</SelectField>
		</div>
		<div class="grid grid-cols-2 gap-3">
			<DateField label="From" name="" bind:value={from} {today} />
			<DateField label="To" name="" bind:value={to} {today} />
		</div>
	</div>
	{#if fault}<p class="fault mt-3" role="alert">{fault}</p>{/if}
	{#if found}
		<ol class="mt-3" aria-label="Free times">
			{#each found.times as time (`${time.day} ${time.from}`)}
				<li class="row flex items-baseline gap-3 py-2">
					<b class="w-[62px] font-semibold">{dayName(time.day).slice(0, 3)} {dayNumber(time.day)}</b
					>
					<span class="min-w-0 grow">
						{formatTime(time.from)} to {formatTime(time.to % 1440)}
						{#if time.resource}<span class="sub">{time.resource.name}</span>{/if}
					</span>
					<button type="button" class="act" onclick={() => ontake(time, [...staff])}>take it</button
					>
				</li>
			{:else}
				<li class="sub">There is no such time in these days.</li>
			{/each}
		</ol>
		{#if found.reasons.length}
			<p class="sub mt-2" data-reasons>{found.reasons.slice(0, 8).join(' ')}</p>
		{/if}
	{/if}
</Section>
