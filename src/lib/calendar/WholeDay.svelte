<!-- An appointment of a whole day, on the rail above the hours. -->
<script lang="ts">
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	type Props = {
		item: CalendarItem;
		/** Whose it is, where that is not the column's. */
		whose: string;
		mine: boolean;
		onopen: () => void;
		onkeydown: (event: KeyboardEvent) => void;
	};
	let { item, whose, mine, onopen, onkeydown }: Props = $props();
</script>

<button
	type="button"
	class="whole"
	class:other={!mine}
	title={item.subject}
	aria-label="{item.subject}, all day"
	aria-disabled={item.id === null}
	data-slip={item.subject}
	onclick={() => item.id !== null && onopen()}
	{onkeydown}
>
	<span class="truncate">{whose ? `${whose}: ` : ''}{item.subject}</span>
</button>

<style>
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
</style>
