<!-- The facts of a kind, or of one of its groups: name, sort, options, whether wanted, order. -->
<script lang="ts">
	import { keyFromName } from '#core/kinds/kind.ts';
	import type { Fact } from '#core/kinds/fact.ts';
	type Props = {
		facts: Fact[];
		types: Record<string, string>;
		/** Keys that others have. */
		taken?: string[];
		/** What is wrong with the fact at a place of the list. */
		fault: (at: number) => string;
		/** What one of them is called. */
		what?: string;
	};
	let { facts = $bindable(), types, taken = [], fault, what = 'fact' }: Props = $props();
	let name = $state('');
	let type = $state<Fact['type']>('text');
	const live = $derived(facts.filter(({ retired }) => !retired));

	/** A list of options begins empty: words that stand for something would be taken for real. */
	function begin(fact: Fact) {
		if (fact.type === 'choice') fact.options ??= [];
		if (fact.type === 'coded') fact.codes ??= [];
	}
	function add() {
		if (!name.trim()) return;
		const key = keyFromName(name, [...facts.map((fact) => fact.key), ...taken]);
		const fact: Fact = { key, name: name.trim(), type };
		begin(fact);
		facts = [...facts, fact];
		name = '';
	}
	function addOnEnter(event: KeyboardEvent) {
		if (event.key !== 'Enter') return;
		event.preventDefault();
		add();
	}
	function move(fact: Fact, by: number) {
		const other = live[live.indexOf(fact) + by];
		if (!other) return;
		const next = [...facts];
		next[facts.indexOf(fact)] = other;
		next[facts.indexOf(other)] = fact;
		facts = next;
	}
	function want(fact: Fact, wanted: boolean) {
		if (wanted) fact.wanted = true;
		else delete fact.wanted;
		facts = [...facts];
	}
	const linesOf = (text: string) =>
		text
			.split('\n')
			.map((line) => line.trim())
			.filter(Boolean);
	const formatCodes = ({ codes = [] }: Fact) =>
		codes.map(({ code, label }) => `${code} ${label}`).join('\n');
	const readCodes = (text: string) =>
		linesOf(text).map((line) => {
			const [code = '', ...words] = line.split(/\s+/);
			return { code, label: words.join(' ') || code };
		});
</script>

{#each live as fact, at (fact.key)}
	{@const wrong = fault(facts.indexOf(fact))}
	<div class="row py-2" data-fact={fact.key}>
		<div class="grid grid-cols-2 items-center gap-2 md:grid-cols-[minmax(0,1fr)_190px_84px_auto]">
			<input class="box" bind:value={fact.name} aria-label="Name of {what} {at + 1}" />
			<select
				class="box"
				bind:value={fact.type}
				aria-label="Sort of {fact.name}"
				onchange={() => begin(fact)}
			>
				{#each Object.entries(types) as [sort, words] (sort)}
					<option value={sort}>{words}</option>
				{/each}
			</select>
			<label>
				<input
					type="checkbox"
					bind:checked={() => fact.wanted === true, (wanted) => want(fact, wanted)}
				/> wanted
			</label>
			<span class="flex gap-2">
				<button
					type="button"
					class="act"
					disabled={at === 0}
					onclick={() => move(fact, -1)}
					aria-label="{fact.name} up">up</button
				>
				<button
					type="button"
					class="act"
					disabled={at === live.length - 1}
					onclick={() => move(fact, 1)}
					aria-label="{fact.name} down">down</button
				>
				<button
					type="button"
					class="act"
					onclick={() => (facts = facts.filter((other) => other !== fact))}
					aria-label="Remove {fact.name}">remove</button
				>
			</span>
		</div>
		{#if fact.type === 'choice'}
			<textarea
				class="box mt-1.5"
				rows={2}
				aria-label="Options of {fact.name}, one a line"
				value={(fact.options ?? []).join('\n')}
				onchange={({ currentTarget }) => (fact.options = linesOf(currentTarget.value))}></textarea>
		{:else if fact.type === 'coded'}
			<textarea
				class="box mt-1.5"
				rows={3}
				aria-label="Codes of {fact.name}: code and words, one a line"
				value={formatCodes(fact)}
				onchange={({ currentTarget }) => (fact.codes = readCodes(currentTarget.value))}></textarea>
		{/if}
		{#if wrong}<p class="fault mt-1">{wrong}</p>{/if}
	</div>
{:else}
	<p class="sub mt-2">No {what} yet.</p>
{/each}
<div class="mt-2 flex flex-wrap items-center gap-2">
	<input
		class="box w-56"
		bind:value={name}
		placeholder="Name of a new {what}"
		aria-label="Name of a new {what}"
		onkeydown={addOnEnter}
	/>
	<select class="box w-48" bind:value={type} aria-label="Sort of the new {what}">
		{#each Object.entries(types) as [sort, words] (sort)}
			<option value={sort}>{words}</option>
		{/each}
	</select>
	<button type="button" class="btn" onclick={add} disabled={!name.trim()}>Add the {what}</button>
</div>
