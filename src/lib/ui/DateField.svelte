<!--
	A date as people type it, with a calendar. What was understood is shown; what was not is sent as
	typed, and refused by its words.
-->
<script lang="ts">
	import { CalendarDate, parseDate as calendarDate } from '@internationalized/date';
	import CalendarIcon from '@lucide/svelte/icons/calendar-days';
	import { Calendar, Popover } from 'bits-ui';
	import { parseDate, type PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import { parseTypedDate } from '#core/dates/typed.ts';
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
	const read = $derived(value.trim() === '' ? null : parseTypedDate(value, today as PlainDate));
	const iso = $derived(read && 'date' in read ? read.date : value);
	const fault = $derived(error ?? (touched && read && 'error' in read ? read.error : undefined));
	const said = $derived(
		read && 'date' in read && !/^[A-Z][a-z]+day /.test(value) ? formatDate(read.date) : (hint ?? '')
	);
	const asCalendar = (d: string) => {
		const c = calendarDate(d);
		return new CalendarDate(c.year, c.month, c.day);
	};
</script>

<div class={more}>
	<label class="label" for={id}>{label}</label>
	<div class="relative">
		<input
			{id}
			class="box pr-9"
			type="text"
			autocomplete="off"
			placeholder="30 Oct 2026"
			bind:value
			aria-invalid={fault ? 'true' : undefined}
			aria-describedby="{id}-more"
			onblur={() => {
				touched = true;
				onpick?.();
			}}
		/>
		<input type="hidden" {name} value={iso} />
		<Popover.Root bind:open>
			<Popover.Trigger
				class="absolute top-0 right-0 grid h-8 w-9 place-items-center text-ink-3"
				aria-label="Choose {label.toLowerCase()} from a calendar"
				><CalendarIcon size={15} /></Popover.Trigger
			>
			<Popover.Portal>
				<Popover.Content class="month" sideOffset={4} align="end">
					<Calendar.Root
						type="single"
						weekdayFormat="short"
						weekStartsOn={1}
						initialFocus
						preventDeselect
						placeholder={asCalendar(parseDate(iso) ?? today)}
						value={parseDate(iso) ? asCalendar(iso) : undefined}
						onValueChange={(d) => {
							if (d) {
								value = d.toString();
								open = false;
								onpick?.();
							}
						}}
					>
						{#snippet children({ months, weekdays })}
							<div class="mb-1 flex items-center justify-between">
								<Calendar.PrevButton class="btn slight" aria-label="Month before"
									>‹</Calendar.PrevButton
								><Calendar.Heading class="read text-read" /><Calendar.NextButton
									class="btn slight"
									aria-label="Month after">›</Calendar.NextButton
								>
							</div>
							{#each months as month (month.value.toString())}
								<Calendar.Grid class="w-full">
									<Calendar.GridHead
										><Calendar.GridRow class="grid grid-cols-7"
											>{#each weekdays as d, i (i)}<Calendar.HeadCell
													class="sub py-1 text-center text-tiny">{d.slice(0, 2)}</Calendar.HeadCell
												>{/each}</Calendar.GridRow
										></Calendar.GridHead
									>
									<Calendar.GridBody
										>{#each month.weeks as week, i (i)}<Calendar.GridRow class="grid grid-cols-7"
												>{#each week as day (day.toString())}<Calendar.Cell
														date={day}
														month={month.value}><Calendar.Day class="month-day" /></Calendar.Cell
													>{/each}</Calendar.GridRow
											>{/each}</Calendar.GridBody
									>
								</Calendar.Grid>
							{/each}
						{/snippet}
					</Calendar.Root>
				</Popover.Content>
			</Popover.Portal>
		</Popover.Root>
	</div>
	<p class="mt-1 min-h-[1.3em] text-note {fault ? 'fault' : 'sub'}" id="{id}-more">
		{fault ?? said}
	</p>
</div>

<style>
	:global(.month) {
		z-index: 50;
		width: 262px;
		background: var(--color-white);
		border: 1px solid var(--color-rule);
		border-radius: 6px;
		padding: 8px;
		box-shadow: var(--shadow-raised);
	}
	:global(.month-day) {
		display: grid;
		place-items: center;
		height: 30px;
		border-radius: 4px;
		cursor: pointer;
	}
	:global(.month-day:hover) {
		background: var(--color-petrol-wash);
	}
	:global(.month-day[data-selected]) {
		background: var(--color-petrol);
		color: var(--color-white);
		font-weight: 600;
	}
	:global(.month-day[data-outside-month]) {
		color: var(--color-ink-3);
		opacity: 0.55;
	}
	:global(.month-day[data-today]) {
		box-shadow: inset 0 -3px 0 var(--color-saffron);
	}
</style>
