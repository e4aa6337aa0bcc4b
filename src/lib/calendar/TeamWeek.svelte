<!-- Everybody's week: a row a person, each day a ruler of hours; rooms below. -->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import { plural } from '$lib/ui/format.ts';
	import type { AwayItem, DueItem } from '#server/calendar-sheet/due.ts';
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import { shiftDays, shiftMinutes, stretchMinutes, type CalendarDesk } from './desk.svelte.ts';
	import type { CalendarDrag } from './drag.svelte.ts';
	import DueMark from './DueMark.svelte';
	import Ruler from './Ruler.svelte';
	import { dayName, dayNumber, isWeekend, partOn, touches } from './words.ts';

	type Person = { id: string; name: string; group: string };
	type Props = {
		days: PlainDate[];
		people: Person[];
		resources: { id: string; name: string; seats: number | null; sort: string }[];
		items: CalendarItem[];
		due: DueItem[];
		away: AwayItem[];
		closed: Record<string, { name: string; everywhere: boolean }>;
		hours: { first: number; last: number; step: number };
		today: PlainDate;
		me: string;
		desk: CalendarDesk;
		drag: CalendarDrag;
		onopen: (item: CalendarItem) => void;
		onmore: () => void;
	};
	let props: Props = $props();
	const { days, people, resources, items, due, away, closed, hours, today } = $derived(props);
	/** One's own office first. */
	const own = $derived(people.find(({ id }) => id === props.me)?.group ?? '');
	const groups = $derived(
		[...new Set(people.map(({ group }) => group))].sort(
			(one, other) => Number(other === own) - Number(one === own) || one.localeCompare(other)
		)
	);
	const itemsOf = (id: string, day: PlainDate, of: 'staff' | 'resources' = 'staff') =>
		items.filter((item) => item[of].includes(id) && touches(item, day));
	const dueOf = (id: string, day: PlainDate) =>
		due.filter((one) => one.day === day && one.staff.includes(id));
	const isAway = (id: string, day: PlainDate) =>
		away.some(({ staffId, from, to }) => staffId === id && from <= day && to >= day);
	const isNarrow = (day: PlainDate) =>
		isWeekend(day) &&
		!items.some((item) => touches(item, day)) &&
		!due.some((one) => one.day === day);
	const tracks = $derived(days.map((day) => (isNarrow(day) ? '26px' : 'minmax(0, 1fr)')).join(' '));

	/** "6 dates, 31 h free" of the days that are worked. */
	function loadOf(id: string): string {
		const dates = due.filter(({ staff, kite }) => kite && staff.includes(id)).length;
		const open = days.filter((day) => !closed[day] && !isAway(id, day));
		const busy = open.reduce((sum, day) => sum + busyOn(id, day), 0);
		const free = open.length * (hours.last - hours.first) * 60 - busy;
		return `${plural(dates, 'date')}, ${Math.max(0, Math.round(free / 60))} h free`;
	}
	function busyOn(id: string, day: PlainDate): number {
		const taken = new Set<number>();
		for (const item of itemsOf(id, day)) {
			const part = partOn(item, day);
			if (!part) continue;
			const [from, to] = [
				Math.max(part.from, hours.first * 60),
				Math.min(part.to, hours.last * 60)
			];
			for (let minute = from; minute < to; minute += 5) taken.add(Math.floor(minute / 5));
		}
		return taken.size * 5;
	}

	const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
	const ROWS: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowDown: 1 };
	/** Along the row moved, with Shift stretched, with Control by days; up and down handed over. */
	function keys(event: KeyboardEvent, item: CalendarItem, person: Person) {
		if (event.key === 'Escape') props.desk.leave();
		if (!event.altKey || !item.free) return;
		const [step, row] = [STEPS[event.key], ROWS[event.key]];
		if (step === undefined && row === undefined) return;
		event.preventDefault();
		props.desk.nudge(item, (target) => {
			if (row !== undefined) {
				const ordered = groups.flatMap((group) => people.filter((one) => one.group === group));
				const at = ordered.findIndex(({ id }) => id === (target.over?.to ?? person.id));
				const next = ordered[at + row];
				if (!next) return target;
				const over = { from: person.id, to: next.id, name: next.name };
				return { ...target, over: next.id === person.id ? undefined : over };
			}
			if (event.ctrlKey) return shiftDays(target, step!);
			const by = step! * hours.step;
			return event.shiftKey ? stretchMinutes(target, by, hours.step) : shiftMinutes(target, by);
		});
	}
