<!-- One person's day as a ruler of hours, with blocks on it; a label stands beside a short one. -->
<script lang="ts">
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
	const parts = $derived(
		items.flatMap((item) => {
			const part = partOn(item, day);
			return part ? [{ ...part, item }] : [];
		})
	);
	const place = ({ from, to }: { from: number; to: number }) =>
		`left:${left(from)}%;width:max(6px, ${left(to) - left(from)}%)`;
	/** The label stands beside its block, where that is too short and nothing follows at once. */
	const WIDE = 150;
	/** Less room than this holds no word. */
	const ROOM = 105;
	function besideOf(at: number): string {
		const part = parts[at]!;
		if (part.to - part.from >= WIDE || part.item.id === null) return '';
		const next = parts[at + 1]?.from ?? last * 60 + 120;
		return next - part.to >= ROOM
			? `left:calc(${left(part.to)}% + 4px);right:${100 - left(next)}%`
			: '';
	}
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
	{#each parts as part, at (part.item.key)}
		<button
			type="button"
			class="block"
			class:busy={part.item.id === null || part.item.isPrivate}
			class:free={part.item.free}
			style={place(part)}
			title={name(part.item)}
			aria-label={name(part.item)}
			aria-disabled={part.item.id === null}
			data-slip={part.item.subject}
			onclick={() => {
				if (part.item.id !== null && !drag?.isDragged) onopen(part.item);
			}}
			onpointerdown={(event) => drag?.move(event, part.item, person?.id ?? null)}
			onkeydown={(event) => onkeys?.(event, part.item)}
		>
			{#if part.to - part.from >= WIDE && part.item.id !== null && !part.item.isPrivate}
				<span class="in">{part.item.subject}</span>
			{/if}
		</button>
		{#if besideOf(at)}
			<span class="beside" style={besideOf(at)} aria-hidden="true">{part.item.subject}</span>
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
		height: 30px;
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
		bottom: 0;
		height: 24px;
		background: var(--color-ink);
		background-clip: content-box;
		padding-top: 7px;
		color: var(--color-white);
		overflow: hidden;
		text-align: left;
	}
	.block.free {
		cursor: grab;
	}
	.block.busy {
		background: var(--hatch);
		background-clip: content-box;
		box-shadow: inset 0 -17px 0 rgb(19 38 44 / 0.28);
	}
	.in {
		display: block;
		padding: 0 5px;
		font-size: 11.5px;
		line-height: 17px;
		white-space: nowrap;
	}
	.beside {
		position: absolute;
		bottom: 1px;
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
