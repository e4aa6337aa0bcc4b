<!--
	An appointment on a day: a white slip with an ink edge; somebody else's has a double edge; one
	that is private, or of which one may only know that somebody is busy, is hatched.
-->
<script lang="ts">
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import { hoursOf } from './words.ts';
	type Props = {
		item: CalendarItem;
		/** Whose it is, where that is not the column's. */
		whose: string;
		mine: boolean;
		/** top, left, width, height. */
		place: string;
		/** So many minutes it takes on the screen: what has room is written. */
		minutes: number;
		isGhost?: boolean;
		onopen?: () => void;
		onmove?: (event: PointerEvent) => void;
		onstretch?: (event: PointerEvent) => void;
		onkeydown?: (event: KeyboardEvent) => void;
	};
	let {
		item,
		whose,
		mine,
		place,
		minutes,
		isGhost = false,
		onopen,
		onmove,
		onstretch,
		onkeydown
	}: Props = $props();
	const subject = $derived(whose ? `${whose}: ${item.subject}` : item.subject);
	const hours = $derived(hoursOf(item));
	const name = $derived(
		[subject, hours, item.about, item.recurs && 'comes again', item.isPrivate && 'private']
			.filter(Boolean)
			.join(', ')
	);
	const ROOM_FOR_TWO = 55;
	/** What is not written on it is heard all the same. */
	const rest = $derived(
		[hours, item.about, item.recurs && 'comes again', item.isPrivate && 'private']
			.filter(Boolean)
			.join(', ')
	);
</script>

<button
	type="button"
	class="slip"
	class:other={!mine}
	class:hatched={item.id === null || item.isPrivate}
	class:ghost={isGhost}
	class:free={item.free}
	style={place}
	title={name}
	aria-disabled={item.id === null}
	data-slip={item.subject}
	tabindex={isGhost ? -1 : undefined}
	onclick={() => item.id !== null && onopen?.()}
	onpointerdown={onmove}
	{onkeydown}
>
	<span class="words">
		<span class="block truncate font-semibold">{subject}</span>
		{#if minutes >= ROOM_FOR_TWO}
			<span class="more">
				{#if isGhost}{hours}{:else}{item.about || hours}{/if}
			</span>
		{/if}
		<span class="vh">{rest}</span>
	</span>
	{#if item.free && !isGhost && onstretch}
		<span class="edge" aria-hidden="true" onpointerdown={onstretch}></span>
	{/if}
</button>

<style>
	.slip {
		position: absolute;
		text-align: left;
		background: var(--color-white);
		border: 1px solid var(--color-rule);
		border-left: 3px solid var(--color-ink);
		padding: 2px 4px 2px 6px;
		font-size: 12px;
		line-height: 1.3;
		overflow: hidden;
		display: flex;
		align-items: flex-start;
		z-index: 1;
		touch-action: manipulation;
	}
	.slip.free {
		cursor: grab;
	}
	.slip.other {
		border-left: 5px double var(--color-ink);
	}
	.slip.hatched {
		background: var(--hatch);
	}
	.slip.hatched .words {
		background: color-mix(in srgb, var(--color-white) 82%, transparent);
		padding: 0 3px;
	}
	.slip:hover,
	.slip:focus-visible {
		z-index: 3;
	}
	.slip.ghost {
		background: var(--color-petrol-wash);
		border-color: var(--color-petrol);
		opacity: 0.95;
		z-index: 4;
		pointer-events: none;
	}
	.words {
		min-width: 0;
		max-width: 100%;
	}
	.more {
		display: block;
		color: var(--color-ink-2);
		overflow: hidden;
		display: -webkit-box;
		-webkit-box-orient: vertical;
		-webkit-line-clamp: 3;
		line-clamp: 3;
	}
	.edge {
		position: absolute;
		left: 0;
		right: 0;
		bottom: 0;
		height: 7px;
		cursor: ns-resize;
		touch-action: none;
	}
</style>
