<!-- What a comparison found: first what is not as the court has it, and how to put it right. -->
<script lang="ts">
	import { page } from '$app/state';
	import { formatDay, formatInstant, plural } from '$lib/ui/format.ts';
	import Empty from '$lib/ui/Empty.svelte';
	import type { ReconciliationLine, ReconciliationView } from '#server/reconciliations/queries.ts';
	type Props = { shown: ReconciliationView; mayDocket: boolean };
	let { shown, mayDocket }: Props = $props();
	const today = $derived(page.data.today as string);
	const GROUPS = [
		['differs', 'Differs', 'the court has another day or time'],
		['missing here', 'Missing here', "on the court's list and not on our docket"],
		['missing there', "Missing on the court's list", 'on our docket and not on the list'],
		['no matter', 'Of no matter that you see', 'no number of an open matter of yours stands in it'],
		['agrees', 'Agrees', '']
	] as const;
	const groups = $derived(
		GROUPS.map(([state, name, about]) => ({
			state,
			name,
			about,
			lines: shown.lines.filter((line) => line.state === state)
		})).filter(({ lines }) => lines.length)
	);
	const open = $derived(
		shown.lines.filter(({ state, settled }) => state !== 'agrees' && !settled).length
	);
	const title = $derived(
		open
			? `${plural(open, 'entry', 'entries')} to look at`
			: !shown.lines.length
				? 'Nothing of this comparison is yours to see'
				: shown.unread.length
					? 'What could be read is as the court has it'
					: 'Everything is as the court has it'
	);
	const when = (date: string | null, time: string | null) =>
		date ? `${formatDay(date, today)}${time ? `, ${time}` : ''}` : '';
	const docket = (line: ReconciliationLine) => `/matters/${line.matterNumber}/docket`;
	const enter = (line: ReconciliationLine) => {
		const query = new URLSearchParams({ hand: line.theirTitle, on: line.theirDate ?? '' });
		if (line.theirTime) query.set('at', line.theirTime);
		return `${docket(line)}?${query}`;
	};
</script>

<div class="ruled flex-wrap">
	<h2 class="read text-title font-medium">{title}</h2>
	<span class="sub ml-auto">
		{shown.source}, compared by {shown.by}
		{formatInstant(shown.at, page.data.zone, today)}
	</span>
</div>
{#if shown.unread.length}
	<p class="fault mt-2" data-unread>
		Not read: {#each shown.unread as line, place (place)}<span class="block">{line}</span>{/each}
	</p>
{/if}
{#each groups as { state, name, about, lines } (state)}
	<section class="mt-4" data-group={state}>
		<h3 class="font-semibold">
			{name}: {lines.length} <span class="sub font-normal">{about}</span>
		</h3>
		{#each lines as line, place (place)}
			<div
				class={[
					'row grid grid-cols-[minmax(0,1fr)] gap-x-4 py-2',
					'md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_110px]'
				]}
			>
				<div class="min-w-0">
					{#if line.theirTitle}
						<b class="font-semibold whitespace-nowrap">{when(line.theirDate, line.theirTime)}</b>
						{line.theirTitle}
						{#if line.caseNumber}<span class="sub">{line.caseNumber}</span>{/if}
					{:else}<span class="sub">nothing on the court's list</span>{/if}
				</div>
				<div class="min-w-0">
					{#if line.ourTitle}
						<b class="font-semibold whitespace-nowrap">{when(line.ourDate, line.ourTime)}</b>
						<a class="hover:underline" href="{docket(line)}?deadline={line.deadlineId}">
							{line.ourTitle}
						</a>
					{:else}<span class="sub">nothing on our docket</span>{/if}
					{#if line.matterNumber}
						<a class="sub block truncate hover:underline" href={docket(line)}>
							{line.matterNumber}
							{line.matterTitle}
						</a>
					{/if}
				</div>
				<div class="text-right whitespace-nowrap">
					{#if state === 'agrees'}
						<span class="text-spruce">agrees</span>
					{:else if line.settled}
						<span class="text-spruce">put right since</span>
					{:else if state === 'missing here' && mayDocket}
						<a class="act" href={enter(line)}>enter it</a>
					{:else if line.deadlineId}
						<a class="act" href="{docket(line)}?deadline={line.deadlineId}">open it</a>
					{/if}
				</div>
			</div>
		{/each}
	</section>
{:else}
	<Empty>Its entries are of matters that you do not see, or of none.</Empty>
{/each}
