<!-- The docket of a matter drawn: on a timeline, or in a month. -->
<script lang="ts">
	import { isOccasion } from '#core/docket/occasion.ts';
	import Month from '$lib/docket/Month.svelte';
	import Timeline, { type Lane } from '$lib/docket/Timeline.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	type Props = { data: PageData; to: (change: Record<string, string>) => string };
	let { data, to }: Props = $props();
	type Event = PageData['events'][number];
	const isHearing = ({ ahead }: Event) => isOccasion(ahead);
	const dayOf = ({ key, ahead, date }: Event) =>
		key === 'by-hand' && !ahead ? '' : formatDay(date, data.today);
	const marksOf = ({ deadlines }: Event) =>
		deadlines.map(({ id, date, short, title, state, sort, checked, left, event, workingMark }) => ({
			id,
			date,
			title: short || title,
			about: event,
			state,
			sort,
			checked,
			workingMark,
			adrift: left !== null,
			href: to({ deadline: id, view: '' })
		}));
	const lanes = $derived(
		data.events.map((event): Lane => ({
			id: event.id,
			label: event.text,
			about: [event.name, dayOf(event)].filter(Boolean).join(', '),
			href: to({ view: '' }),
			event: { date: event.date, hearing: isHearing(event) },
			marks: marksOf(event)
		}))
	);
</script>

<div class="mt-3">
	{#if data.view === 'month'}
		<Month
			month={data.month}
			closed={data.closed}
			today={data.today}
			marks={data.events.flatMap(marksOf).filter(({ state }) => state !== 'vacated')}
		/>
	{:else if lanes.length}
		<Timeline {lanes} from={data.from} to={data.to} today={data.today} closed={data.closed} />
	{/if}
</div>
