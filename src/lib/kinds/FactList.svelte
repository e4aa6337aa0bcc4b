<!-- The facts of a kind, or of one of its groups: name, sort, options, whether wanted, order. -->
<script lang="ts">
	import { keyFromName } from '#core/kinds/kind.ts';
	import type { Fact } from '#core/kinds/fact.ts';
	let {
		facts = $bindable(),
		types,
		taken = [],
		fault,
		what = 'fact'
	}: {
		facts: Fact[];
		types: Record<string, string>;
		taken?: string[];
		fault: (i: number) => string;
		/** What one of them is called. */
		what?: string;
	} = $props();
	let name = $state(''),
		type = $state<Fact['type']>('text');
	const live = $derived(facts.filter((f) => !f.retired));
	function add() {
		if (!name.trim()) return;
		const f: Fact = {
			key: keyFromName(name, [...facts.map((x) => x.key), ...taken]),
			name: name.trim(),
			type
		};
		if (type === 'choice') f.options = [];
		if (type === 'coded') f.codes = [];
		facts = [...facts, f];
		name = '';
	}
	function move(f: Fact, by: number) {
		const at = live.indexOf(f),
			other = live[at + by];
		if (!other) return;
		const i = facts.indexOf(f),
			j = facts.indexOf(other);
		const next = [...facts];
		next[i] = other;
		next[j] = f;
		facts = next;
	}
	const codesText = (f: Fact) => (f.codes ?? []).map((c) => `${c.code} ${c.label}`).join('\n');
</script>

{#each live as f, i (f.key)}
	<div class="row py-2" data-fact={f.key}>
		<div class="grid grid-cols-2 items-center gap-2 md:grid-cols-[minmax(0,1fr)_190px_84px_auto]">
			<input class="box" bind:value={f.name} aria-label="Name of {what} {i + 1}" /><select
				class="box"
				bind:value={f.type}
				aria-label="Sort of {f.name}"
				onchange={() => {
					if (f.type === 'choice') f.options ??= [];
					if (f.type === 'coded') f.codes ??= [];
				}}
				>{#each Object.entries(types) as [k, n] (k)}<option value={k}>{n}</option>{/each}</select
			>
			<label
				><input
					type="checkbox"
					bind:checked={
						() => f.wanted === true,
						(x) => {
							if (x) f.wanted = true;
							else delete f.wanted;
							facts = [...facts];
						}
					}
				/> wanted</label
			>
			<span class="flex gap-2"
				><button
					type="button"
					class="act"
					disabled={i === 0}
					onclick={() => move(f, -1)}
					aria-label="{f.name} up">up</button
				><button
					type="button"
					class="act"
					disabled={i === live.length - 1}
					onclick={() => move(f, 1)}
					aria-label="{f.name} down">down</button
				><button
					type="button"
					class="act"
					onclick={() => (facts = facts.filter((x) => x !== f))}
					aria-label="Remove {f.name}">remove</button
				></span
			>
		</div>
		{#if f.type === 'choice'}<textarea
				class="box mt-1.5"
				rows={2}
				aria-label="Options of {f.name}, one a line"
				value={(f.options ?? []).join('\n')}
				onchange={(e) =>
					(f.options = e.currentTarget.value
						.split('\n')
						.map((x) => x.trim())
						.filter(Boolean))}></textarea>
		{:else if f.type === 'coded'}<textarea
				class="box mt-1.5"
				rows={3}
				aria-label="Codes of {f.name}: code and words, one a line"
				value={codesText(f)}
				onchange={(e) =>
					(f.codes = e.currentTarget.value
						.split('\n')
						.map((x) => x.trim())
						.filter(Boolean)
						.map((x) => {
							const [code, ...rest] = x.split(/\s+/);
							return { code: code!, label: rest.join(' ') || code! };
						}))}></textarea>{/if}
		{#if fault(facts.indexOf(f))}<p class="fault mt-1">{fault(facts.indexOf(f))}</p>{/if}
	</div>
{:else}<p class="sub mt-2">No {what} yet.</p>{/each}
<div class="mt-2 flex flex-wrap items-center gap-2">
	<input
		class="box w-56"
		bind:value={name}
		placeholder="Name of a new {what}"
		aria-label="Name of a new {what}"
		onkeydown={(e) => {
			if (e.key === 'Enter') {
				e.preventDefault();
				add();
			}
		}}
	/><select class="box w-48" bind:value={type} aria-label="Sort of the new {what}"
		>{#each Object.entries(types) as [k, n] (k)}<option value={k}>{n}</option>{/each}</select
	><button type="button" class="btn" onclick={add} disabled={!name.trim()}>Add the {what}</button>
</div>
