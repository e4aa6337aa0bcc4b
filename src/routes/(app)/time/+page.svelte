<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import { formatDate } from '#core/format/dates.ts';
	import { formatClock, formatHours } from '#core/format/hours.ts';

	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import LogTime from '$lib/time/LogTime.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	const GOAL = 450;
	const of = (d: string) => data.entries.filter((e) => e.day === d);
	const sum = (list: { minutes: number }[]) => list.reduce((a, e) => a + e.minutes, 0);
	let editing = $state('');
	let words = $state<Record<string, string>>({});
	let hours = $state(''),
		narrative = $state('');
</script>

<svelte:head><title>Time · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1>Time</h1>
		<span class="sub"
			>{formatDay(data.week[0]!, data.today)} to {formatDay(data.week[6]!, data.today)}, {formatHours(
				sum(data.entries)
			)} h</span
		><a class="act" href="?week={data.before}">week before</a>{#if data.after <= data.today}<a
				class="act"
				href="?week={data.after}">next week</a
			>{/if}<span class="grow"></span>
		{#if data.drafts.n}<RowAction
				action="?/release"
				ondone={(d) => {
					say(`Released ${plural(Number(d.released), 'entry', 'entries')}.`);
				}}
				fields={{ upTo: data.today }}
				look="btn go"
				>Release {plural(data.drafts.n, 'draft')}, {formatHours(data.drafts.minutes)} h</RowAction
			>{/if}
	</div>
	<ol class="week mt-3" aria-label="Hours of the week">
		{#each data.week as d (d)}{@const m = sum(of(d))}
			<li class:hatch={[5, 6].includes(data.week.indexOf(d))} class:now={d === data.today}>
				<span class="sub">{formatDay(d, data.today).slice(0, 3)}</span>
				<b class="read text-large font-medium">{Number(d.slice(8))}</b><span
					class="bar"
					style="--h:{Math.min(100, (100 * m) / GOAL)}%"
				></span><span class={m ? 'font-semibold' : 'sub'}
					>{m ? formatHours(m) : d < data.today && data.week.indexOf(d) < 5 ? 'none' : ''}</span
				>
			</li>{/each}
	</ol>
	<div class="mt-4">
		<LogTime
			action="?/log"
			today={data.today}
			activities={data.activities}
			matters={data.matters}
		/>
	</div>
	<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_330px]">
		<div class="flex flex-col gap-5">
			{#each [...data.week].reverse().filter((d) => of(d).length) as d (d)}
				<Section title={formatDate(d, { year: false })} about="{formatHours(sum(of(d)))} h">
					{#each of(d) as e (e.id)}
						<div class="row" data-entry={e.narrative}>
							<div
								class="grid min-h-[37px] grid-cols-[48px_minmax(0,1fr)_auto_auto] items-center gap-3"
							>
								<b class="num font-semibold">{formatHours(e.minutes)}</b>
								<span class="truncate"
									>{#if e.matterNumber}<a
											class="sub mr-2 hover:underline"
											href="/matters/{e.matterNumber}">{e.matterNumber}</a
										>{/if}<span class="font-medium">{e.narrative}</span>{#if e.activityName}<span
											class="sub ml-2">{e.activityName}</span
										>{/if}</span
								>
								<span
									class={e.state === 'draft'
										? 'text-saffron-ink'
										: e.state === 'released'
											? 'sub'
											: 'text-spruce'}
									title={e.run ?? ''}>{e.state}</span
								>
								<span class="flex w-[110px] justify-end gap-3"
									>{#if e.state === 'draft'}<button
											class="act"
											onclick={() => {
												editing = editing === e.id ? '' : e.id;
												hours = formatHours(e.minutes);
												narrative = e.narrative;
											}}>change</button
										><RowAction
											action="?/remove"
											fields={{ entryId: e.id }}
											aria-label="Remove {e.narrative}">remove</RowAction
										>{:else if e.state === 'released'}<RowAction
											action="?/back"
											fields={{ entryId: e.id }}>take back</RowAction
										>{/if}</span
								>
							</div>
							{#if editing === e.id}<ActionForm
									action="?/change"
									class="pb-2"
									base={{ hours, narrative }}
									take={(field, value) => {
										if (field === 'hours') hours = value;
										else narrative = value;
									}}
									ondone={() => {
										editing = '';
									}}
									>{#snippet children({ errors, busy })}<input
											type="hidden"
											name="entryId"
											value={e.id}
										/>
										<div class="flex gap-2">
											<input
												class="box num w-20"
												name="hours"
												bind:value={hours}
												aria-label="New hours"
												aria-invalid={errors.hours ? 'true' : undefined}
											/><input
												class="box"
												name="narrative"
												bind:value={narrative}
												aria-label="New narrative"
												aria-invalid={errors.narrative ? 'true' : undefined}
											/><button class="btn go" disabled={busy}>Save</button>
										</div>
										{#if errors.hours || errors.narrative}<p class="fault mt-1">
												{errors.hours ?? errors.narrative}
											</p>{/if}{/snippet}</ActionForm
								>{/if}
						</div>
					{/each}
				</Section>
			{:else}<Empty
					>Nothing is logged in this week. Log above, or write a line below: 0.4, the matter’s
					number, what you did.</Empty
				>{/each}
		</div>
		<div>
			<Section title="Timers" about={data.timers.length ? String(data.timers.length) : ''}>
				{#each data.timers as t (t.id)}
					<div class="row py-2.5" data-timer={t.matterNumber}>
						<div class="flex items-baseline gap-2">
							<span class="min-w-0 grow truncate"><b class="font-semibold">{t.matterTitle}</b></span
							><b class="read text-head font-medium">{formatClock(t.ms)}</b>
						</div>
						<ActionForm action="?/stop" class="mt-1.5"
							>{#snippet children({ errors, busy })}<input
									type="hidden"
									name="timerId"
									value={t.id}
								/><input
									class="box"
									name="words"
									bind:value={() => words[t.id] ?? t.words, (x) => (words[t.id] = x)}
									placeholder="What was done"
									aria-label="What was done on {t.matterTitle}"
									aria-invalid={errors.words ? 'true' : undefined}
								/>{#if errors.words}<p class="fault mt-1">{errors.words}</p>{/if}
								<div class="mt-2 flex gap-2">
									<button class="btn go" disabled={busy}>Stop and log</button><button
										class="btn"
										formaction="?/{t.running ? 'pause' : 'resume'}"
										disabled={busy}>{t.running ? 'Pause' : 'Resume'}</button
									><button class="btn slight" name="drop" value="1" disabled={busy}>Drop</button>
								</div>{/snippet}</ActionForm
						>
					</div>
				{:else}<p class="sub py-2">No timer. Start one on a matter, under Time and cost.</p>{/each}
			</Section>
		</div>
	</div>
</div>

<style>
	.week {
		display: flex;
		border: 1px solid var(--color-rule);
		background: var(--color-white);
		border-radius: 6px;
		overflow: hidden;
	}
	.week li {
		flex: 1;
		padding: 5px 10px 8px;
		border-right: 1px solid var(--color-rule-2);
		position: relative;
		min-height: 62px;
	}
	.week .bar {
		display: block;
		height: 5px;
		margin: 3px 0;
		background: linear-gradient(
			to right,
			var(--color-petrol) var(--h),
			var(--color-rule-3) var(--h)
		);
	}
	.week .now {
		box-shadow: inset 0 -4px 0 var(--color-saffron);
	}
</style>
