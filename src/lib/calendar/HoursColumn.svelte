<!-- One column of hours: a day, or one person's part of a day. -->
<script lang="ts">
	import type { PlainDate } from '#core/dates/plain.ts';
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import type { Block, Column, Person } from './columns.ts';
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
	import WholeDay from './WholeDay.svelte';
	import { dayName, dayNumber, isWeekend, nameDay } from './words.ts';

	type Props = {
		column: Column;
		/** Which column of the grid. */
		place: number;
		/** The people of the columns, where each has their own. */
		people: readonly Person[];
		chosen: Person[];
		shut: { name: string; everywhere: boolean } | undefined;
		hours: { first: number; last: number; step: number; px: number };
		today: PlainDate;
		now: number | null;
		me: string;
		desk: CalendarDesk;
		drag: CalendarDrag;
		onopen: (item: CalendarItem) => void;
		onmore: () => void;
	};
	let props: Props = $props();
	const { column, people, chosen, shut, hours, today, now, me, desk, drag } = $derived(props);
	const person = $derived(column.person);
	const narrow = $derived(column.isNarrow);
	const height = $derived((hours.last - hours.first) * hours.px);

	const firstName = (id: string) => chosen.find((one) => one.id === id)?.name.split(' ')[0] ?? '';
	function whoseOf({ staff }: CalendarItem): string {
		if (person || staff.includes(me) || chosen.length === 1) return '';
		return staff.map(firstName).filter(Boolean).join(', ');
	}
	const isMine = ({ staff }: CalendarItem) =>
		staff.includes(person?.id ?? me) || (!person && chosen.length === 1);

	const top = (minute: number) => ((minute - hours.first * 60) / 60) * hours.px;
	function placeOf({ from, to }: Pick<Block, 'from' | 'to'>, lane = 0, lanes = 1): string {
		const tall = Math.max(20, ((to - from) / 60) * hours.px - 1);
		const width = 100 / lanes;
		return `top:${top(from)}px;height:${tall}px;left:calc(${lane * width}% + 3px);width:calc(${width}% - 6px)`;
	}
	/** Where something is shown while it is moved. */
	const ghost = $derived.by<(Target & { from: number; to: number }) | null>(() => {
		const shown = drag.ghost ?? desk.moving ?? desk.asking;
		if (!shown || shown.day !== column.day || shown.from === null || shown.to === null) return null;
		const { item, over, from, to } = shown;
		const whose = over ? [over.to] : item.staff;
		return person && !whose.includes(person.id) ? null : { ...shown, from, to };
	});

	const STEP_KEYS: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowDown: 1 };
	const SIDE_KEYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
	/** Alt and an arrow move it; with Shift its end; to the side to a day or a colleague. */
	function keys(event: KeyboardEvent, item: CalendarItem) {
		if (event.key === 'Escape') desk.leave();
		if (!event.altKey || !item.free) return;
		const [step, side] = [STEP_KEYS[event.key], SIDE_KEYS[event.key]];
		if (step === undefined && side === undefined) return;
		event.preventDefault();
		desk.nudge(item, (target) => {
			if (side !== undefined) return person ? handedOver(target, side) : shiftDays(target, side);
			const by = (step ?? 0) * hours.step;
			return event.shiftKey ? stretchMinutes(target, by, hours.step) : shiftMinutes(target, by);
		});
	}
	function handedOver(target: Target, side: number): Target {
		if (!person) return target;
		const from = person.id;
		const at = people.findIndex(({ id }) => id === (target.over?.to ?? from));
		const next = people[at + side];
		if (!next) return target;
		const over = { from, to: next.id, name: next.name };
		return { ...target, over: next.id === from ? undefined : over };
	}
	function openSlip(item: CalendarItem) {
		if (!drag.isDragged) props.onopen(item);
	}
	const isOwn = (event: Event) => event.target === event.currentTarget;
</script>

<section
	class="column"
	aria-label={person ? person.name : nameDay(column.day)}
	style="--at:{props.place}"
>
	<div class="head" class:hatch={shut && !person} class:narrow>
		{#if person}
			<span class="truncate font-semibold">{person.name}</span>
		{:else if narrow}
			<span class="sub text-note">{dayName(column.day).slice(0, 1)}</span>
		{:else}
			<span class="sub text-note">{dayName(column.day).slice(0, 3)}</span>
			<b class="read text-title font-medium" class:today={column.day === today}>
				{dayNumber(column.day)}
			</b>
		{/if}
	</div>
	<div class="rail" class:hatch={shut && !person}>
		{#if !narrow}
			{#each column.away as one (one.staffId + one.from)}
				<div class="away">
					{person || chosen.length === 1 ? 'away' : `${firstName(one.staffId)}: away`}
				</div>
			{/each}
			{#each column.whole as item (item.key)}
				<WholeDay
					{item}
					whose={whoseOf(item)}
					mine={isMine(item)}
					onopen={() => props.onopen(item)}
					onkeydown={(event) => keys(event, item)}
				/>
			{/each}
			{#each column.due as item (item.key)}<DueMark {item} {today} about />{/each}
		{/if}
	</div>
	<div
		class="body"
		class:hatch={shut}
		data-cell
		data-axis="y"
		data-day={column.day}
		data-staff={person?.id ?? ''}
		data-first={hours.first}
		data-last={hours.last}
		style="height:{height}px;--hour:{hours.px}px"
		role="presentation"
		onpointerdown={(event) => {
			if (isOwn(event)) drag.draw(event);
		}}
		onclick={(event) => {
			if (isOwn(event) && !desk.draft) drag.touch(event);
		}}
	>
		{#if shut && !narrow && !isWeekend(column.day)}
			<div class="why">{shut.name}</div>
		{/if}
		{#each column.blocks as { item: block, lane, lanes } (block.item?.key ?? block.hearing?.key)}
			{#if block.item}
				{@const item = block.item}
				<Slip
					{item}
					whose={whoseOf(item)}
					mine={isMine(item)}
					place={placeOf(block, lane, lanes)}
					minutes={block.to - block.from}
					onopen={() => openSlip(item)}
					onmove={(event) => drag.move(event, item, person?.id ?? null)}
					onstretch={(event) => drag.stretch(event, item)}
					onkeydown={(event) => keys(event, item)}
				/>
			{:else if block.hearing}
				<div class="hearing" style={placeOf(block, lane, lanes)}>
					<DueMark item={block.hearing} {today} about />
				</div>
			{/if}
		{/each}
		{#if ghost}
			<Slip
				item={{ ...ghost.item, from: ghost.from, to: ghost.to }}
				whose=""
				mine
				place={placeOf(ghost)}
				minutes={60}
				isGhost
			/>
		{/if}
		{#if desk.draft?.day === column.day && desk.draft.staffId === (person?.id ?? null)}
			<div class="draft" style={placeOf(desk.draft)}>
				<DraftSlip {desk} onmore={props.onmore} />
			</div>
		{/if}
		{#if now !== null && now >= hours.first * 60 && now <= hours.last * 60}
			<div class="now" style="top:{top(now)}px" aria-hidden="true"></div>
		{/if}
	</div>
</section>

<style>
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
