<script lang="ts">
	import Blind from './Blind.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	let { data } = $props();
	const c = $derived(data.check);
	let decision = $state(''),
		reason = $state('');
	const WHAT: Record<string, string> = {
		person: 'card',
		matter: 'matter',
		note: 'logbook',
		document: 'document',
		time: 'narrative',
		task: 'task',
		role: 'role',
		request: 'request',
		hearing: 'hearing',
		date: 'date'
	};
	const all = $derived(c.report.names.reduce((n, x) => n + x.hits.length + x.more, 0));
</script>

<svelte:head><title>Interest check: {c.names.join(', ')} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1 class="grow">Interest check: {c.names.join(', ')}</h1>
		<button class="btn no-print" onclick={() => window.print()}>Print</button><a
			class="btn no-print"
			href="/interest?names={encodeURIComponent(c.names.join(';'))}">Check anew</a
		>
	</div>
	<p class="sub mt-1">
		By {c.madeBy}, {formatInstant(c.madeAt, data.zone, data.today)}{#if c.matter}, for <a
				class="act"
				href="/matters/{c.matter.number}">{c.matter.number} {c.matter.title}</a
			>{/if}. The report stays as it was that day.
	</p>
	{#if c.report.restricted}<Blind blind={data.blind} reader={data.reader} />{/if}
	<div class="mt-5 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_320px]">
		<div class="flex min-w-0 flex-col gap-6">
			{#each c.report.names as n (n.name)}
				<Section
					title={n.name}
					about={n.hits.length + n.more === 0
						? 'nothing found'
						: plural(n.hits.length + n.more, 'hit')}
				>
					{#each n.hits as h, i (i)}
						<div class="row grid grid-cols-[70px_72px_minmax(0,1fr)] gap-3 py-2" data-hit={h.what}>
							<span
								><b
									class="read text-head font-medium {h.band === 'strong'
										? 'text-madder'
										: h.band === 'likely'
											? 'text-saffron-ink'
											: 'text-ink-3'}">{h.strength}</b
								> <span class="sub text-note">{h.band}</span></span
							><span class="sub">{WHAT[h.what]}</span>
							<span class="min-w-0"
								><a class="font-semibold hover:underline" href={h.href}>{h.title}</a>
								<span class="sub">{h.about}</span>{#if h.excerpt}<span
										class="block break-words text-ink-2">{h.excerpt}</span
									>{/if}<span class="sub block text-note">{h.why.join(', ')}</span></span
							>
						</div>
					{/each}
					{#if n.more}<p class="sub mt-2">
							And {n.more} more, weaker than these. Check a fuller name to see them.
						</p>{/if}
				</Section>
			{/each}
		</div>
		<aside>
			<Section title="Decision">
				{#if c.decision}<p class="read mt-3 text-title">
						{c.decision.charAt(0).toUpperCase() + c.decision.slice(1)}
					</p>
					<p class="mt-1 whitespace-pre-line">{c.reason}</p>
					<p class="sub mt-2">
						{c.decidedBy}, {formatInstant(c.decidedAt!, data.zone, data.today)}
					</p>
				{:else if data.can.decide}
					<ActionForm
						action="?/decide"
						class="no-print mt-3"
						ondone={() => {
							say('Decided.');
						}}
						>{#snippet children({ errors, busy })}
							<fieldset class="flex flex-col gap-1.5">
								<legend class="vh">Decision</legend
								>{#each [['clear', 'Clear: no interest stands against it'], ['waived', 'Waived: those concerned agreed'], ['declined', 'Declined: we do not go on']] as [v, say] (v)}<label
										class="flex gap-2"
										><input type="radio" name="decision" value={v} bind:group={decision} />
										{say}</label
									>{/each}
							</fieldset>
							{#if errors.decision}<p class="fault mt-1">{errors.decision}</p>{/if}
							<TextArea
								class="mt-3"
								label="Reason"
								error={errors.reason}
								rows={3}
								name="reason"
								bind:value={reason}
							/>
							<div class="mt-3">
								<button class="btn go" disabled={busy}>Decide</button>
							</div>{/snippet}</ActionForm
					>
					<p class="hidden print:block">Not decided.</p>
				{:else}<p class="sub mt-2">
						Not decided yet. Counsel, a paralegal or the docket clerk decides.
					</p>{/if}
				<p class="sub mt-4 text-note">
					{all === 0
						? 'Nothing was found among what you may see.'
						: '90 and over: almost surely the same. 70 to 89: look. Below: possible.'}
				</p>
			</Section>
		</aside>
	</div>
</div>

<style>
	@media print {
		.grid {
			display: block;
		}
		.row.grid {
			display: grid;
		}
	}
</style>
