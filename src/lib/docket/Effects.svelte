<!-- What would change: every date with its old and its new day, before anything is saved. -->
<script lang="ts">
	import { formatDay } from '$lib/ui/format.ts';
	import type { EffectView } from '#server/docket/effect-views.ts';
	type Props = { effects: EffectView[]; total?: number; today: string; matter?: boolean };
	const daysOf = ({ days }: EffectView) =>
		!days ? '' : `${days > 0 ? '+' : '−'}${Math.abs(days)}`;
	let { effects, total = effects.length, today, matter = true }: Props = $props();
</script>

{#if effects.length}
	<table class="list fold">
		<thead>
			<tr>
				<th>{matter ? 'Date and matter' : 'Date'}</th>
				<th class="w-[100px]">Now</th>
				<th class="w-[100px]">Then</th>
				<th class="num w-[50px]">Days</th>
			</tr>
		</thead>
		<tbody>
			{#each effects as e, i (i)}
				<tr data-effect={e.title}>
					<td class="py-1.5 max-md:col-span-2">
						<b class="font-semibold">{e.title}</b>
						<span class="sub">{e.event}{e.state === 'proposed' ? ', proposed' : ''}</span>
						{#if matter}<span class="block">{e.matterTitle}</span>{/if}
					</td>
					<td class="whitespace-nowrap">{e.was ? formatDay(e.was, today) : 'new'}</td>
					<td class="whitespace-nowrap">
						{#if e.settles}
							stays after all
						{:else}
							<b class="font-semibold">{e.becomes ? formatDay(e.becomes, today) : 'falls away'}</b>
						{/if}
						<span class="ml-2 font-semibold text-petrol md:hidden">{daysOf(e)}</span>
					</td>
					<td class="num font-semibold text-petrol max-md:hidden">{daysOf(e)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
	{#if total > effects.length}<p class="sub mt-2">The first {effects.length} of {total}.</p>{/if}
{:else}<p class="sub py-2">No date in an open matter that you may see would change.</p>{/if}
