<!-- Days one is away: a date that moves onto them is warned of. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let {
		data,
		open = $bindable(false)
	}: { data: Extract<PageData, { inside: true }>; open: boolean } = $props();
	let from = $state(''),
		to = $state(''),
		note = $state('');
</script>

<Drawer bind:open title="Days away" about="a date that moves onto them is warned of">
	{#each data.away as a (a.id)}<div class="row flex min-h-10 items-center gap-3">
			<span class="grow"
				>{formatDay(a.from, data.today)} to {formatDay(a.to, data.today)}
				<span class="sub">{a.note}</span></span
			><RowAction action="?/back" fields={{ leaveId: a.id }}>take out</RowAction>
		</div>{/each}
	<ActionForm
		action="?/away"
		class="mt-4 flex flex-col gap-2.5"
		ondone={() => {
			from = '';
			to = '';
			note = '';
		}}
		>{#snippet children({ errors, busy })}<DateField
				name="from"
				label="From"
				bind:value={from}
				today={data.today}
				error={errors.from}
			/><DateField
				name="to"
				label="To"
				bind:value={to}
				today={data.today}
				error={errors.to}
			/><TextField label="Note" error={errors.note} name="note" bind:value={note} />
			<div>
				<button class="btn go" disabled={busy}>Keep these days</button>
			</div>{/snippet}</ActionForm
	>
</Drawer>
