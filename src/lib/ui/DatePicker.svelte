<!-- A month to choose a day from. It comes when it is first opened: most dates are typed. -->
<script lang="ts">
	import { CalendarDate, parseDate as parseCalendarDate } from '@internationalized/date';
	import { Calendar, Popover } from 'bits-ui';
	type Props = {
		open: boolean;
		/** What it opens beside; it has the focus again when the month is closed. */
		anchor: HTMLElement;
		/** The day that is chosen, or nothing. */
		day: string | undefined;
		today: string;
		onchoose: (day: string) => void;
	};
	let { open = $bindable(), anchor, day, today, onchoose }: Props = $props();
	let content = $state<HTMLElement | null>(null);
	const asCalendar = (date: string) => {
		const { year, month, day: dayOfMonth } = parseCalendarDate(date);
		return new CalendarDate(year, month, dayOfMonth);
	};
</script>

<Popover.Root bind:open>
	<Popover.Portal>
		<Popover.Content
			class="month"
			sideOffset={4}
			align="end"
			customAnchor={anchor}
			bind:ref={content}
			onOpenAutoFocus={(event) => {
				event.preventDefault();
				content?.querySelector<HTMLElement>('.month-day[tabindex="0"]')?.focus();
			}}
			onCloseAutoFocus={(event) => {
				event.preventDefault();
				anchor.focus();
			}}
		>
			<Calendar.Root
				type="single"
				weekdayFormat="short"
				weekStartsOn={1}
				preventDeselect
				placeholder={asCalendar(day ?? today)}
				value={day ? asCalendar(day) : undefined}
				onValueChange={(chosen) => {
					if (!chosen) return;
					onchoose(chosen.toString());
					open = false;
				}}
			>
				{#snippet children({ months, weekdays })}
					<div class="mb-1 flex items-center justify-between">
						<Calendar.PrevButton class="btn slight" aria-label="Month before">‹</Calendar.PrevButton
						>
						<Calendar.Heading class="read text-read" />
						<Calendar.NextButton class="btn slight" aria-label="Month after">›</Calendar.NextButton>
					</div>
					{#each months as month (month.value.toString())}
						<Calendar.Grid class="w-full">
							<Calendar.GridHead>
								<Calendar.GridRow class="grid grid-cols-7">
									{#each weekdays as weekday, place (place)}
										<Calendar.HeadCell class="sub py-1 text-center text-tiny">
											{weekday.slice(0, 2)}
										</Calendar.HeadCell>
									{/each}
								</Calendar.GridRow>
							</Calendar.GridHead>
							<Calendar.GridBody>
								{#each month.weeks as week, place (place)}
									<Calendar.GridRow class="grid grid-cols-7">
										{#each week as date (date.toString())}
											<Calendar.Cell {date} month={month.value}>
												<Calendar.Day class="month-day {date.toString() === today ? 'now' : ''}" />
											</Calendar.Cell>
										{/each}
									</Calendar.GridRow>
								{/each}
							</Calendar.GridBody>
						</Calendar.Grid>
					{/each}
				{/snippet}
			</Calendar.Root>
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>

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
	:global(.month-day.now) {
		box-shadow: inset 0 -3px 0 var(--color-saffron);
	}
</style>
