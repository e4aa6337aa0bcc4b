<!--
	An opened date: why it was returned, what is beside it, its count, its papers, and what can be
	done with it.
-->
<script lang="ts">
	import type { CountView } from '#server/docket/counts.ts';
	import type { DeadlineView } from '#server/docket/list.ts';
	import { isOccasion, RESULT_WORDS } from '#core/docket/occasion.ts';
	import { explainLeft } from '#core/docket/standing.ts';
	import { capitalize } from '#core/format/words.ts';
	import Count from '$lib/docket/Count.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { formatDay, formatInstant } from '$lib/ui/format.ts';
	import { page } from '$app/state';
	import type { DateLinks } from '#server/docket/date-links.ts';
	import MarkDate from './MarkDate.svelte';
	import type { DateAct, Exhibit } from './acts.ts';
	import { isDocketed } from './describe.ts';
	import { describePeople } from '#core/docket/people.ts';
	type Props = {
		deadline: DeadlineView;
		count: CountView;
		papers: readonly { id: string; name: string; role: string }[];
		exhibits: readonly Exhibit[];
		links: DateLinks | undefined;
		marks: readonly { id: string; label: string }[];
		matterNumber: string;
		today: string;
		/** The initials of who looks. */
		initials: string;
		mayDocket: boolean;
		onact: (act: DateAct) => void;
	};
	let {
		deadline,
		count,
		papers,
		exhibits,
		links,
		marks,
		matterNumber,
		today,
		initials,
		mayDocket,
		onact
	}: Props = $props();
	const ROLES: Record<string, string> = { proof: 'proof', order: 'the order', linked: 'linked' };
	const isOpen = $derived(isDocketed(deadline));
	const isSettled = $derived(['met', 'late', 'vacated'].includes(deadline.state));
	const SETTLE: readonly [DateAct, string][] = [
		['meet', 'It was met'],
		['shift', 'Move it'],
		['vacate', 'Vacate it']
	];
	const HEARING: readonly [DateAct, string][] = [
		['hold', 'It was held'],
		['continue', 'Continue it'],
		['off', 'Take it off']
	];
	const acts = $derived<readonly [DateAct, string][]>([
		...(isOccasion(deadline.sort) ? HEARING : SETTLE),
		['assign', 'Whose it is'],
		['edit', 'Details'],
		['invite', 'Send outside'],
		...(deadline.returnedBy && deadline.returnedBy !== initials
			? [['answer', 'Answer the check'] as [DateAct, string]]
			: [])
	]);
	const shown = $derived(exhibits.filter(({ dates }) => dates.includes(deadline.id)));
</script>

{#if deadline.left}
	<div class="mb-2 flex flex-wrap items-center gap-3" data-left>
		<p class="font-semibold text-madder">{capitalize(explainLeft(deadline.left))}</p>
		{#if mayDocket && deadline.left.gives}
			<RowAction action="?/follow" fields={{ deadlineId: deadline.id }} look="btn">
				Let it follow, to {formatDay(deadline.left.gives, today)}
			</RowAction>
		{/if}
	</div>
{/if}
{#if deadline.returnedBy}
	<p class="mb-2">
		<b class="font-semibold text-madder">{deadline.returnedBy} does not agree:</b>
		{deadline.returnedReason}
	</p>
{/if}
{#if deadline.long}<p class="mb-2 whitespace-pre-line">{deadline.long}</p>{/if}
{#if deadline.place || deadline.link}
	<p class="mb-2 text-ink-2">
		{deadline.place}
		{#if deadline.link}
			<a class="act" href={deadline.link} rel="noreferrer" target="_blank">{deadline.link}</a>
		{/if}
	</p>
{/if}
{#if deadline.stale}<p class="mb-2 font-semibold text-madder">{deadline.stale}</p>{/if}
<Count {count} late={deadline.date <= today && deadline.state !== 'met'} />
{#if deadline.result}
	<p class="mt-2" data-result={deadline.result}>
		<b class="font-semibold">{capitalize(RESULT_WORDS[deadline.result])}.</b>
		{[deadline.outcome, deadline.reason].filter(Boolean).join(' ')}
		{#if deadline.appeared}<span class="sub">Appeared: {deadline.appeared}</span>{/if}
		{#if deadline.result === 'held' && mayDocket}
			<a class="act no-print ml-2" href="/matters/{matterNumber}/docket?enter">Enter what follows</a
			>
		{/if}
	</p>
{/if}
{#if deadline.computed}
	<p class="mt-2">
		<b class="font-semibold">
			Moved by {deadline.movedHow} to {formatDay(deadline.date, today)}:
		</b>
		{deadline.movedReason}
	</p>
	{#if count.moved}
		<div class="mt-2"><Count count={count.moved} late={deadline.date <= today} /></div>
	{/if}
{/if}
{#if papers.length}
	<p class="mt-2 flex flex-wrap gap-3">
		{#each papers as { id, name, role } (id + role)}
			<span>
				<a class="act" href="/documents/{id}">{name}</a>
				<span class="sub">{ROLES[role]}</span>
			</span>
		{/each}
	</p>
{/if}
{#if shown.length}
	<p class="mt-2">
		<a class="act" href="/matters/{matterNumber}/trial">Exhibits</a>
		{shown.map(({ number, title }) => `${number} ${title}`).join('; ')}
	</p>
{/if}
{#if links}
	<ul class="mt-2 flex flex-wrap gap-x-4" data-links>
		{#each links.folders as folder (folder)}
			<li>
				<a class="act" href="/matters/{matterNumber}/documents?folder={encodeURIComponent(folder)}">
					{folder}
				</a>
				<span class="sub">folder</span>
			</li>
		{/each}
		{#each links.mails as { id, subject, at } (id)}
			<li>
				<a class="act" href="/matters/{matterNumber}/mail/{id}">{subject}</a>
				<span class="sub">mail, {formatInstant(at, page.data.zone, today)}</span>
			</li>
		{/each}
	</ul>
{/if}
{#if mayDocket}<MarkDate {deadline} {marks} />{/if}
{#if deadline.state === 'late'}
	<p class="mt-2" data-late>
		<b class="font-semibold text-madder">Met late:</b>
		{deadline.lateReason}
		{#if deadline.lateBy}
			<span class="sub">{deadline.lateBy}: {deadline.lateWord}</span>
		{:else}
			<span class="font-semibold text-saffron-ink">waits for a second person's word</span>
		{/if}
	</p>
{/if}
{#if isSettled && mayDocket}
	<div class="no-print mt-2 flex flex-wrap gap-2">
		{#if deadline.state === 'late' && !deadline.lateBy}
			<button class="btn" onclick={() => onact('judge')}>Give your word</button>
		{/if}
		<button class="btn" onclick={() => onact('back')}>Take it back</button>
	</div>
{/if}
{#if isOpen && mayDocket}
	<div class="no-print mt-2 flex flex-wrap gap-2">
		{#each acts as [act, label] (act)}
			<button class="btn" onclick={() => onact(act)}>{label}</button>
		{/each}
		<span class="sub self-center" data-people>
			{describePeople(deadline)}, docketed by {deadline.docketedBy}
		</span>
	</div>
{/if}