</script>

<div class="team" style="--tracks:{tracks}">
	<div class="row head">
		<div class="name sub text-note">{hours.first} to {hours.last} o’clock</div>
		{#each days as day (day)}
			<div class="cell" class:hatch={closed[day]} title={closed[day]?.name}>
				{#if isNarrow(day)}
					<span class="sub text-note">{dayName(day).slice(0, 1)}</span>
				{:else}
					<span class="sub text-note">{dayName(day).slice(0, 3)}</span>
					<b class="read text-head font-medium" class:today={day === today}>{dayNumber(day)}</b>
				{/if}
			</div>
		{/each}
	</div>
	{#each groups as group (group)}
		{#if groups.length > 1}<h2 class="group">{group || 'No office'}</h2>{/if}
		{#each people.filter((one) => one.group === group) as person (person.id)}
			<section class="row" aria-label={person.name}>
				<div class="name">
					<b class="block truncate font-semibold">{person.name}</b>
					<span class="sub text-note">{loadOf(person.id)}</span>
				</div>
				{#each days as day (day)}
					<div class="cell" class:hatch={closed[day]}>
						{#if isAway(person.id, day)}
							<div class="away">away</div>
						{/if}
						{#if !isNarrow(day)}
							<div class="marks">
								{#each dueOf(person.id, day).slice(0, 2) as item (item.key)}
									<DueMark {item} {today} />
								{/each}
								{#if dueOf(person.id, day).length > 2}
									<span class="sub text-tiny">{dueOf(person.id, day).length - 2} more</span>
								{/if}
							</div>
							<Ruler
								{day}
								{person}
								items={itemsOf(person.id, day)}
								first={hours.first}
								last={hours.last}
								desk={props.desk}
								drag={props.drag}
								onopen={props.onopen}
								onmore={props.onmore}
								onkeys={(event, item) => keys(event, item, person)}
							/>
						{/if}
					</div>
				{/each}
			</section>
		{/each}
	{/each}
	{#if resources.length}
		<h2 class="group">Rooms and things</h2>
		{#each resources as resource (resource.id)}
			<section class="row" aria-label={resource.name}>
				<div class="name">
					<b class="block truncate font-semibold">{resource.name}</b>
					<span class="sub text-note">
						{resource.seats ? plural(resource.seats, 'seat') : resource.sort}
					</span>
				</div>
				{#each days as day (day)}
					<div class="cell" class:hatch={closed[day]}>
						{#if !isNarrow(day)}
							<Ruler
								{day}
								person={null}
								items={itemsOf(resource.id, day, 'resources')}
								first={hours.first}
								last={hours.last}
								onopen={props.onopen}
							/>
						{/if}
					</div>
				{/each}
			</section>
		{/each}
	{/if}
</div>

<style>
	.team {
		border: 1px solid var(--color-rule);
		background: var(--color-white);
	}
	.row {
		display: grid;
		grid-template-columns: 150px var(--tracks);
		border-bottom: 1px solid var(--color-rule-2);
	}
	.row.head {
		border-bottom: 1.5px solid var(--color-ink);
		position: sticky;
		top: 0;
		background: var(--color-white);
		z-index: 6;
	}
	.head .cell {
		flex-direction: row;
		justify-content: flex-start;
		align-items: baseline;
		gap: 6px;
	}
	.name {
		padding: 6px 8px;
		min-width: 0;
	}
	.cell {
		border-left: 1px solid var(--color-rule-2);
		padding: 3px 6px 5px;
		min-width: 0;
		display: flex;
		flex-direction: column;
		justify-content: flex-end;
	}
	.cell.hatch {
		background: var(--hatch);
	}
	.group {
		background: var(--color-mist);
		padding: 5px 12px;
		font-size: 12.5px;
		color: var(--color-ink-2);
		border-bottom: 1px solid var(--color-rule-2);
	}
	.marks {
		min-height: 4px;
	}
	.away {
		border-left: 3px solid var(--color-saffron);
		background: var(--color-saffron-wash);
		color: var(--color-saffron-deep);
		padding: 2px 6px;
		font-size: 12px;
	}
	.today {
		box-shadow: inset 0 -3px 0 var(--color-saffron);
	}
	@media (max-width: 900px) {
		.team {
			overflow-x: auto;
		}
		.row,
		.group {
			min-width: 860px;
		}
	}
</style>
