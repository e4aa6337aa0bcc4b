<!--
	Days beside one another, or the calendars of several people on one day: what is due on top, below
	it the hours.
-->
<script lang="ts">
	import { placeBlocks } from '#core/calendar/lanes.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatTime } from '#core/format/dates.ts';
	import type { AwayItem, DueItem } from '#server/calendar-sheet/due.ts';
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import {
		shiftDays,
		shiftMinutes,
		stretchMinutes,
		type CalendarDesk,
		type Target
	} from './desk.svelte.ts';
	import type { CalendarDrag } from './drag.svelte.ts';
	import DraftSlip from './DraftSlip.svelte';
	import DueMark from './DueMark.svelte';
	import Slip from './Slip.svelte';
	import { dayName, dayNumber, isWeekend, nameDay, partOn, touches } from './words.ts';

	type Person = { id: string; name: string };
	type Column = { key: string; day: PlainDate; person: Person | null };
	type Props = {
		days: PlainDate[];
		/** A column each, where one day of several people is looked at. */
		people: Person[];
		chosen: Person[];
		items: CalendarItem[];
		due: DueItem[];
		away: AwayItem[];
		closed: Record<string, { name: string; everywhere: boolean }>;
		hours: { first: number; last: number; step: number };
		today: PlainDate;
		/** Minutes after midnight now. */
		now: number;
		me: string;
		desk: CalendarDesk;
		drag: CalendarDrag;
		onopen: (item: CalendarItem) => void;
		onmore: () => void;
	};
	let {
		days,
		people,
		chosen,
		items,
		due,
		away,
		closed,
		hours,
		today,
		now,
		me,
		desk,
		drag,
		onopen,
		onmore
	}: Props = $props();

	const HOUR_PX = 46;
	const columns = $derived<Column[]>(
		people.length
			? people.map((person) => ({ key: person.id, day: days[0]!, person }))
			: days.map((day) => ({ key: day, day, person: null }))
	);
	const isOf = ({ person }: Column, staff: readonly string[]) =>
		person === null || staff.includes(person.id);
	const itemsOf = (column: Column) =>
		items.filter((item) => touches(item, column.day) && isOf(column, item.staff));
	const dueOf = (column: Column) =>
		due.filter(
			({ day, from, staff }) => day === column.day && from === null && isOf(column, staff)
		);
	const hearingsOf = (column: Column) =>
		due.filter(
			({ day, from, staff }) => day === column.day && from !== null && isOf(column, staff)
		);
	const awayOf = (column: Column) =>
		away.filter(
			({ staffId, from, to }) => from <= column.day && to >= column.day && isOf(column, [staffId])
		);
	/** What lies outside the chosen hours is not hidden: the hours grow. */
	const spans = $derived(
		columns.flatMap((column) => [
			...itemsOf(column).flatMap((item) => partOn(item, column.day) ?? []),
			...hearingsOf(column).map(({ from }) => ({ from: from ?? 0, to: (from ?? 0) + 60 }))
		])
	);
	const first = $derived(Math.min(hours.first, ...spans.map(({ from }) => Math.floor(from / 60))));
	const last = $derived(Math.max(hours.last, ...spans.map(({ to }) => Math.ceil(to / 60))));
	const marks = $derived(Array.from({ length: last - first }, (_, at) => first + at));

	/** Days that nobody works shrink. */
	const isNarrow = (column: Column) =>
		column.person === null &&
		days.length > 3 &&
		closed[column.day]?.everywhere === true &&
		isWeekend(column.day) &&
		itemsOf(column).length + dueOf(column).length + hearingsOf(column).length === 0 &&
		desk.draft?.day !== column.day;
	const tracks = $derived(
		columns.map((column) => (isNarrow(column) ? '26px' : 'minmax(0, 1fr)')).join(' ')
	);

	const firstName = (id: string) =>
		chosen.find((person) => person.id === id)?.name.split(' ')[0] ?? '';
	function whoseOf(column: Column, item: CalendarItem): string {
		if (column.person || item.staff.includes(me)) return '';
		if (chosen.length === 1 && chosen[0]?.id !== me) return '';
		return item.staff.map(firstName).filter(Boolean).join(', ');
	}
	const isMine = (column: Column, item: CalendarItem) =>
		column.person
			? item.staff.includes(column.person.id)
			: item.staff.includes(me) || chosen.length === 1;

	const top = (minute: number) => ((minute - first * 60) / 60) * HOUR_PX;
	function placeOf(part: { from: number; to: number }, lane = 0, lanes = 1): string {
		const height = Math.max(20, ((part.to - part.from) / 60) * HOUR_PX - 1);
		const width = 100 / lanes;
		return `top:${top(part.from)}px;height:${height}px;left:calc(${lane * width}% + 3px);width:calc(${width}% - 6px)`;
	}
	const blocksOf = (column: Column) =>
		placeBlocks(
			itemsOf(column).flatMap((item) => {
				const part = partOn(item, column.day);
				return part ? [{ ...part, item }] : [];
			})
		);
	const wholeDaysOf = (column: Column) => itemsOf(column).filter(({ from }) => from === null);
	/** Where something is shown while it is moved. */
	const shown = $derived(drag.ghost ?? desk.moving ?? desk.asking);
	function ghostOf(column: Column): (Target & { from: number; to: number }) | null {
		if (!shown || shown.day !== column.day || shown.from === null || shown.to === null) return null;
		const { item, over, from, to } = shown;
		if (!isOf(column, over ? [over.to] : item.staff)) return null;
		return { ...shown, from, to };
	}

	const STEP_KEYS: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowDown: 1 };
	const SIDE_KEYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
	/** Alt and an arrow move it; with Shift its end. */
	function keys(event: KeyboardEvent, item: CalendarItem, column: Column) {
		if (event.key === 'Escape') desk.leave();
		if (!event.altKey || !item.free) return;
		const [step, side] = [STEP_KEYS[event.key], SIDE_KEYS[event.key]];
		if (step !== undefined) {
			event.preventDefault();
			desk.nudge(item, (target) =>
				event.shiftKey
					? stretchMinutes(target, step * hours.step, hours.step)
					: shiftMinutes(target, step * hours.step)
			);
		}
		if (side !== undefined) {
			event.preventDefault();
			if (column.person) handOverBySide(item, column.person, side);
			else desk.nudge(item, (target) => shiftDays(target, side));
		}
	}
	function handOverBySide(item: CalendarItem, person: Person, side: number) {
		desk.nudge(item, (target) => {
			const at = people.findIndex(({ id }) => id === (target.over?.to ?? person.id));
			const next = people[at + side];
			if (!next) return target;
			return {
				...target,
				over: next.id === person.id ? undefined : { from: person.id, to: next.id, name: next.name }
			};
		});
	}
	const open = (item: CalendarItem) => {
		if (!drag.isDragged) onopen(item);
	};
