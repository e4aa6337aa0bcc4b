<!-- The rooms of the docket. -->
<script lang="ts">
	import { page } from '$app/state';
	const n = $derived(page.data.waiting as { checks: number; changes: number } | undefined);
	const tabs = $derived([
		['/docket', 'Dates', ''],
		['/docket/check', 'Second check', n?.checks ? ` ${n.checks}` : ''],
		['/docket/changes', 'Changes', n?.changes ? ` ${n.changes}` : ''],
		['/docket/report', 'Report', ''],
		['/docket/closures', 'Closures', ''],
		['/rulebooks', 'Rulebooks', ''],
		['/docket/calculator', 'Count a date', '']
	] as const);
	const at = $derived(page.url.pathname);
	const on = (href: string) => (href === '/docket' ? at === '/docket' : at.startsWith(href));
</script>

<nav class="no-print flex flex-wrap gap-2" aria-label="Docket">
	{#each tabs as [href, name, count] (href)}<a
			class="note"
			class:on={on(href)}
			aria-current={on(href) ? 'page' : undefined}
			{href}>{name}{count}</a
		>{/each}
</nav>
