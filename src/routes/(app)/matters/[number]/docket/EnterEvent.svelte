<!-- Enter an event on a matter, in a drawer. -->
<script lang="ts">
	import type { ComponentProps } from 'svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import EventForm from '$lib/docket/EventForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import { plural } from '$lib/ui/format.ts';
	type Form = ComponentProps<typeof EventForm>;
	type Props = Pick<Form, 'matter' | 'choices' | 'services' | 'documents' | 'today' | 'people'> & {
		open: boolean;
	};
	let { open = $bindable(), matter, ...rest }: Props = $props();
	function ondone({ docketed }: Record<string, unknown>) {
		open = false;
		say(
			Number(docketed)
				? `Docketed ${plural(Number(docketed), 'date')}. A second person is asked to check.`
				: 'Kept as proposed.'
		);
	}
</script>

<Drawer bind:open title="Enter an event" about="{matter.number} {matter.title}" wide>
	<EventForm
		action="?/enter"
		{ondone}
		active={open}
		{matter}
		{...rest}
		draftOf={matter.id}
		drawer
	/>
</Drawer>
