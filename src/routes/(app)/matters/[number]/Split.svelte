<!-- How the cost of the matter is shared among business units. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	const caption = $derived(data.caption);
	let splitting = $state(false);
	let rows = $state<{ unit: string; center: string; share: string }[]>([]);
	let from = $state('');
	/** A row that says nothing is not sent. */
	const isFilled = (row: { unit: string; share: string }) =>
		row.unit !== '' || row.share.trim() !== '';
	function split() {
		rows = caption.split.map((share) => ({
			unit: share.unitId,
			center: share.costCenterId ?? '',
			share: String(share.share / 10_000)
		}));
		rows.push({ unit: '', center: '', share: '' });
		from = data.today;
		splitting = true;
	}
	const sum = $derived(
		Math.round(rows.reduce((total, row) => total + (Number(row.share) || 0), 0) * 10_000) / 10_000
	);
</script>

<Section
	title="Split of cost"
	about={caption.splitFrom ? `from ${formatDay(caption.splitFrom, data.today)}` : ''}
	>{#snippet tools()}{#if data.can.split && data.caption.mayChange}<button
				class="act"
				onclick={split}>Change</button
			>{/if}{/snippet}
	{#each caption.split as s, i (i)}<div class="row flex h-9 items-center gap-2">
			<span class="h-2.5 w-2.5" style="background:var(--unit-{s.hue})"></span><span class="grow"
				>{s.unit}</span
			><b class="font-semibold">{s.share / 10_000} %</b>
		</div>{/each}
</Section>

<Drawer bind:open={splitting} title="Split the cost" about="{caption.number} {caption.title}">
	<ActionForm
		action="?/split"
		ondone={() => {
			splitting = false;
			say('The split is set.');
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3">
				<input type="hidden" name="matterId" value={caption.id} />
				<DateField
					name="from"
					label="From"
					bind:value={from}
					today={data.today}
					error={errors.from}
					hint="Lines allocated before stay as they are."
				/>
				{#each rows as r, i (i)}
					<div class="grid grid-cols-[1fr_1fr_86px] gap-2">
						<select
							class="box"
							name={isFilled(r) ? `shares.${i}.unit` : undefined}
							bind:value={r.unit}
							aria-label="Business unit {i + 1}"
							><option value="">Business unit</option>{#each data.units as u (u.id)}<option
									value={u.id}>{u.name}</option
								>{/each}</select
						>
						<select
							class="box"
							name={isFilled(r) ? `shares.${i}.costCenter` : undefined}
							bind:value={r.center}
							aria-label="Cost center {i + 1}"
							><option value="">No cost center</option
							>{#each data.centers.filter((x) => x.unitId === r.unit) as x (x.id)}<option
									value={x.id}>{x.code} {x.name}</option
								>{/each}</select
						>
						<div class="flex items-center gap-1">
							<input
								class="box num"
								name={isFilled(r) ? `shares.${i}.share` : undefined}
								bind:value={r.share}
								inputmode="decimal"
								aria-label="Share {i + 1} in percent"
								aria-invalid={errors.shares ? 'true' : undefined}
							/>%
						</div>
					</div>
				{/each}
				<div class="flex items-center">
					<button
						type="button"
						class="act"
						onclick={() => rows.push({ unit: '', center: '', share: '' })}
						>Add a business unit</button
					><span class="ml-auto font-semibold {sum === 100 ? 'text-spruce' : 'text-madder'}"
						>{sum} % of 100 %</span
					>
				</div>
				{#if errors.shares}<p class="fault" role="alert">{errors.shares}</p>{/if}
				<div><button class="btn go" disabled={busy}>Set the split</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
