<!-- The calendar: who is where, what is due, when everyone is free. -->
<script lang="ts">
	import { onMount } from 'svelte';
	import { goto, invalidateAll } from '$app/navigation';
	import { navigating, page } from '$app/state';
	import { clockAt } from '#core/dates/zone.ts';
	import { stepView } from '#core/calendar/views.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import AgendaView from '$lib/calendar/AgendaView.svelte';
	import AppointmentDrawer from '$lib/calendar/AppointmentDrawer.svelte';
	import CommonHours from '$lib/calendar/CommonHours.svelte';
	import { CalendarDesk, type Draft } from '$lib/calendar/desk.svelte.ts';
	import { CalendarDrag } from '$lib/calendar/drag.svelte.ts';
	import DueList from '$lib/calendar/DueList.svelte';
	import HoursGrid from '$lib/calendar/HoursGrid.svelte';
	import MonthView from '$lib/calendar/MonthView.svelte';
	import TeamWeek from '$lib/calendar/TeamWeek.svelte';
	import WhichOnes from '$lib/calendar/WhichOnes.svelte';
	import { nameMonth, nameSpan } from '$lib/calendar/words.ts';
	import { bindKeys, isDialogOpen } from '$lib/ui/keys.ts';
	import { listenForChanges } from '$lib/ui/live.ts';
	import type { CalendarItem } from '#server/calendar-sheet/items.ts';
	import type { FreeTime } from '#server/calendar-sheet/common-hours.ts';
	import Settings from './Settings.svelte';
	import Whose from './Whose.svelte';
	import Views from './Views.svelte';
	let { data } = $props();

	const desk = new CalendarDesk(() => ({
		...{ id: data.me.id, matterId: data.matter?.id ?? null, keeps: data.keeps },
		whose: data.chosen.length === 1 ? data.chosen[0]!.id : data.me.id
	}));
	const hours = $derived({
		first: data.choice.firstHour,
		last: data.choice.lastHour,
		step: data.choice.step
	});
	const drag = new CalendarDrag(
		desk,
		() => hours.step,
		(id) => data.people.find((one) => one.id === id)?.name ?? ''
	);
	const to = (set: Record<string, string | null>): string => {
		const params = new URLSearchParams(page.url.searchParams);
		for (const name of ['appointment', 'on', 'open']) params.delete(name);
		for (const [name, value] of Object.entries(set))
			if (value === null) params.delete(name);
			else params.set(name, value);
		return `?${params}`;
	};
	const visit = (set: Record<string, string | null>) =>
		void goto(to(set), { keepFocus: true, noScroll: true });
	const step = (by: 1 | -1) =>
		to({ day: stepView(data.view, data.day, data.count, by), view: data.view });

	/** A new one in the drawer: what was drawn of it. */
	let making = $state<Draft | 'blank' | null>(null);
	let isAsking = $state(page.url.searchParams.has('common'));
	const isOpen = $derived(making !== null || data.appointment !== null);
	const open = (item: CalendarItem) => visit({ appointment: item.id, on: item.onDay });
	function close() {
		making = null;
		if (page.url.searchParams.has('appointment')) visit({});
	}
	function more() {
		making = desk.draft && { ...desk.draft, staff: desk.staffOf(desk.draft) };
		desk.drop();
	}
	async function done(result: Record<string, unknown>) {
		making = null;
		if (page.url.searchParams.has('appointment'))
			await goto(to({}), { keepFocus: true, noScroll: true });
		await desk.settle(result);
	}
	function take({ day, from, to: end, resource }: FreeTime, staff: string[]) {
		making = {
			...{ day, from, to: end, subject: '', staffId: null, staff },
			resources: resource ? [resource.id] : []
		};
	}

	const title = $derived.by(() => {
		const span = nameSpan(data.days[0]!, data.days.at(-1)!, data.today);
		const when = data.view === 'month' ? nameMonth(data.day) : span;
		return data.view === 'team' && data.who === '' ? `Everyone, ${when}` : when;
	});
	const now = $derived(clockAt(Date.parse(data.now), data.zone).minutes);
	const columns = $derived(data.view === 'day' && data.chosen.length > 1 ? data.chosen : []);
	const hasSide = $derived(!['team', 'month', 'agenda'].includes(data.view) || isAsking);

	/** Another colleague's calendar, by a key. */
	function look(by: number) {
		const at = data.people.findIndex(({ id }) => id === (data.chosen[0]?.id ?? data.me.id));
		const next = data.people[(at + by + data.people.length) % data.people.length];
		if (next) visit({ who: next.id === data.me.id ? null : next.id });
	}
	const isFree = () => !isOpen && !isDialogOpen() && desk.draft === null;
	const key = (act: () => void) => (event: KeyboardEvent) => {
		if (!isFree()) return;
		event.preventDefault();
		act();
	};
	const isAtRest = () => navigating.to === null && desk.isAtRest && !drag.ghost && !making;
	onMount(() => listenForChanges(() => (isAtRest() ? invalidateAll() : undefined)));
	onMount(() =>
		bindKeys({
			'[': key(() => visitLink(step(-1))),
			']': key(() => visitLink(step(1))),
			t: key(() => visit({ day: null })),
			a: key(() => (making = 'blank')),
			',': key(() => look(-1)),
			'.': key(() => look(1)),
			o: key(() => visit({ who: null }))
		})
	);
	const visitLink = (href: string) => void goto(href, { keepFocus: true, noScroll: true });
	function toggleDay(day: PlainDate | null) {
		const params = new URLSearchParams(page.url.searchParams);
		if (day) params.set('open', day);
		else params.delete('open');
		void goto(`?${params}`, { keepFocus: true, noScroll: true });
	}
	const openWindow = () => {
		window.open(page.url, 'kite-calendar', 'popup,width=1280,height=900');
	};
