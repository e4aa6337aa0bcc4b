<!-- Hold, close, reopen. Closing shows what is open and settles each. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import { formatHours } from '#core/format/hours.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { findMatters } from '$lib/people/find.ts';
	import Choose from '$lib/ui/Choose.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let { data, open = $bindable() }: { data: PageData; open: boolean } = $props();
	const c = $derived(data.caption),
		o = $derived(data.open);
	let to = $state<'closed' | 'on hold' | 'open' | 'proposed'>('closed'),
		reason = $state(''),
		ending = $state(''),
		closedOn = $state('');
	let deadlines = $state<Record<string, string>>({}),
		tasks = $state<Record<string, string>>({}),
		rounds = $state<Record<string, string>>({}),
		hand = $state<Record<string, string>>({});
	let was = false;
	$effect(() => {
		if (open && !was) {
			to = 'closed';
			reason = '';
			ending = '';
			closedOn = '';
			deadlines = {};
			tasks = {};
			rounds = {};
			hand = {};
		}
		was = open;
	});
	const dates = $derived(o.deadlines.filter((d) => d.state === 'docketed'));
	const proposals = $derived(o.deadlines.length - dates.length);
	const taken = $derived(
		Object.fromEntries(
			o.tasks.map((t) => [t.id, tasks[t.id] === 'hand' ? (hand[t.id] ?? '') : (tasks[t.id] ?? '')])
		)
	);
	const all = (what: 'vacate' | 'drop') => {
		if (what === 'vacate') for (const d of dates) deadlines[d.id] ??= 'vacate';
		else for (const t of o.tasks) tasks[t.id] ??= 'drop';
	};
</script>

<Drawer
	bind:open
	title={c.status === 'closed' ? 'Reopen the matter' : 'Status'}
	about="{c.number} {c.title}"
	wide
