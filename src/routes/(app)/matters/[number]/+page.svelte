<script lang="ts">
	import { formatCents } from '#core/format/money.ts';
	import { formatHours } from '#core/format/hours.ts';
	import { say } from '$lib/ui/say.svelte.ts';
	import { fetchMatterForms, type MatterForms } from '$lib/matters/forms.ts';
	import Banner from '$lib/ui/Banner.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant, plural, formatDay } from '$lib/ui/format.ts';
	import Beside from './Beside.svelte';
	import EditSheet from './EditSheet.svelte';
	import Facts from './Facts.svelte';
	import Latest from './Latest.svelte';
	import Next from './Next.svelte';
	import People from './People.svelte';
	import Split from './Split.svelte';
	import Stage from './Stage.svelte';
	import Status from './Status.svelte';
	import Team from './Team.svelte';
	let { data } = $props();
	const c = $derived(data.caption);
	let editing = $state(false),
		closing = $state(false);
	let forms = $state.raw<MatterForms>();
	async function edit() {
		try {
			forms = await fetchMatterForms();
			editing = true;
		} catch {
			say('The form did not come. Try again.');
		}
	}
	const decided = $derived(data.checks.find((x) => x.decision === null));
</script>

<div class="grid grid-cols-1 gap-8 p-5 lg:grid-cols-[minmax(0,1fr)_310px]">
	<div class="flex min-w-0 flex-col gap-7">
		{#if !c.mayChange}<Banner quiet>You are on this matter to read it.</Banner>{/if}
		{#if c.status === 'closed'}<Banner quiet>
				Closed {formatDay(c.closedOn!, data.today)}{c.ending ? `, ${c.ending.toLowerCase()}` : ''}: {c.statusReason}.
				Kept until {formatDay(c.retainUntil!, data.today).slice(4)}.
				<button class="act ml-1" onclick={() => (closing = true)}>Reopen</button>
			</Banner>
		{:else if c.missing.length}<Banner data-missing>
				Still missing: {c.missing.join(', ')}.
				{#if c.mayChange}<button class="act ml-1" onclick={edit}>Add</button>{/if}
			</Banner>{/if}
		{#if decided}<Banner>
				Interest check of {decided.names.join(', ')}: {decided.hits === 0
					? 'nothing found'
					: plural(decided.hits, 'hit')}{decided.restricted ? ', ask the docket clerk' : ''}, not
				decided yet. <a class="act ml-1" href="/interest/{decided.id}">Look</a>
			</Banner>{/if}
		{#if c.status !== 'closed'}
			<Next entries={data.next} number={c.number} today={data.today} />
		{/if}
		{#if c.description}<Section title="Description">
				<p class="mt-2 max-w-[75ch] whitespace-pre-line">{c.description}</p>
			</Section>{/if}
		<Facts {data} onchange={edit} />
		<People {data} />
		<Latest {data} />
	</div>
	<aside class="flex flex-col gap-7">
		<Section title="Standing"
			>{#snippet tools()}{#if c.mayChange}<button class="act" onclick={() => (closing = true)}
						>{c.status === 'closed' ? 'Reopen' : 'Hold or close'}</button
					>{/if}{/snippet}
			{#if data.kind.stages.length && c.status !== 'closed' && c.mayChange}<Stage {data} />{/if}
			<dl class="mt-2 grid grid-cols-[104px_1fr] gap-y-1.5">
				{#each [['Status', `${c.status}${c.statusFrom ? ` from ${formatDay(c.statusFrom, data.today).slice(4)}` : ''}`], ['Opened', `${formatDay(c.openedOn, data.today)}, ${c.originating}`], ...(c.origin ? [['Origin', c.origin]] : []), ['Hours to date', formatHours(c.minutes)], ['Cost to date', formatCents(c.cents)], ['Last activity', formatInstant(c.lastActivity, data.zone, data.today)], ['Rulebook', data.book?.title ?? 'none']] as [k, x] (k)}<dt
						class="sub"
					>
						{k}
					</dt>
					<dd class="font-medium break-words">{x}</dd>{/each}
			</dl>
		</Section>
		<Team {data} />
		<Beside {data} />
		<Split {data} />
	</aside>
</div>

{#if forms}<EditSheet {data} {forms} bind:open={editing} />{/if}
<Status {data} bind:open={closing} />
