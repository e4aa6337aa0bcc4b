<!--
	Two cards side by side: which one stays, and of each field which value. What is a list on a card
	(addresses, names, roles, notes) comes together.
-->
<script lang="ts">
	import { goto } from '$app/navigation';
	import { findPeople } from '$lib/people/find.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Banner from '$lib/ui/Banner.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import { compareCards } from './compare.ts';
	let { data } = $props();
	const keep = $derived(data.keep);
	const gone = $derived(data.gone);
	const rows = $derived(gone ? compareCards(keep, gone) : { choices: [], lists: [] });
	let otherId = $state('');
	let otherName = $state('');
	/** By field: whose value is kept. */
	let taken = $state<Record<string, boolean>>({});
</script>

<svelte:head><title>Merge {keep.fields.name} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<p class="sub"><a class="hover:underline" href="/people/{keep.id}">{keep.fields.name}</a></p>
	<h1>Make two cards one</h1>
	<div class="mt-4 max-w-form">
		<Choose
			label="The other card"
			name=""
			bind:value={otherId}
			bind:typed={otherName}
			find={findPeople}
			onpick={async ({ value }) => {
				taken = {};
				await goto(`?with=${value}`, { replaceState: true, keepFocus: true });
			}}
		/>
	</div>
	{#if gone}
		{#if data.refused}
			<Banner class="mt-4">
				One of the two is on a matter that is not yours to see. Ask the docket clerk to merge them.
			</Banner>
		{/if}
		<ActionForm
			action="?/merge&with={gone.id}"
			stay
			ondone={async () => {
				const name = keep.fields.name;
				await goto(`/people/${keep.id}`, { invalidateAll: true });
				say(`The cards are one: ${name}.`);
			}}
		>
			{#snippet children({ errors, busy })}
				<input type="hidden" name="goneId" value={gone.id} />
				<div class="sheet mt-5" role="table" aria-label="The two cards">
					<div class="line head" role="row">
						<span role="columnheader" class="sub">Field</span>
						<b role="columnheader">{keep.fields.name} <span class="sub">stays</span></b>
						<b role="columnheader">
							{gone.fields.name}
							<a class="act ml-2 font-normal" href="/people/{gone.id}/merge?with={keep.id}">
								keep this card instead
							</a>
						</b>
					</div>
					{#each rows.choices as { field, label, ours, theirs, differ } (field)}
						<div class="line row" role="row" data-field={field}>
							<span role="rowheader" class="sub">{label}</span>
							{#each [false, true] as isOther (isOther)}
								<span role="cell" class="min-w-0">
									{#if differ}
										<label class="flex min-h-6 gap-2">
											<input
												type="radio"
												name="side-{field}"
												checked={(taken[field] ?? false) === isOther}
												onchange={() => (taken[field] = isOther)}
											/>
											<span class="break-words whitespace-pre-line">
												{(isOther ? theirs : ours) || 'nothing'}
											</span>
										</label>
									{:else}
										<span class="sub break-words whitespace-pre-line">
											{isOther ? theirs : ours}
										</span>
									{/if}
								</span>
							{/each}
							{#if taken[field]}<input type="hidden" name="take" value={field} />{/if}
						</div>
					{/each}
					{#each rows.lists as { label, ours, theirs } (label)}
						<div class="line row" role="row">
							<span role="rowheader" class="sub">{label}</span>
							<span role="cell" class="break-words whitespace-pre-line">{ours}</span>
							<span role="cell" class="break-words whitespace-pre-line">{theirs}</span>
						</div>
					{/each}
				</div>
				<p class="sub mt-2">
					Lists come together. The name that is not kept stays as another name. It can be taken
					apart again, and the logbook of each matter says both.
				</p>
				{#if errors.goneId}<p class="fault mt-2" role="alert">{errors.goneId}</p>{/if}
				<div class="mt-4">
					<button class="btn go" disabled={busy || data.refused}>
						Merge {gone.fields.name} into {keep.fields.name}
					</button>
				</div>
			{/snippet}
		</ActionForm>
	{/if}
</div>

<style>
	.line {
		display: grid;
		grid-template-columns: 160px minmax(0, 1fr) minmax(0, 1fr);
		gap: 4px 24px;
		padding: 8px 0;
	}
	.head {
		border-bottom: 1.5px solid var(--color-ink);
	}
	@media (max-width: 640px) {
		.line {
			grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		}
		.line > :first-child {
			grid-column: 1 / -1;
		}
	}
</style>
