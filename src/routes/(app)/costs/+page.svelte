<script lang="ts">
	import { dayAt } from '#core/dates/zone.ts';
	import { goto } from '$app/navigation';
	import { formatCents } from '#core/format/money.ts';
	import { formatHours } from '#core/format/hours.ts';

	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatShort } from '$lib/ui/format.ts';
	let { data } = $props();
	let open = $state(false);
	// svelte-ignore state_referenced_locally
	let from = $state(data.next.from),
		to = $state(data.next.to);
	const most = $derived(Math.max(1, ...data.runs.map((r) => r.cents)));
</script>

<svelte:head><title>Costs · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex items-center gap-3">
		<h1>Costs</h1>
		<span class="sub grow">{formatHours(data.waiting.minutes)} h released and not yet shared</span
		>{#if data.mayRun}<button class="btn go" onclick={() => (open = true)}>Make a cost run</button
			>{/if}
	</div>
	{#if data.runs.length}
		<table class="list mt-3">
			<thead
				><tr
					><th class="w-[120px]">Number</th><th>Cost run</th><th class="w-[150px]">State</th><th
						>Made by</th
					><th>Approved by</th><th class="num w-[80px]">Hours</th><th class="num w-[120px]">Cost</th
					><th class="w-[220px]"><span class="vh">Size</span></th></tr
				></thead
			>
			<tbody
				>{#each data.runs as r (r.id)}<tr class="link"
						><td class="text-ink-2">{r.number ?? 'none yet'}</td><td
							><a class="font-semibold hover:underline" href="/costs/{r.id}">{r.title}</a></td
						><td
							class={r.state === 'approved'
								? 'text-spruce'
								: r.state === 'reversed'
									? 'text-ink-3 line-through'
									: 'font-semibold text-saffron-ink'}>{r.state}</td
						><td>{r.madeBy}</td><td
							>{r.approvedBy ?? ''}{r.approvedAt
								? `, ${formatShort(dayAt(r.approvedAt, data.zone), data.today)}`
								: ''}</td
						><td class="num">{formatHours(r.minutes)}</td><td class="num font-semibold"
							>{formatCents(r.cents)}</td
						><td
							><span
								class="ml-2 block h-2"
								style="width:{(100 * r.cents) / most}%; background:{r.state === 'reversed'
									? 'var(--color-rule-3)'
									: 'var(--color-petrol)'}"
							></span></td
						></tr
					>{/each}</tbody
			>
		</table>
	{:else}<Empty
			>No cost run yet. A run takes all released time up to a day, prices it and shares it among the
			business units.</Empty
		>{/if}
</div>
<Drawer
	bind:open
	title="Make a cost run"
	about="Takes everything released and not yet allocated up to the last day. Nothing is booked until a second person approves."
>
	<ActionForm
		action="?/make"
		ondone={async (d) => {
			open = false;
			await goto(`/costs/${d.runId}`);
		}}
	>
		{#snippet children({ errors, busy })}<div class="flex flex-col gap-2">
				<DateField
					name="from"
					label="First day"
					bind:value={from}
					today={data.today}
					error={errors.from}
				/><DateField
					name="to"
					label="Last day"
					bind:value={to}
					today={data.today}
					error={errors.to}
				/>
				<div>
					<button class="btn go" disabled={busy}>{busy ? 'Gathering…' : 'Gather and share'}</button>
				</div>
			</div>{/snippet}
	</ActionForm>
</Drawer>
