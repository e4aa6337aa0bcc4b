<!--
	The second check: what waits at the left, the event, its source and both counts at the right.
-->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { goto } from '$app/navigation';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Count from '$lib/docket/Count.svelte';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import { walkLinks } from '$lib/ui/keys.ts';
	import { formatAway, formatDay } from '$lib/ui/format.ts';
	import { explainLeft } from '#core/docket/standing.ts';
	import { formatDate } from '#core/format/dates.ts';
	import { capitalize } from '#core/format/words.ts';
	let { data } = $props();
	const d = $derived(data.item);
	let returning = $state(false);
	let reason = $state('');
	$effect(() => {
		void d?.id;
		returning = false;
		reason = '';
	});
	/** It stands where its rule, or the order that moved it, puts it. */
	const mayConfirm = ({ left, byHand, fresh, move }: NonNullable<typeof d>) =>
		!left && (byHand || fresh?.same === true) && (move === null || move.same);
	const next = () => goto('/docket/check', { invalidateAll: true });
	const closed = $derived(
		d && (d.state === 'met' || d.state === 'vacated' || d.state === 'proposed')
	);
</script>

<svelte:head><title>Second check · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Second check</h1>
		<span class="sub grow">by someone else than who docketed it</span><DocketTabs />
	</div>
	{#if data.total === 0 && !d}<Empty>Every docketed date was checked by a second person.</Empty
		>{:else}
		<div class="mt-4 grid gap-6 lg:grid-cols-[360px_minmax(0,1fr)]">
			<section aria-label="What waits">
				<h2 class="ruled">Waiting <span class="sub font-normal">{data.total}</span></h2>
				<ul use:walkLinks={'a[data-item]'}>
					{#each data.queue as q (q.id)}
						<li class="row {q.id === d?.id ? 'bg-white' : ''}">
							<a
								class="flex min-h-[52px] items-start gap-2 px-1 py-1.5"
								data-item={q.title}
								aria-current={q.id === d?.id ? 'true' : undefined}
								href="/docket/check?deadline={q.id}"
							>
								<span class="pt-0.5"
									><Kite
										state={q.state}
										sort={q.sort}
										adrift={q.left !== null}
										late={q.date <= data.today}
									/></span
								>
								<span class="min-w-0 grow"
									><span class="block truncate"
										><b class="font-semibold">{q.title}</b>
										{#if q.sort === 'deadline' && q.bookShort !== 'by hand'}
											<span class="sub">{q.event}</span>
										{/if}</span
									><span class="sub block truncate"
										>{q.matterTitle}, {q.responsible}{q.court ? `, ${q.court}` : ''}</span
									></span
								>
								<span class="text-right whitespace-nowrap"
									><b class="block font-semibold" class:text-madder={q.date <= data.today}
										>{formatDay(q.date, data.today)}</b
									><span class="block {q.returnedBy ? 'font-semibold text-madder' : 'sub'}"
										>{q.returnedBy
											? 'returned'
											: q.docketedById === data.me.id
												? 'docketed by you'
												: `by ${q.docketedBy}`}</span
									></span
								>
							</a>
						</li>
					{/each}
				</ul>
				<Pages total={data.total} per={data.per} what="dates" />
			</section>
			{#if d}
				<section aria-label="The date" class="min-w-0">
					<div class="ruled">
						<h2 class="read text-title font-medium">{d.title}</h2>
						<a class="act ml-auto" href="/matters/{d.matterNumber}/docket?deadline={d.id}"
							>{d.matterNumber}</a
						>
					</div>
					<p class="read mt-2 text-head">
						{formatDate(d.date)}{d.time ? `, ${d.time}` : ''}
						<span class="sub text-lead">{formatAway(d.date, data.today)}</span>
					</p>
					<dl class="mt-3 grid grid-cols-[130px_minmax(0,1fr)] gap-y-1.5">
						<dt class="sub">Matter</dt>
						<dd>{d.matterTitle}{d.court ? `, ${d.court}` : ''}; {d.responsible}</dd>
						<dt class="sub">Event</dt>
						<dd>
							<b class="font-semibold">{d.event}</b> on {formatDate(d.eventDate)}{d.eventTime
								? ` at ${d.eventTime}`
								: ''}{d.service ? `, served ${d.service}` : ''}; entered by {d.enteredBy}
						</dd>
						{#each d.answers as a (a.ask)}<dt class="sub">{a.ask}</dt>
							<dd>{a.answer}</dd>{/each}
						<dt class="sub">Source</dt>
						<dd>
							{#if d.source}<a class="act" href="/documents/{d.source.id}">{d.source.name}</a
								>{:else}<span class="font-semibold text-saffron-ink"
									>no document was put with the event</span
								>{/if}
						</dd>
						<dt class="sub">Rule</dt>
						<dd>{d.authority}</dd>
						<dt class="sub">Docketed by</dt>
						<dd>{d.docketedBy ?? 'nobody yet'}</dd>
						{#if d.computed}<dt class="sub">Moved</dt>
							<dd>
								by {d.movedHow}; the rule gives {formatDate(d.computed)}. {d.movedReason}
							</dd>{/if}
					</dl>
					{#if d.left}
						<p class="mt-3 font-semibold text-madder" data-left>
							{capitalize(explainLeft(d.left))}. It is not confirmed as it stands: let it follow its
							event, move it by order or agreement, or vacate it.
						</p>
					{/if}
					{#if d.closed}
						<p class="mt-3 font-semibold text-madder" data-shut>
							{formatDate(d.date)} is no day on which the court sits: {d.closed}.
						</p>
					{/if}
					{#if d.computed}
						<h3 class="mt-4 mb-2 font-semibold">
							The {d.movedHow}: {d.move
								? `${d.move.by} from ${formatDate(d.move.from)}`
								: formatDate(d.date)}
						</h3>
						{#if d.move}
							<Count count={d.move.count} late={d.date <= data.today && !d.checked} />
							<p
								class="mt-3 font-semibold {d.move.same ? 'text-spruce' : 'text-madder'}"
								data-move={d.move.same}
							>
								{d.move.same
									? `Counted anew just now: the same day, ${formatDate(d.move.fresh)}.`
									: `Counted anew just now: ${formatDate(d.move.fresh)}, not ${formatDate(d.date)}. Move it again.`}
							</p>
						{:else}
							<p class="sub">
								It sets the day itself: there is nothing to count. Compare it with the paper.
							</p>
						{/if}
					{/if}
					<h3 class="mt-4 mb-2 font-semibold">
						{d.computed ? `The rule's own day, ${formatDate(d.computed)}` : 'The count'}
					</h3>
					<Count count={d.count} late={d.date <= data.today && !d.checked} />
					{#if d.fresh}
						<p
							class="mt-3 font-semibold {d.fresh.same ? 'text-spruce' : 'text-madder'}"
							data-fresh={d.fresh.same}
						>
							{d.fresh.same
								? `Counted anew just now: the same day, ${formatDate(d.fresh.date)}.`
								: `Counted anew just now: ${formatDate(d.fresh.date)}, not ${formatDate(d.computed ?? d.date)}.`}
						</p>
						{#if !d.fresh.same}<div class="mt-2"><Count count={d.fresh.count} late /></div>{/if}
					{:else if !d.byHand}<p class="mt-3 font-semibold text-madder" data-fresh="false">
							Counted anew just now: no rule sets this date any more.
						</p>
					{:else}<p class="sub mt-3">
							Entered by hand: there is no rule to count anew. Compare it with the source.
						</p>{/if}
					{#if closed}<p class="sub mt-4">This date is {d.state}.</p>
					{:else if d.checked}<p class="mt-4 font-semibold text-spruce">
							Checked by {d.checkedBy}.
						</p>
					{:else if d.returnedBy}<p class="mt-4">
							<b class="font-semibold text-madder">Returned by {d.returnedBy}:</b>
							{d.returnedReason}
						</p>
					{:else if d.docketedById === data.me.id}<p class="mt-4 font-semibold text-saffron-ink">
							You docketed this date: the second check is for someone else.
						</p>
					{:else if data.can.docket}
						<div class="mt-4 border-t border-rule pt-4">
							{#if !returning}
								<div class="flex gap-2">
									{#if mayConfirm(d)}<RowAction
											action="?/check"
											ondone={() => {
												toast(`${d.title}: confirmed.`);
												return next();
											}}
											fields={{ deadlineId: d.id }}
											look="btn go">Confirm {formatDay(d.date, data.today)}</RowAction
										>{/if}<button class="btn" onclick={() => (returning = true)}
										>I do not agree</button
									>
								</div>
							{:else}
								<ActionForm
									action="?/return"
									ondone={() => {
										toast(`Returned to ${d.docketedBy}.`);
										return next();
									}}
									>{#snippet children({ errors, busy })}<input
											type="hidden"
											name="deadlineId"
											value={d.id}
										/><TextArea
											label="What is wrong"
											error={errors.reason}
											hint="goes to {d.docketedBy} and into the logbook"
											name="reason"
											rows={3}
											bind:value={reason}
										/>
										<div class="mt-3 flex gap-2">
											<button class="btn go" disabled={busy}>Return it to {d.docketedBy}</button
											><button type="button" class="btn slight" onclick={() => (returning = false)}
												>Leave</button
											>
										</div>{/snippet}</ActionForm
								>
							{/if}
						</div>
					{/if}
				</section>
			{:else}<Empty
					>{data.lost
						? 'There is no such date, or it is not yours to see.'
						: 'Choose a date at the left.'}</Empty
				>{/if}
		</div>
	{/if}
</div>
