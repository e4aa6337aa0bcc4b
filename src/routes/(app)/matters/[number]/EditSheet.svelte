<!-- The whole sheet in a drawer. It begins from what stands each time it is opened. -->
<script lang="ts">
	import type { MatterForms } from '$lib/matters/forms.ts';
	import Drawer from '$lib/ui/Drawer.svelte';
	import type { PageData } from './$types.js';
	import SheetForm from './SheetForm.svelte';
	type Props = { data: PageData; forms: MatterForms; open: boolean };
	let { data, forms, open = $bindable() }: Props = $props();
</script>

<Drawer bind:open title="Change the facts" about={data.caption.number} wide>
	<SheetForm {data} {forms} ondone={() => (open = false)} />
</Drawer>
