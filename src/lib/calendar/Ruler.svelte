<!-- One person's day as a ruler of hours, with blocks on it; a label stands beside a short one. -->
<script lang="ts">
	import { placeBlocks } from '#core/calendar/lanes.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import type { CalendarDesk } from './desk.svelte.ts';
	import type { CalendarDrag } from './drag.svelte.ts';
	import DraftSlip from './DraftSlip.svelte';
	import { hoursOf, partOn } from './words.ts';
	type Props = {
		day: PlainDate;
		/** Whose row it is; null: a room's. */
		person: { id: string; name: string } | null;
		items: CalendarItem[];
		first: number;
		last: number;
		desk?: CalendarDesk | undefined;
		drag?: CalendarDrag | undefined;
		onopen: (item: CalendarItem) => void;
		onkeys?: ((event: KeyboardEvent, item: CalendarItem) => void) | undefined;
		onmore?: (() => void) | undefined;
	};
	let { day, person, items, first, last, desk, drag, onopen, onkeys, onmore }: Props = $props();
	const span = $derived((last - first) * 60);
	const left = (minute: number) => (100 * Math.max(0, Math.min(span, minute - first * 60))) / span;
	/** What overlaps, or is too short to be hit beside another, stands on a lane of its own. */
	const HIT_PX = 25;
	let width = $state(180);
	const least = $derived((HIT_PX * span) / Math.max(width, 1));
	const parts = $derived(
		placeBlocks(
			items.flatMap((item) => {
				const part = partOn(item, day);
				return part ? [{ ...part, item }] : [];
			}),
			least
		)
	);
	const lanes = $derived(Math.max(1, ...parts.map((part) => part.lanes)));
	const place = ({ from, to }: { from: number; to: number }) =>
		`left:${left(from)}%;width:max(${HIT_PX - 1}px, ${left(to) - left(from)}%)`;
	const barOf = ({ from, to }: { from: number; to: number }) =>
		`width:max(5px, min(100%, ${((left(to) - left(from)) * width) / 100}px))`;
	/** The label stands beside its block, where that is too short and nothing follows at once. */
	const WIDE = 150;
	/** Less room than this holds no word. */
	const ROOM = 105;
	function besideOf(at: number): string {
		const { item: block, lane } = parts[at]!;
		if (block.to - block.from >= WIDE || block.item.id === null) return '';
		const follows = parts.slice(at + 1).find((other) => other.lane === lane);
		const next = follows?.item.from ?? last * 60 + 120;
		if (next - block.to < ROOM) return '';
		return `bottom:${lane * LANE_PX + 1}px;left:calc(${left(block.to)}% + 4px);right:${100 - left(next)}%`;
	}
	const LANE_PX = 25;
	const hours = $derived(Array.from({ length: Math.floor((last - first) / 2) }, (_, at) => at + 1));
	const ghost = $derived.by(() => {
		const shown = drag?.ghost ?? desk?.moving ?? desk?.asking;
		if (!shown || shown.day !== day || shown.from === null || shown.to === null) return null;
		const whose = shown.over ? [shown.over.to] : shown.item.staff;
		return person && whose.includes(person.id) ? { from: shown.from, to: shown.to } : null;
	});
	const name = (item: CalendarItem) =>
		[item.subject, hoursOf(item), item.about].filter(Boolean).join(', ');
</script>

<div
	class="ruler"
	role="presentation"
	data-cell={person ? '' : undefined}
	data-axis="x"
	data-day={day}
	data-staff={person?.id ?? ''}
	data-first={first}
	data-last={last}
	style="height:{lanes * LANE_PX + 5}px"
	bind:clientWidth={width}
	onpointerdown={(event) => {
		if (event.target === event.currentTarget && person) drag?.draw(event);
	}}
	onclick={(event) => {
		if (event.target === event.currentTarget && person && !desk?.draft) drag?.touch(event);
	}}
>
	{#each hours as hour (hour)}
		<i style="left:{(200 * hour) / (last - first)}%"></i>
	{/each}
	{#each parts as { item: block, lane }, at (block.item.key)}
		{@const item = block.item}
		<button
			type="button"
			class="block"
			class:busy={item.id === null || item.isPrivate}
			class:free={item.free}
			style="{place(block)};bottom:{lane * LANE_PX}px"
			title={name(item)}
			aria-label={name(item)}
			aria-disabled={item.id === null}
			data-slip={item.subject}
			onclick={() => {
				if (item.id !== null && !drag?.isDragged) onopen(item);
			}}
			onpointerdown={(event) => drag?.move(event, item, person?.id ?? null)}
			onkeydown={(event) => onkeys?.(event, item)}
		>
			<span class="bar" style={barOf(block)}>
				{#if block.to - block.from >= WIDE && item.id !== null && !item.isPrivate}
					{item.subject}
				{/if}
			</span>
		</button>
		{#if besideOf(at)}
			<span class="beside" style={besideOf(at)} aria-hidden="true">{item.subject}</span>
		{/if}
	{/each}
	{#if ghost}<div class="ghost" style={place(ghost)}></div>{/if}
	{#if desk?.draft && onmore && desk.draft.day === day && desk.draft.staffId === person?.id}
		<div class="draft" style="left:min({left(desk.draft.from)}%, calc(100% - 170px))">
			<DraftSlip {desk} {onmore} />
		</div>
	{/if}
</div>

<style>
	.ruler {
		position: relative;
		border-bottom: 1px solid var(--color-edge);
		user-select: none;
	}
	i {
		position: absolute;
		bottom: 0;
		width: 1px;
		height: 18px;
		background: var(--color-rule);
		pointer-events: none;
	}
	.block {
		position: absolute;
		height: 24px;
		display: flex;
		align-items: flex-end;
		text-align: left;
	}
	.bar {
		display: block;
		height: 17px;
		background: var(--color-ink);
		color: var(--color-white);
		overflow: hidden;
		padding: 0 4px;
		font-size: 11.5px;
		line-height: 17px;
		white-space: nowrap;
	}
	.block.free {
		cursor: grab;
	}
	.block.busy .bar {
		background: var(--hatch);
		outline: 10px solid color-mix(in srgb, var(--color-ink) 28%, transparent);
		outline-offset: -10px;
	}
	.beside {
		position: absolute;
		font-size: 11.5px;
		line-height: 16px;
		overflow: hidden;
		white-space: nowrap;
		text-overflow: ellipsis;
		pointer-events: none;
	}
	.ghost {
		position: absolute;
		bottom: -2px;
		height: 22px;
		border: 1.5px dashed var(--color-petrol);
		background: var(--color-petrol-wash);
		pointer-events: none;
	}
	.draft {
		position: absolute;
		top: 2px;
		width: 170px;
		border: 1.5px dashed var(--color-petrol);
		background: var(--color-petrol-wash);
		padding: 3px 7px;
		z-index: 5;
		user-select: text;
	}
</style>
