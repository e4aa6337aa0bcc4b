<!--
	What limits a list: selects and a search, kept in the address. A choice shows at once, a search
	with Enter.
-->
<script lang="ts">
	import type { Snippet } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { changeQuery, type Filter } from './address.ts';
	type Props = {
		filters?: readonly Filter[];
		search?: { label: string; placeholder: string };
		/** More fields of the same form, by name. */
		fields?: Snippet;
		/** What stands at the end of the bar and is no part of the question. */
		children?: Snippet;
		class?: string;
	};
	let { filters = [], search, fields, children, class: more = '' }: Props = $props();
	const query = $derived(page.url.searchParams);
	const choose = ({ name, change }: Filter, value: string) =>
		goto(changeQuery(query, { [name]: value, ...change?.(value) }), { keepFocus: true });
	function ask(event: SubmitEvent) {
		event.preventDefault();
		const typed = new FormData(event.currentTarget as HTMLFormElement);
		const change = Object.fromEntries(
			[...typed].map(([name, value]) => [name, String(value).trim()])
		);
		void goto(changeQuery(query, change), { keepFocus: true });
	}
</script>

<form method="get" class="no-print flex flex-wrap items-center gap-2 {more}" onsubmit={ask}>
	{#each filters as filter (filter.name)}
		{@const { name, label, any, anyValue = '', options, value } = filter}
		<select
			class="box w-auto max-w-[160px]"
			class:border-ink={value}
			{name}
			aria-label={label}
			value={value ?? anyValue}
			onchange={({ currentTarget }) => choose(filter, currentTarget.value)}
		>
			<option value={anyValue}>{any}</option>
			{#each options as [choice, words] (choice)}
				<option value={choice}>{words}</option>
			{/each}
		</select>
	{/each}
	{@render fields?.()}
	{#if search}
		<input
			class="box w-52"
			name="q"
			value={query.get('q') ?? ''}
			placeholder={search.placeholder}
			aria-label={search.label}
		/>
	{/if}
	{@render children?.()}
</form>
