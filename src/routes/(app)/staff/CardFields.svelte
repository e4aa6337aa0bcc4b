<!-- The department's own fields on the cards of people and organizations. -->
<script lang="ts">
	import { FACT_TYPES, type Fact } from '#core/kinds/fact.ts';
	import FactList from '$lib/kinds/FactList.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	type Props = { fields: readonly Fact[] };
	let { fields }: Props = $props();
	const start = () => $state.snapshot(fields) as Fact[];
	let edited = $state(start());
	const sent = $derived(JSON.stringify(edited));
	const isChanged = $derived(sent !== JSON.stringify(fields));
	const faultOf = (at: number): string => {
		const fact = edited[at];
		if (!fact?.name.trim()) return 'A field needs a name.';
		if (fact.type === 'choice' && !fact.options?.length) return 'Write its options, one a line.';
		if (fact.type === 'coded' && !fact.codes?.length) return 'Write its codes, one a line.';
		return '';
	};
	const isWhole = $derived(edited.every((fact, at) => fact.retired || faultOf(at) === ''));
</script>

<Section
	title="Fields of cards"
	about="what the department keeps of people and organizations beside names and addresses"
	class="mt-6 max-w-form"
>
	<FactList bind:facts={edited} types={FACT_TYPES} fault={faultOf} what="field" />
	<ActionForm
		action="?/cardFields"
		class="mt-3"
		base={{ fields: JSON.stringify(fields) }}
		take={(_, value) => (edited = JSON.parse(value) as Fact[])}
		ondone={() => {
			edited = start();
			say('The fields are kept; cards ask for them.');
		}}
	>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="fields" value={sent} />
			{#if errors.fields}<p class="fault mb-2" role="alert">{errors.fields}</p>{/if}
			<button class="btn" disabled={busy || !isChanged || !isWhole}>Keep the fields</button>
		{/snippet}
	</ActionForm>
</Section>
