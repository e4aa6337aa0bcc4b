<!-- One paper: what it says, beside the event it becomes. -->
<script lang="ts">
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import { goto } from '$app/navigation';
	import EventForm from '$lib/docket/EventForm.svelte';
	import { findMatters } from '$lib/people/find.ts';
	import Choose from '$lib/ui/Choose.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	import PaperActs from './PaperActs.svelte';
	import PaperShown from './PaperShown.svelte';
	type Props = {
		paper: NonNullable<PageData['paper']>;
		entry: PageData['entry'];
		wantedMatter: string;
		staff: PageData['staff'];
		mayDocket: boolean;
	};
	let { paper, entry, wantedMatter, staff, mayDocket }: Props = $props();
	let number = $state('');
	let more = $state(false);
	const filed = $derived(paper.documentId !== null);
	const hint = $derived(
		wantedMatter
			? 'that matter is closed, or not yours to see'
			: 'its number of the court stands in no open matter of yours'
	);
	async function docketed(result: Record<string, unknown>) {
		const count = Number(result.docketed);
		say(
			count
				? `Docketed ${plural(count, 'date')} on ${result.number}. A second person is asked to check.`
				: `Entered on ${result.number}; its dates are kept as proposed.`
		);
		const next = result.paper ? `?paper=${result.paper}` : '';
		await goto(`/docket/papers${next}`, { invalidateAll: true });
	}
</script>

<section aria-label="The paper" class="min-w-0" data-paper-open={paper.fileName}>
	<div class="ruled">
		<h2 class="read truncate text-title font-medium">{paper.fileName}</h2>
		<span class="sub ml-auto whitespace-nowrap">
			{formatInstant(paper.receivedAt, page.data.zone, page.data.today)}, {paper.holder} has it
		</span>
	</div>
	{#if mayDocket}<PaperActs {paper} {staff} />{/if}
	<div class="mt-3 grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_430px]">
		<PaperShown {paper} />
		{#if mayDocket}
			<div class="min-w-0 max-xl:order-first">
				{#if entry}
					<p class="mb-2">
						<a class="font-semibold hover:underline" href="/matters/{entry.matter.number}">
							{entry.matter.number}
							{entry.matter.title}
						</a>
					</p>
				{/if}
				{#if !filed}
					<Choose
						class="mb-2.5"
						label={entry ? 'Another matter' : 'Matter'}
						name="number"
						bind:value={number}
						find={findMatters}
						hint={entry ? undefined : hint}
						onpick={({ value }) => goto(`/docket/papers?paper=${paper.id}&matter=${value}`)}
					/>
				{/if}
				{#if entry}
					{#key entry.matter.id}
						<EventForm
							action="?/docket"
							stay
							ondone={docketed}
							matter={entry.matter}
							choices={entry.choices}
							services={entry.services}
							today={page.data.today}
							people="everyone on the matter"
							draftOf={paper.id}
							likely={entry.likely}
							days={paper.dates}
						>
							{#snippet before(errors)}
								<input type="hidden" name="paperId" value={paper.id} />
								{#if filed}
									<input type="hidden" name="folder" value="as filed" />
								{:else}
									<SelectField label="File it in" name="folder" error={errors.folder}>
										{#each entry.folders as folder (folder)}
											<option value={folder}>{folder}</option>
										{/each}
									</SelectField>
								{/if}
								<label class="flex items-center gap-2">
									<input type="checkbox" name="more" bind:checked={more} class="accent-petrol" />
									There is more to docket in it
								</label>
								{#each [errors.paperId, errors.matterId].filter(Boolean) as fault (fault)}
									<p class="fault">{fault}</p>
								{/each}
							{/snippet}
						</EventForm>
					{/key}
				{/if}
			</div>
		{/if}
	</div>
</section>
