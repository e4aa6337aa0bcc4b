<!--
	The second check: the events that wait at the left; at the right one event as a sheet, with its
	source and all its dates.
-->
<script lang="ts">
	import { tick } from 'svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import { goto } from '$app/navigation';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { bindKeys, isDialogOpen } from '$lib/ui/keys.ts';
	import Queue from './Queue.svelte';
	import { mayConfirm, waitsFor } from './check.ts';
	import Sheet from './Sheet.svelte';
	let { data } = $props();
	const sheet = $derived(data.sheet);
	const opened = $derived(sheet?.items.find(({ id }) => id === data.open));
	const address = (eventId: string, deadlineId: string) =>
		`/docket/check?event=${eventId}&deadline=${deadlineId}`;
	let returning = $state('');

	/** To another date of the sheet; past its end, to the next event. */
	function step(by: 1 | -1) {
		if (!sheet || isDialogOpen()) return;
		const at = sheet.items.findIndex(({ id }) => id === data.open);
		const next = sheet.items[at + by];
		if (next) return show(address(sheet.eventId, next.id));
		const place = data.queue.findIndex(({ id }) => id === sheet.eventId);
		const event = data.queue[place + by];
		if (event) return show(`/docket/check?event=${event.id}`);
	}
	const isReady = () => data.can.docket && !isDialogOpen();
	const show = (href: string) => goto(href, { noScroll: true, keepFocus: true });
	async function confirm() {
		if (!opened || !isReady() || !mayConfirm(opened, data.me.id)) return;
		document.querySelector<HTMLButtonElement>('[data-confirm-one] button')?.click();
	}
	async function disagree() {
		if (!opened || !isReady() || !waitsFor(opened, data.me.id)) return;
		returning = opened.id;
		await tick();
		document.querySelector<HTMLElement>('[name="reason"]')?.focus();
	}
	$effect(() =>
		bindKeys({
			'.': () => step(1),
			',': () => step(-1),
			c: () => void confirm(),
			x(event) {
				event.preventDefault();
				void disagree();
			}
		})
	);
	/** On to what is next of this event, or else to the next event. */
	async function ondone(words: string) {
		say(words);
		returning = '';
		const rest = sheet?.items.some((item) => item.id !== data.open && waitsFor(item, data.me.id));
		const href = rest ? `/docket/check?event=${sheet!.eventId}` : '/docket/check';
		await goto(href, { invalidateAll: true, noScroll: rest ?? false });
	}
</script>

<svelte:head><title>Second check · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Second check</h1>
		<span class="sub grow">by someone else than who docketed it</span>
		<DocketTabs />
	</div>
	{#if data.total === 0 && !sheet}
		<Empty>Every docketed date was checked by a second person.</Empty>
	{:else}
		<div class="mt-4 grid grid-cols-1 gap-6 lg:grid-cols-[360px_minmax(0,1fr)]">
			<Queue
				events={data.queue}
				total={data.total}
				dates={data.dates}
				per={data.per}
				today={data.today}
				current={sheet?.eventId ?? ''}
			/>
			{#if sheet}
				<Sheet
					{sheet}
					open={data.open ?? ''}
					bind:returning
					staffId={data.me.id}
					mayDocket={data.can.docket}
					today={data.today}
					first={data.isWanted}
					{ondone}
				/>
			{:else}
				<Empty>
					{data.lost
						? 'There is no such date, or it is not yours to see.'
						: 'Choose an event at the left.'}
				</Empty>
			{/if}
		</div>
	{/if}
</div>
