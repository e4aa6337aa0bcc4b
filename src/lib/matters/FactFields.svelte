<!--
	The facts of a kind as fields: each by its sort, groups as rows that can be added and taken away.
-->
<script lang="ts">
	import { page } from '$app/state';
	import type { Fact } from '#core/kinds/fact.ts';
	import type { Kind } from '#core/kinds/kind.ts';
	import Choose from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { findPeople } from '$lib/people/find.ts';
	type Props = {
		kind: Pick<Kind, 'facts' | 'groups'>;
		fields: Record<string, string>;
		names?: Record<string, string>;
		errors: Record<string, string>;
		only?: (f: Fact) => boolean;
		groups?: boolean;
	};
	let {
		kind,
		fields = $bindable(),
		names = $bindable({}),
		errors,
		only = () => true,
		groups = true
	}: Props = $props();
	const rowsOf = (key: string): Record<string, string>[] => {
		try {
			return JSON.parse(fields[`group:${key}`] || '[]') as Record<string, string>[];
		} catch {
			return [];
		}
	};
	const setRows = (key: string, rows: Record<string, string>[]) => {
		fields[`group:${key}`] = JSON.stringify(rows);
	};
	const put = (key: string, i: number, fact: string, v: string) => {
		const rows = rowsOf(key);
		rows[i] = { ...rows[i], [fact]: v };
		setRows(key, rows);
	};
</script>

{#snippet one(
	f: Fact,
	id: string,
	value: string,
	set: (v: string) => void,
	error: string | undefined
)}
	{#if f.type === 'date'}<DateField
			name=""
			label={f.name}
			bind:value={() => value, set}
			today={page.data.today}
			{error}
		/>
	{:else if f.type === 'person'}<Choose
			label={f.name}
			name=""
			bind:value={() => value, set}
			bind:typed={
				() => names[id] ?? (value.startsWith('new:') ? value.slice(4) : ''),
				(t) => {
					names[id] = t;
					if (t === '') set('');
				}
			}
			find={findPeople}
			offer={(t) => ({ value: `new:${t}`, label: t, about: 'make a new card' })}
			{error}
			placeholder="Type a name"
		/>
	{:else}
		<Field label={f.name} {error}
			>{#snippet children(c)}
				{#if f.type === 'long'}<textarea
						class="box"
						rows={3}
						{value}
						oninput={(e) => set(e.currentTarget.value)}
						{...c}></textarea>
				{:else if f.type === 'choice' || f.type === 'yesno' || f.type === 'coded'}
					<select class="box" {value} onchange={(e) => set(e.currentTarget.value)} {...c}
						><option value="">–</option>{#if f.type === 'yesno'}<option value="yes">yes</option
							><option value="no">no</option
							>{:else if f.type === 'choice'}{#each f.options ?? [] as o (o)}<option value={o}
									>{o}</option
								>{/each}{:else}{#each f.codes ?? [] as o (o.code)}<option value={o.code}
									>{o.code} {o.label}</option
								>{/each}{/if}</select
					>
				{:else}<input
						class="box"
						class:num={f.type === 'money' || f.type === 'number'}
						{value}
						oninput={(e) => set(e.currentTarget.value)}
						inputmode={f.type === 'money' || f.type === 'number' ? 'decimal' : undefined}
						autocomplete="off"
						{...c}
					/>{/if}
			{/snippet}</Field
		>
	{/if}
{/snippet}

<div class="grid grid-cols-2 gap-x-3 gap-y-3">
	{#each kind.facts.filter((f) => !f.retired && only(f)) as f (f.key)}
		<div class={f.type === 'long' || f.type === 'person' || f.type === 'coded' ? 'col-span-2' : ''}>
			{@render one(
				f,
				`fact:${f.key}`,
				fields[`fact:${f.key}`] ?? '',
				(v) => (fields[`fact:${f.key}`] = v),
				errors[`fact:${f.key}`]
			)}
			{#if f.type === 'coded'}<input
					class="box mt-1.5"
					placeholder="in words"
					aria-label="{f.name} in words"
					value={fields[`more:${f.key}`] ?? ''}
					oninput={(e) => {
						fields[`more:${f.key}`] = e.currentTarget.value;
						fields[`fact:${f.key}`] ??= '';
					}}
				/>{/if}
		</div>
	{/each}
</div>
{#if groups}
	{#each kind.groups as g (g.key)}
		{@const live = g.facts.filter((f) => !f.retired)}
		{#if live.length}
			<fieldset class="mt-4">
				<legend class="ruled w-full"
					><span class="font-semibold">{g.name}</span><span class="sub"
						>{rowsOf(g.key).length || ''}</span
					></legend
				>
				{#each rowsOf(g.key) as r, i (i)}
					<div class="row grid grid-cols-2 gap-3 py-3">
						{#each live as f (f.key)}
							<div>
								{@render one(
									f,
									`group:${g.key}:${i}:${f.key}`,
									r[f.key] ?? '',
									(v) => put(g.key, i, f.key, v),
									undefined
								)}
								{#if f.type === 'coded'}
									<input
										class="box mt-1.5"
										placeholder="in words"
										aria-label="{f.name} {i + 1} in words"
										value={r[`${f.key}+`] ?? ''}
										oninput={(e) => put(g.key, i, `${f.key}+`, e.currentTarget.value)}
									/>
								{/if}
							</div>
						{/each}
						<div class="col-span-2">
							<button
								type="button"
								class="act"
								onclick={() =>
									setRows(
										g.key,
										rowsOf(g.key).filter((_, k) => k !== i)
									)}>Take this row out</button
							>
						</div>
					</div>
				{/each}
				{#if errors[`group:${g.key}`]}<p class="fault mt-1" role="alert">
						{errors[`group:${g.key}`]}
					</p>{/if}
				<button
					type="button"
					class="act mt-2"
					onclick={() => setRows(g.key, [...rowsOf(g.key), {}])}
					>Add to {g.name.toLowerCase()}</button
				>
			</fieldset>
		{/if}
	{/each}
{/if}