</script>

<svelte:head><title>{title} · Calendar · Kite Pen</title></svelte:head>

<div class="px-5 py-3">
	<header class="flex flex-wrap items-center gap-x-5 gap-y-2">
		<h1>
			{title}{#if data.matter}<span class="sub ml-2 text-body">{data.matter.title}</span>{/if}
		</h1>
		<nav class="no-print flex items-center gap-1" aria-label="Days">
			<a class="step" href={step(-1)} aria-label="earlier">‹</a>
			<a class="act" href={to({ day: null })}>today</a>
			<a class="step" href={step(1)} aria-label="later">›</a>
		</nav>
		<div class="no-print ml-auto flex flex-wrap items-center gap-2">
			<Views view={data.view} choice={data.choice} hrefOf={(view) => to({ view })} />
			<button type="button" class="btn" onclick={() => (isAsking = !isAsking)}>Common hours</button>
			<button type="button" class="btn go" onclick={() => (making = 'blank')}>
				Add an appointment
			</button>
		</div>
	</header>
	<div class="no-print mt-2 flex flex-wrap items-center gap-x-5 gap-y-1">
		<Whose
			chosen={data.chosen}
			people={data.people}
			offices={data.offices}
			teams={data.teams}
			who={data.view === 'team' ? data.who || 'all' : data.who}
			me={data.me.id}
			matter={data.matter}
			hrefOf={(who) => to({ who, matter: null })}
		/>
		<div class="ml-auto flex items-center gap-4">
			<Settings choice={data.choice} view={data.view} people={data.people} keepers={data.keepers} />
			<button type="button" class="act max-md:hidden" onclick={openWindow}>own window</button>
		</div>
	</div>
	{#if desk.asking}
		<WhichOnes
			words={desk.question}
			onchoose={(scope) => {
				if (desk.asking) void desk.move(desk.asking, scope);
			}}
			onleave={() => desk.leave()}
		/>
	{/if}
	{#if desk.moving?.over}
		<p class="sub mt-1" role="status">
			Hand “{desk.moving.item.subject}” over to {desk.moving.over.name}: it goes when you stop.
		</p>
	{/if}
	<div class="mt-2 grid grid-cols-1 gap-6" class:side={hasSide}>
		<div class="min-w-0">
			{#if data.view === 'team'}
				<TeamWeek
					days={data.days}
					people={data.chosen}
					resources={data.resources}
					items={data.items}
					due={data.due}
					away={data.away}
					closed={data.closed}
					{hours}
					today={data.today}
					me={data.me.id}
					{desk}
					{drag}
					onopen={open}
					onmore={more}
				/>
			{:else if data.view === 'month'}
				<MonthView
					days={data.days}
					month={data.day.slice(0, 7)}
					items={data.items}
					due={data.due}
					closed={data.closed}
					{hours}
					today={data.today}
					opened={data.opened}
					ontoggle={toggleDay}
					onopen={open}
				/>
			{:else if data.view === 'agenda'}
				<AgendaView
					days={data.days}
					items={data.items}
					due={data.due}
					away={data.away}
					people={data.people}
					closed={data.closed}
					today={data.today}
					onopen={open}
				/>
			{:else}
				<HoursGrid
					data={{ ...data, people: columns }}
					chosen={data.chosen}
					{hours}
					today={data.today}
					{now}
					me={data.me.id}
					{desk}
					{drag}
					onopen={open}
					onmore={more}
				/>
			{/if}
		</div>
		{#if hasSide}
			<aside
				class="no-print flex min-w-0 flex-col gap-6"
				class:first={isAsking}
				aria-label="Beside the calendar"
			>
				{#if isAsking}
					<CommonHours
						people={data.people}
						needed={data.chosen.map(({ id }) => id)}
						resources={data.resources}
						{hours}
						today={data.today}
						ontake={take}
						onclose={() => (isAsking = false)}
					/>
				{/if}
				{#if !['team', 'month', 'agenda'].includes(data.view)}
					<DueList due={data.due} today={data.today} />
				{/if}
			</aside>
		{/if}
	</div>
</div>

{#if isOpen}
	<AppointmentDrawer
		bind:open={
			() => true,
			(next) => {
				if (!next) close();
			}
		}
		appointment={making ? null : data.appointment}
		draft={making === 'blank' ? null : making}
		people={data.people}
		resources={data.resources}
		sorts={data.sorts}
		matter={data.matter}
		me={data.me.id}
		today={data.today}
		zone={data.zone}
		ondone={done}
		onclose={close}
	/>
{/if}

<style>
	.step {
		min-width: 24px;
		min-height: 24px;
		text-align: center;
		font-size: 17px;
		line-height: 22px;
		color: var(--color-ink-2);
	}
	@media (min-width: 1100px) {
		.side {
			grid-template-columns: minmax(0, 1fr) 268px;
		}
	}
	@media (max-width: 1099px) {
		/* What was asked for is seen where one looks. */
		.first {
			order: -1;
		}
	}
	@media print {
		.side {
			display: block;
		}
	}
</style>
