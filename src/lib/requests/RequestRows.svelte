<!-- A business partner's own page: ask, follow, answer. -->
<script lang="ts">
	import { dayAt } from '#core/dates/zone.ts';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { RequestListing, RequestView } from '#server/requests/queries.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Field from '$lib/ui/Field.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { formatAway, formatDay, formatSize } from '$lib/ui/format.ts';
	let { mine, loaded }: { mine: RequestListing[]; loaded: RequestView | null } = $props();
	const today = $derived(page.data.today as string);
	const empty = {
		requestId: '',
		about: '',
		words: '',
		unitId: '',
		counterparty: '',
		urgency: 'normal',
		wantedBy: ''
	};
	const kept = draft('request', empty);
	const v = kept.value;
	$effect(() => {
		if (loaded && v.requestId !== loaded.id)
			Object.assign(v, {
				requestId: loaded.id,
				about: loaded.about,
				words: loaded.words,
				unitId: loaded.unitId ?? '',
				counterparty: loaded.counterparty,
				urgency: loaded.urgency,
				wantedBy: loaded.wantedBy ?? ''
			});
	});
	let send = $state('1'),
		picked = $state<string[]>([]);
	/** In the department's own words, where it said some; a question comes first. */
	const standing = (r: RequestListing) =>
		(['sent', 'taken', 'matter'].includes(r.state) ? r.status?.toLowerCase() : undefined) ??
		{
			draft: 'draft',
			sent: 'sent',
			taken: r.takenBy ? `with ${r.takenBy}` : 'taken',
			asked: 'a question for you',
			'turned down': 'turned down',
			withdrawn: 'withdrawn',
			matter: 'in work'
		}[r.state] ??
		r.state;
</script>

<div class="grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
	<Section title="Ask the legal department" about={v.requestId ? 'your draft' : ''}>
		{#snippet tools()}{#if v.requestId}<button
					class="act"
					onclick={() => {
						kept.clear();
						void goto('/requests');
					}}>begin a new one</button
				>{/if}{/snippet}
		<ActionForm
			action="/requests?/write"
			files
			class="mt-3"
			before={(d) => {
				d.set('send', send);
				return undefined;
			}}
			ondone={async (d) => {
				picked = [];
				if (d.number) {
					kept.clear();
					say(`Sent as ${d.number}.`);
					await goto(`/requests/${d.requestId}`);
				} else {
					v.requestId = String(d.requestId);
					say('The draft is kept. Nobody else sees it.');
				}
			}}
		>
			{#snippet children({ errors, busy })}
				<div class="flex flex-col gap-3.5">
					<input type="hidden" name="requestId" value={v.requestId} />
					<TextField
						label="What is it about?"
						error={errors.about}
						name="about"
						bind:value={v.about}
						autocomplete="off"
					/>
					<TextArea
						label="What should we know?"
						error={errors.words}
						rows={5}
						name="words"
						bind:value={v.words}
					/>
					<div class="grid gap-3 sm:grid-cols-2">
						<SelectField
							label="Business unit"
							error={errors.unitId}
							name="unitId"
							bind:value={v.unitId}
							><option value="">Choose</option>{#each page.data.units as u (u.id)}<option
									value={u.id}>{u.name}</option
								>{/each}</SelectField
						><TextField
							label="Who is on the other side?"
							error={errors.counterparty}
							hint="if anyone"
							name="counterparty"
							bind:value={v.counterparty}
							autocomplete="off"
						/>
					</div>
					<div class="grid gap-3 sm:grid-cols-2">
						<SelectField
							label="How urgent?"
							error={errors.urgency}
							name="urgency"
							bind:value={v.urgency}
							><option value="normal">no hurry</option><option value="soon">soon</option><option
								value="urgent">urgent</option
							></SelectField
						><DateField
							name="wantedBy"
							label="Wanted by"
							bind:value={v.wantedBy}
							{today}
							error={errors.wantedBy}
							hint="may stay empty"
						/>
					</div>
					<Field
						label="Files"
						error={errors.files}
						hint={picked.length ? picked.join(', ') : 'up to 20, together 50 MB'}
						>{#snippet children(x)}<input
								class="box"
								type="file"
								name="files"
								multiple
								onchange={(e) => (picked = [...(e.currentTarget.files ?? [])].map((f) => f.name))}
								{...x}
							/>{/snippet}</Field
					>
					{#if loaded?.id === v.requestId && loaded.papers.length}<p class="sub">
							With the draft: {loaded.papers
								.map((p) => `${p.name} (${formatSize(p.size)})`)
								.join(', ')}
						</p>{/if}
					<div class="flex flex-wrap gap-2">
						<button class="btn go" disabled={busy} onclick={() => (send = '1')}
							>Send the request</button
						><button class="btn" disabled={busy} onclick={() => (send = '')}>Keep as a draft</button
						>
					</div>
				</div>
			{/snippet}
		</ActionForm>
	</Section>
	<Section title="Your requests" about={String(mine.length || '')}>
		{#each mine as r (r.id)}
			<a
				class="row flex min-h-[46px] items-center gap-3 py-1 hover:bg-white"
				href={r.state === 'draft' ? `/requests?draft=${r.id}` : `/requests/${r.id}`}
				data-request={r.about}
				><span class="min-w-0 grow"
					><b class="block truncate font-semibold">{r.about}</b><span class="sub"
						>{r.number ?? 'not sent'}{r.wantedBy
							? `, wanted by ${formatDay(r.wantedBy, today)}`
							: ''}</span
					></span
				><span
					class="whitespace-nowrap {r.state === 'asked'
						? 'font-semibold text-saffron-ink'
						: r.state === 'matter'
							? 'text-spruce'
							: r.state === 'turned down'
								? 'text-madder'
								: ''}">{standing(r)}</span
				><span class="sub w-[88px] text-right"
					>{formatAway(dayAt(r.lastAt, page.data.zone as string), today)}</span
				></a
			>
		{:else}<Empty>Nothing yet. What you send appears here, with how it stands.</Empty>{/each}
	</Section>
</div>
