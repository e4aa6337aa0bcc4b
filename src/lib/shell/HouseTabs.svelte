<!-- The rooms of the house that one may enter. -->
<script lang="ts">
	import { page } from '$app/state';
	import Tabs from '$lib/ui/Tabs.svelte';
	const tabs = $derived(
		[
			{ href: '/kinds', name: 'Matter kinds', open: page.data.can.kinds },
			{ href: '/imports', name: 'Imports', open: page.data.can.imports },
			{ href: '/staff', name: 'Staff', open: page.data.can.staff },
			{ href: '/accounts', name: 'Accounts', open: page.data.can.accounts },
			{ href: '/resources', name: 'Rooms and things', open: page.data.can.resources },
			{ href: '/mail', name: 'Post room', open: page.data.can.mail },
			{ href: '/jobs', name: 'Jobs', open: page.data.can.kinds }
		].filter(({ open }) => open)
	);
</script>

<Tabs label="House" {tabs} />
