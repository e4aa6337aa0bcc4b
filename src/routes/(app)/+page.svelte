<script lang="ts">
	import { dayAt } from '#core/dates/zone.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import { formatHours } from '#core/format/hours.ts';

	import MemoForm from '$lib/memos/MemoForm.svelte';
	import MemoRows from '$lib/memos/MemoRows.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import Empty from '$lib/ui/Empty.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import Requests from '$lib/requests/RequestRows.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatAway, countDays as since, plural, formatDay } from '$lib/ui/format.ts';
	import Failures from '$lib/failures/Failures.svelte';
	import BlindQuestions from './BlindQuestions.svelte';
	import DaysAway from './DaysAway.svelte';
	import Horizon from './Horizon.svelte';
	import MustNotSlip from './MustNotSlip.svelte';
	import TodaysAppointments from './TodaysAppointments.svelte';
	let { data } = $props();
	const DAY = 450;
	let awayOpen = $state(false);
	let writing = $state(false);
	const minutes = $derived(data.inside ? data.hours.reduce((a, h) => a + h.minutes, 0) : 0);
	const late = $derived(
		data.inside ? data.tasks.filter((t) => t.due && t.due < data.today).length : 0
	);
</script>

<svelte:head><title>Day sheet · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-2">
		<h1 class="grow">{formatDate(data.today as PlainDate, { year: false })}</h1>
		{#if data.inside}
			{#if data.unchecked}<a class="note" href="/docket?show=unchecked"
					>{plural(data.unchecked, 'date needs', 'dates need')} a second check</a
				>{/if}
			{#if data.changes}<a class="note warn" href="/docket/changes"
					>{plural(data.changes, 'date waits', 'dates wait')} for a decision</a
				>{/if}
			{#if data.signOff}<a class="note" href="/docket/sign-off"
					>{plural(data.signOff, 'date')} to sign off</a
				>{/if}
			{#if data.toSign.length}<a class="note" href="/signing/{data.toSign[0]!.signerId}"
					>{plural(data.toSign.length, 'document')} to sign</a
				>{/if}
			{#if data.newRequests}<a class="note" href="/requests"
					>{plural(data.newRequests, 'new request')}</a
				>{/if}
		{/if}
	</div>

	{#if !data.inside}
		{#if data.toSign.length}<Section
				title="Yours to sign"
				about={String(data.toSign.length)}
				class="mt-6 max-w-form"
				>{#each data.toSign as s (s.signerId)}<a
						class="row flex h-11 items-center gap-3 hover:bg-white"
						href="/signing/{s.signerId}"
						><Mark kind="signing" /><b class="font-semibold">{s.title}</b><span class="sub grow"
							>from {s.by}</span
						>{#if s.wantedBy}<span class="sub">wanted by {formatDay(s.wantedBy, data.today)}</span
							>{/if}</a
					>{/each}</Section
			>{/if}
		<div class="mt-6"><Requests mine={data.mine} loaded={null} /></div>
	{:else}
		<Horizon {data} />

		<div
			class="mt-5 grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_400px]"
		>
			<div class="flex min-w-0 flex-col gap-6">
				<MustNotSlip {data} />
				<Section title="Yours to do" about="{data.tasks.length} open{late ? `, ${late} late` : ''}">
					{#each data.tasks.slice(0, 7) as t (t.id)}
						<a
							class="row flex h-[34px] items-center gap-2.5 hover:bg-white"
							href="/matters/{t.matterNumber}/tasks"
							><Mark
								kind="task"
								size={13}
								color={t.due && t.due < data.today ? 'var(--color-madder)' : 'var(--color-ink)'}
							/><span class="min-w-0 grow truncate"
								><b class="font-semibold">{t.subject}</b>
								<span class="sub">{t.matterTitle}</span></span
							><span
								class="whitespace-nowrap {t.due && t.due < data.today
									? 'font-semibold text-madder'
									: 'sub'}"
								>{t.due
									? t.due < data.today
										? `late ${plural(since(t.due, data.today), 'day')}`
										: t.due === data.today
											? 'today'
											: (t.hangs ?? formatDay(t.due, data.today))
									: ''}</span
							></a
						>
					{:else}<Empty>No tasks. A colleague’s or your own appear here.</Empty>{/each}
				</Section>
				{#if data.reminders.length}<Section
						title="You were reminded"
						about="{data.reminders.length}; say that you have seen it"
					>
						{#each data.reminders.slice(0, 5) as r (r.deadlineId)}
							<div class="row flex min-h-[38px] items-center gap-3" data-reminder={r.title}>
								<span
									class="w-[96px] shrink-0 font-semibold whitespace-nowrap {r.last
										? 'text-madder'
										: ''}">{formatAway(r.date, data.today)}</span
								><a
									class="min-w-0 grow truncate hover:underline"
									href="/matters/{r.matterNumber}/docket?deadline={r.deadlineId}"
									><b class="font-semibold">{r.title}</b>
									<span class="sub">{r.matterTitle}{r.others ? `; seen by ${r.others}` : ''}</span
									></a
								><RowAction
									action="?/seen"
									fields={{ deadlineId: r.deadlineId }}
									look="act whitespace-nowrap">seen</RowAction
								>
							</div>
						{/each}
						{#if data.reminders.length > 5}<p class="sub mt-1">
								and {data.reminders.length - 5} more after these
							</p>{/if}
					</Section>{/if}
			</div>
			<div class="flex min-w-0 flex-col gap-6">
				<TodaysAppointments calendar={data.calendar} today={data.today} />
				{#if data.failures.length}
					<Section title="Does not work" about={String(data.failures.length)}>
						<Failures failures={data.failures} />
					</Section>
				{/if}
				{#if data.toSign.length}<Section title="Yours to sign" about={String(data.toSign.length)}
						>{#each data.toSign.slice(0, 4) as s (s.signerId)}<a
								class="row flex min-h-[38px] items-center gap-3 hover:bg-white"
								href="/signing/{s.signerId}"
								><Mark kind="signing" /><b class="grow truncate font-semibold">{s.title}</b><span
									class="sub">{s.by}</span
								></a
							>{/each}</Section
					>{/if}
				{#if data.asked.length}<Section title="You are asked" about={String(data.asked.length)}
						>{#each data.asked.slice(0, 4) as q (q.id)}<a
								class="row flex min-h-[44px] items-center gap-3 py-1 hover:bg-white"
								href="/matters/{q.number}/logbook?show=me"
								><span class="min-w-0 grow"
									><span class="line-clamp-2">{q.text}</span><span class="sub block truncate"
										>{q.who}, {q.title}</span
									></span
								></a
							>{/each}</Section
					>{/if}
				{#if data.blind.length}<BlindQuestions questions={data.blind} />{/if}
				{#if data.memos.length}
					<Section title="Reminders of your own" about={String(data.memos.length)}>
						{#snippet tools()}<a class="act" href="/notes">all notes</a>{/snippet}
						<MemoRows memos={data.memos} finish="?/memoDone" />
					</Section>
				{/if}
				<Section
					title="With someone else"
					about={String(data.signing.length + data.withOthers.length)}
				>
					{#each data.signing.slice(0, 3) as s (s.documentId)}<a
							class="row flex h-[52px] items-center gap-3 hover:bg-white"
							href="/documents/{s.documentId}"
							><Mark kind="signing" /><span class="min-w-0 grow"
								><b class="block truncate font-semibold">{s.title}</b><span class="sub"
									>{s.signed} of {s.signers} signed, with {s.next}</span
								></span
							><span class="sub whitespace-nowrap"
								>{formatAway(dayAt(s.createdAt, data.zone), data.today).replace(' ago', '')}</span
							></a
						>{/each}
					{#each data.withOthers.slice(0, Math.max(2, 5 - data.signing.length)) as t (t.id)}<a
							class="row flex h-[52px] items-center gap-3 hover:bg-white"
							href="/matters/{t.matterNumber}/tasks"
							><Mark kind="task" size={13} /><span class="min-w-0 grow"
								><b class="block truncate font-semibold">{t.subject}</b><span class="sub"
									>{t.assigneeName}, {t.matterTitle}</span
								></span
							><span class="sub whitespace-nowrap">{t.due ? formatDay(t.due, data.today) : ''}</span
							></a
						>{/each}
					{#if data.signing.length + data.withOthers.length === 0}<Empty>You wait for nobody.</Empty
						>{/if}
				</Section>
				{#if data.quiet.total}<Section title="Gone quiet" about={String(data.quiet.total)}
						>{#snippet tools()}<a class="act" href="/matters?quiet=1">all</a
							>{/snippet}{#each data.quiet.rows as q (q.id)}<a
								class="row flex h-[34px] items-center gap-3 hover:bg-white"
								href="/matters/{q.number}"
								><b class="min-w-0 grow truncate font-semibold">{q.title}</b><span
									class="sub whitespace-nowrap">{formatAway(q.lastActivity, data.today)}</span
								></a
							>{/each}</Section
					>{/if}
				<Section title="Today’s hours" about="{formatHours(minutes)} of {formatHours(DAY)}">
					<div
						class="mt-2.5 flex h-2.5 gap-px bg-rule-3"
						role="img"
						aria-label="{formatHours(minutes)} of {formatHours(DAY)} hours"
					>
						{#each data.hours as h, i (i)}<span
								style="width:{Math.min(
									100,
									(100 * h.minutes) / DAY
								)}%; background: color-mix(in srgb, var(--color-petrol) {Math.max(
									40,
									100 - i * 20
								)}%, var(--color-white))"
							></span>{/each}
					</div>
					<p class="sub mt-2">
						{data.hours.map((h) => `${formatHours(h.minutes)} ${h.title}`).join(', ') ||
							'Nothing logged yet. Write a line below: 0.4, the matter’s number, what you did.'}
					</p>
					<p class="mt-1">
						<button
							class="act"
							onclick={() => {
								awayOpen = true;
							}}
							>{data.away.length
								? `away ${formatDay(data.away[0]!.from, data.today)} to ${formatDay(data.away[0]!.to, data.today)}`
								: 'Days away'}</button
						>
						<button class="act ml-4" onclick={() => (writing = true)}>A note or a reminder</button>
					</p>
					{#if data.timers.length}<p class="mt-1">
							<a class="act" href="/time">{plural(data.timers.length, 'timer')} not logged</a>
						</p>{/if}
				</Section>
			</div>
		</div>
	{/if}
</div>
{#if data.inside}
	<DaysAway {data} bind:open={awayOpen} />
	<Drawer bind:open={writing} title="A note or a reminder" about="that belongs to no matter">
		<MemoForm
			action="?/memo"
			ondone={() => {
				writing = false;
				say('The note is kept.');
			}}
		/>
	</Drawer>
{/if}
