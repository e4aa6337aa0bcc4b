<!-- The rooms of the docket, with how many dates wait in each. -->
<script lang="ts">
	import { page } from '$app/state';
	import { formatTotal } from '#core/format/words.ts';
	import Tabs from '$lib/ui/Tabs.svelte';
	const waiting = $derived(
		page.data.waiting as
			{ papers: number; checks: number; changes: number; signOff: number } | undefined
	);
	const withCount = (name: string, count: number | undefined) =>
		count ? `${name} ${formatTotal(count)}` : name;
	const tabs = $derived([
		{ href: '/docket', name: 'Dates' },
		{ href: '/docket/papers', name: withCount('Papers', waiting?.papers) },
		{ href: '/docket/check', name: withCount('Second check', waiting?.checks) },
		{ href: '/docket/changes', name: withCount('Changes', waiting?.changes) },
		{ href: '/docket/sign-off', name: withCount('Sign-off', waiting?.signOff) },
		{ href: '/docket/reconcile', name: 'Reconcile' },
		{ href: '/docket/report', name: 'Report' },
		{ href: '/docket/closures', name: 'Closures' },
		{ href: '/rulebooks', name: 'Rulebooks' },
		{ href: '/docket/calculator', name: 'Count a date' }
	]);
</script>

<Tabs label="Docket" {tabs} exact="/docket" />
