<!--
	Identity numbers: masked until one is shown, and hidden again after a moment. Who has one shown
	stands in the audit trail.
-->
<script lang="ts">
	import { IDENTITY_SORTS } from '#core/people/identity.ts';
	import { capitalize } from '#core/format/words.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { IdentityView } from '#server/people/identity.ts';
	type Props = { numbers: readonly IdentityView[]; name: string; today: string };
	let { numbers, name, today }: Props = $props();
	/** So long a number that was asked for can be read. */
	const SHOWN_MS = 30_000;
	let shown = $state<{ id: string; number: string } | null>(null);
	let adding = $state(false);
	const blank = { sort: 'social security', number: '', issuer: '', expires: '' };
	let typed = $state({ ...blank });
	let timer: ReturnType<typeof setTimeout> | undefined;
	function show({ numberId, number }: Record<string, unknown>) {
		shown = { id: String(numberId), number: String(number) };
		clearTimeout(timer);
		timer = setTimeout(() => (shown = null), SHOWN_MS);
	}
	$effect(() => () => clearTimeout(timer));
</script>

<Section title="Identity numbers" about={String(numbers.length || '')}>
	{#snippet tools()}<button
			class="act"
			aria-label="Add an identity number"
			onclick={() => (adding = true)}>add</button
		>{/snippet}
	{#each numbers as { id, sort, issuer, tail, expires_on } (id)}
		<div class="row flex min-h-9 flex-wrap items-center gap-x-3 py-1" data-number={sort}>
			<span class="min-w-0 grow">
				{capitalize(sort)}
				<span class="sub">
					{[issuer, expires_on && `until ${formatDay(expires_on, today)}`]
						.filter(Boolean)
						.join(', ')}
				</span>
			</span>
			{#if shown?.id === id}
				<b class="num font-semibold">{shown.number}</b>
				<button class="act" onclick={() => (shown = null)}>hide</button>
			{:else}
				<span class="sub num">{tail ? `ends in ${tail}` : 'kept'}</span>
				<RowAction
					action="?/showNumber"
					fields={{ numberId: id }}
					stay
					ondone={show}
					aria-label="Show the {sort} number">show</RowAction
				>
			{/if}
			<RowAction
				action="?/removeNumber"
				fields={{ numberId: id }}
				ondone={() => say('The number is removed.')}
				aria-label="Remove the {sort} number">remove</RowAction
			>
		</div>
	{:else}
		<p class="sub mt-2">None.</p>
	{/each}
</Section>

<Drawer bind:open={adding} title="Add an identity number" about={name}>
	<ActionForm
		action="?/addNumber"
		ondone={() => {
			adding = false;
			typed = { ...blank };
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3">
				<TextField
					label="Number"
					name="number"
					bind:value={typed.number}
					error={errors.number}
					autocomplete="off"
					spellcheck={false}
				/>
				<SelectField label="Sort" name="sort" bind:value={typed.sort} error={errors.sort}>
					{#each IDENTITY_SORTS as sort (sort)}<option value={sort}>{capitalize(sort)}</option
						>{/each}
				</SelectField>
				<TextField
					label="Given out by"
					name="issuer"
					bind:value={typed.issuer}
					error={errors.issuer}
					hint="a state, a country"
					autocomplete="off"
				/>
				<DateField
					name="expires"
					label="Expires"
					bind:value={typed.expires}
					{today}
					error={errors.expires}
				/>
				<p class="sub">
					It is kept encrypted, is in no search, list, export or report, and each showing is written
					down.
				</p>
				<div><button class="btn go" disabled={busy}>Keep the number</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