</script>

<div class="grid" style="grid-template-columns:46px {tracks}">
	<div class="corner"></div>
	<div class="corner rail"></div>
	<div class="clock" style="height:{marks.length * HOUR_PX}px" aria-hidden="true">
		{#each marks.slice(1) as hour (hour)}
			<span style="top:{(hour - first) * HOUR_PX}px">{formatTime(hour * 60)}</span>
		{/each}
	</div>
	{#each columns as column, at (column.key)}
		{@const shut = closed[column.day]}
		{@const narrow = isNarrow(column)}
		<section
			class="column"
			aria-label={column.person ? column.person.name : nameDay(column.day)}
			style="--at:{at + 2}"
		>
			<div class="head" class:hatch={shut && !column.person} class:narrow>
				{#if column.person}
					<span class="truncate font-semibold">{column.person.name}</span>
				{:else if narrow}
					<span class="sub text-note">{dayName(column.day).slice(0, 1)}</span>
				{:else}
					<span class="sub text-note">{dayName(column.day).slice(0, 3)}</span>
					<b class="read text-title font-medium" class:today={column.day === today}>
						{dayNumber(column.day)}
					</b>
				{/if}
			</div>
			<div class="rail" class:hatch={shut && !column.person}>
				{#if !narrow}
					{#each awayOf(column) as one (one.staffId + one.from)}
						<div class="away">
							{column.person || chosen.length === 1 ? 'away' : `${firstName(one.staffId)}: away`}
						</div>
					{/each}
					{#each wholeDaysOf(column) as item (item.key)}
						<button
							type="button"
							class="whole"
							class:other={!isMine(column, item)}
							title={item.subject}
							data-slip={item.subject}
							onclick={() => item.id !== null && onopen(item)}
							onkeydown={(event) => keys(event, item, column)}
						>
							<span class="truncate">
								{whoseOf(column, item) ? `${whoseOf(column, item)}: ` : ''}{item.subject}
							</span>
						</button>
					{/each}
					{#each dueOf(column) as item (item.key)}<DueMark {item} {today} />{/each}
				{/if}
			</div>
			<div
				class="body"
				class:hatch={shut}
				data-cell
				data-axis="y"
				data-day={column.day}
				data-staff={column.person?.id ?? ''}
				data-first={first}
				data-last={last}
				style="height:{marks.length * HOUR_PX}px;--hour:{HOUR_PX}px"
				role="presentation"
				onpointerdown={(event) => {
					if (event.target === event.currentTarget) drag.draw(event);
				}}
				onclick={(event) => {
					if (event.target === event.currentTarget && !desk.draft) drag.touch(event);
				}}
			>
				{#if shut && !narrow && !isWeekend(column.day)}
					<div class="why">{shut.name}</div>
				{/if}
				{#each blocksOf(column) as { item: block, lane, lanes } (block.item.key)}
					<Slip
						item={block.item}
						whose={whoseOf(column, block.item)}
						mine={isMine(column, block.item)}
						place={placeOf(block, lane, lanes)}
						minutes={block.to - block.from}
						onopen={() => open(block.item)}
						onmove={(event) => drag.move(event, block.item, column.person?.id ?? null)}
						onstretch={(event) => drag.stretch(event, block.item)}
						onkeydown={(event) => keys(event, block.item, column)}
					/>
				{/each}
				{#each hearingsOf(column) as hearing (hearing.key)}
					<div
						class="hearing"
						style={placeOf({ from: hearing.from ?? 0, to: (hearing.from ?? 0) + 60 })}
					>
						<DueMark item={hearing} {today} about />
					</div>
				{/each}
				{#if ghostOf(column)}
					{@const ghost = ghostOf(column)!}
					<Slip
						item={{ ...ghost.item, from: ghost.from, to: ghost.to }}
						whose=""
						mine
						place={placeOf(ghost)}
						minutes={60}
						isGhost
					/>
				{/if}
				{#if desk.draft?.day === column.day && (desk.draft.staffId ?? null) === (column.person?.id ?? null)}
					<div class="draft" style={placeOf(desk.draft)}>
						<DraftSlip {desk} {onmore} />
					</div>
				{/if}
				{#if column.day === today && now >= first * 60 && now <= last * 60}
					<div class="now" style="top:{top(now)}px" aria-hidden="true"></div>
				{/if}
			</div>
		</section>
	{/each}
</div>

<style>
	.grid {
		display: grid;
		grid-template-rows: auto auto auto;
		border: 1px solid var(--color-rule);
		background: var(--color-white);
	}
	.column {
		display: contents;
	}
	.head,
	.rail,
	.body {
		grid-column: var(--at);
		border-left: 1px solid var(--color-rule-2);
		min-width: 0;
	}
	.head {
		grid-row: 1;
		display: flex;
		align-items: baseline;
		gap: 6px;
		padding: 5px 8px 0;
		min-height: 34px;
	}
	.head.narrow {
		padding: 9px 0 0;
		justify-content: center;
	}
	.today {
		box-shadow: inset 0 -3px 0 var(--color-saffron);
	}
	.rail {
		grid-row: 2;
		padding: 0 6px 4px 8px;
		min-height: 30px;
		border-bottom: 1.5px solid var(--color-ink);
	}
	.corner {
		grid-column: 1;
		grid-row: 1;
	}
	.corner.rail {
		grid-row: 2;
		border-left: 0;
	}
	.clock {
		grid-column: 1;
		grid-row: 3;
		position: relative;
	}
	.clock span {
		position: absolute;
		right: 7px;
		transform: translateY(-50%);
		font-size: 12px;
		color: var(--color-ink-2);
	}
	.body {
		grid-row: 3;
		position: relative;
		background-image: linear-gradient(to bottom, var(--color-rule-2) 1px, transparent 1px);
		background-size: 100% var(--hour);
		cursor: crosshair;
		user-select: none;
	}
	.body.hatch {
		background: var(--hatch);
	}
	.hatch {
		background: var(--hatch);
	}
	.why {
		padding: 8px;
		font-size: 12px;
		line-height: 1.2;
		color: var(--color-ink-2);
		pointer-events: none;
	}
	.whole {
		display: flex;
		width: 100%;
		min-height: 24px;
		align-items: center;
		text-align: left;
		border: 1px solid var(--color-rule);
		border-left: 3px solid var(--color-ink);
		background: var(--color-white);
		padding: 1px 5px;
		margin-bottom: 2px;
		font-size: 12px;
	}
	.whole.other {
		border-left: 5px double var(--color-ink);
	}
	.away {
		min-height: 22px;
		border-left: 3px solid var(--color-saffron);
		background: var(--color-saffron-wash);
		color: var(--color-saffron-deep);
		padding: 2px 6px;
		margin-bottom: 2px;
		font-size: 12px;
	}
	.hearing {
		position: absolute;
		background: var(--color-white);
		border: 1px solid var(--color-rule);
		border-left: 3px solid var(--color-petrol);
		padding: 0 5px;
		z-index: 2;
		overflow: hidden;
	}
	.draft {
		position: absolute;
		min-height: 62px;
		border: 1.5px dashed var(--color-petrol);
		background: var(--color-petrol-wash);
		padding: 3px 7px;
		z-index: 5;
		cursor: default;
		user-select: text;
	}
	.now {
		position: absolute;
		left: 0;
		right: 0;
		height: 2px;
		background: var(--color-saffron);
		z-index: 2;
		pointer-events: none;
	}
	.now::before {
		content: '';
		position: absolute;
		left: -5px;
		top: -4px;
		width: 10px;
		height: 10px;
		background: var(--color-saffron);
		transform: rotate(45deg);
	}
</style>
