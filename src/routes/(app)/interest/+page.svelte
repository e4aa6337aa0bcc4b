<script lang="ts">
	import { goto } from '$app/navigation';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	let { data } = $props();
	// svelte-ignore state_referenced_locally
	let names = $state(data.names.replaceAll(';', '\n'));
</script>

<svelte:head><title>Interest check · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<h1>Interest check</h1>
	<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[420px_minmax(0,1fr)]">
		<ActionForm
			action="?/check"
			ondone={async (d) => {
				names = '';
				await goto(`/interest/${d.checkId}`);
			}}
		>
			{#snippet children({ errors, busy })}
				<TextArea
					label="Names to check"
					error={errors.names}
					hint="One a line: people and organizations, as they are written."
					rows={6}
					name="names"
					bind:value={names}
				/>
				<div class="mt-3">
					<button class="btn go" disabled={busy}>{busy ? 'Looking…' : 'Check the names'}</button>
				</div>
				<p class="sub mt-4">
					Looked through: people with all their names, parents and affiliates, roles, matters with
					their facts, notes, tasks, time narratives, requests and the contents of documents.
					Misspellings, word order, initials, company endings and what sounds alike are found too.
				</p>
			{/snippet}
		</ActionForm>
		<Section title="Your checks" about={String(data.checks.length || '')}>
			{#each data.checks as c (c.id)}<a
					class="row flex min-h-[38px] items-center gap-3 py-1 hover:bg-white"
					href="/interest/{c.id}"
					><b class="min-w-0 grow truncate font-semibold">{c.names.join(', ')}</b
					>{#if c.matter}<span class="sub truncate">{c.matter.number}</span>{/if}<span
						>{c.hits
							? plural(c.hits, 'hit')
							: c.restricted
								? 'ask the docket clerk'
								: 'nothing found'}</span
					><span class="w-[70px] {c.decision ? 'text-spruce' : 'font-semibold text-saffron-ink'}"
						>{c.decision ?? 'open'}</span
					><span class="sub w-[92px] text-right"
						>{formatInstant(c.madeAt, data.zone, data.today)}</span
					></a
				>{:else}<Empty>No check yet. Each opening makes one of its own.</Empty>{/each}
		</Section>
	</div>
</div>
