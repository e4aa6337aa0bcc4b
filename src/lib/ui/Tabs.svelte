<!-- The rooms beside one another: each a page of its own. -->
<script lang="ts">
	import { page } from '$app/state';
	type Tab = { href: string; name: string };
	type Props = {
		label: string;
		tabs: readonly Tab[];
		/** The room that is open only at its own address, not at those below it. */
		exact?: string;
	};
	let { label, tabs, exact }: Props = $props();
	const path = $derived(page.url.pathname);
	const isOpen = ({ href }: Tab) => (href === exact ? path === href : path.startsWith(href));
</script>

<nav class="no-print flex flex-wrap gap-2" aria-label={label}>
	{#each tabs as tab (tab.href)}
		<a
			class="note"
			class:on={isOpen(tab)}
			aria-current={isOpen(tab) ? 'page' : undefined}
			href={tab.href}>{tab.name}</a
		>
	{/each}
</nav>
