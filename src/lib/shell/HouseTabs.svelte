<script lang="ts">
	import { page } from '$app/state';
	const tabs = $derived(
		[
			['/kinds', 'Matter kinds', page.data.can.kinds],
			['/imports', 'Imports', page.data.can.imports],
			['/staff', 'Staff', page.data.can.staff],
			['/jobs', 'Jobs', page.data.can.kinds]
		].filter((t) => t[2]) as [string, string, boolean][]
	);
</script>

<nav class="no-print flex gap-2" aria-label="House">
	{#each tabs as [href, name] (href)}<a
			class="note"
			class:on={page.url.pathname.startsWith(href)}
			{href}>{name}</a
		>{/each}
</nav>
