<!--
	The facts of a kind as fields: each by its sort, groups as rows that can be added and removed. A
	coded value has words beside it.
-->
<script lang="ts">
	import type { Fact } from '#core/kinds/fact.ts';
	import type { Kind } from '#core/kinds/kind.ts';
	import FactField from './FactField.svelte';
	type Row = Record<string, string>;
	type Props = {
		kind: Pick<Kind, 'facts' | 'groups'>;
		fields: Record<string, string>;
		names?: Record<string, string>;
		errors: Record<string, string>;
		only?: (fact: Fact) => boolean;
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
	const asked = $derived(kind.facts.filter((fact) => !fact.retired && only(fact)));
	const WIDE: ReadonlySet<Fact['type']> = new Set(['long', 'person', 'coded']);
	function rowsOf(group: string): Row[] {
		try {
			return JSON.parse(fields[`group:${group}`] || '[]') as Row[];
		} catch {
			return [];
		}
	}
	const setRows = (group: string, rows: Row[]) => {
		fields[`group:${group}`] = JSON.stringify(rows);
	};
	function put(group: string, at: number, field: string, value: string) {
		const rows = rowsOf(group);
		rows[at] = { ...rows[at], [field]: value };
		setRows(group, rows);
	}
	function putMore(key: string, words: string) {
		fields[`more:${key}`] = words;
		fields[`fact:${key}`] ??= '';
	}
</script>

<div class="grid grid-cols-2 gap-x-3 gap-y-3">
	{#each asked as fact (fact.key)}
		{@const field = `fact:${fact.key}`}
		<div class={{ 'col-span-2': WIDE.has(fact.type) }}>
			<FactField
				{fact}
				{field}
				bind:names
				bind:value={() => fields[field] ?? '', (value) => (fields[field] = value)}
				error={errors[field]}
			/>
			{#if fact.type === 'coded'}
				<input
					class="box mt-1.5"
					placeholder="in words"
					aria-label="{fact.name} in words"
					value={fields[`more:${fact.key}`] ?? ''}
					oninput={({ currentTarget }) => putMore(fact.key, currentTarget.value)}
				/>
			{/if}
		</div>
	{/each}
</div>
{#if groups}
	{#each kind.groups as group (group.key)}
		{@const live = group.facts.filter(({ retired }) => !retired)}
		{@const rows = rowsOf(group.key)}
		{#if live.length}
			<fieldset class="mt-4">
				<legend class="ruled w-full">
					<span class="font-semibold">{group.name}</span>
					<span class="sub">{rows.length || ''}</span>
				</legend>
				{#each rows as row, at (at)}
					<div class="row grid grid-cols-2 gap-3 py-3">
						{#each live as fact (fact.key)}
							<div>
								<FactField
									{fact}
									field="group:{group.key}:{at}:{fact.key}"
									bind:names
									bind:value={
										() => row[fact.key] ?? '', (value) => put(group.key, at, fact.key, value)
									}
									error={undefined}
								/>
								{#if fact.type === 'coded'}
									<input
										class="box mt-1.5"
										placeholder="in words"
										aria-label="{fact.name} {at + 1} in words"
										value={row[`${fact.key}+`] ?? ''}
										oninput={({ currentTarget }) =>
											put(group.key, at, `${fact.key}+`, currentTarget.value)}
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
										group.key,
										rows.filter((_, other) => other !== at)
									)}>Remove this row</button
							>
						</div>
					</div>
				{/each}
				{#if errors[`group:${group.key}`]}
					<p class="fault mt-1" role="alert">{errors[`group:${group.key}`]}</p>
				{/if}
				<button
					type="button"
					class="act mt-2"
					onclick={() => setRows(group.key, [...rowsOf(group.key), {}])}
				>
					Add to {group.name.toLowerCase()}
				</button>
			</fieldset>
		{/if}
	{/each}
{/if}
