<!--
	A date as people type it, with a calendar. What was understood is shown; what was not is sent as
	typed, and refused by its words.
-->
<script lang="ts">
	import CalendarIcon from '@lucide/svelte/icons/calendar-days';
	import { parseDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import { meansAnotherDayLater, readTypedDate } from '$lib/ui/typed-date.ts';
	type Props = {
		name: string;
		label: string;
		value: string;
		today: string;
		error?: string | undefined;
		hint?: string | undefined;
		class?: string;
		onpick?: () => void;
	};
	let {
		name,
		label,
		value = $bindable(),
		today,
		error,
		hint,
		class: more = '',
		onpick
	}: Props = $props();
	const id = $props.id();
	let touched = $state(false);
	let open = $state(false);
	const read = $derived(value.trim() === '' ? null : readTypedDate(value, today));
	const iso = $derived(read && 'date' in read ? read.date : value);
	/** What is wrong with what is typed says more than the server, which got it as it was typed. */
	const unread = $derived(read && 'error' in read ? read.error : undefined);
	const fault = $derived((touched || error !== undefined ? unread : undefined) ?? error);
	const said = $derived(
		read && 'date' in read && !/^[A-Z][a-z]+day /.test(value) ? formatDate(read.date) : (hint ?? '')
	);
	type Picker = typeof import('./DatePicker.svelte').default;
	let Picker = $state<Picker>();
	let button = $state<HTMLButtonElement>();
	async function show() {
		Picker ??= (await import('./DatePicker.svelte')).default;
		open = true;
	}
	/** What means another day tomorrow is written out: a draft may be taken up then. */
	function leave() {
		touched = true;
		if (read && 'date' in read && meansAnotherDayLater(value, today)) value = formatDate(read.date);
		onpick?.();
	}
	function choose(day: string) {
		value = day;
		onpick?.();
	}
</script>

<div class={more} data-field={name}>
	<label class="label" for={id}>{label}</label>
	<div class="relative">
		<input
			{id}
			class="box pr-9"
			type="text"
			autocomplete="off"
			placeholder="day, month, year"
			bind:value
			aria-invalid={fault ? 'true' : undefined}
			aria-describedby="{id}-more"
			onblur={leave}
		/>
		<input type="hidden" {name} value={iso} />
		<button
			type="button"
			bind:this={button}
			class="absolute top-0 right-0 grid h-8 w-9 place-items-center text-ink-3"
			aria-label="Choose {label.toLowerCase()} from a calendar"
			aria-haspopup="dialog"
			aria-expanded={open}
			onclick={show}
		>
			<CalendarIcon size={15} />
		</button>
		{#if Picker && button}
			<Picker bind:open anchor={button} day={parseDate(iso)} {today} onchoose={choose} />
		{/if}
	</div>
	<p class="mt-1 min-h-[1.3em] text-note {fault ? 'fault' : 'sub'}" id="{id}-more">
		{fault ?? said}
	</p>
</div>
