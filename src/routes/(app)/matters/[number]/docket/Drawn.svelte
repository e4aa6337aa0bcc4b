<!-- The docket of a matter drawn: on a timeline, or in a month. -->
<script lang="ts">
	import { isOccasion, RESULT_WORDS } from '#core/docket/occasion.ts';
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
	function stateWords({ state, checked, result }: Event['deadlines'][number]): string {
		if (result) return RESULT_WORDS[result];
		if (state !== 'docketed') return state;
		return checked ? 'checked' : 'not checked yet';
	}
	/** A hearing that its event set on its own day is drawn once, where the event stands. */
	function laneOf(event: Event): Lane {
		const itself = event.deadlines.find(
			({ sort, date }) => isOccasion(sort) && date === event.date
		);
		const about = [event.name, dayOf(event), itself && stateWords(itself)];
		return {
			id: event.id,
			label: event.text,
			about: about.filter(Boolean).join(', '),
			href: to({ ...(itself ? { deadline: itself.id } : {}), view: '' }),
			event: { date: event.date, hearing: isHearing(event) },
			marks: marksOf(event).filter(({ id }) => id !== itself?.id)
		};
	}
	const lanes = $derived(data.events.map(laneOf));
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
