<!-- The order's table or text is pasted; its dates and titles are found and proposed as rows. -->
<script lang="ts">
	import { page } from '$app/state';
	import { findUnclearDate, type DateOrder } from '#core/dates/in-text.ts';
	import { readSchedule, type ReadSchedule } from '#core/docket/schedule-text.ts';
	import { plural } from '$lib/ui/format.ts';
	type Props = { onread: (read: ReadSchedule) => void };
	let { onread }: Props = $props();
	let text = $state('');
	let said = $state('');
	let unread = $state<string[]>([]);
	let open = $state(!page.url.searchParams.has('order'));
	/** A date of which it is not known whether the day or the month comes first: it is asked. */
	let unclear = $state<string>();
	function read(order: DateOrder | null) {
		unclear = order === null ? findUnclearDate(text) : undefined;
		if (unclear) return;
		const found = readSchedule(text, order ?? 'month');
		unread = found.unread;
		said = found.lines.length
			? `${plural(found.lines.length, 'row')} read. Look at each: nothing is docketed yet.`
			: 'No day was found in it.';
		if (found.lines.length === 0) return;
		onread(found);
		text = '';
		open = false;
	}
</script>

<details bind:open class="mt-4">
	<summary class="act inline-block">Paste the order's table or its text</summary>
	<label class="vh" for="order-text">The order's table or its text</label>
	<textarea
		id="order-text"
		class="box mt-2 h-28 w-full"
		bind:value={text}
		placeholder="rows of a spreadsheet, or the paragraphs of the order"></textarea>
	<button
		type="button"
		class="btn mt-2"
		disabled={!text.trim()}
		onclick={() => read(page.data.dateOrder)}
	>
		Read it into rows
	</button>
	{#if unclear}
		<p class="mt-2" role="alert">
			“{unclear}”: which comes first?
			<button type="button" class="btn ml-2" onclick={() => read('month')}>The month</button>
			<button type="button" class="btn ml-1" onclick={() => read('day')}>The day</button>
		</p>
	{/if}
</details>
<p class="sub mt-1 empty:hidden" aria-live="polite">{said}</p>
{#if unread.length}
	<p class="fault mt-2">
		Not read, enter {unread.length === 1 ? 'it' : 'them'} by hand:
		{#each unread as line, place (place)}<span class="block">{line}</span>{/each}
	</p>
{/if}
