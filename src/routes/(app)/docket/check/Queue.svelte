<!-- The events with dates that wait for a second check, the nearest first. -->
<script lang="ts">
	import type { CheckEvent } from '#server/docket/check-queue.ts';
	import { formatDay, plural } from '$lib/ui/format.ts';
	import { walkLinks } from '$lib/ui/keys.ts';
	import Pages from '$lib/ui/Pages.svelte';
	type Props = {
		events: readonly CheckEvent[];
		total: number;
		dates: number;
		per: number;
		today: string;
		/** The id of the event that is open. */
		current: string;
	};
	let { events, total, dates, per, today, current }: Props = $props();
	function state({ waiting, mine, returned }: CheckEvent): [words: string, look: string] {
		if (mine > 0) return [plural(waiting, 'date'), 'sub'];
		if (returned > 0) return ['returned', 'font-semibold text-madder'];
		return ['docketed by you', 'sub'];
	}
</script>

<section aria-label="What waits" class="min-w-0">
	<h2 class="ruled">
		Waiting
		<span class="sub font-normal">{plural(dates, 'date')} of {plural(total, 'event')}</span>
	</h2>
	<ul use:walkLinks={'a[data-item]'}>
		{#each events as event (event.id)}
			{@const [words, look] = state(event)}
			<li class="row {event.id === current ? 'bg-white' : ''}">
				<a
					class="flex min-h-[52px] items-start gap-3 px-2 py-1.5"
					data-item={event.event}
					aria-current={event.id === current ? 'true' : undefined}
					href="/docket/check?event={event.id}"
				>
					<span class="min-w-0 grow">
						<b class="block truncate font-semibold">{event.event}</b>
						<span class="sub block truncate">
							{event.matterTitle}, {event.responsible}{event.court ? `, ${event.court}` : ''}
						</span>
					</span>
					<span class="text-right whitespace-nowrap">
						<b class="block font-semibold" class:text-madder={event.due <= today}>
							{formatDay(event.due, today)}
						</b>
						<span class="block {look}">{words}</span>
					</span>
				</a>
			</li>
		{/each}
	</ul>
	<Pages {total} {per} what="events" />
</section>