>
	{#if c.status === 'closed'}
		<ActionForm
			action="?/reopen"
			ondone={() => {
				open = false;
				say('The matter is open again.');
			}}
		>
			{#snippet children({ errors, busy })}
				<div class="flex flex-col gap-3.5">
					<input type="hidden" name="matterId" value={c.id} />
					<p>
						Dates and tasks that closing took away come back as they were, and hearings ahead stand
						on the calendars again.
					</p>
					<TextField label="Reason" error={errors.reason} name="reason" bind:value={reason} />
					<div><button class="btn go" disabled={busy}>Reopen the matter</button></div>
				</div>
			{/snippet}
		</ActionForm>
	{:else}
		<ActionForm
			action={to === 'closed' ? '?/close' : '?/status'}
			ondone={() => {
				open = false;
				say(to === 'closed' ? 'The matter is closed.' : `The matter is ${to}.`);
			}}
		>
			{#snippet children({ errors, busy })}
				<div class="flex flex-col gap-4">
					<input type="hidden" name="matterId" value={c.id} /><input
						type="hidden"
						name="status"
						value={to}
					/>
					<fieldset class="flex flex-wrap gap-5">
						<legend class="vh">The new status</legend
						>{#each [['closed', 'Close it'], ['on hold', 'Put it on hold'], ['open', 'Open again'], ['proposed', 'Proposed only']] as const as [v, say] (v)}{#if v !== c.status}<label
									><input type="radio" name="to" value={v} bind:group={to} /> {say}</label
								>{/if}{/each}
					</fieldset>
					{#if to === 'closed'}
						<input type="hidden" name="deadlines" value={JSON.stringify(deadlines)} /><input
							type="hidden"
							name="tasks"
							value={JSON.stringify(taken)}
						/><input type="hidden" name="rounds" value={JSON.stringify(rounds)} />
						<div class="grid grid-cols-2 gap-3">
							{#if data.kind.endings.length}
								<SelectField
									label="How it ended"
									name="ending"
									bind:value={ending}
									error={errors.ending}
								>
									<option value="">Choose</option>
									{#each data.kind.endings as one (one)}<option>{one}</option>{/each}
								</SelectField>
							{/if}
							<DateField
								name="closedOn"
								label="Ended on"
								hint="today, where nothing is written"
								bind:value={closedOn}
								today={data.today}
								error={errors.closedOn}
							/>
						</div>
						{#if dates.length}
							<section>
								<div class="ruled">
									<h2>{plural(dates.length, 'open date')}</h2>
									{#if dates.length > 1}<button
											type="button"
											class="act ml-auto"
											onclick={() => all('vacate')}>vacate the rest</button
										>{/if}
								</div>
								{#each dates as d (d.id)}<div
										class="row flex min-h-[40px] items-center gap-3"
										data-open={d.title}
									>
										<span class="min-w-0 grow"
											><b class="font-semibold">{d.title}</b>
											<span class={d.late ? 'font-semibold text-madder' : 'sub'}
												>{formatDay(d.date, data.today)}{d.late ? ', missed' : ''}</span
											></span
										><select
											class="box w-[150px]"
											aria-label="What becomes of {d.title}"
											bind:value={deadlines[d.id]}
											aria-invalid={errors[`deadlines.${d.id}`] ? 'true' : undefined}
											><option value={undefined}>Choose</option><option value="vacate"
												>{d.sort === 'deadline' ? 'vacate it' : 'take it off'}</option
											>{#if d.sort === 'deadline'}<option value="met"
													>it was met{d.late ? ' in time' : ''}</option
												>{#if d.late}<option value="late">it was met late</option
													>{/if}{:else if d.date <= data.today}<option value="met"
													>it was held</option
												>{/if}</select
										>
									</div>
									{#if errors[`deadlines.${d.id}`]}<p class="fault">
											{errors[`deadlines.${d.id}`]}
										</p>{/if}{/each}
							</section>
						{/if}
						{#if o.tasks.length}
							<section>
								<div class="ruled">
									<h2>{plural(o.tasks.length, 'open task')}</h2>
									{#if o.tasks.length > 1}<button
											type="button"
											class="act ml-auto"
											onclick={() => all('drop')}>drop the rest</button
										>{/if}
								</div>
								{#each o.tasks as t (t.id)}<div
										class="row flex min-h-[40px] flex-wrap items-center gap-x-3 gap-y-1 py-1"
										data-open={t.subject}
									>
										<span class="min-w-0 grow"
											><b class="font-semibold">{t.subject}</b>
											<span class="sub"
												>{t.who}{t.due ? `, ${formatDay(t.due, data.today)}` : ''}</span
											></span
										><select
											class="box w-[150px]"
											aria-label="What becomes of {t.subject}"
											bind:value={tasks[t.id]}
											><option value={undefined}>Choose</option><option value="done"
												>it is done</option
											><option value="drop">drop it</option><option value="hand"
												>hand it over</option
											></select
										>
										{#if tasks[t.id] === 'hand'}<Choose
												class="w-full"
												label="To the matter"
												name=""
												bind:value={() => hand[t.id] ?? '', (x) => (hand[t.id] = x)}
												find={findMatters}
												error={errors[`tasks.${t.id}`]}
											/>{/if}
									</div>{/each}
							</section>
						{/if}
						{#if o.rounds.length}<section>
								<div class="ruled">
									<h2>{plural(o.rounds.length, 'signing round')} under way</h2>
								</div>
								{#each o.rounds as r (r.id)}<label class="row flex h-10 items-center gap-2"
										><input
											type="checkbox"
											checked={rounds[r.id] === 'withdraw'}
											onchange={(e) => (rounds[r.id] = e.currentTarget.checked ? 'withdraw' : '')}
										/>
										withdraw {r.title}</label
									>{/each}
							</section>{/if}
						<ul class="sub flex list-disc flex-col gap-1 pl-5">
							{#if proposals}<li>
									{plural(proposals, 'proposal')} not docketed {proposals === 1 ? 'is' : 'are'} dropped.
								</li>{/if}
							{#each o.drafts as d (d.staffId)}<li>
									{d.name} has {formatHours(d.minutes)} h that are not released, and is told.
								</li>{/each}
							{#each o.timers as { name } (name)}<li>
									{name} has a timer on it that is not written down yet.
								</li>{/each}
							{#if o.unallocated}<li>
									{formatHours(o.unallocated)} h are released and go into the next cost run.
								</li>{/if}
							{#if o.questions}<li>
									{plural(o.questions, 'question')} in the logbook without an answer.
								</li>{/if}
							<li>
								{data.kind.name} is kept {plural(data.kind.retentionYears, 'year')} from that day. Everything
								comes back when the matter is reopened.
							</li>
						</ul>
					{/if}
					<TextField label="Reason" error={errors.reason} name="reason" bind:value={reason} />
					<div>
						<button class="btn go" disabled={busy}
							>{to === 'closed'
								? 'Close the matter'
								: to === 'on hold'
									? 'Put it on hold'
									: to === 'open'
										? 'Open it again'
										: 'Mark it proposed'}</button
						>
					</div>
				</div>
			{/snippet}
		</ActionForm>
	{/if}
</Drawer>
